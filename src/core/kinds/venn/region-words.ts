import { setsOfMask, type VennSet } from './model';

function list(of: readonly VennSet[], joint: 'and' | 'or'): string {
  const names = of.map((set) => set.name || 'a set without a name');
  return names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} ${joint} ${names.at(-1)!}`;
}

/** Above so many sets the ones a region is not in are left out of its heading. */
const mostToTellWhole = 3;

/** The region as a heading in the key: of many sets only those it is in, "First aid and Radio only". */
export function keyHeading(sets: readonly VennSet[], mask: number): string {
  const inside = setsOfMask(sets, mask);
  if (sets.length <= mostToTellWhole || inside.length === 0 || inside.length === sets.length)
    return regionWords(sets, mask);
  return `${list(inside, 'and')} only`;
}

/** The region in words: "mudflat and saltmarsh, not open water". */
export function regionWords(sets: readonly VennSet[], mask: number): string {
  const inside = setsOfMask(sets, mask);
  const outside = sets.filter((set) => !inside.includes(set));
  if (inside.length === 0) return sets.length === 0 ? 'no set' : `in none of ${list(sets, 'and')}`;
  if (outside.length === 0) return sets.length === 1 ? list(inside, 'and') : `all of ${list(inside, 'and')}`;
  return `${list(inside, 'and')}, not ${list(outside, 'or')}`;
}
