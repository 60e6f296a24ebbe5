import { columnUseOf, type Headings } from './headings';

export interface Row {
  /** Line of the source where the row begins, from 1. */
  readonly line: number;
  readonly cells: readonly string[];
}

export interface Delimited {
  readonly rows: readonly Row[];
  /** Line where a quotation mark was opened and never closed; null where all is well. */
  readonly openQuote: number | null;
}

export const delimiters = ['\t', ';', ',', '|', '^'] as const;
export type Delimiter = (typeof delimiters)[number];
/** What may be said to part cells: also what stands in too many lines that are none of a table to be told without asking, and columns of blanks. */
export const separators = [...delimiters, ':', 'blanks'] as const;
export type Separator = (typeof separators)[number];

/**
 * Delimited text by RFC 4180, for any one-character delimiter: quotes double inside quotes, line ends of every kind, rows of any
 * length. Cells in quotes keep their blanks, others lose those at their ends. Lines are those of the source, also after line ends inside quotes. A quote inside an unquoted cell is a plain character.
 * A quote that never closes ends with its line instead of swallowing the rest. Empty lines give no row. O(characters).
 */
export function parseDelimited(text: string, delimiter: Exclude<Separator, 'blanks'>): Delimited {
  const rows: Row[] = [];
  let cells: string[] = [];
  let line = 1;
  let rowLine = 1;
  let openQuote: number | null = null;
  let i = 0;
  const endRow = () => {
    if (cells.some((cell) => cell.trim() !== '')) rows.push({ line: rowLine, cells });
    cells = [];
  };
  while (i <= text.length) {
    let cell: string;
    const quoted = text[i] === '"' ? closedQuote(text, i, delimiter) : null;
    if (quoted) {
      cell = text.slice(i + 1, quoted.end).replaceAll('""', '"');
      for (const character of cell.matchAll(/\r\n|\r|\n/g)) if (character) line++;
      i = quoted.end + 1;
      cells.push(unguarded(cell));
    } else {
      if (text[i] === '"') openQuote ??= line;
      const end = endOfCell(text, i, delimiter);
      cell = text.slice(i, end);
      i = end;
      cells.push(unguarded(cell.trim()));
    }
    if (text[i] === delimiter) {
      i++;
      continue;
    }
    endRow();
    if (i >= text.length) break;
    i += text[i] === '\r' && text[i + 1] === '\n' ? 2 : 1;
    line++;
    rowLine = line;
  }
  return { rows, openQuote };
}

/** Cells that a spreadsheet would run as formulas are written behind an apostrophe; a plain number is no formula. */
const runs = /^'*[=+\-@\t\r]/;
const plainNumber = /^[-+]?\d[\d.,]*$/;
export const guarded = (cell: string): string => (runs.test(cell) && !plainNumber.test(cell) ? `'${cell}` : cell);
const unguarded = (cell: string): string => (cell.startsWith("'") && runs.test(cell) ? cell.slice(1) : cell);

function endOfCell(text: string, from: number, delimiter: string): number {
  let i = from;
  while (i < text.length && text[i] !== delimiter && text[i] !== '\n' && text[i] !== '\r') i++;
  return i;
}

/** Longest quoted cell looked at, so that one stray quote cannot make reading quadratic. */
const longestQuoted = 10_000;

/** The closing quote of the cell that opens at `open`, if a delimiter, a line end or the end follows it. */
function closedQuote(text: string, open: number, delimiter: string): { end: number } | null {
  for (let i = open + 1; i < text.length && i - open < longestQuoted; i++) {
    if (text[i] !== '"') continue;
    if (text[i + 1] === '"') {
      i++;
      continue;
    }
    const next = text[i + 1];
    return next === undefined || next === delimiter || next === '\n' || next === '\r' ? { end: i } : null;
  }
  return null;
}

/** Signs that part cells in other tables: a cell that has one is rarely whole. */
const parting = /[;\t|^]|,\S(?!\d)/;

/** The share of filled cells that no other delimiter would part. */
function cleanShare(rows: readonly Row[]): number {
  const filled = rows.flatMap(({ cells }) => cells.filter((cell) => cell !== ''));
  return filled.length === 0 ? 0 : filled.filter((cell) => !parting.test(cell)).length / filled.length;
}

/**
 * The delimiter that splits most lines into the same number of cells, two or more, and leaves cells whole; null where none does. After van den Burg, Nazábal
 * and Sutton, "Wrangling messy CSV files by detecting row and type patterns" (2019): row patterns times the share of plain cells.
 */
export function findDelimiter(text: string, headings: Headings): Delimiter | null {
  const sample = text.slice(0, 60_000);
  let best: { delimiter: Delimiter; score: number } | null = null;
  for (const delimiter of delimiters) {
    const { rows } = parseDelimited(sample, delimiter);
    const many = rows.filter((row) => row.cells.length > 1).length;
    // A heading without rows is a table too: one that was written empty.
    const onlyHeading =
      rows.length === 1 && many === 1 && rows[0]!.cells.every((cell) => columnUseOf(cell, headings) !== null);
    if (!onlyHeading && (many < 2 || many < rows.length * 0.6)) continue;
    const counts = new Map<number, number>();
    for (const row of rows) counts.set(row.cells.length, (counts.get(row.cells.length) ?? 0) + 1);
    const usual = Math.max(...counts.values());
    const headed = rows
      .slice(0, 20)
      .some(({ cells }) => cells.filter((cell) => columnUseOf(cell, headings) !== null).length >= 2);
    const pattern = (usual / rows.length) * (delimiter === '\t' ? 2 : 1) + many / rows.length + (headed ? 1 : 0);
    const score = pattern * (0.2 + cleanShare(rows));
    if (!best || score > best.score) best = { delimiter, score };
  }
  return best?.delimiter ?? null;
}
