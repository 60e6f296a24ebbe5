import { aboveTable } from './title-above';
import { columnUseOf, type Headings } from './headings';
import type { Row } from './delimited';
import { isSumName } from './names';

/** A table and what stands around it. */
export interface TableParts {
  readonly rows: readonly Row[];
  /** Rows of titles and remarks above, and of sums: told and kept in the tray. */
  readonly aside: readonly { readonly row: Row; readonly why: string }[];
}

const filled = (row: Row): number => row.cells.filter((cell) => cell !== '').length;
/** How far down a heading is looked for. */
const mostAbove = 20;

/** The rows of a table from its heading on, without titles above it and sums in it. O(cells). */
export function tableParts(all: readonly Row[], headings: Headings): TableParts {
  const begin = beginOf(all, headings);
  const aside = all.slice(0, begin).map((row) => ({ row, why: aboveTable }));
  const rows: Row[] = [];
  for (const row of all.slice(begin)) {
    if (rows.length > 0 && isSumRow(row)) aside.push({ row, why: 'is a sum, not an entry' });
    else rows.push(row);
  }
  return { rows, aside };
}

/** Index of the heading, or of the first full row: every row before it has at most half as many cells filled. */
function beginOf(rows: readonly Row[], headings: Headings): number {
  let widest = 0;
  for (let i = 0; i < Math.min(rows.length, mostAbove); i++) {
    const row = rows[i]!;
    const width = filled(row);
    const known = row.cells.filter((cell) => columnUseOf(cell, headings) !== null).length;
    const isHeading = known >= 2 && known * 2 >= width;
    if (isHeading && (i === 0 || widest * 2 <= width)) return i;
    widest = Math.max(widest, width);
  }
  const usual =
    rows
      .slice(0, 200)
      .map(filled)
      .sort((a, b) => a - b)[Math.floor(Math.min(rows.length, 200) / 2)] ?? 0;
  const full = rows.slice(0, mostAbove).findIndex((row) => filled(row) > 1);
  return usual > 1 && full > 0 ? full : 0;
}

/** "Total" with nothing but numbers beside it. */
function isSumRow(row: Row): boolean {
  const told = row.cells.filter((cell) => cell !== '');
  return told.length > 0 && isSumName(told[0]!) && told.slice(1).every((cell) => /^[-+]?[\d\s.,%]+$/.test(cell));
}
