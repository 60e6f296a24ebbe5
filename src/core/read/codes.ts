import { finding } from '../model';

/** All that the shared readers can find in a list. */
export type ReadCode =
  | 'ambiguous-superior'
  | 'beside-table'
  | 'circle'
  | 'empty'
  | 'encoding-guessed'
  | 'format'
  | 'format-fault'
  | 'hidden-rows'
  | 'many-details'
  | 'no-structure'
  | 'not-all-compared'
  | 'not-text'
  | 'open-quote'
  | 'ragged-row'
  | 'same-id'
  | 'same-name'
  | 'several-tops'
  | 'too-large'
  | 'too-long'
  | 'too-many'
  | 'uneven-indent'
  | 'unknown-side-link'
  | 'unknown-superior'
  | 'unsure-side-link'
  | 'unsure-superior';

/** A finding of a reader. */
export const readFinding = finding<ReadCode>;
