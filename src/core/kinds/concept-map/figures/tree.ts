import type { Link } from '../../../model';
import type { ConceptMap } from '../model';
import { linksInOrder, type MapListing } from '../structure';

/** Which links hold the hierarchy together, and which lead across it. */
export interface MapTree {
  /** The link by which each idea is reached first, by the idea's id. */
  readonly above: ReadonlyMap<string, Link>;
  /** Links between ideas of which neither stands above the other. */
  readonly across: readonly Link[];
}

/**
 * The hierarchy of a map: each idea hangs on the link that comes from the lowest of the ideas above it. Every other link is a cross-link where it joins two
 * branches, which is where neither idea is above the other. O(links × depth).
 */
export function mapTree(diagram: ConceptMap, listing: MapListing): MapTree {
  const { index, tier } = listing;
  const rank = (id: string) => tier[index.get(id)!]!;
  const links = linksInOrder(diagram, listing);
  const above = new Map<string, Link>();
  for (const link of links) {
    if (rank(link.from) >= rank(link.to)) continue;
    const known = above.get(link.to);
    if (!known || rank(known.from) < rank(link.from)) above.set(link.to, link);
  }
  const isAbove = (a: string, b: string): boolean => {
    for (let at = above.get(b); at; at = above.get(at.from)) {
      if (at.from === a) return true;
      if (rank(at.from) <= rank(a)) return false;
    }
    return false;
  };
  const across = links.filter(
    (link) => above.get(link.to) !== link && !isAbove(link.from, link.to) && !isAbove(link.to, link.from),
  );
  return { above, across };
}
