import { remember } from '../../model';

/** What a date says: the earliest and the latest day it may be, as days since 1 January 1970 in the Gregorian calendar, and how sure it is. */
export interface DateSpan {
  readonly from: number;
  readonly to: number;
  readonly sure: 'exact' | 'about' | 'before' | 'after' | 'between';
}

const months = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const monthOf = (word: string): number => months.indexOf(word.slice(0, 3).toLowerCase());
/** Days since 1 January 1970 in the Gregorian calendar reckoned backwards (H. Hinnant, "chrono-compatible low-level date algorithms"); months from 0. */
function dayOf(year: number, month: number, day: number): number {
  const m = (month % 12) + 1;
  const y = year + Math.floor(month / 12) - (m <= 2 ? 1 : 0);
  const era = Math.floor(y / 400);
  const yearOfEra = y - era * 400;
  const dayOfYear = Math.floor((153 * (m + (m > 2 ? -3 : 9)) + 2) / 5) + day - 1;
  return (
    era * 146_097 + yearOfEra * 365 + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100) + dayOfYear - 719_468
  );
}
/** The year of a day so counted. */
export function yearOfDay(day: number): number {
  const z = Math.floor(day) + 719_468;
  const era = Math.floor(z / 146_097);
  const dayOfEra = z - era * 146_097;
  const yearOfEra = Math.floor(
    (dayOfEra - Math.floor(dayOfEra / 1460) + Math.floor(dayOfEra / 36_524) - Math.floor(dayOfEra / 146_096)) / 365,
  );
  const dayOfYear = dayOfEra - (365 * yearOfEra + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100));
  return yearOfEra + era * 400 + (dayOfYear >= 306 ? 1 : 0);
}
const longestMonth = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
/** About a year may be this many years off. */
const about = 5;
/** Before or after a date is taken for this many years at most. */
const reach = 120;

interface Plain {
  readonly from: number;
  readonly to: number;
}

