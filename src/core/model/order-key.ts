import { z } from 'zod';
import { withoutEnd } from './text';

const digits = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz';
const base = digits.length;
const value = (key: string, i: number): number => (i < key.length ? digits.indexOf(key[i]!) : 0);

/**
 * A fractional key strictly between two others; null stands for "before all" or "after all".
 * A key is read as the digits of a fraction in base 62 and never ends in 0, so there is always room below it.
 * Keys are compared as plain strings. Returns null when the two keys leave no room (equal, or the wrong way round):
 * the caller then gives new keys to all siblings with `evenKeys`.
 */
export function keyBetween(low: string | null, high: string | null): string | null {
  if (low !== null && high !== null && low >= high) return null;
  let key = '';
  let bounded = high !== null;
  for (let i = 0; ; i++) {
    const from = low === null ? 0 : value(low, i);
    const to = bounded ? value(high!, i) : base;
    if (to - from > 1) return key + digits[pick(from, to, low, high)];
    key += digits[from];
    if (to - from === 1) bounded = false;
  }
}

/** Appending or prepending steps by a small distance instead of halving, so that a list typed in order keeps short keys. */
function pick(from: number, to: number, low: string | null, high: string | null): number {
  if (high === null && low !== null) return from + 1;
  if (low === null && high !== null) return to - 1;
  return Math.floor((from + to) / 2);
}

/** A place among siblings. It does not end in 0, so that there is always room below it. */
export const OrderKey = z
  .string()
  .max(400)
  .regex(/^[0-9A-Za-z]*[1-9A-Za-z]$/, 'an order key is made of letters and digits and does not end in 0');

/**
 * `n` keys in rising order strictly between two others (null: no bound), one digit longer or two than a single key there; null where the
 * two leave no room. A key between two others never begins the upper one, so whatever begins with it stands between them too.
 */
export function keysBetween(low: string | null, high: string | null, n: number): string[] | null {
  if (n <= 0) return [];
  if (low === null && high === null) return evenKeys(n);
  const stem = keyBetween(low, high);
  if (stem === null) return null;
  return n === 1 ? [stem] : evenKeys(n).map((key) => stem + key);
}

/** `n` keys in rising order, all of the least equal length that fits. */
export function evenKeys(n: number): string[] {
  let length = 1;
  while (base ** length < 2 * n + 2) length++;
  const step = base ** length / (n + 1);
  return Array.from({ length: n }, (_, i) => {
    let rest = Math.floor((i + 1) * step);
    let key = '';
    for (let d = 0; d < length; d++) {
      key = digits[rest % base]! + key;
      rest = Math.floor(rest / base);
    }
    return withoutEnd(key, '0');
  });
}

interface Ordered {
  readonly id: string;
  readonly order: string;
}

/** The order of siblings: by key, and by id where two people inserted into one gap at the same time. */
export function byOrder(a: Ordered, b: Ordered): number {
  if (a.order !== b.order) return a.order < b.order ? -1 : 1;
  return a.id < b.id ? -1 : a.id > b.id ? 1 : 0;
}
