import { withPlainBlanks } from './plain-text';

/** What a sign parts, without blanks around and without what is empty; the whole where there is no sign. */
export const partsOf = (text: string, sign: string | RegExp | null): string[] =>
  (sign === null ? [text] : withPlainBlanks(text).split(sign)).map((part) => part.trim()).filter(Boolean);

/** Longer cells hold no names. */
const mostLetters = 2000;
/** What parts names in one cell, from the plainest sign; short words between them may be an "and" in any language. */
const parting: readonly RegExp[] = [/;/, /[&+]/, / \/ /, /,/, /\//, / \p{Ll}{1,3} /u, /\n/];

/** The ways in which a cell may hold several names, the plainest sign first. O(length). */
export function waysToPart(cell: string): string[][] {
  const whole = cell.trim();
  if (whole.length > mostLetters) return [];
  return parting.flatMap((sign) => {
    const parts = partsOf(whole, sign);
    return parts.length > 1 ? [parts] : [];
  });
}

/** The names that a cell holds: itself where it is known, else parts that are all known, else itself. O(length). */
export function namesOf(
  cell: string,
  isKnown: (name: string) => boolean,
  waysOf: (cell: string) => readonly string[][] = waysToPart,
): string[] {
  const whole = cell.trim();
  if (whole === '') return [];
  return isKnown(whole) ? [whole] : (waysOf(whole).find((parts) => parts.every(isKnown)) ?? [whole]);
}
