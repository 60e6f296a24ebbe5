import { partsOf } from './container';
import { SheetCells } from './sheet';
import { readXml } from '../xml';

/** A cell that is told to come again more often than this is filler to the edge of the sheet. */
const mostRepeats = 1000;

const times = (told: string | undefined): number => Math.max(1, Number(told) || 1);

/** The sheets of a spreadsheet in the Open Document format (ISO/IEC 26300) as they are shown; null where it is none. Throws TooMuchInside. */
export function odsSheets(bytes: Uint8Array): SheetCells[] | null {
  const content = partsOf(bytes, (name) => name === 'content.xml')?.get('content.xml');
  return content === undefined || !/<office:spreadsheet[\s>]/.test(content) ? null : sheetsIn(content);
}

function sheetsIn(content: string): SheetCells[] {
  const sheets: SheetCells[] = [];
  const hiddenStyles = new Set<string>();
  let style = '';
  let at = { row: 0, column: 0 };
  let row = { times: 1, hidden: false };
  let cell = { times: 1, down: 1, across: 1, value: '' };
  /** Paragraphs of the cell that is open; what is written goes to the last of them. */
  let paragraphs: string[] | null = null;
  let inParagraph = false;
  /** Remarks stuck to cells, within which nothing is shown in the cell. */
  let noted = 0;
  readXml(content, {
    open: ({ name, told }) => {
      const sheet = sheets.at(-1);
      if (name === 'style') style = told.name ?? '';
      else if (name === 'table-properties' && told.display === 'false') hiddenStyles.add(style);
      else if (name === 'table') {
        sheets.push(new SheetCells(told.name ?? '', hiddenStyles.has(told['style-name'] ?? '')));
        at = { row: 0, column: 0 };
      } else if (name === 'table-column') {
        if (told.visibility !== undefined && told.visibility !== 'visible')
          for (let k = 0; k < Math.min(mostRepeats, times(told['number-columns-repeated'])); k++)
            sheet?.hiddenColumns.add(at.column + k);
        at.column += times(told['number-columns-repeated']);
      } else if (name === 'table-row') {
        at.column = 0;
        row = {
          times: times(told['number-rows-repeated']),
          hidden: told.visibility !== undefined && told.visibility !== 'visible',
        };
      } else if (name === 'table-cell' || name === 'covered-table-cell') {
        paragraphs = [];
        const isCovered = name === 'covered-table-cell';
        cell = {
          times: times(told['number-columns-repeated']),
          down: isCovered ? 1 : times(told['number-rows-spanned']),
          across: isCovered ? 1 : times(told['number-columns-spanned']),
          value: told['date-value'] ?? told.value ?? '',
        };
      } else if (name === 'annotation') noted++;
      else if (name === 's') write(' '.repeat(Math.min(100, times(told.c))));
      else if (name === 'p' && noted === 0 && paragraphs) {
        paragraphs.push('');
        inParagraph = true;
      }
    },
    text: write,
    close: (name) => {
      const sheet = sheets.at(-1);
      if (name === 'annotation') noted--;
      else if (noted > 0) return;
      else if (name === 'p') inParagraph = false;
      else if ((name === 'table-cell' || name === 'covered-table-cell') && sheet && paragraphs) {
        const shown = paragraphs.length > 0 ? paragraphs.join('\n') : cell.value;
        paragraphs = null;
        if (shown.trim() !== '')
          for (let down = 0; down < Math.min(row.times, mostRepeats) && !sheet.isFull; down++)
            for (let across = 0; across < Math.min(cell.times, mostRepeats) && !sheet.isFull; across++)
              sheet.put(at.row + down, at.column + across, shown);
        if (cell.down > 1 || cell.across > 1)
          sheet.merged.push({
            top: at.row,
            left: at.column,
            bottom: at.row + cell.down - 1,
            right: at.column + cell.across - 1,
          });
        at.column += cell.times;
      } else if (name === 'table-row') {
        if (row.hidden && sheet)
          for (let k = 0; k < Math.min(row.times, mostRepeats); k++) sheet.hiddenRows.add(at.row + k);
        at.row += row.times;
      }
    },
  });
  return sheets;

  function write(text: string): void {
    if (paragraphs && inParagraph && noted === 0) paragraphs[paragraphs.length - 1] += text;
  }
}
