import { byOrder } from '../../../model';
import { type Venn, keyOfMask, maskOf, setsInOrder, setsOfMask, type VennSet } from '../model';
import { bitCount } from '../structure';

export interface RegionFigure {
  readonly mask: number;
  readonly key: string;
  /** "Mudflat ∩ Saltmarsh ∖ Open water", read as: in both, not in the third. */
  readonly expression: string;
  readonly count: number;
  readonly entries: readonly string[];
}

export interface OverlapFigure {
  readonly sets: readonly [string, string];
  /** The bits of both sets. */
  readonly mask: number;
  readonly both: number;
  readonly either: number;
  /** Entries in both by entries in either (P. Jaccard 1901); null where there are none. */
  readonly jaccard: number | null;
}

export interface VennFigures {
  readonly entries: number;
  readonly sets: readonly { readonly id: string; readonly name: string; readonly entries: readonly string[] }[];
  /** All 2^n, "in none" first, by mask. */
  readonly regions: readonly RegionFigure[];
  readonly tiers: readonly { readonly tier: number; readonly count: number }[];
  /** The union as a sum: sizes of all intersections, added for an odd number of sets and taken away for an even one. */
  readonly inclusionExclusion: {
    readonly terms: readonly { readonly sets: readonly string[]; readonly sign: 1 | -1; readonly count: number }[];
    readonly union: number;
  };
  readonly overlaps: readonly OverlapFigure[];
  /** The region of each entry, in the order of the list. */
  readonly where: readonly { readonly id: string; readonly name: string; readonly mask: number }[];
}

const nameOf = (set: VennSet): string => set.name || 'Unnamed';

/** A region as an expression of sets: intersection of those it is in, without the union of the others. */
export function setExpression(sets: readonly VennSet[], mask: number): string {
  const inside = setsOfMask(sets, mask).map(nameOf);
  const outside = sets.filter((set) => !setsOfMask(sets, mask).includes(set)).map(nameOf);
  const less = outside.length > 1 ? `(${outside.join(' ∪ ')})` : (outside[0] ?? '');
  if (inside.length === 0) return less ? `U ∖ ${less}` : 'U';
  const meet = inside.join(' ∩ ');
  return less ? `${inside.length > 1 ? `(${meet})` : meet} ∖ ${less}` : meet;
}

/** Counts, regions and overlaps of a Venn diagram. O(entries · sets + 2^sets · entries in them). */
export function figureVenn(diagram: Venn): VennFigures {
  const { venn } = diagram;
  const sets = setsInOrder(venn);
  const list = Object.values(diagram.entries).sort(byOrder);
  const where = list.map(({ id, name }) => ({ id, name, mask: maskOf(venn, sets, id) }));
  const inMask: string[][] = Array.from({ length: 1 << sets.length }, () => []);
  for (const { id, mask } of where) inMask[mask]!.push(id);
  const inAll = (mask: number) => inMask.flatMap((ids, region) => ((region & mask) === mask ? ids : []));
  const terms = inMask
    .map((_, mask) => mask)
    .filter((mask) => mask > 0)
    .sort((a, b) => bitCount(a) - bitCount(b) || a - b)
    .map((mask) => ({
      sets: setsOfMask(sets, mask).map(nameOf),
      sign: bitCount(mask) % 2 === 1 ? (1 as const) : (-1 as const),
      count: inAll(mask).length,
    }));
  const union = terms.reduce((sum, term) => sum + term.sign * term.count, 0);
  const overlaps = sets.flatMap((a, i) =>
    sets.slice(i + 1).map((b, k): OverlapFigure => {
      const both = inAll((1 << i) | (1 << (i + 1 + k))).length;
      const either = inAll(1 << i).length + inAll(1 << (i + 1 + k)).length - both;
      return {
        sets: [nameOf(a), nameOf(b)],
        mask: (1 << i) | (1 << (i + 1 + k)),
        both,
        either,
        jaccard: either > 0 ? both / either : null,
      };
    }),
  );
  return {
    entries: list.length,
    sets: sets.map((set, i) => ({ id: set.id, name: nameOf(set), entries: inAll(1 << i) })),
    regions: inMask.map((entries, mask) => ({
      mask,
      key: keyOfMask(sets, mask),
      expression: setExpression(sets, mask),
      count: entries.length,
      entries,
    })),
    tiers: Array.from({ length: sets.length + 1 }, (_, tier) => ({
      tier,
      count: where.filter(({ mask }) => bitCount(mask) === tier).length,
    })),
    inclusionExclusion: { terms, union },
    overlaps,
    where,
  };
}

export type SetOperation = 'union' | 'intersection' | 'difference' | 'symmetric difference';

/** The regions an operation on chosen sets leaves. A difference is the first set without the others; a symmetric one, what is in an odd number. */
export function operate(operation: SetOperation, chosen: readonly number[], total: number): number[] {
  const all = Array.from({ length: 1 << total }, (_, mask) => mask);
  const inside = (mask: number) => chosen.filter((i) => (mask >> i) & 1);
  switch (operation) {
    case 'union':
      return all.filter((mask) => inside(mask).length > 0);
    case 'intersection':
      return all.filter((mask) => chosen.length > 0 && inside(mask).length === chosen.length);
    case 'difference':
      return all.filter((mask) => inside(mask).length === 1 && inside(mask)[0] === chosen[0]);
    case 'symmetric difference':
      return all.filter((mask) => inside(mask).length % 2 === 1);
  }
}
