import { type Finding } from '../../../model';
import { setFinding } from './codes';
import {
  asideFinding,
  columnUseOf,
  commonHeadings,
  fieldPrefix,
  fieldsOf,
  foldName,
  isPictureHeading,
  openQuoteFinding,
  asideTrayed,
  trayed,
  type ColumnUse,
  type ListTokens,
  type ReadChoices,
  type Reading,
  type Row,
  type TableTokens,
} from '../../../read';
import { mostSets } from '../model';
import { setHeadings, type Mention, type SetList } from './set-list';
import { isMark, looked, no, unsure, withPlainMarks, yes } from './marks';
import { columnOf, distinct, fromCells } from './set-cells';

/** Stands before the name of a set that would not be told by its marks. */
export const setPrefix = 'Set: ';
const bareHeading = (told: string): string => {
  const prefix = [fieldPrefix, setPrefix].find((one) => told.startsWith(one)) ?? '';
  return told.slice(prefix.length);
};

/** A table with sets: marks in a column for each set, items under each set, or a cell that lists the sets. Null where it is none of these. */
export function fromTable(tokens: ListTokens, table: TableTokens, choices: ReadChoices): SetList | null {
  const { aside, openQuote } = table;
  const rows = upright(withPlainMarks(table.rows), choices);
  const first = rows[0];
  if (!first || rows.length < 2) return null;
  const findings: Finding[] = [];
  if (openQuote !== null) findings.push(openQuoteFinding(openQuote));
  if (aside.length > 0) findings.push(asideFinding(aside));
  const body = rows.slice(1);
  const found =
    withoutHeading(first, rows, choices) ??
    fromMarks(first, body, choices) ??
    fromCells(first, body, tokens) ??
    fromPairs(first, body) ??
    fromColumns(first, body, tokens);
  if (!found) return null;
  return {
    ...found,
    notPlaced: [...asideTrayed(aside), ...found.notPlaced],
    findings: [...findings, ...found.findings],
  };
}

/** Rows and columns changed over where sets stand in few rows and items in many columns. */
function upright(rows: readonly Row[], choices: ReadChoices): readonly Row[] {
  const [head, ...body] = rows;
  if (!head || choices.columns || body.length < 2 || body.length > mostSets || head.cells.length - 1 <= body.length)
    return rows;
  if (head.cells.length - 1 <= mostSets && head.cells.length - 1 < body.length * 2) return rows;
  const cells = body.flatMap((row) => head.cells.slice(1).map((_, i) => row.cells[i + 1] ?? ''));
  const marked = cells.filter((cell) => yes.test(cell)).length;
  if (marked < 2 || !cells.every(isMark)) return rows;
  return [
    { line: head.line, cells: [head.cells[0] || 'Name', ...body.map((row) => row.cells[0] ?? '')] },
    ...head.cells
      .slice(1)
      .map((item, i) => ({ line: head.line, cells: [item, ...body.map((row) => row.cells[i + 1] ?? '')] })),
  ];
}

/** A row for an item in a set: of two columns the one with few different values names the sets. */
function fromPairs(head: Row, body: readonly Row[]): SetList | null {
  const rows = body.filter(
    ({ cells }) => cells.filter((cell) => cell !== '').length === 2 && cells[0] !== '' && cells[1] !== '',
  );
  if (
    rows.length < 4 ||
    rows.length < body.length * 0.9 ||
    rows.some(({ cells }) => cells.length > 2 && cells.slice(2).some(Boolean))
  )
    return null;
  const begin = [0, 1].map((i) => distinct(rows.slice(0, looked).map(({ cells }) => cells[i]!)).length);
  if (Math.min(...begin) > mostSets) return null;
  const values = [0, 1].map((i) => distinct(rows.map(({ cells }) => cells[i]!)));
  const at = values[0]!.length < values[1]!.length ? 0 : 1;
  const [sets, items] = [values[at]!, values[1 - at]!];
  const paired = new Set(rows);
  const names = new Set(items.map(foldName));
  const pairs = new Set(rows.map(({ cells }) => `${foldName(cells[0]!)}\n${foldName(cells[1]!)}`));
  if (sets.length < 2 || sets.length > mostSets || rows.length < sets.length * 2 || items.length === rows.length)
    return null;
  if (pairs.size < rows.length || sets.some((set) => names.has(foldName(set)))) return null;
  return {
    told: 'set-lists',
    universe: '',
    apart: false,
    notPlaced: body
      .filter((row) => !paired.has(row))
      .map((row) => trayed(row, `Line ${row.line} names no item with a set.`)),
    sets,
    mentions: rows.map(({ line, cells }) => ({
      line,
      name: cells[1 - at]!,
      details: [],
      fields: {},
      sets: [cells[at]!],
    })),
    columns: [0, 1].map((i) => columnOf(head, i, i === at ? 'set' : 'name')),
    header: true,
    findings: [],
  };
}

