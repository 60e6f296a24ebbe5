import type { Row } from '../delimited';
import { PlacedLines, tabCell } from '../placed-lines';

/** Something a file tells of, with what it says of it by heading, as often as it says it. */
export interface Item {
  /** Line of the file where it begins, from 1; 0 where that is not known. */
  readonly line: number;
  readonly cells: Map<string, string>;
  readonly below: readonly Item[];
}

/** A file in the words of a list: a table, an outline, and lines that stand above it. */
export interface FormatText {
  /** "JSON", as it is told. */
  readonly format: string;
  readonly text: string;
  /** The rows that the text is, from the heading on, where it is a table; null where it is lines. */
  readonly rows: readonly Row[] | null;
  /** Rows of titles above the table. */
  readonly above: readonly Row[];
  /** What could not be read, with its line. */
  readonly problems: readonly { readonly line: number; readonly message: string }[];
}

/** Adds a value under a heading; a second one is joined to the first. */
export function tell(cells: Map<string, string>, heading: string, value: string): void {
  if (value === '') return;
  const before = cells.get(heading);
  cells.set(heading, before === undefined ? value : `${before}; ${value}`);
}

/** Headings in the order in which they first appear. O(cells). */
function headingsOf(items: readonly Item[]): string[] {
  const found = new Set<string>();
  const stack = items.toReversed();
  for (let item = stack.pop(); item; item = stack.pop()) {
    for (const heading of item.cells.keys()) found.add(heading);
    for (const below of item.below.toReversed()) stack.push(below);
  }
  return [...found];
}

/** So many headings become columns; what stands under others goes into one column, with its heading, so that rows are as long as what they say. */
const mostHeadings = 200;
const further = 'Further';

/** What an item says under each of the headings. O(its cells + headings). */
function cellsOf({ cells }: Item, headings: readonly string[], isKept: ReadonlySet<string>): string[] {
  const own = headings.map((heading) => cells.get(heading) ?? '');
  if (isKept.size === 0) return own;
  const rest = [...cells].filter(([heading]) => !isKept.has(heading)).map(([heading, value]) => `${heading}: ${value}`);
  return [...own, rest.join('; ')];
}

/** A list as text, and as rows where it is a table. */
export type ListText = Pick<FormatText, 'text' | 'rows' | 'above'>;

/**
 * Items as a list. Items with one heading only become lines, indented where some stand below others; others rows under their headings, those below another
 * with the number of the row they stand under. `above`: lines before them. O(items × headings).
 */
export function listOf(items: readonly Item[], above: readonly string[] = []): ListText {
  const told = headingsOf(items);
  const headings = told.slice(0, mostHeadings);
  const isKept = new Set(told.length > mostHeadings ? headings : []);
  const columns = isKept.size > 0 ? [...headings, further] : headings;
  const lines = new PlacedLines();
  const titles = above.map((line): Row => ({ line: lines.add(line, 0), cells: [line] }));
  if (above.length > 0) lines.add('', 0);
  const rows: Row[] = [];
  const addRow = (cells: readonly string[], at: number): void => {
    rows.push({ line: lines.add(cells.map(tabCell).join('\t'), at), cells });
  };
  const isTree = items.some(({ below }) => below.length > 0);
  const isTable = headings.length > 1;
  if (isTable) addRow([...(isTree ? ['No.'] : []), ...columns, ...(isTree ? ['Under No.'] : [])], 0);
  let number = 0;
  const stack = items.map((item) => ({ item, depth: 0, under: 0 })).toReversed();
  for (let next = stack.pop(); next; next = stack.pop()) {
    const { item, depth, under } = next;
    const own = ++number;
    const cells = cellsOf(item, headings, isKept);
    if (isTable) addRow(isTree ? [String(own), ...cells, under === 0 ? '' : String(under)] : cells, item.line);
    else lines.add('  '.repeat(depth) + (cells[0] ?? '').replaceAll(/\s+/g, ' '), item.line);
    for (const below of item.below.toReversed()) stack.push({ item: below, depth: depth + 1, under: own });
  }
  return { text: lines.text(), rows: isTable ? rows : null, above: isTable ? titles : [] };
}
