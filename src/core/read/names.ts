import distance from 'damerau-levenshtein';

/** A name without what people write differently: case, accents, punctuation, doubled spaces. */
export function foldName(name: string): string {
  return name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replace(/[ßẞ]/g, 'ss')
    .replace(/[øØ]/g, 'o')
    .replace(/[łŁ]/g, 'l')
    .replace(/[đĐ]/g, 'd')
    .replace(/[æÆ]/g, 'ae')
    .toLowerCase()
    .replace(/[.'’`´"]/g, '')
    .replace(/[\s\u00a0_-]+/g, ' ')
    .trim();
}

/** "Wieczorek, Tomasz" as "Tomasz Wieczorek"; other names as they are. */
export function turned(name: string): string {
  const [last, first, ...more] = name.split(',');
  if (first === undefined || more.length > 0) return name;
  const [family, given] = [last!.trim(), first.trim()];
  return family !== '' && given !== '' ? `${given} ${family}` : name;
}

/** True where `short` may stand for `full`: initials for first names, or one part of the name alone. Both folded. */
export function mayStandFor(short: string, full: string): boolean {
  const asked = short.split(' ');
  const parts = full.split(' ');
  if (asked.length === 1)
    return asked[0]!.length > 1 && parts.length > 1 && (parts[0] === asked[0] || parts.at(-1) === asked[0]);
  if (asked.at(-1) !== parts.at(-1) && asked.length === parts.length) return false;
  let at = 0;
  for (const part of asked) {
    while (at < parts.length && !(parts[at] === part || (part.length === 1 && parts[at]!.startsWith(part)))) at++;
    if (at++ >= parts.length) return false;
  }
  return true;
}

/** True where two folded names differ by at most `most` slips of the pen (insert, drop, change, swap of neighbours). */
export const isNear = (a: string, b: string, most: number): boolean =>
  Math.abs(a.length - b.length) <= most && distance(a, b).steps <= most;

const sums =
  /^(grand |sub)?(total|totals|sum|sums|summe|gesamt|gesamtsumme|insgesamt|somme|suma|anzahl|count|headcount)( \d[\d., ]*)?$/;
/** "Total", "Total: 10", "Summe 12,5": the last line of a table, and nobody's name. */
export const isSumName = (text: string): boolean => text.length < 60 && sums.test(foldName(text.replace(/[:=]/g, ' ')));
