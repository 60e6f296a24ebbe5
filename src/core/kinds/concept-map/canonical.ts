import { own } from '../../model';
import { foldName } from '../../read';
import type { ConceptMap } from './model';

/** Ideas are told apart by their surroundings up to so many links away. */
const rounds = 6;

/**
 * The ids of ideas in an order that does not depend on that of the list: by how each is linked, then how those around it are, and so on (the refinement of
 * B. Weisfeiler, A. Leman 1968); by name where two are linked alike, so that typing a name moves nothing but its likes; by id where they are named alike.
 * O(rounds × (ideas + links) log ideas).
 */
export function canonicalOrder({ entries, links }: ConceptMap): string[] {
  const ids = Object.keys(entries);
  const at = new Map(ids.map((id, i) => [id, i]));
  const after: number[][] = ids.map(() => []);
  const before: number[][] = ids.map(() => []);
  for (const { from, to } of Object.values(links)) {
    after[at.get(from)!]!.push(at.get(to)!);
    before[at.get(to)!]!.push(at.get(from)!);
  }
  let colour = new Int32Array(ids.length);
  let colours = 1;
  for (let round = 0; round < rounds; round++) {
    const around = (ends: readonly number[]) =>
      Array.from(ends, (end) => colour[end]!)
        .sort((a, b) => a - b)
        .join();
    const signs = ids.map((_, i) => `${String(colour[i]).padStart(6, '0')}|${around(after[i]!)}|${around(before[i]!)}`);
    const sorted = [...new Set(signs)].sort();
    if (sorted.length === colours && round > 0) break;
    colours = sorted.length;
    const rankOf = new Map(sorted.map((sign, k) => [sign, k]));
    colour = Int32Array.from(signs, (sign) => rankOf.get(sign)!);
  }
  const names = ids.map((id) => foldName(own(entries, id)!.name));
  return ids
    .map((_, i) => i)
    .sort(
      (a, b) =>
        colour[a]! - colour[b]! ||
        (names[a]! < names[b]! ? -1 : names[a]! > names[b]! ? 1 : ids[a]! < ids[b]! ? -1 : 1),
    )
    .map((i) => ids[i]!);
}
