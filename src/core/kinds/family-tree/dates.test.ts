import { describe, expect, it } from 'vitest';
import { dateSpan, lifeWords, yearOfDay, yearsBetween, yearWords, likelyDay } from './dates';

const day = (iso: string) => Date.parse(`${iso}T00:00:00Z`) / 86_400_000;

describe('dates as they are written', () => {
  it.each([
    ['12 March 1888', '1888-03-12', '1888-03-12', 'exact'],
    ['12 MAR 1888', '1888-03-12', '1888-03-12', 'exact'],
    ['1888-03-12', '1888-03-12', '1888-03-12', 'exact'],
    ['12.3.1888', '1888-03-12', '1888-03-12', 'exact'],
    ['March 12, 1888', '1888-03-12', '1888-03-12', 'exact'],
    ['Feb 1888', '1888-02-01', '1888-02-29', 'exact'],
    ['1888', '1888-01-01', '1888-12-31', 'exact'],
    ['BET 1840 AND 1850', '1840-01-01', '1850-12-31', 'between'],
    ['between 1840 and March 1850', '1840-01-01', '1850-03-31', 'between'],
  ])('%s', (text, from, to, sure) => expect(dateSpan(text)).toEqual({ from: day(from), to: day(to), sure }));
  it.each([
    ['ABT 1850', 'about'],
    ['c. 1850', 'about'],
    ['1850?', 'about'],
    ['BEF 1900', 'before'],
    ['after 1900', 'after'],
    ['EST 1700', 'about'],
  ])('%s is %s', (text, sure) => expect(dateSpan(text)!.sure).toBe(sure));
  it.each(['', 'long ago', '31 Foo 1888', '40.1.1888', '1888-13-01', 'BET 1850 AND 1840'])('“%s” is none', (text) =>
    expect(dateSpan(text)).toBeNull(),
  );
  it('years of days go back and forth, over four centuries of leap years', () => {
    for (let year = 1580; year <= 2030; year++) {
      expect(yearOfDay(day(`${year}-01-01`))).toBe(year);
      expect(yearOfDay(day(`${year}-12-31`))).toBe(year);
      expect(dateSpan(String(year))).toEqual({ from: day(`${year}-01-01`), to: day(`${year}-12-31`), sure: 'exact' });
    }
  });
  it('in a box they are years', () => {
    expect(yearWords('12 MAR 1888')).toBe('1888');
    expect(yearWords('ABT 1850')).toBe('c. 1850');
    expect(lifeWords('1850', '1921', 'years')).toBe('1850–1921');
    expect(lifeWords('', '1921', 'years')).toBe('died 1921');
    expect(lifeWords('12 March 1888', '', 'full')).toBe('born 12 March 1888');
  });
  it('ages are told between bounds', () => {
    expect(yearsBetween(dateSpan('1 June 1900')!, dateSpan('31 May 1920')!)).toEqual({ least: 19, most: 19 });
    expect(yearsBetween(dateSpan('1900')!, dateSpan('1920')!)).toEqual({ least: 19, most: 20 });
  });
});

describe('the order of dates', () => {
  it('goes by the middle of what a date may be, and by the known end of an open one', () => {
    const sorted = ['after 1940', 'c. 1933', '1 May 1930', '1929', 'before 1925', 'between 1934 and 1938'];
    const day = (text: string) => likelyDay(dateSpan(text)!);
    expect([...sorted].sort((a, b) => day(a) - day(b))).toEqual([
      'before 1925',
      '1929',
      '1 May 1930',
      'c. 1933',
      'between 1934 and 1938',
      'after 1940',
    ]);
  });
});
