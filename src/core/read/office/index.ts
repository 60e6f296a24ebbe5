import type { Finding } from '../../model';
import { readFinding } from '../codes';
import { namesIn, TooMuchInside } from './container';
import { odsSheets } from './ods';
import { sheetText, type SheetText } from './sheet';
import { xlsxSheets } from './xlsx';

/** What a container holds: sheets, or why nothing is read. */
export type Sheets = { readonly sheets: readonly SheetText[] } | { readonly refusal: Finding };

const refuse = (code: 'not-text' | 'too-large', message: string): Sheets => ({
  refusal: readFinding(code, 'error', message),
});

/** Whether bytes begin as a zip container does. */
export const isContainer = (bytes: Uint8Array): boolean =>
  bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 0x03 && bytes[3] === 0x04;

/** The sheets of a spreadsheet that have anything in them, in their order. What is no spreadsheet is refused in words. */
export function sheetsOf(bytes: Uint8Array): Sheets {
  const names = namesIn(bytes);
  if (names === null)
    return refuse(
      'not-text',
      'The file is damaged: it ends or breaks off within. Save it again, or copy its cells and paste them here.',
    );
  try {
    const sheets = names.includes('xl/workbook.xml') ? xlsxSheets(bytes) : odsSheets(bytes);
    if (!sheets)
      return refuse(
        'not-text',
        'This is a file of several parts, but no spreadsheet (xlsx or ods). Open it, copy the lines or cells and paste them here.',
      );
    const filled = sheets.filter((sheet) => sheet.filled > 0);
    if (filled.length === 0) return refuse('not-text', 'The spreadsheet has nothing in its cells.');
    const read = filled.map((sheet) => sheetText(sheet) ?? sheet.name);
    const texts = read.filter((one) => typeof one !== 'string');
    const tooLarge = read.filter((one) => typeof one === 'string');
    if (tooLarge.length === 0) return { sheets: texts };
    const message = `Larger than 20 MB as text, so not read: ${tooLarge.map((name) => `“${name}”`).join(', ')}. Leave out rows or columns you do not need.`;
    const finding = readFinding('too-large', 'error', message);
    if (texts.length === 0) return { refusal: finding };
    return { sheets: texts.map((one) => ({ ...one, findings: [finding, ...one.findings] })) };
  } catch (error) {
    if (!(error instanceof TooMuchInside)) throw error;
    return refuse(
      'too-large',
      'The spreadsheet unpacks to more than is read (80 MB a part). Leave out what you do not need, or save the sheet as CSV.',
    );
  }
}

/** The sheet that is read where nobody chose one: of those that are not put away the one with most in it. */
export function fullest(sheets: readonly SheetText[]): number {
  const shown = sheets.some(({ isHidden }) => !isHidden) ? sheets.filter(({ isHidden }) => !isHidden) : sheets;
  const most = Math.max(...shown.map(({ filled }) => filled));
  return sheets.indexOf(shown.find(({ filled }) => filled === most)!);
}
