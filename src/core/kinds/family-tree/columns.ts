import type { ListColumn } from '../../kind';
import { personOf, type FamilyTree } from './model';

/** Dates are taken as they are written; what cannot be reckoned with is a finding. */
const dateColumn = (key: 'born' | 'died', name: string): ListColumn => ({
  ...{ id: key, name, type: 'text', width: 0.75 },
  show: (diagram, id) => personOf(diagram as FamilyTree, id)[key],
  write: (_, id, typed) =>
    typed.length > 80
      ? { ok: false, reason: 'A date may have 80 characters.' }
      : { ok: true, gesture: [{ kind: 'setPerson', id, patch: { [key]: typed } }] },
});

export const familyColumns: readonly ListColumn[] = [dateColumn('born', 'Born'), dateColumn('died', 'Died')];
