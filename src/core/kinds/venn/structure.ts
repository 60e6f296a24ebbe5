import { byOrder } from '../../model';
import { type Venn, maskOf, setsInOrder } from './model';
import type { Listing } from '../../hierarchy';

export const bitCount = (mask: number): number => {
  let count = 0;
  for (let rest = mask; rest > 0; rest &= rest - 1) count++;
  return count;
};

const latest = new WeakMap<Venn['entries'], { part: Venn['venn']; structure: Listing }>();

/**
 * The tiers of a Venn diagram: how many sets an entry is in. Tier 0, "in none", comes before `tierStart[0]`; within a tier entries are
 * ordered by region and then as the list is. `outline` is the order of the list. O(n log n).
 */
export function vennStructure({ entries, venn }: Venn): Listing {
  const known = latest.get(entries);
  if (known?.part === venn) return known.structure;
  const sets = setsInOrder(venn);
  const list = Object.values(entries)
    .sort(byOrder)
    .map((entry, at) => ({ id: entry.id, at, mask: maskOf(venn, sets, entry.id) }));
  const level = [...list].sort((a, b) => bitCount(a.mask) - bitCount(b.mask) || a.mask - b.mask || a.at - b.at);
  const n = level.length;
  const tier = Int32Array.from(level, ({ mask }) => bitCount(mask));
  const tierStart = Array.from({ length: sets.length + 1 }, (_, t) => {
    const first = tier.findIndex((one) => one > t);
    return first < 0 ? n : first;
  });
  const index = new Map(level.map(({ id }, i) => [id, i]));
  const structure: Listing = {
    ids: level.map(({ id }) => id),
    index,
    tier,
    outline: Int32Array.from(list, ({ id }) => index.get(id)!),
    tierStart,
  };
  latest.set(entries, { part: venn, structure });
  return structure;
}

/** "In none", "In one", "In two", "In all three": what the tiers are called where they have no name of their own. */
export function overlapName(tier: number, sets: number): string {
  const words = ['none', 'one', 'two', 'three', 'four', 'five'];
  if (tier === sets && sets > 1) return sets === 2 ? 'In both' : `In all ${words[sets]}`;
  return `In ${words[tier] ?? tier}`;
}
