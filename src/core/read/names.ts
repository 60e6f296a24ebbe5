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

const vacant =
  /^(vacant|vacancy|vacancies|unfilled|post open|open post|open position|to be (hired|filled|appointed)|tb[cdha]|n\.? ?n\.?|vakant|unbesetzt|vacante|poste vacant|à pourvoir|offen)\b/iu;
export const isVacantName = (name: string): boolean => vacant.test(name.trim());

const assisting =
  /^((personal |executive |management )?assistant to\b|pa to\b|personal assistant\b|executive assistant\b|secretary to\b|chief of staff\b)/iu;
export const isAssistantTitle = (title: string): boolean => assisting.test(title.trim());

const sums =
  /^(grand |sub)?(total|totals|sum|sums|summe|gesamt|gesamtsumme|insgesamt|somme|suma|anzahl|count|headcount)( \d[\d., ]*)?$/;
/** "Total", "Total: 10", "Summe 12,5": the last line of a table, and nobody's name. */
export const isSumName = (text: string): boolean => text.length < 60 && sums.test(foldName(text.replace(/[:=]/g, ' ')));

const roleWords: [RegExp, string][] = [
  [/^(vacan|vakant|open|unfilled|unbesetzt)/i, 'vacancy'],
  [/^(assist|pa$)/i, 'assistant'],
  [/^(none|no role)$/i, 'none'],
];
/** The role that a cell of a role column names ("none": none at all); null for any other word. */
export const roleOfWord = (cell: string): string | null =>
  roleWords.find(([word]) => word.test(cell.trim()))?.[1] ?? null;
/** True where nothing is lost when only the role is kept of the word. */
export const isPlainRole = (cell: string): boolean =>
  /^(vacan(t|cy)|vakant|open|unfilled|unbesetzt|assistant|assistent|assistenz|pa|none|no role)$/i.test(cell.trim());
