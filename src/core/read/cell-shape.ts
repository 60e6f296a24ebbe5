import { foldName } from './names';

/** What a cell looks like, whatever language it is in. */
export type CellClass = 'number' | 'date' | 'mail' | 'code' | 'sign' | 'words' | 'text';

/** Currencies by letters, the commonest of ISO 4217; other letters before figures make a code. */
const currency =
  '(?:\\p{Sc}|EUR|USD|GBP|CHF|SEK|NOK|DKK|ISK|PLN|CZK|HUF|RON|BGN|TRY|CAD|AUD|NZD|JPY|CNY|INR|BRL|MXN|ZAR|kr\\.?|Fr\\.?|Rs\\.?)';
/** Without its blanks. */
const number = new RegExp(`^[-+−(]?${currency}?[-+−]?(?:\\d|[.,]\\d)[\\d.,'’]*(?:[kKM]|%|‰)?${currency}?\\)?$`, 'u');
const date = /^(?:\d{1,4}[./-]\d{1,2}[./-]\d{1,4}|\d{4}-\d{2})\.?$/;
const mail = /^(?:mailto:)?[^\s@<>]+@[^\s@<>]+$|<[^\s@<>]+@[^\s@<>]+>$/;
/** Letters and digits without blanks between words: T-07, IV/3, E12, #4. */
const code = /^(?=.*\d)[\p{L}#./_-]{0,8}\s?[-/.#]?\d[\p{L}\d./_-]{0,12}\.?$/u;
const longest = 90;

/** A cell's class. O(length), of short cells. */
export function classOf(cell: string): CellClass {
  const text = cell.trim();
  if (text.length > longest) return 'text';
  if (!/[\p{L}\p{N}]/u.test(text)) return 'sign';
  if (date.test(text)) return 'date';
  if (number.test(text.replace(/\s/g, ''))) return 'number';
  if (mail.test(text)) return 'mail';
  if (code.test(text)) return 'code';
  return 'words';
}

/** Whether a cell says nothing: empty, or dashes and the like that stand for nothing. */
export const saysNothing = (cell: string): boolean => cell === '' || !/[\p{L}\p{N}✓✔✗✘×☑●•+*?]/u.test(cell);

/** Whether a cell tells how much: with a currency, a share, a sign, decimals or groups of figures; such cells name nobody. */
export const isAmount = (cell: string): boolean => classOf(cell) === 'number' && !/^\s*#?\d+[.)]?\s*$/.test(cell);

/** What the cells of a column have in common. */
export interface ColumnProfile {
  readonly filled: number;
  /** Different values, written in one way. */
  readonly distinct: number;
  readonly main: CellClass;
  /** The share of filled cells of that class. */
  readonly mainShare: number;
  readonly counts: ReadonlyMap<string, number>;
  readonly classes: ReadonlyMap<CellClass, number>;
}

export function profileOf(cells: readonly string[]): ColumnProfile {
  const counts = new Map<string, number>();
  const classes = new Map<CellClass, number>();
  let filled = 0;
  for (const cell of cells) {
    if (cell === '') continue;
    filled++;
    const key = foldName(cell) || cell;
    counts.set(key, (counts.get(key) ?? 0) + 1);
    const told = classOf(cell);
    classes.set(told, (classes.get(told) ?? 0) + 1);
  }
  const [main, count] = [...classes].sort((a, b) => b[1] - a[1])[0] ?? ['words' as const, 0];
  return { filled, distinct: counts.size, main, mainShare: filled === 0 ? 0 : count / filled, counts, classes };
}
