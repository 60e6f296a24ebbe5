import { isUnder, type CommonCommand } from '../edit';
import { own, type DiagramCommon } from '../model';
import { childrenOf, placeAt } from './place';
import { hierarchyOf } from './structure';

/** Those of some entries that stand under no other of them, in the order of the list. */
export function topmost({ entries }: DiagramCommon, ids: Iterable<string>): string[] {
  const chosen = new Set([...ids].filter((id) => own(entries, id)));
  const { outline, ids: all } = hierarchyOf(entries);
  const within = new Set<string>();
  const tops: string[] = [];
  // Parents come before their children in the list.
  for (const i of outline) {
    const id = all[i]!;
    const { parent } = own(entries, id)!;
    const covered = parent !== null && within.has(parent);
    if (covered || chosen.has(id)) within.add(id);
    if (chosen.has(id) && !covered) tops.push(id);
  }
  return tops;
}

/** Some entries and all that stands under them, each once. */
export function withBranches({ entries }: DiagramCommon, ids: Iterable<string>): string[] {
  const chosen = new Set(ids);
  const { outline, ids: all } = hierarchyOf(entries);
  const within = new Set<string>();
  for (const i of outline) {
    const id = all[i]!;
    const { parent } = own(entries, id)!;
    if (chosen.has(id) || (parent !== null && within.has(parent))) within.add(id);
  }
  return [...within];
}

/**
 * Several branches to another parent (null: the top), as its last and in the order of the list; those below another of them stay where they are under
 * it. Null where none of them would move, or one would stand under itself.
 */
export function moveAllUnder(
  diagram: DiagramCommon,
  ids: Iterable<string>,
  parent: string | null,
): CommonCommand[] | null {
  const tops = topmost(diagram, ids);
  if (parent !== null && (!own(diagram.entries, parent) || tops.some((id) => isUnder(diagram.entries, parent, id))))
    return null;
  const moving = tops.filter((id) => own(diagram.entries, id)!.parent !== parent);
  if (moving.length === 0) return null;
  const { orders, rewrites } = placeAt(diagram, parent, childrenOf(diagram, parent).length, moving.length);
  return [...rewrites, { kind: 'moveEntries', moves: moving.map((id, i) => ({ id, parent, order: orders[i]! })) }];
}
