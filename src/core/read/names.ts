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
  const match = /^([^,]+),\s*([^,]+)$/.exec(name);
  return match ? `${match[2]!.trim()} ${match[1]!.trim()}` : name;
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
export function isNear(a: string, b: string, most: number): boolean {
  if (Math.abs(a.length - b.length) > most) return false;
  let before: number[] = [];
  let row = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++) {
      let cost = Math.min(row[j]! + 1, next[j - 1]! + 1, row[j - 1]! + (a[i - 1] === b[j - 1] ? 0 : 1));
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) cost = Math.min(cost, before[j - 2]! + 1);
      next.push(cost);
    }
    before = row;
    row = next;
  }
  return row[b.length]! <= most;
}

const vacant =
  /^(vacant|vacancy|vacancies|unfilled|post open|open post|open position|to be (hired|filled|appointed)|tb[cdha]|n\.? ?n\.?|vakant|unbesetzt|vacante|poste vacant|à pourvoir|offen)\b/iu;
export const isVacantName = (name: string): boolean => vacant.test(name.trim());

const assisting =
  /^((personal |executive |management )?assistant to\b|pa to\b|personal assistant\b|executive assistant\b|secretary to\b|chief of staff\b)/iu;
export const isAssistantTitle = (title: string): boolean => assisting.test(title.trim());
