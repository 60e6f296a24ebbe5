/** Long searches, of which a drawing can do without where it is known what they would find, or what would do for a first sight. */

class SearchRefused extends Error {}

type Searching = 'searches' | 'refuses' | 'takes what is near';
let now: Searching = 'searches';

function during<T>(manner: Searching, work: () => T): T | null {
  const before = now;
  now = manner;
  try {
    return work();
  } catch (error) {
    if (error instanceof SearchRefused) return null;
    throw error;
  } finally {
    now = before;
  }
}

/** Does work that needs no long search; null where it would need one. */
export const withoutSearch = <T>(work: () => T): T | null => during('refuses', work);

let tookNear = false;

/** The same, with what is near to what a search would find in its place; null where nothing is. `whole`: no search was left out. */
export function atFirstSight<T>(work: () => T): { readonly made: T; readonly whole: boolean } | null {
  const before = tookNear;
  tookNear = false;
  try {
    const made = during('takes what is near', work);
    return made === null ? null : { made, whole: !tookNear };
  } finally {
    tookNear = before;
  }
}

/** A search that may take longer than a frame. `near`: makes what will do for a first sight in a short time; null where it knows nothing that does. */
export function longSearch<T>(
  search: () => T,
  near: () => T | null,
): { readonly found: T; readonly searched: boolean } {
  if (now === 'searches') return { found: search(), searched: true };
  const found = now === 'takes what is near' ? near() : null;
  if (found === null) throw new SearchRefused();
  tookNear = true;
  return { found, searched: false };
}
