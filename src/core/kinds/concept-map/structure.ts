import type { Listing } from '../../hierarchy';
import { byOrder, KeptFor, type Link } from '../../model';
import { canonicalOrder } from './canonical';
import { chosenFocus, type ConceptMap } from './model';
import { ranksOf } from './ranks';

/** What the list, the rail and a selection need: ranks away from the focus as tiers. The list keeps its own order. */
export interface MapListing extends Listing {
  /** The idea that all begins with; null in an empty map. */
  readonly focus: string | null;
  /** What hangs together, each by the idea it begins with. */
  readonly islands: number;
}

const kept = new KeptFor<
  ConceptMap['entries'],
  { links: ConceptMap['links']; focus: string | null; manner: string; listing: MapListing }
>();

/** Made once for the ideas and links of a diagram. O((ideas + links) log ideas). */
export function mapStructure(diagram: ConceptMap): MapListing {
  const { entries, links } = diagram;
  const chosen = chosenFocus(diagram);
  const manner = diagram.map.manner.way === 'ranked' ? 'below' : 'around';
  const known = kept.get(entries);
  if (known && known.links === links && known.focus === chosen && known.manner === manner) return known.listing;
  const order = canonicalOrder(diagram);
  const at = new Map(order.map((id, i) => [id, i]));
  const leads = Object.values(links).map(({ from, to }) => ({ from: at.get(from)!, to: at.get(to)! }));
  const { rank, starts } = ranksOf(order.length, leads, chosen === null ? null : at.get(chosen)!, manner);
  const listing = listingOf(diagram, order, rank, {
    focus: starts[0] === undefined ? null : order[starts[0]]!,
    islands: starts.length,
  });
  kept.set(entries, { links, focus: chosen, manner, listing });
  return listing;
}

function listingOf(
  { entries }: ConceptMap,
  order: readonly string[],
  rank: Int32Array,
  told: Pick<MapListing, 'focus' | 'islands'>,
): MapListing {
  const ranks = rank.reduce((most, one) => Math.max(most, one + 1), 0);
  const byTier: string[][] = Array.from({ length: ranks }, () => []);
  order.forEach((id, i) => byTier[rank[i]!]!.push(id));
  const ids = byTier.flat();
  const index = new Map(ids.map((id, i) => [id, i]));
  const tier = new Int32Array(ids.length);
  const tierStart: number[] = [];
  let next = 0;
  byTier.forEach((tierIds, t) => {
    tierStart.push(next);
    tier.fill(t + 1, next, (next += tierIds.length));
  });
  if (ids.length > 0) tierStart.push(next);
  const listed = Object.values(entries).sort(byOrder);
  return { ids, index, tier, tierStart, outline: Int32Array.from(listed, ({ id }) => index.get(id)!), ...told };
}

/** Links in an order that does not depend on that in which they were made: by their ends in the listing, then by their words. */
export function linksInOrder(diagram: ConceptMap, { index }: Pick<Listing, 'index'>): Link[] {
  return Object.values(diagram.links).sort(
    (a, b) =>
      index.get(a.from)! - index.get(b.from)! ||
      index.get(a.to)! - index.get(b.to)! ||
      (a.phrase < b.phrase ? -1 : a.phrase > b.phrase ? 1 : a.id < b.id ? -1 : 1),
  );
}
