import { KeptFor } from '../../../model';
import type { FamilyTree } from '../model';
import type { RelatedListing } from '../structure';
import { rowsOf, shownUnions, ways, type Rows, type ShownUnion, type Way } from './blocks';
import { many, partnerGap } from './fit';
import { crossingsOf, placeAcross, turnedRows } from './place';

const rowsKept = new KeptFor<RelatedListing, Rows>();

/** Couples are tried below their other family this many times, fewer the more persons there are. */
const mostExceptions = 120;
const exceptionsWorth = 5_000;
/** Of a large family couples stay where each way puts them, and are turned once. */
const mostTurns = 3;
const turnsOfMany = 1;

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
  const unions = shownUnions(listing);
  let best = ways
    .map((way) => triedRows(diagram, listing, unions, way))
    .reduce((least, one) => (isBetter(one, least) ? one : least));
  const persons = listing.shown.size;
  let left = persons >= many ? 0 : Math.min(mostExceptions, Math.round(exceptionsWorth / Math.max(1, persons)));
  for (let helped = true; helped && left > 0 && best.crossings > 0;) {
    helped = false;
    for (const block of best.rows.torn) {
      if (left-- <= 0) break;
      const exceptions = new Set(best.way.exceptions);
      if (!exceptions.delete(block)) exceptions.add(block);
      const one = triedRows(diagram, listing, unions, { ...best.way, exceptions });
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
  unions: readonly ShownUnion[],
  way: Way,
): Tried {
  const breadth = new Float64Array(listing.ids.length).fill(100);
  const gaps = { partner: partnerGap, sibling: arrangement.siblingGap, branch: arrangement.branchGap };
  let best: Tried | null = null;
  let rows = rowsOf(listing, unions, way);
  const turns = listing.shown.size >= many ? turnsOfMany : mostTurns;
  for (let turn = 0; turn <= turns; turn++) {
    const across = placeAcross(rows, breadth, gaps);
    const one = { way, rows, crossings: crossingsOf(rows, across), width: across.right - across.left };
    if (!best || isBetter(one, best)) best = one;
    const next = turnedRows(rows, across);
    if (next === rows) break;
    rows = next;
  }
  return best!;
}
