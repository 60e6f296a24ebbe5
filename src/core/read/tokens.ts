import { keepable, limits, type Finding } from '../model';
import { readFinding } from './codes';
import { findDelimiter, parseDelimited, type Row, type Separator } from './delimited';
import { columnUseOf, type ColumnUse, type Headings } from './headings';
import { fixedWidthRows } from './fixed-width';
import { formatText, type FormatText } from './formats';
import { htmlText, isHtml } from './html';
import { isDrawn } from './line-parts';
import { outlineLines, type OutlineLine } from './outline-lines';
import { hasWays } from './paths';
import { plainText, withPlainBlanks } from './plain-text';
import { signedLines, type SignedLines } from './signed-lines';
import { tableParts, type TableParts } from './table-parts';
import { aboveTable } from './title-above';

/** A text as a table: its rows from the heading on, and what stands around them. */
export interface TableTokens extends TableParts {
  /** `blanks`: columns that stand under each other. */
  readonly delimiter: Separator;
  /** Rows with anything in them, whatever they are. */
  readonly all: readonly Row[];
  /** Line where a quotation mark was opened and never closed; null where all is well. */
  readonly openQuote: number | null;
}

/** A text as an outline. */
export interface OutlineTokens {
  readonly lines: readonly OutlineLine[];
}

/**
 * The text of a list as lines and cells, told once and read by every kind: which delimiter parts it, where its table begins, what is a title or a sum,
 * how lines are indented and with which signs they begin. Parts are made when they are first asked for and kept.
 */
export class ListTokens {
  readonly text: string;
  /** Why nothing can be read from the text at all. */
  readonly refusal: Finding | null;
  /** What is said of the file itself: which format it is in, and what of it could not be read. */
  readonly findings: readonly Finding[];
  private readonly format: FormatText | null;
  private parsed: { table: TableTokens | null } | null = null;
  private outlined: OutlineTokens | null = null;
  private split: readonly string[] | null = null;
  private kept: ListTokens['filled'] | null = null;
  private ways: boolean | null = null;
  private parted: readonly SignedLines[] | null = null;

  /** `headings`: those that any kind knows, to tell a heading row by. */
  constructor(
    source: string,
    private readonly headings: Headings,
    /** What parts its cells, where that was said. */
    private readonly separator: Separator | null = null,
  ) {
    const text = plainText(keepable(source));
    const format = text.length > limits.listBytes ? null : formatText(text);
    this.text = format?.text ?? (isHtml(text) ? htmlText(text) : text);
    this.format = format;
    this.findings = format ? formatFindings(format) : [];
    this.refusal = refusalOf(this.text);
  }

  /** Lines of the source as they are. */
  get source(): readonly string[] {
    return (this.split ??= this.text.split(/\r\n|\r|\n/));
  }

  /** Lines with anything in them, without blanks around and with plain ones within, with their numbers from 1. */
  get filled(): readonly { readonly line: number; readonly text: string }[] {
    return (this.kept ??= this.source.flatMap((source, i) => {
      const text = withPlainBlanks(source.trim());
      return text === '' ? [] : [{ line: i + 1, text }];
    }));
  }

  /** The text up to and with so many filled lines, where it has more than `from`; null where it is no longer, or its lines are those of a format. */
  beginning(from: number, count: number): string | null {
    if (this.format || this.filled.length <= from) return null;
    return this.source.slice(0, this.filled[count]!.line - 1).join('\n');
  }

  /** The ways in which nearly all lines are parted into what stands before a sign and a list behind it. */
  get signed(): readonly SignedLines[] {
    return (this.parted ??= signedLines(this.filled));
  }

  /** Null where no delimiter parts most lines into as many cells. */
  get table(): TableTokens | null {
    this.parsed ??= { table: this.readTable() };
    return this.parsed.table;
  }

  get outline(): OutlineTokens {
    return (this.outlined ??= { lines: outlineLines(this.source) });
  }

  /** Whether the line after one (counted from 1) is there and empty. */
  isBlankAfter(line: number): boolean {
    return this.source[line]?.trim() === '';
  }

  /** Whether a heading is one that some kind knows. */
  isHeading(cell: string): boolean {
    return this.useOf(cell) !== null;
  }
  useOf(cell: string): ColumnUse | null {
    return columnUseOf(cell, this.headings);
  }

  /** Whether a column of the table tells the ways to its rows. */
  get hasWays(): boolean {
    return (this.ways ??= this.table !== null && hasWays(this.table.rows.slice(1).map(({ cells }) => cells)));
  }