/** A table of marks without a heading: the first row is an item like the others, and the sets are numbered. */
function withoutHeading(first: Row, rows: readonly Row[], choices: ReadChoices): SetList | null {
  const marks = first.cells.slice(1).filter((cell) => yes.test(cell)).length;
  const others = first.cells.slice(1).filter((cell) => !yes.test(cell) && !no.test(cell)).length;
  if (marks === 0 || others > 0) return null;
  const cells = ['Name', ...first.cells.slice(1).map((_, i) => `Set ${i + 1}`)];
  const found = fromMarks({ line: first.line, cells }, rows, choices);
  if (!found) return null;
  const message = `No row names the sets; they are called ${found.sets.slice(0, 5).join(', ')}. Write a heading above the columns.`;
  return {
    ...found,
    header: false,
    findings: [setFinding('no-heading', 'warning', message, { line: first.line }), ...found.findings],
  };
}

/** What a row of our own tables keeps for the tray: it has nothing else; null for any other row. */
function trayTextOf(row: Row, head: Row): string | null {
  const at = head.cells.findIndex((cell) => columnUseOf(cell, setHeadings) === 'tray');
  const text = at < 0 ? '' : (row.cells[at] ?? '');
  return text !== '' && row.cells.every((cell, i) => i === at || cell === '') ? text : null;
}

/** Whether a column only counts the rows, beside those that are kept for the tray. */
const countsRows = (column: number, body: readonly Row[], head: Row): boolean =>
  body.every((row, i) => row.cells[column] === String(i + 1) || trayTextOf(row, head) !== null);

/** Whether what a list is called in an office may be the name of a set as well: marks under it decide. */
const mayBeSet = (heading: string): boolean =>
  columnUseOf(heading, setHeadings) === 'detail' && columnUseOf(heading, commonHeadings) === null;

/** A row an item, a column a set, a mark in the cell. */
function fromMarks(head: Row, body: readonly Row[], choices: ReadChoices): SetList | null {
  const width = head.cells.length;
  const uses = Array.from({ length: width }, (_, i): ColumnUse => {
    const chosen = choices.columns?.[i];
    if (chosen) return chosen;
    const cells = body.map((row) => row.cells[i] ?? '');
    const marked = cells.filter((cell) => yes.test(cell)).length;
    const known = columnUseOf(head.cells[i] ?? '', setHeadings);
    if (known === 'tray') return 'leftOut';
    if (known === 'id') return countsRows(i, body, head) ? 'leftOut' : 'field';
    if ((head.cells[i] ?? '').startsWith(setPrefix)) return 'set';
    if ((known === 'detail' && !mayBeSet(head.cells[i] ?? '')) || known === 'name' || known === 'field') return 'field';
    if (isPictureHeading(head.cells[i] ?? '')) return 'field';
    return marked > 0 && cells.every(isMark) ? 'set' : 'field';
  });
  // A column among such columns in which nothing is marked is a set that holds nothing.
  if (uses.filter((use) => use === 'set').length >= 2)
    uses.forEach((use, i) => {
      const heading = head.cells[i] ?? '';
      const beside = uses[i - 1] === 'set' || uses[i + 1] === 'set';
      const isOpen =
        use === 'field' && !choices.columns?.[i] && (columnUseOf(heading, setHeadings) === null || mayBeSet(heading));
      if (isOpen && beside && heading !== '' && body.every((row) => no.test(row.cells[i] ?? ''))) uses[i] = 'set';
    });
  const sets = uses.flatMap((use, i) => (use === 'set' ? [i] : []));
  const told = head.cells.some((cell) => cell.startsWith(setPrefix));
  if (sets.length < (told ? 1 : 2) && !Object.values(choices.columns ?? {}).includes('set')) return null;
  if (!uses.includes('name')) {
    const named = head.cells.findIndex((cell, i) => uses[i] === 'field' && columnUseOf(cell, setHeadings) === 'name');
    const first =
      named >= 0 ? named : uses.findIndex((use, i) => use === 'field' && !isPictureHeading(head.cells[i] ?? ''));
    if (first < 0) return null;
    uses[first] = 'name';
  }
  uses.forEach((use, i) => {
    if (use !== 'field' || choices.columns?.[i] || isPictureHeading(head.cells[i] ?? '')) return;
    if (!(head.cells[i] ?? '').startsWith(fieldPrefix)) uses[i] = 'detail';
  });
  const name = uses.indexOf('name');
  const findings: Finding[] = [];
  const notPlaced: Reading['notPlaced'][number][] = [];
  const setNames = new Map(sets.map((i) => [i, bareHeading(head.cells[i] ?? '') || `Set ${i + 1}`]));
  // Our own tables number their rows; an item without a name is one all the same there.
  const marksOnly = columnUseOf(head.cells[0] ?? '', setHeadings) === 'id' && countsRows(0, body, head);
  const isTray = (i: number): boolean =>
    uses[i] === 'leftOut' && columnUseOf(head.cells[i] ?? '', setHeadings) === 'tray';
  const mentions = body.flatMap((row): Mention[] => {
    const item = row.cells[name] ?? '';
    const kept = trayTextOf(row, head);
    if (kept !== null) {
      notPlaced.push({ line: row.line, text: kept, reason: 'It had no place in the list before.' });
      return [];
    }
    if (item === '' && !marksOnly) {
      const message = `Line ${row.line} has no name; it is kept in the tray.`;
      findings.push(setFinding('no-name', 'warning', message, { line: row.line }));
      notPlaced.push(trayed(row, `Line ${row.line} has no name.`));
      return [];
    }
    const beyond = row.cells.slice(width).filter((cell) => cell !== '');
    if (beyond.length > 0) {
      const message = `Line ${row.line} has ${row.cells.length} cells where ${width} were expected; the ones beyond were kept as details.`;
      findings.push(setFinding('ragged-row', 'warning', message, { line: row.line }));
    }
    const told = row.cells.filter((_, i) => uses[i] === 'detail');
    const details = [...told.slice(0, told.findLastIndex((cell) => cell !== '') + 1), ...beyond];
    const fields = fieldsOf(
      row.cells.flatMap((cell, i): [string, string][] => {
        // A cell under a set that is no mark says something else of the item.
        const isOther = (uses[i] === 'set' && !isMark(cell)) || (uses[i] === 'name' && i !== name) || isTray(i);
        return (uses[i] === 'field' || isOther) && cell !== '' ? [[bareHeading(head.cells[i] ?? ''), cell]] : [];
      }),
    );
    const marked = sets.filter((i) => yes.test(row.cells[i] ?? '')).map((i) => setNames.get(i)!);
    const doubtful = sets.filter((i) => unsure.test(row.cells[i] ?? '')).map((i) => setNames.get(i)!);
    return [{ line: row.line, name: item, details, fields, sets: marked, unsure: doubtful }];
  });
  return {
    told: 'set-marks',
    universe: '',
    sets: [...setNames.values()],
    apart: marksOnly,
    notPlaced,
    mentions,
    columns: uses.map((use, i) => columnOf(head, i, use)),
    header: true,
    findings,
  };
}

