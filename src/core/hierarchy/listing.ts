/**
 * What a list, the rail and a selection need to know of a diagram's entries: their tiers, and two orders. Index i stands for `ids[i]`; the indices go
 * tier by tier. It says nothing about who belongs to whom: an entry may have one parent, several or none.
 */
export interface Listing {
  readonly ids: readonly string[];
  readonly index: ReadonlyMap<string, number>;
  readonly tier: Int32Array;
  /** The same indices in the order of the list. */
  readonly outline: Int32Array;
  /** Where each tier begins; `tierStart[t]` is tier t + 1, what comes before `tierStart[0]` is in none, the last item is the number of entries. */
  readonly tierStart: readonly number[];
}

export const tierCount = ({ tierStart }: Listing): number => Math.max(0, tierStart.length - 1);

/** Ids of the entries of a tier; of tier 0 those that are in none. */
export const idsOfTier = ({ ids, tierStart }: Listing, tier: number): readonly string[] =>
  tier === 0 ? ids.slice(0, tierStart[0] ?? 0) : ids.slice(tierStart[tier - 1], tierStart[tier]);
