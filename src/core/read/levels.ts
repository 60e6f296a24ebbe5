import { profileOf } from './cell-shape';
import type { Row } from './delimited';
import { withoutRemark } from './headings';
import type { Column } from './result';
import { foldName } from './names';
import { nothingRead, type ReadChoices, type ReadEntry, type Reading } from './result';
import { asideTrayed, trayed } from './table';
import type { ListTokens, TableTokens } from './tokens';

/** A table whose columns are levels, from the top one on. */
interface Levels {
  readonly rows: readonly Row[];
  readonly heading: Row | null;
  /** The columns of the levels are the first so many. */
  readonly count: number;
  /** An empty cell on the left stands for the one above; else the row begins there. */
  readonly stepped: boolean;
}

/** A heading with a number in it: the words around, and the number. "Level 2", "2. Ebene", "L2", in any language. */
function numberedHeading(heading: string): { words: string; number: number } | null {
  const folded = foldName(heading);
  const told = /^(\D{0,40}?)(\d{1,2})(\D{0,40})$/.exec(folded);
  return told && /\p{L}/u.test(folded) ? { words: `${told[1]}#${told[3]}`, number: Number(told[2]) } : null;
}

/**
 * A table with a column for each level, the whole way to an entry in every row or only what differs from the row above. Null where it is none: levels
 * are told by headings such as "Level 1", or by steps, rows that begin further right and come back. O(cells).
 */
export function readLevels(tokens: ListTokens, table: TableTokens, choices: ReadChoices): Reading | null {
  if (choices.columns) return null;
  const levels = levelsIn(table);
  if (!levels) return null;
  const entries: ReadEntry[] = [];
  const notPlaced = asideTrayed(table.aside);
  const known = new Map<string, number>();
  // Where the entries of the row above stand in the list of entries, from the top level on.
  let way: number[] = [];
  for (const row of levels.rows) {
    const { line, cells } = row;
    const named = cells.slice(0, levels.count);
    const from = named.findIndex((cell) => cell !== '');
    if (from < 0) {
      notPlaced.push(trayed(row, `Line ${line} has no name.`));
      continue;
    }
    way = levels.stepped ? way.slice(0, from) : [];
    for (const name of named.slice(from)) {
      // A level left out: what follows belongs right to what stands before.
      if (name === '') continue;
      const above = way.at(-1);
      const key = `${above ?? ''}\n${foldName(name)}`;
      let at = known.get(key);
      if (at === undefined) {
        const parent = above === undefined ? null : entries[above]!.id;
        at =
          entries.push({ id: `e${line}-${way.length + 1}`, line, name, details: [], fields: {}, role: null, parent }) -
          1;
        known.set(key, at);
      }
      way.push(at);
    }
    const details = cells.slice(levels.count).filter((cell) => cell !== '');
    const last = way.at(-1)!;
    if (details.length > 0) entries[last] = { ...entries[last]!, details: [...entries[last]!.details, ...details] };
  }
  const columns: Column[] = (levels.heading?.cells ?? []).map((header, index) => ({
    index,
    header,
    use: index < levels.count ? 'name' : 'detail',
  }));
  return {
    ...nothingRead,
    structure: 'levels',
    columns,
    header: levels.heading !== null,
    emptyLines: tokens.emptyLines(table.all.length),
    entries,
    notPlaced,
  };
}

function levelsIn({ rows, delimiter }: TableTokens): Levels | null {
  const [first] = rows;
  if (!first || rows.length < 3) return null;
  const told = first.cells.map((cell) => numberedHeading(withoutRemark(cell)));
  let count = 0;
  while (told[count] && told[count]!.words === told[0]!.words && told[count]!.number === told[0]!.number + count)
    count++;
  if (count >= 2) return { rows: rows.slice(1), heading: first, count, stepped: hasSteps(rows.slice(1), count) };
  const width = rows.reduce((most, { cells }) => Math.max(most, cells.length), 0);
  return width >= 2 && isStaircase(rows) && hasNames(rows, width) && (delimiter !== '\t' || jumps(rows))
    ? { rows, heading: null, count: width, stepped: true }
    : null;
}

/** Whether a row begins two steps further right than the one before. Where none does, tabs may as well indent lines whose details they part. */
const jumps = (rows: readonly Row[]): boolean =>
  rows.some((row, i) => i > 0 && begins(row) - begins(rows[i - 1]!) >= 2);

/** Whether no column is one of numbers or dates, which are the names of no level. */
const hasNames = (rows: readonly Row[], width: number): boolean =>
  Array.from({ length: width }, (_, i) => profileOf(rows.slice(1, looked).map(({ cells }) => cells[i] ?? ''))).every(
    ({ main, filled }) => filled < 2 || (main !== 'number' && main !== 'date'),
  );
const looked = 500;

const begins = ({ cells }: Row): number => cells.findIndex((cell) => cell !== '');
const hasSteps = (rows: readonly Row[], count: number): boolean =>
  rows.some((row) => {
    const from = begins(row);
    return from > 0 && from < count;
  });

/** Rows that begin further right, and come back to the left more than once or near the end; none has a gap, and none begins two steps on. */
function isStaircase(rows: readonly Row[]): boolean {
  if (begins(rows[0]!) !== 0) return false;
  let further = 0;
  let back = 0;
  let reached = 0;
  for (const [i, row] of rows.entries()) {
    const from = begins(row);
    if (from < 0) continue;
    const told = row.cells.slice(from);
    const end = told.findIndex((cell) => cell === '');
    if (end >= 0 && told.slice(end).some((cell) => cell !== '')) return false;
    if (i > 0 && from > reached) return false;
    if (from > 0) further++;
    if (i > 0 && from < begins(rows[i - 1]!)) back++;
    reached = from + (end < 0 ? told.length : end);
  }
  return further >= rows.length * 0.3 && back >= 1;
}
