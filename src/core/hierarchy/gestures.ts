import { isUnder, type CommonCommand } from '../edit';
import { createEntry, own, type DiagramCommon, type Entry } from '../model';
import { withBranches } from './many';
import { childrenOf, placeAt } from './place';

/** What people do in the list, told as commands. Each returns null where the gesture has no meaning. */
type Told = CommonCommand[] | null;

const add = (entries: Entry[]): CommonCommand => ({ kind: 'addEntries', entries, links: [], branches: {}, only: {} });

function indexOf(diagram: DiagramCommon, id: string): number {
  const entry = own(diagram.entries, id);
  return entry ? childrenOf(diagram, entry.parent).findIndex((other) => other.id === id) : -1;
}

/** Add next: after the entry, on its tier. Without an entry: at the end of the top tier. */
export function addNext(
  diagram: DiagramCommon,
  after: string | null,
  made: Pick<Entry, 'id'> & Partial<Entry>,
): CommonCommand[] {
  const parent = after === null ? null : (own(diagram.entries, after)?.parent ?? null);
  const index = after === null ? childrenOf(diagram, null).length : indexOf(diagram, after) + 1;
  const { orders, rewrites } = placeAt(diagram, parent, index);
  return [...rewrites, add([createEntry({ ...made, parent, order: orders[0]! })])];
}

/** Add under: as the first of the entry's own, so that it appears on the next line. */
export function addUnder(
  diagram: DiagramCommon,
  parent: string,
  made: Pick<Entry, 'id'> & Partial<Entry>,
): CommonCommand[] {
  const { orders, rewrites } = placeAt(diagram, parent, 0);
  return [...rewrites, add([createEntry({ ...made, parent, order: orders[0]! })])];
}

/** Add above: a new entry takes the entry's place and has it under itself. */
export function addAbove(diagram: DiagramCommon, below: string, made: Pick<Entry, 'id'> & Partial<Entry>): Told {
  const entry = own(diagram.entries, below);
  if (!entry) return null;
  const added = createEntry({ ...made, parent: entry.parent, order: entry.order });
  return [add([added]), { kind: 'moveBranch', id: below, parent: added.id, order: 'V' }];
}

/** One tier down: under the sibling before it, as that one's last. */
export function tierDown(diagram: DiagramCommon, id: string): Told {
  const entry = own(diagram.entries, id);
  if (!entry) return null;
  const before = childrenOf(diagram, entry.parent)[indexOf(diagram, id) - 1];
  return before ? moveUnder(diagram, id, before.id) : null;
}

/** One tier up: next after the entry it stood under. */
export function tierUp(diagram: DiagramCommon, id: string): Told {
  const entry = own(diagram.entries, id);
  if (!entry || entry.parent === null) return null;
  const parent = own(diagram.entries, entry.parent)!;
  return moveTo(diagram, id, parent.parent, indexOf(diagram, parent.id) + 1);
}

/** Earlier or later among its siblings. */
export function moveBy(diagram: DiagramCommon, id: string, step: -1 | 1): Told {
  const entry = own(diagram.entries, id);
  if (!entry) return null;
  const index = indexOf(diagram, id) + step;
  if (index < 0 || index >= childrenOf(diagram, entry.parent).length) return null;
  return moveTo(diagram, id, entry.parent, index);
}

/** The whole branch to another parent, as its last. Null where it stands there already or would stand under itself. */
export function moveUnder(diagram: DiagramCommon, id: string, parent: string | null): Told {
  const entry = own(diagram.entries, id);
  if (!entry || entry.parent === parent || (parent !== null && isUnder(diagram.entries, parent, id))) return null;
  return moveTo(diagram, id, parent, childrenOf(diagram, parent).length);
}

/** `index` counts the siblings without the entry itself. */
export function moveTo(diagram: DiagramCommon, id: string, parent: string | null, index: number): Told {
  if (parent !== null && isUnder(diagram.entries, parent, id)) return null;
  const { orders, rewrites } = placeAt(diagram, parent, index, 1, id);
  return [...rewrites, { kind: 'moveBranch', id, parent, order: orders[0]! }];
}

export function removeBranch(diagram: DiagramCommon, id: string): CommonCommand[] {
  return [{ kind: 'removeEntries', ids: withBranches(diagram, [id]) }];
}

/** Removes one entry; those under it take its place, one tier up. */
export function removeOnly(diagram: DiagramCommon, id: string): Told {
  const entry = own(diagram.entries, id);
  if (!entry) return null;
  const children = childrenOf(diagram, id);
  const { orders, rewrites } = placeAt(diagram, entry.parent, indexOf(diagram, id) + 1, children.length);
  const moves = children.map((child, i) => ({ id: child.id, parent: entry.parent, order: orders[i]! }));
  return [
    ...rewrites,
    ...(moves.length > 0 ? [{ kind: 'moveEntries' as const, moves }] : []),
    { kind: 'removeEntries', ids: [id] },
  ];
}
