import type { MapListing } from '../structure';
import type { LinkToDraw } from './drawn';

/** The rows of the ideas, and which of them each tier has. */
export interface TierRows {
  readonly row: Int32Array;
  /** First row of each tier, and the number of all at the end. */
  readonly begin: readonly number[];
}

/**
 * A row a tier; a tier broader than `limit` CSS px stands in several, where what leads on is in the last ones and what ends there is shared out evenly
 * among all, so that each has some of every branch. O(ideas log ideas + links).
 */
export function tierRows(
  { tier, tierStart, ids }: MapListing,
  links: readonly LinkToDraw[],
  breadth: ArrayLike<number>,
  { gap, limit }: { readonly gap: number; readonly limit: number },
): TierRows {
  const leadsOn = new Uint8Array(ids.length);
  const above = new Int32Array(ids.length).fill(-1);
  for (const { from, to } of links) {
    if (tier[to]! <= tier[from]!) continue;
    leadsOn[from] = 1;
    if (above[to]! < 0 || from < above[to]!) above[to] = from;
  }
  const row = new Int32Array(ids.length);
  const begin: number[] = [];
  let next = 0;
  for (let t = 0; t + 1 < tierStart.length; t++) {
    begin.push(next);
    const members = Array.from({ length: tierStart[t + 1]! - tierStart[t]! }, (_, k) => tierStart[t]! + k);
    const all = members.reduce((sum, i) => sum + breadth[i]! + gap, 0);
    const rows = Math.max(1, Math.min(members.length, Math.ceil(all / limit)));
    members.sort((a, b) => leadsOn[a]! - leadsOn[b]! || above[a]! - above[b]! || a - b);
    const leading = members.filter((i) => leadsOn[i]);
    const ending = members.filter((i) => !leadsOn[i]);
    const full = new Float64Array(rows);
    // What leads on fills rows from the last one up.
    let at = rows - 1;
    for (const i of leading) {
      if (full[at]! + breadth[i]! > Math.max(limit, all / rows) && at > 0) at--;
      row[i] = next + at;
      full[at]! += breadth[i]! + gap;
    }
    ending.forEach((i) => {
      let least = 0;
      for (let r = 1; r < rows; r++) if (full[r]! < full[least]! - 1e-6) least = r;
      row[i] = next + least;
      full[least]! += breadth[i]! + gap;
    });
    // No row stays empty.
    const used = [...new Set(members.map((i) => row[i]!))].sort((a, b) => a - b);
    const place = new Map(used.map((one, k) => [one, next + k]));
    for (const i of members) row[i] = place.get(row[i]!)!;
    next += used.length;
  }
  begin.push(next);
  return { row, begin };
}
