import type { Entries } from './common';

/**
 * A token for how entries stand to each other: two records of entries with the same token have the same ids, parents and orders. What is computed from
 * those alone can be kept by the token, so that typing a name costs no new structure.
 */
const tokens = new WeakMap<Entries, object>();

export function shapeOf(entries: Entries): object {
  const known = tokens.get(entries);
  if (known) return known;
  const token = {};
  tokens.set(entries, token);
  return token;
}

/** For a change that leaves every entry its parent and order. Whoever changes parents, orders or the set of entries must not call this. */
export function keepShape(from: Entries, to: Entries): void {
  const known = tokens.get(from);
  if (known) tokens.set(to, known);
}

/** For a record of entries that was changed in place: what was known of its shape no longer holds. */
export function forgetShape(entries: Entries): void {
  tokens.delete(entries);
}
