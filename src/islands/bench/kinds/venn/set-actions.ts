import { childrenOf, placeAt } from '../../../../core/hierarchy';
import type { Gesture, Diagram } from '../../../../core/diagram';
import { beginning, createEntry, keyBetween, own } from '../../../../core/model';
import { type Venn, regionKey, setsInOrder, type VennSet } from '../../../../core/kinds/venn';
import { foldName } from '../../../../core/read';
import { newId } from '../../../shared/ids';

/** Adds an empty set after the others. */
export function newSet(sets: readonly VennSet[]): Gesture {
  const order = keyBetween(sets.at(-1)?.order ?? null, null)!;
  const set = { id: newId(), name: `Set ${sets.length + 1}`, order, colour: null };
  return [{ kind: 'putSet', set, members: [], regions: {} }];
}

export const dropSetGesture = (id: string): Gesture => [{ kind: 'dropSet', id }];

/** Puts an entry into a set, or takes it out where it is in. */
export function tick(diagram: Venn, entry: string, set: string): Gesture {
  const members = own(diagram.venn.members, entry) ?? [];
  const sets = members.includes(set) ? members.filter((one) => one !== set) : [...members, set];
  return [{ kind: 'setMembers', entry, sets: regionKey(sets).split(',').filter(Boolean) }];
}

/** A new entry in a region, after the others. */
export function addToRegion(diagram: Venn, region: string, name: string): { gesture: Gesture; id: string } {
  const id = newId();
  const { orders, rewrites } = placeAt(diagram, null, childrenOf(diagram, null).length);
  const members = region === '' ? {} : { [id]: region.split(',') };
  const entries = [createEntry({ id, name, order: orders[0]! })];
  return { gesture: [...rewrites, { kind: 'addEntries', entries, links: [], branches: {}, only: {}, members }], id };
}

/**
 * Several lines pasted into a cell become entries after that one; what stands after a colon are sets where they are known by that name.
 * Pasted into an empty line they take its place. Null for a single line, which is pasted as text.
 */
export function pasteItems(diagram: Diagram, at: string, text: string): { gesture: Gesture; last: string } | null {
  const lines = text.split(/\r\n|\r|\n/).filter((line) => line.trim() !== '');
  const entry = own(diagram.entries, at);
  if (lines.length < 2 || !entry || diagram.kind !== 'venn') return null;
  const byName = new Map(setsInOrder(diagram.venn).map((set) => [foldName(set.name), set.id]));
  const index = childrenOf(diagram, null).findIndex((one) => one.id === at) + 1;
  const { orders, rewrites } = placeAt(diagram, null, index, lines.length);
  const members: Record<string, string[]> = {};
  const entries = lines.map((line, i) => {
    const id = newId();
    const [name = '', told = ''] = line.split(/:|\t/, 2);
    const sets = told.split(/[,;/&]/).flatMap((one) => byName.get(foldName(one)) ?? []);
    // Words after a colon that are no sets belong to the name.
    const whole = told.trim() !== '' && sets.length === 0 ? line : name;
    if (sets.length > 0) members[id] = regionKey(new Set(sets)).split(',');
    return createEntry({ id, name: beginning(whole.trim(), 400), order: orders[i]! });
  });
  const empty = entry.name === '' && !own(diagram.venn.members, at);
  return {
    gesture: [
      ...rewrites,
      { kind: 'addEntries', entries, links: [], branches: {}, only: {}, members },
      ...(empty ? [{ kind: 'removeEntries' as const, ids: [at] }] : []),
    ],
    last: entries.at(-1)!.id,
  };
}
