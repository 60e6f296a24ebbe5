/** Long searches, of which a drawing can do without where it is known what they would find. */

class SearchRefused extends Error {}

let refused = false;

/** Does work that needs no long search; null where it would need one. */
export function withoutSearch<T>(work: () => T): T | null {
  const before = refused;
  refused = true;
  try {
    return work();
  } catch (error) {
    if (error instanceof SearchRefused) return null;
    throw error;
  } finally {
    refused = before;
  }
}

/** A search that may take longer than a frame. */
export function longSearch<T>(search: () => T): T {
  if (refused) throw new SearchRefused();
  return search();
}
