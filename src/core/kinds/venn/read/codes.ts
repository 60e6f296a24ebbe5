import { finding } from '../../../model';
import type { ReadCode } from '../../../read';

/** What the reader of sets can find beyond what every reader can. */
export type SetReadCode =
  | Extract<ReadCode, 'ragged-row' | 'too-long'>
  | 'in-no-set'
  | 'no-heading'
  | 'no-name'
  | 'no-sets'
  | 'spelled-twice'
  | 'too-many-sets';

/** A finding of the reader of sets. */
export const setFinding = finding<SetReadCode>;
