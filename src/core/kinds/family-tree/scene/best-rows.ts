import { KeptFor } from '../../../model';
import type { FamilyTree } from '../model';
import type { RelatedListing } from '../structure';
import { blocksOf, rowsOf, shownUnions, ways, type Blocks, type Rows, type ShownUnion, type Way } from './blocks';
import { many } from './fit';
import { crossingsOf, placeAcross, turnedRows } from './place';
import { partnerGap } from './trials';

const rowsKept = new KeptFor<RelatedListing, Rows>();

/** Couples are tried below their other family this many times, fewer the more persons there are. */
const mostExceptions = 120;
const exceptionsWorth = 5_000;
const mostTurns = 3;
/** In a large family couples are turned once, in the best way alone. */
const turnsOfMany = 1;
/** … and which way is best shows after few turns up and down. */
const roughSweeps = 2;

interface Tried {
  readonly way: Way;
  readonly rows: Rows;
  readonly crossings: number;
  readonly width: number;
}
const isBetter = (a: Tried, b: Tried): boolean =>
  a.crossings < b.crossings || (a.crossings === b.crossings && a.width < b.width - 1);

/**
 * The rows with the fewest crossings of the ways they can be put together, couples whose partners both have parents here below one family or the other; of
 * those the narrowest. Kept while nobody's relations change.
 */
export function bestRows(diagram: FamilyTree, listing: RelatedListing): Rows {
  const known = rowsKept.get(listing);
  if (known) return known;
  const parts = { unions: shownUnions(listing), blocks: blocksOf(listing) };
  const persons = listing.shown.size;
  const isLarge = persons >= many;
  const tried = (way: Way, turns: number) => triedRows(diagram, listing, { ...parts, turns }, way);
  let best = ways
    .map((way) => tried(way, isLarge ? 0 : mostTurns))
    .reduce((least, one) => (isBetter(one, least) ? one : least));
  if (isLarge) best = tried(best.way, turnsOfMany);
  let left = isLarge ? 0 : Math.min(mostExceptions, Math.round(exceptionsWorth / Math.max(1, persons)));
  for (let helped = true; helped && left > 0 && best.crossings > 0;) {
    helped = false;
    for (const block of best.rows.torn) {
      if (left-- <= 0) break;
      const exceptions = new Set(best.way.exceptions);
      if (!exceptions.delete(block)) exceptions.add(block);
      const one = tried({ ...best.way, exceptions }, mostTurns);
      if (!isBetter(one, best)) continue;
      best = one;
      helped = true;
    }
  }
  rowsKept.set(listing, best.rows);
  return best.rows;
}

/** Rows put together in one way, couples turned to the sides of their families as long as that helps. */
function triedRows(
  { arrangement }: FamilyTree,
  listing: RelatedListing,
  {
    unions,
    blocks,
    turns,
  }: { readonly unions: readonly ShownUnion[]; readonly blocks: Blocks; readonly turns: number },
  way: Way,
): Tried {
  const breadth = new Float64Array(listing.ids.length).fill(100);
  const gaps = { partner: partnerGap, sibling: arrangement.siblingGap, branch: arrangement.branchGap };
  let best: Tried | null = null;
  let rows = rowsOf(listing, unions, blocks, way);
  for (let turn = 0; turn <= turns; turn++) {
    const across = placeAcross(rows, breadth, gaps, turns === 0 ? roughSweeps : undefined);
    const one = { way, rows, crossings: crossingsOf(rows, across), width: across.right - across.left };
    if (!best || isBetter(one, best)) best = one;
    const next = turnedRows(rows, across);
    if (next === rows) break;
    rows = next;
  }
  return best!;
}
