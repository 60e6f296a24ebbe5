import { format, isValidFormat } from 'numfmt';

/** Formats that are built in, by their number (ECMA-376, part 1, 18.8.30). Those that follow the place of the reader show dates as ISO 8601 does. */
const builtIn: Readonly<Record<number, string>> = {
  1: '0',
  2: '0.00',
  3: '#,##0',
  4: '#,##0.00',
  9: '0%',
  10: '0.00%',
  11: '0.00E+00',
  12: '# ?/?',
  13: '# ??/??',
  14: 'yyyy-mm-dd',
  15: 'd-mmm-yy',
  16: 'd-mmm',
  17: 'mmm-yy',
  18: 'h:mm AM/PM',
  19: 'h:mm:ss AM/PM',
  20: 'h:mm',
  21: 'h:mm:ss',
  22: 'yyyy-mm-dd h:mm',
  37: '#,##0;(#,##0)',
  38: '#,##0;(#,##0)',
  39: '#,##0.00;(#,##0.00)',
  40: '#,##0.00;(#,##0.00)',
  45: 'mm:ss',
  46: '[h]:mm:ss',
  47: 'mm:ss.0',
  48: '##0.0E+0',
  49: '@',
};
/** Days from the one beginning of counting days to the other. */
const laterBeginning = 1462;
const isOfDate = (code: string): boolean => /[ymdhs]/i.test(code.replaceAll(/"[^"]*"|\[[^[\]]*\]|\\./g, ''));

/** A number as a cell shows it: by the number of a built-in format, or by its code. As it is kept where it cannot be formatted. */
export function shownAs(value: string, style: number | string, from1904: boolean): string {
  const number = Number(value);
  const code = typeof style === 'number' ? builtIn[style] : style;
  if (!Number.isFinite(number) || value.trim() === '') return value;
  if (code === undefined || /^general$/i.test(code) || !isValidFormat(code)) return plainNumber(number);
  const days = isOfDate(code) && from1904 ? number + laterBeginning : number;
  return String(format(code, days, { throws: false })).trim();
}

/** A number without what binary fractions leave at its end: 0.30000000000000004 is 0.3. */
const plainNumber = (number: number): string => String(Number(number.toPrecision(15)));
