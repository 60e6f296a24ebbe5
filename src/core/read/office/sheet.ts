import { readFinding } from '../codes';
import { limits, type Finding } from '../../model';
import { tabCell } from '../placed-lines';

/** Cells that were joined to one: from its first row and column to its last, counted from 0. */
export interface Merged {
  readonly top: number;
  readonly left: number;
  readonly bottom: number;
  readonly right: number;
}

/** A sheet of a workbook as it is shown. */
export class SheetCells {
  /** By row and column, counted from 0; only cells that show something. */
  readonly rows = new Map<number, Map<number, string>>();
  readonly merged: Merged[] = [];
  readonly hiddenRows = new Set<number>();
  readonly hiddenColumns = new Set<number>();
  filled = 0;

  constructor(
    readonly name: string,
    /** A sheet that is put away. */
    readonly isHidden = false,
  ) {}

  /** Whether no more cells are taken. */
  get isFull(): boolean {
    return this.filled >= mostCells;
  }

  put(row: number, column: number, shown: string): void {
    const text = shown.trim();
    if (text === '' || this.isFull) return;
    let cells = this.rows.get(row);
    if (!cells) this.rows.set(row, (cells = new Map()));
    if (!cells.has(column)) this.filled++;
    cells.set(column, text);
  }
}

/** Cells of one sheet that are read. */
export const mostCells = 1_000_000;
/** Cells that joined ones may fill in one sheet. */
const mostFilled = 200_000;
/** More empty rows than this on end are one. */
const mostEmpty = 50;

/** A sheet as it goes on to the readers. */
export interface SheetText {
  readonly name: string;
  readonly text: string;
  readonly filled: number;
  readonly isHidden: boolean;
  readonly findings: readonly Finding[];
}

/** What joined cells show, in all of them; words joined across a row of their own, as titles are, stand once. O(cells). */
function fill(sheet: SheetCells): void {
  let left = mostFilled;
  for (const { top, left: first, bottom, right } of sheet.merged) {
    const shown = sheet.rows.get(top)?.get(first);
    const size = (bottom - top + 1) * (right - first + 1);
    if (shown === undefined || (left -= size) < 0) continue;
    const isTitle = (sheet.rows.get(top)?.size ?? 0) === 1 && right > first;
    for (let row = top; row <= bottom; row++)
      for (let column = first; column <= (isTitle ? first : right); column++)
        if (sheet.rows.get(row)?.get(column) === undefined) sheet.put(row, column, shown);
  }
}

const list = (numbers: readonly (number | string)[]): string =>
  `${numbers.slice(0, 12).join(', ')}${numbers.length > 12 ? ` and ${numbers.length - 12} more` : ''}`;

/** The name of a column as a spreadsheet counts them: A, B, … Z, AA. */
export function columnName(column: number): string {
  let name = '';
  for (let n = column + 1; n > 0; n = Math.floor((n - 1) / 26)) name = String.fromCharCode(65 + ((n - 1) % 26)) + name;
  return name;
}

/** A sheet as lines of cells parted by tabs, a line a row, so that line and row have one number as far as no cell has several lines. Null where that is longer than a list may be. O(rows × columns). */
export function sheetText(sheet: SheetCells): SheetText | null {
  fill(sheet);
  const columns = [...new Set([...sheet.rows.values()].flatMap((cells) => [...cells.keys()]))].sort((a, b) => a - b);
  // Each row has a sign between all columns, also where few cells are filled.
  if (sheet.rows.size * columns.length > limits.listBytes) return null;
  const lines: string[] = [];
  let next = 0;
  for (const row of [...sheet.rows.keys()].sort((a, b) => a - b)) {
    for (let empty = Math.min(row - next, mostEmpty); empty > 0; empty--) lines.push('');
    const cells = sheet.rows.get(row)!;
    lines.push(columns.map((column) => tabCell(cells.get(column) ?? '')).join('\t'));
    next = row + 1;
  }
  const hidden = [...sheet.hiddenRows].filter((row) => sheet.rows.has(row)).map((row) => row + 1);
  const away = columns.filter((column) => sheet.hiddenColumns.has(column)).map(columnName);
  const findings: Finding[] = [];
  if (hidden.length > 0)
    findings.push(
      readFinding(
        'hidden-rows',
        'warning',
        `${hidden.length === 1 ? 'Row' : 'Rows'} ${list(hidden)} of the sheet “${sheet.name}” ${hidden.length === 1 ? 'is' : 'are'} hidden there and read here like the others. Take out what is not meant.`,
        { line: hidden[0]! },
      ),
    );
  if (away.length > 0)
    findings.push(
      readFinding(
        'hidden-rows',
        'note',
        `${away.length === 1 ? 'Column' : 'Columns'} ${list(away)} of the sheet “${sheet.name}” ${away.length === 1 ? 'is' : 'are'} hidden there and read here like the others.`,
      ),
    );
  if (sheet.isFull)
    findings.push(
      readFinding(
        'too-large',
        'error',
        `The sheet “${sheet.name}” has more than ${mostCells.toLocaleString('en')} cells; those beyond were not read.`,
      ),
    );
  const text = lines.join('\n');
  if (text.length > limits.listBytes) return null;
  return { name: sheet.name, text, filled: sheet.filled, isHidden: sheet.isHidden, findings };
}
