import { clear } from './stack';
import type { Polyline } from './lines';

/** The part of a hierarchy in level order that tells who stands under whom. */
export interface Family {
  readonly first: Int32Array;
  readonly count: Int32Array;
  /** 1 for an entry without children that stands beside the line below its parent. */
  readonly beside: Uint8Array;
}

/** Some children in a row of the level order: several leaves, or one entry with others below it (or a leaf alone). */
export interface Item {
  readonly from: number;
  readonly count: number;
  readonly leaves: boolean;
}

/** The children of an entry that stand below it, in order: leaves next to each other taken together. Assistants are no part of it. */
export function itemsOf({ first, count, beside }: Family, i: number): Item[] {
  const items: Item[] = [];
  for (let c = first[i]!, end = c + count[i]!; c < end; c++) {
    if (beside[c] === 1) continue;
    const leaves = count[c] === 0;
    const last = items.at(-1);
    if (leaves && last?.leaves && last.from + last.count === c)
      items[items.length - 1] = { ...last, count: last.count + 1 };
    else items.push({ from: c, count: 1, leaves });
  }
  return items;
}

/** `itemsOf` for every entry. */
export const allItems = (family: Family): Item[][] =>
  Array.from(family.count, (count, i) => (count === 0 ? noItems : itemsOf(family, i)));
const noItems: Item[] = [];

export function besideChildren({ first, count, beside }: Family, i: number): number[] {
  const list: number[] = [];
  for (let c = first[i]!, end = c + count[i]!; c < end; c++) if (beside[c] === 1) list.push(c);
  return list;
}

/** Assistants stand in pairs, pair below pair. CSS px. */
export function stripDepth(aside: readonly number[], along: Float64Array): number {
  let depth = 0;
  for (let k = 0; k < aside.length; k += 2)
    depth += Math.max(along[aside[k]!]!, along[aside[k + 1] ?? aside[k]!]!) + (k > 0 ? clear : 0);
  return depth;
}

export function stripBreadth(family: Family, across: Float64Array, i: number): number {
  let widest = 0;
  for (const c of besideChildren(family, i)) widest = Math.max(widest, across[c]!);
  return widest === 0 ? 0 : 2 * (widest + clear);
}

/** Assistants in pairs, the first of a pair after the line, the second before it: their middles from the line, their beginnings from the strip's. */
export function besidePlaces(
  aside: readonly number[],
  across: Float64Array,
  along: Float64Array,
): { readonly entry: number; readonly middle: number; readonly at: number }[] {
  const places: { entry: number; middle: number; at: number }[] = [];
  let at = 0;
  for (let k = 0; k < aside.length; k += 2) {
    const pair = [aside[k], aside[k + 1]];
    pair.forEach((entry, side) => {
      if (entry !== undefined) places.push({ entry, middle: (side === 0 ? 1 : -1) * (clear + across[entry]! / 2), at });
    });
    at += Math.max(along[pair[0]!]!, along[pair[1] ?? pair[0]!]!) + clear;
  }
  return places;
}

/** The branches from a line to the assistants beside it, and how far the line has to go for them. */
export function besideLines(
  aside: readonly number[],
  stem: number,
  {
    across,
    along,
    b,
    d,
  }: {
    readonly across: Float64Array;
    readonly along: Float64Array;
    readonly b: Float64Array;
    readonly d: Float64Array;
  },
): { readonly lines: Polyline[]; readonly end: number } {
  let end = -Infinity;
  const lines = aside.map((c): Polyline => {
    const middle = d[c]! + along[c]! / 2;
    end = Math.max(end, middle);
    return { points: [stem, middle, b[c]! > stem ? b[c]! - across[c]! / 2 : b[c]! + across[c]! / 2, middle] };
  });
  return { lines, end };
}
