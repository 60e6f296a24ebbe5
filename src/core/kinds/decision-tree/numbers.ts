import type { DecisionManner } from './model';

const minus = /[−–‒]/g;

/**
 * A number as people write it: "-18,000", "−1.5", "(2 000)" for a negative one, "1'250.50", "3,5" with a decimal comma. Null where it is none. A comma or
 * point before exactly three figures parts thousands where it can, the last sign before other figures is the decimal one.
 */
export function parseNumber(text: string): number | null {
  const bare = text
    .trim()
    .replace(minus, '-')
    .replace(/[\s\u00a0\u202f'’]/g, '');
  if (/^[+-]?\d(\.\d+)?e[+-]?\d{1,3}$/i.test(bare)) return Number.isFinite(Number(bare)) ? Number(bare) : null;
  const inBrackets = /^\((.+)\)$/.exec(bare);
  const signed = /^([+-]?)([\d.,]+)$/.exec(inBrackets ? inBrackets[1]! : bare);
  if (!signed || !/\d/.test(signed[2]!)) return null;
  const digits = withPoint(signed[2]!);
  if (digits === null) return null;
  const value = Number(digits);
  if (!Number.isFinite(value)) return null;
  const negative = (signed[1] === '-') !== (inBrackets !== null);
  return negative ? 0 - value : value;
}

/** The figures with a decimal point alone; null where their signs make no number. */
function withPoint(figures: string): string | null {
  const signs = figures.match(/[.,]/g) ?? [];
  if (signs.length === 0) return figures;
  const last = Math.max(figures.lastIndexOf('.'), figures.lastIndexOf(','));
  const kinds = new Set(signs);
  const after = figures.length - last - 1;
  const grouped = /^\d{1,3}([.,]\d{3})+$/.test(figures);
  if (kinds.size === 1 && signs.length > 1) return grouped ? figures.replace(/[.,]/g, '') : null;
  if (kinds.size === 1 && figures[last] === ',' && after === 3 && grouped && !figures.startsWith('0'))
    return figures.replace(',', '');
  const whole = figures.slice(0, last);
  if (kinds.size === 2 && !/^\d{1,3}([.,]\d{3})+$/.test(whole)) return null;
  return `${whole.replace(/[.,]/g, '') || '0'}.${figures.slice(last + 1) || '0'}`;
}

const currency = /^(?:[A-Z]{2,4}|kr\.?|zł|Kč|Ft|\p{Sc})|(?:[A-Z]{2,4}|kr\.?|zł|Kč|Ft|\p{Sc})$/u;
const longestAmount = 400;
const scales: readonly (readonly [sign: RegExp, factor: number])[] = [
  [/(?<=\d)\s?k$/i, 1000],
  [/(?<=\d)\s?(?:M|m|Mio\.?|mln)$/, 1e6],
];

/** An amount, with or without a currency sign at either end, in brackets for a negative one, in thousands (k) or millions (M); the unit that stood there is told with it. */
export function parseAmount(text: string): { readonly value: number; readonly unit: string } | null {
  if (text.length > longestAmount) return null;
  const bare = text.trim().replace(minus, '-');
  const inside = bare.startsWith('(') && bare.endsWith(')') ? bare.slice(1, -1) : '';
  if (/[^\d\s.,'’-]/.test(inside)) {
    const inner = parseAmount(inside);
    return inner && inner.value >= 0 ? { value: 0 - inner.value, unit: inner.unit } : null;
  }
  const sign = /^-/.test(bare) ? '-' : '';
  const rest = sign ? bare.slice(1).trim() : bare;
  const unit = currency.exec(rest);
  const plain = unit ? rest.replace(currency, '').trim() : rest;
  const scale = scales.find(([end]) => end.test(plain));
  const value = parseNumber(sign + (scale ? plain.replace(scale[0], '') : plain));
  return value === null
    ? null
    : { value: scale ? Math.round(value * scale[1] * 1e6) / 1e6 : value, unit: unit?.[0] ?? '' };
}

const withPoints = /(?<![\d.,])[1-9]\d{0,2}(?:\.\d{3})+(?![\d.])/g;
/** Longer texts hold no number that is looked for. */
const longestText = 400;
const anyPoint = /(?<=\d)\.(?=\d)/g;

/**
 * How a list writes its numbers: where every point in one stands before three figures, and no number begins with 0, points part thousands. Returns what
 * writes a text of the list with plain thousands. One number alone is no habit.
 */
export function habitOf(texts: readonly string[]): (text: string) => string {
  let thousands = 0;
  let decimals = 0;
  for (const text of texts) {
    if (text.length > longestText) continue;
    const found = text.match(withPoints) ?? [];
    thousands += found.length;
    const points = found.reduce((sum, figures) => sum + figures.split('.').length - 1, 0);
    decimals += (text.match(anyPoint)?.length ?? 0) - points;
  }
  if (thousands < 2 || decimals > 0) return (text) => text;
  return (text) =>
    text.length > longestText ? text : text.replace(withPoints, (figures) => figures.replaceAll('.', ''));
}

/** A probability: "0.3", ",3", "30 %", "3/10". Null where it is none; whether it is a possible one is not asked here. */
export function parseProbability(text: string): number | null {
  const bare = text.trim();
  const share = /^([\d.,\s]+)\/([\d.,\s]+)$/.exec(bare);
  if (share) {
    const [part, whole] = [parseNumber(share[1]!), parseNumber(share[2]!)];
    return part === null || !whole ? null : part / whole;
  }
  const percent = /(?:%|per ?cent)$/i.exec(bare);
  const value = parseNumber((percent ? bare.slice(0, percent.index).trim() : bare).replace(/^([+-]?)[.,]/, '$10.'));
  return value === null ? null : percent ? value / 100 : value;
}

/**
 * A number as it is written and read back to the same value: no grouping, a decimal point, no exponent where it can be helped; of three decimals a fourth is written, as a
 * point before three figures may part thousands.
 */
export function plainNumber(value: number): string {
  const plain = Object.is(value, -0) ? '0' : String(value);
  return /^-?[1-9]\d{0,2}\.\d{3}$/.test(plain) ? `${plain}0` : plain;
}

/** "18 000", in groups of three from the right. */
function group(figures: string): string {
  const first = figures.length % 3 || 3;
  const groups = [figures.slice(0, first)];
  for (let at = first; at < figures.length; at += 3) groups.push(figures.slice(at, at + 3));
  return groups.join('\u2009');
}

/** An amount as it stands in the drawing, "−18 000 €": the unit before or after, thousands parted by thin spaces, a real minus. */
export function formatAmount(value: number, { unit, unitPlace, decimals }: DecisionManner): string {
  const fixed = Math.abs(value).toFixed(decimals);
  const [whole = '0', part] = fixed.split('.');
  const figures = whole.length > 4 ? group(whole) : whole;
  const sign = value < 0 && Number(fixed) !== 0 ? '−' : '';
  const number = part ? `${figures}.${part}` : figures;
  if (unit === '') return sign + number;
  return unitPlace === 'before'
    ? `${sign}${unit}${/\p{L}$/u.test(unit) ? ' ' : ''}${number}`
    : `${sign}${number} ${unit}`;
}

/** A probability as it stands in the drawing, to four figures after the point at most. */
export const formatProbability = (value: number): string =>
  (Math.round(value * 1e4) / 1e4).toString().replace('-', '−');

/** A probability without the last digits that only come from dividing. */
export const roundedProbability = (value: number): number => Math.round(value * 1e12) / 1e12;