/** Whether all that one column names stands in another that has no gap, beside rows where it names nothing: whom each row belongs to. Lists of sets have no gaps within. */
function refersUp(body: readonly Row[], width: number): boolean {
  const columns = Array.from({ length: width }, (_, i) =>
    body.slice(0, looked).map(({ cells }) => foldName(cells[i] ?? '')),
  );
  const hasGap = (cells: readonly string[]): boolean =>
    cells.indexOf('') >= 0 && cells.indexOf('') < cells.findLastIndex(Boolean);
  const within = (cells: readonly string[], others: ReadonlySet<string>): boolean =>
    cells.every((cell) => cell === '' || others.has(cell));
  return columns.some((cells, i) => {
    if (!hasGap(cells)) return false;
    return columns.some((others, j) => j !== i && !others.includes('') && within(cells, new Set(others)));
  });
}

/** A column a set, its items below the heading; an item in two columns is in both sets. */
function fromColumns(head: Row, body: readonly Row[], tokens: ListTokens): SetList | null {
  const sets = head.cells.map((cell, i) => cell || `Set ${i + 1}`);
  if (sets.length < 2 || sets.length > 12) return null;
  // One heading of an office may be the name of a set; one over names or numbers, or several, are none.
  const known = head.cells.filter((cell) => tokens.isHeading(cell));
  const isOfNames = known.some((cell) => ['name', 'id'].includes(columnUseOf(cell, setHeadings) ?? ''));
  if (isOfNames || known.length >= Math.min(2, sets.length - 1)) return null;
  const mentions = body.flatMap((row) =>
    row.cells.flatMap((cell, i): Mention[] =>
      cell === '' || i >= sets.length
        ? []
        : [{ line: row.line, name: cell, details: [], fields: {}, sets: [sets[i]!] }],
    ),
  );
  const seen = new Map<string, Set<string>>();
  for (const { name, sets: of } of mentions) {
    const key = foldName(name);
    seen.set(key, (seen.get(key) ?? new Set()).add(of[0]!));
  }
  // A list of a set names nothing twice; columns that do tell something else.
  const repeated = sets.some((_, i) => {
    const filled = body.slice(0, looked).flatMap((row) => foldName(row.cells[i] ?? '') || []);
    return filled.length - new Set(filled).size > Math.max(1, filled.length * 0.1);
  });
  if (repeated || refersUp(body, sets.length)) return null;
  // Without any item in two columns it is a table of something else, unless it is ragged as such columns are.
  const shared = [...seen.values()].some((of) => of.size > 1);
  const lengths = sets.map((_, i) => body.filter((row) => (row.cells[i] ?? '') !== '').length);
  if (!shared && new Set(lengths).size === 1) return null;
  return {
    told: 'set-columns',
    universe: '',
    apart: false,
    notPlaced: body
      .filter((row) => row.cells.slice(sets.length).some((cell) => cell !== ''))
      .map((row) => ({
        line: row.line,
        text: row.cells.slice(sets.length).filter(Boolean).join(', '),
        reason: `Line ${row.line} has cells beyond the last set.`,
      })),
    sets,
    mentions,
    columns: sets.map((_, i) => columnOf(head, i, 'set')),
    header: true,
    findings: [],
  };
}
