import type { Listing } from './listing';
import type { Hierarchy } from './structure';

const kept = new WeakMap<Listing, Hierarchy>();

/** A listing in which nobody stands under another, as a hierarchy of tops alone, for what asks for one. Made once a listing. O(entries). */
export function withoutParents(listing: Listing): Hierarchy {
  const known = kept.get(listing);
  if (known) return known;
  const n = listing.ids.length;
  const made: Hierarchy = {
    ...listing,
    roots: n,
    parent: new Int32Array(n).fill(-1),
    first: new Int32Array(n),
    count: new Int32Array(n),
  };
  kept.set(listing, made);
  return made;
}
