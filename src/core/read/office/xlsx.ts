import { partsOf } from './container';
import { shownAs } from './number-format';
import { SheetCells } from './sheet';
import { readXml } from '../xml';

/** Row and column of a cell's address, counted from 0: "B12" is 11 and 1. */
function placeOf(address: string): { row: number; column: number } | null {
  const [, letters, digits] = /^\$?([A-Z]{1,3})\$?(\d{1,7})$/.exec(address) ?? [];
  if (letters === undefined || digits === undefined) return null;
  let column = 0;
  for (const letter of letters) column = column * 26 + letter.charCodeAt(0) - 64;
  return { row: Number(digits) - 1, column: column - 1 };
}

/** Texts that cells share, by their number; what tells how a word is spoken is none of it. */
function sharedTexts(source: string): string[] {
  const texts: string[] = [];
  let text = '';
  let spoken = 0;
  readXml(source, {
    open: ({ name }) => {
      if (name === 'si') text = '';
      if (name === 'rPh') spoken++;
    },
    close: (name, own) => {
      if (name === 't' && spoken === 0) text += own;
      else if (name === 'rPh') spoken--;
      else if (name === 'si') texts.push(text);
    },
  });
  return texts;
}

/** By style of a cell, the format of its number: the number of one that is built in, or its code. */
function numberFormats(source: string): (number | string)[] {
  const codes = new Map<string, string>();
  const formats: (number | string)[] = [];
  let inCells = false;
  readXml(source, {
    open: ({ name, told }) => {
      if (name === 'numFmt') codes.set(told.numFmtId ?? '', told.formatCode ?? '');
      else if (name === 'cellXfs') inCells = true;
      else if (name === 'xf' && inCells) formats.push(codes.get(told.numFmtId ?? '') ?? Number(told.numFmtId ?? 0));
    },
    close: (name) => {
      if (name === 'cellXfs') inCells = false;
    },
  });
  return formats;
}

interface Book {
  readonly texts: readonly string[];
  readonly formats: readonly (number | string)[];
  readonly from1904: boolean;
}

/** A sheet has so many columns at most. */
const mostColumns = 16_384;

/** Columns counted from 1, both of them included; told again they cost nothing. */
function hideColumns(sheet: SheetCells, from: number, to: number): void {
  if (sheet.hiddenColumns.size >= mostColumns) return;
  for (let c = from; c <= Math.min(to, mostColumns); c++) sheet.hiddenColumns.add(c - 1);
}

function readSheet(source: string, sheet: SheetCells, { texts, formats, from1904 }: Book): void {
  let at = { row: -1, column: -1 };
  let cell: Readonly<Record<string, string>> = {};
  let text = '';
  readXml(source, {
    open: ({ name, told }) => {
      if (name === 'row') {
        const row = Number(told.r ?? at.row + 2) - 1;
        at = { row: Number.isInteger(row) ? row : at.row + 1, column: -1 };
        if (told.hidden === '1' || told.hidden === 'true') sheet.hiddenRows.add(at.row);
      } else if (name === 'c') {
        at = placeOf(told.r ?? '') ?? { row: at.row, column: at.column + 1 };
        [cell, text] = [told, ''];
      } else if (name === 'col' && (told.hidden === '1' || told.hidden === 'true')) {
        hideColumns(sheet, Number(told.min), Number(told.max));
      } else if (name === 'mergeCell') {
        const [from, to] = (told.ref ?? '').split(':').map(placeOf);
        if (from && to) sheet.merged.push({ top: from.row, left: from.column, bottom: to.row, right: to.column });
      }
    },
    close: (name, own) => {
      if (name === 'v' || name === 't') text += own;
      else if (name === 'c' && text !== '') sheet.put(at.row, at.column, shown(cell, text));
    },
  });

  function shown({ t, s }: Readonly<Record<string, string>>, value: string): string {
    if (t === 's') return texts[Number(value)] ?? '';
    if (t === 'b') return value === '1' ? 'TRUE' : 'FALSE';
    if (t === 'str' || t === 'inlineStr' || t === 'e' || t === 'd') return value;
    return shownAs(value, formats[Number(s ?? 0)] ?? 0, from1904);
  }
}

/** The sheets of a workbook (Office Open XML, ECMA-376) as they are shown; null where it is none. Throws TooMuchInside. */
export function xlsxSheets(bytes: Uint8Array): SheetCells[] | null {
  const parts = partsOf(bytes, (name) =>
    /^xl\/(?:workbook\.xml|_rels\/workbook\.xml\.rels|sharedStrings\.xml|styles\.xml|worksheets\/[^/]+\.xml)$/i.test(
      name,
    ),
  );
  const book = parts?.get('xl/workbook.xml');
  if (!parts || book === undefined) return null;
  const targets = new Map<string, string>();
  readXml(parts.get('xl/_rels/workbook.xml.rels') ?? '<none/>', {
    open: ({ told }) => {
      if (told.Id !== undefined) targets.set(told.Id, (told.Target ?? '').replace(/^\/?(?:xl\/)?/, 'xl/'));
    },
  });
  const sheets: { sheet: SheetCells; part: string }[] = [];
  let from1904 = false;
  readXml(book, {
    open: ({ name, told }) => {
      if (name === 'workbookPr') from1904 = told.date1904 === '1' || told.date1904 === 'true';
      if (name === 'sheet')
        sheets.push({
          sheet: new SheetCells(told.name ?? '', told.state === 'hidden' || told.state === 'veryHidden'),
          part: targets.get(told.id ?? '') ?? '',
        });
    },
  });
  const shared: Book = {
    texts: sharedTexts(parts.get('xl/sharedStrings.xml') ?? '<none/>'),
    formats: numberFormats(parts.get('xl/styles.xml') ?? '<none/>'),
    from1904,
  };
  for (const { sheet, part } of sheets) readSheet(parts.get(part) ?? '<none/>', sheet, shared);
  return sheets.map(({ sheet }) => sheet);
}