  /** Lines without anything between the first and the last that has text. */
  emptyLines(filled: number): number {
    let end = this.source.length;
    while (end > 0 && this.source[end - 1]!.trim() === '') end--;
    let start = 0;
    while (start < end && this.source[start]!.trim() === '') start++;
    return Math.max(0, end - start - filled);
  }

  private readTable(): TableTokens | null {
    if (this.refusal) return null;
    if (this.format?.rows) return toldRows(this.format.rows, this.format.above);
    const said = this.separator;
    const delimiter = said === null || said === 'blanks' ? findDelimiter(this.text, this.headings) : said;
    const aligned =
      said === 'blanks' || (said === null && isAligned(this.text, delimiter)) ? fixedWidthRows(this.source) : null;
    if (aligned)
      return {
        delimiter: 'blanks',
        all: aligned,
        openQuote: null,
        ...tableParts(withoutEmptyColumns(aligned), this.headings),
      };
    if (!delimiter) return null;
    // Upright strokes that lead to names part no cells.
    if (said === null && delimiter === '|' && this.source.filter(isDrawn).length >= this.source.length * 0.3)
      return null;
    const parsed = parseDelimited(this.text, delimiter);
    const { openQuote } = parsed;
    // The rule below the heading of a table in plain text is no row.
    const all = delimiter === '|' ? withoutEdges(parsed.rows).filter((row) => !isRule(row)) : parsed.rows;
    return { delimiter, all, openQuote, ...tableParts(withoutEmptyColumns(all), this.headings) };
  }
}

/** Bits for a heading that its format says is one. */
const saidHeading = 20;
const toldRows = (rows: readonly Row[], above: readonly Row[]): TableTokens => ({
  delimiter: '\t',
  all: [...above, ...rows],
  openQuote: null,
  rows,
  heading: saidHeading,
  aside: above.map((row) => ({ row, why: aboveTable })),
});

/** Whether blanks may part the cells better than a delimiter: there is none, or its cells have gaps within. */
function isAligned(text: string, delimiter: Separator | null): boolean {
  if (delimiter === null) return true;
  if (delimiter !== ',' && delimiter !== '^') return false;
  const cells = parseDelimited(text.slice(0, 20_000), delimiter).rows.flatMap((row) => row.cells.filter(Boolean));
  return cells.filter((cell) => /\S {2,}\S/.test(cell)).length >= cells.length * 0.3;
}

/** Rows without the columns in which no row has anything, as separators at the ends of lines leave them. O(cells). */
function withoutEmptyColumns(rows: readonly Row[]): readonly Row[] {
  const filled: boolean[] = [];
  let width = 0;
  for (const { cells } of rows) {
    width = Math.max(width, cells.length);
    cells.forEach((cell, i) => {
      if (cell !== '') filled[i] = true;
    });
  }
  const kept = Array.from({ length: width }, (_, i) => i).filter((i) => filled[i]);
  if (kept.length === width) return rows;
  return rows.map(({ line, cells }) => ({ line, cells: kept.filter((i) => i < cells.length).map((i) => cells[i]!) }));
}

/** Rows without the empty cell before a stroke at the left edge, where most rows have one. */
function withoutEdges(rows: readonly Row[]): readonly Row[] {
  const parted = rows.filter(({ cells }) => cells.length > 1);
  if (parted.filter(({ cells }) => cells[0] === '').length < parted.length * 0.9) return rows;
  const drawn = parted.filter(({ cells }) => cells.at(-1) === '').length >= parted.length * 0.9;
  return drawn
    ? rows.map((row) => (row.cells.length > 1 && row.cells[0] === '' ? { ...row, cells: row.cells.slice(1) } : row))
    : rows;
}

const isRule = ({ cells }: Row): boolean => cells.every((cell) => /^(:?-{2,}:?)?$/.test(cell)) && cells.some(Boolean);

const formatFindings = ({ format, problems }: FormatText): Finding[] => [
  readFinding('format', 'note', `Read from ${format}.`),
  ...problems.map(({ line, message }) => readFinding('format-fault', 'warning', `Line ${line}: ${message}`, { line })),
];

function refusalOf(text: string): Finding | null {
  if (text.trim() === '')
    return readFinding('empty', 'error', 'The list is empty. Paste or type one line for each entry.');
  if (text.length > limits.listBytes) {
    const message = 'The list is larger than 20 MB. Leave out columns you do not need, or split it.';
    return readFinding('too-large', 'error', message);
  }
  return null;
}