/** "12 March 1888", "Mar 1888", "1888", "1888-03-12", "12.3.1888", "12/3/1888" (the day first); a year before Christ with BC. Null for anything else. */
function plainDate(source: string): Plain | null {
  const text = source.trim().replace(/^@#D(GREGORIAN|JULIAN)@\s*/i, '');
  const bc = /b\.?c\.?e?\.?$/i.test(text);
  const bare = text.replace(/(?:b\.?c\.?e?\.?|a\.?d\.?|c\.?e\.?)$/i, '').trim();
  const yearOf = (digits: string) => (bc ? 1 - Number(digits) : Number(digits));
  const span = (year: number, month: number | null, day: number | null): Plain | null => {
    if (month === null) return { from: dayOf(year, 0, 1), to: dayOf(year, 11, 31) };
    if (month < 0 || month > 11) return null;
    const last = longestMonth[month]!;
    if (day === null) return { from: dayOf(year, month, 1), to: dayOf(year, month + 1, 0) };
    return day >= 1 && day <= last ? { from: dayOf(year, month, day), to: dayOf(year, month, day) } : null;
  };
  let found = /^(\d{1,4})(?:\/\d{2})?$/.exec(bare);
  if (found) return span(yearOf(found[1]!), null, null);
  found = /^(\d{4})-(\d{1,2})(?:-(\d{1,2}))?$/.exec(bare);
  if (found) return span(yearOf(found[1]!), Number(found[2]) - 1, found[3] ? Number(found[3]) : null);
  found = /^(\d{1,2})[./](\d{1,2})[./](\d{3,4})$/.exec(bare);
  if (found) return span(yearOf(found[3]!), Number(found[2]) - 1, Number(found[1]));
  found = /^(?:(\d{1,2})(?:st|nd|rd|th)?\.?\s+)?(\p{L}{3,9})\.?,?\s+(\d{1,4})$/u.exec(bare);
  if (found && monthOf(found[2]!) >= 0)
    return span(yearOf(found[3]!), monthOf(found[2]!), found[1] ? Number(found[1]) : null);
  found = /^(\p{L}{3,9})\.?\s+(\d{1,2})(?:st|nd|rd|th)?,?\s+(\d{3,4})$/u.exec(bare);
  if (found && monthOf(found[1]!) >= 0) return span(yearOf(found[3]!), monthOf(found[1]!), Number(found[2]));
  return null;
}

/** A date as it is written in lists and in GEDCOM: exact, partial, about, before, after, between; null for words that tell none. O(length). */
export const dateSpan = remember(5_000, (text: string) => text, spanOf);

/** The two dates between which something was: "between 1850 and 1855", "1850–1855"; null where there are not two. */
function endsOf(text: string): readonly [string, string] | null {
  const led = /^(?:bet(?:ween)?\.?|from)\s/i.exec(text);
  const cut = led && /\s(?:and|to)\s/i.exec(text);
  if (led && cut && cut.index >= led[0].length)
    return [text.slice(led[0].length, cut.index), text.slice(cut.index + cut[0].length)];
  const years = /^(\d{3,4})\s*[–-]\s*(\d{3,4})$/.exec(text);
  return years ? [years[1]!, years[2]!] : null;
}

function spanOf(text: string): DateSpan | null {
  const told = text.trim().replace(/^int\s+/i, '');
  // What stands in brackets explains the date.
  const bare = told.endsWith(')') && told.includes('(') ? told.slice(0, told.indexOf('(')).trim() : told;
  if (bare === '') return null;
  const two = endsOf(bare);
  if (two) {
    const [a, b] = [plainDate(two[0]), plainDate(two[1])];
    return a && b && a.from <= b.to ? { from: a.from, to: b.to, sure: 'between' } : null;
  }
  const led =
    /^(?:about|abt\.?|around|circa|cal\.?|ca\.?|c\.?|est\.?|~|before|bef\.?|<|by|after|aft\.?|>|from|to)/i.exec(
      bare,
    )?.[0] ?? '';
  const doubtful = bare.endsWith('?');
  const date = plainDate(led ? bare.slice(led.length) : doubtful ? bare.slice(0, -1) : bare);
  if (!date) return null;
  const word = led.toLowerCase();
  if (/^(bef|before|<|by|to)/.test(word)) return { from: date.from - reach * 365, to: date.to, sure: 'before' };
  if (/^(aft|after|>|from)/.test(word)) return { from: date.from, to: date.to + reach * 365, sure: 'after' };
  if (word !== '' || doubtful) return { from: date.from - about * 365, to: date.to + about * 365, sure: 'about' };
  return { ...date, sure: 'exact' };
}

/** The year that stands in a box: "1888", "c. 1888", "before 1888"; the text itself where it tells no date. */
export function yearWords(text: string): string {
  const span = dateSpan(text);
  if (!span) return text.trim();
  const yearOf = yearOfDay;
  const middle = yearOf((span.from + span.to) / 2);
  if (span.sure === 'exact') return String(yearOf(span.from));
  if (span.sure === 'about') return `c. ${middle}`;
  if (span.sure === 'before') return `before ${yearOf(span.to)}`;
  if (span.sure === 'after') return `after ${yearOf(span.from)}`;
  return `${yearOf(span.from)}–${yearOf(span.to)}`;
}

/** Life as a box tells it: "1850–1921", "born 1990", "died 1921"; empty where neither is known. */
export function lifeWords(born: string, died: string, manner: 'years' | 'full' | 'none'): string {
  if (manner === 'none') return '';
  const [from, to] = manner === 'years' ? [yearWords(born), yearWords(died)] : [born.trim(), died.trim()];
  if (from && to) return manner === 'years' && /^[\d.c ]+$/.test(from + to) ? `${from}–${to}` : `${from} – ${to}`;
  return from ? `born ${from}` : to ? `died ${to}` : '';
}

/** The day by which a date is put in order: the middle of what it may be; of one that is open, its known end. */
export const likelyDay = ({ from, to }: DateSpan): number =>
  Number.isFinite(from) && Number.isFinite(to) ? (from + to) / 2 : Number.isFinite(from) ? from : to;

/** Whole years between two dates: the least and the most it may be. */
export const yearsBetween = (a: DateSpan, b: DateSpan): { readonly least: number; readonly most: number } => ({
  least: Math.floor((b.from - a.to) / 365.2425),
  most: Math.floor((b.to - a.from) / 365.2425),
});
