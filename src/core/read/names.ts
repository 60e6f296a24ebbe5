import distance from 'damerau-levenshtein';

/** Every kind folds the same cells, several times over: the last ones are kept, up to so many, of up to so many characters. */
const folded = new Map<string, string>();
const mostFolded = 250_000;
const longestFolded = 200;

/** A name without what people write differently: case, accents, punctuation, doubled spaces. */
export function foldName(name: string): string {
  if (name.length > longestFolded) return fold(name);
  let found = folded.get(name);
  if (found === undefined) {
    if (folded.size >= mostFolded) folded.clear();
    folded.set(name, (found = fold(name)));
  }
  return found;
}

// Nothing to take apart in plain letters.
const fold = (name: string): string => withoutSigns((ascii.test(name) ? name : withoutAccents(name)).toLowerCase());

const ascii = /^[\x20-\x7e]*$/;
const withoutAccents = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replace(/[ßẞ]/g, 'ss')
    .replace(/[øØ]/g, 'o')
    .replace(/[łŁ]/g, 'l')
    .replace(/[đĐ]/g, 'd')
    .replace(/[æÆ]/g, 'ae');
const withoutSigns = (name: string): string =>
  name
    .replace(/[.'’`´"]/g, '')
    .replace(/[\s\u00a0_-]+/g, ' ')
    .trim();

/** "Wieczorek, Tomasz" as "Tomasz Wieczorek"; other names as they are. */
export function turned(name: string): string {
  const [last, first, ...more] = name.split(',');
  if (first === undefined || more.length > 0) return name;
  const [family, given] = [last!.trim(), first.trim()];
  return family !== '' && given !== '' ? `${given} ${family}` : name;
}

/** True where `short` may stand for `full`: initials for first names, or one part of the name alone. Both folded. */
export const mayStandFor = (short: string, full: string): boolean => partsStandFor(short.split(' '), full.split(' '));

/** As `mayStandFor`, of names that are parted at their blanks already. */
export function partsStandFor(asked: readonly string[], parts: readonly string[]): boolean {
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

/** True where a folded name has all parts of another and up to three beside them, as titles before and after it are. */
export function isWithin(parts: readonly string[], asked: readonly string[]): boolean {
  if (parts.length < 2 || asked.length <= parts.length || asked.length > parts.length + 3) return false;
  let at = 0;
  for (const part of asked) if (at < parts.length && parts[at] === part) at++;
  return at === parts.length;
}

/** True where two folded names differ by at most `most` slips of the pen (insert, drop, change, swap of neighbours). */
export function isNear(a: string, b: string, most: number): boolean {
  if (Math.abs(a.length - b.length) > most) return false;
  // What both begin and end with costs nothing; of the middles, letters that only one has cost half a slip each at least.
  let start = 0;
  while (start < a.length && a[start] === b[start]) start++;
  let end = 0;
  const rest = Math.min(a.length, b.length) - start;
  while (end < rest && a[a.length - 1 - end] === b[b.length - 1 - end]) end++;
  const [one, other] = [a.slice(start, a.length - end), b.slice(start, b.length - end)];
  if (one.length <= 1 && other.length <= 1) return most > 0 || (one === '' && other === '');
  return lettersApart(one, other) <= 2 * most && distance(one, other).steps <= most;
}

/** How many letters only one of two texts has, each as often as it has it more. */
function lettersApart(a: string, b: string): number {
  const counts = new Map<string, number>();
  for (const letter of a) counts.set(letter, (counts.get(letter) ?? 0) + 1);
  for (const letter of b) counts.set(letter, (counts.get(letter) ?? 0) - 1);
  let apart = 0;
  for (const count of counts.values()) apart += Math.abs(count);
  return apart;
}

const sums =
  /^(grand |sub|sub |sous |zwischen|del|vali|ara )?(totals?|totale?n?|totaal|sums?|summa?e?|gesamt|gesamtsumme|insgesamt|somme|suma|soma|anzahl|aantal|antal|antall|effectif|count|headcount|in all|razem|yhteensa|toplam|genel toplam|celkem|mezisoucet|spolu|osszesen|ukupno|skupaj|i alt|sammanlagt|итого|всего|разом|合计|总计|合計|小計|小计|합계)( \d[\d., ]*)?$/;
/** "Total", "Total: 10", "Summe 12,5": the last line of a table, and nobody's name. */
export const isSumName = (text: string): boolean => text.length < 60 && sums.test(foldName(text.replace(/[:=]/g, ' ')));
