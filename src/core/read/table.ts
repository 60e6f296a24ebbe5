import { finding, type Finding } from '../model';
import { findColumns, type Columns } from './columns';
import { parseDelimited, type Delimiter, type Row } from './delimited';
import { fieldsOf } from './fit';
import { foldName, isAssistantTitle, isPlainRole, isVacantName, roleOfWord, turned } from './names';
import { emptyBefore } from './outline';
import { nothingRead, type ColumnUse, type ReadChoices, type ReadEntry, type ReadResult } from './result';
import { findSuperiors, superiorMatcher, type Reporting, type SuperiorMatcher } from './superiors';
import { tableParts } from './table-parts';

interface Person extends Reporting {
  /** Further superiors, as the list names them. */
  readonly also: readonly string[];
}

/** A delimited table with a name column and a column that names the superior, by name or by id. O(cells). */
export function readTable(text: string, delimiter: Delimiter, choices: ReadChoices): ReadResult {
  const { rows: all, openQuote } = parseDelimited(text, delimiter);
  const { rows, aside } = tableParts(all);
  const columns = findColumns(rows, choices.columns);
  const findings: Finding[] = [];
  if (openQuote !== null) findings.push(openQuoteFinding(openQuote));
  const notPlaced = aside.map(({ row, why }) => trayed(row, `Line ${row.line} ${why}.`));
  if (aside.length > 0) findings.push(asideFinding(aside.map(({ row }) => row.line)));
  const body = columns.header ? rows.slice(1) : rows;
  const counts = isCount(columns, body);
  const known = new Set(body.map((row) => foldName(nameOf(row, columns))));
  const people: Person[] = [];
  for (const row of body) {
    const person = personOf(row, columns, counts, known, findings);
    if (person) people.push(person);
    else notPlaced.push(trayed(row, `Line ${row.line} has no name.`));
  }
  const sameIds = repeatedIds(people);
  const match = superiorMatcher(people);
  const { parents, questions, findings: found, added } = findSuperiors(people, choices.answers ?? {}, match);
  const hasReports = new Set(parents.values());
  const plain = { details: [], fields: {}, role: null, parent: null };
  const entries: ReadEntry[] = [
    ...added.map(({ id, line, name }) => ({ id, line, name, ...plain })),
    ...people.map(({ entry }) => ({
      ...entry,
      parent: parents.get(entry.id) ?? null,
      role: entry.role === 'assistant' && hasReports.has(entry.id) ? null : entry.role,
    })),
  ];
  const reports = columns.columns.some((column) => column.use === 'reportsTo');
  const links = sideLinks(people, match, findings);
  return {
    ...nothingRead,
    structure: reports ? 'reports-to' : 'flat',
    columns: columns.columns,
    header: columns.header,
    emptyLines: Math.max(0, emptyBefore(text.split(/\r\n|\r|\n/), all.length)),
    entries,
    links,
    notPlaced: notPlaced.sort((a, b) => a.line - b.line),
    questions,
    findings: [...findings, ...sameIds, ...found].sort((a, b) => (a.line ?? 0) - (b.line ?? 0)),
  };
}

export const openQuoteFinding = (line: number): Finding =>
  finding(
    'open-quote',
    'warning',
    `Line ${line} has a quotation mark that is never closed; it was read as a plain character.`,
    { line },
  );

export const trayed = (row: Row, reason: string): ReadResult['notPlaced'][number] => ({
  line: row.line,
  text: row.cells.filter(Boolean).join(', '),
  reason,
});

export function asideFinding(lines: readonly number[]): Finding {
  const shown = lines.slice(0, 5).join(', ');
  const [subject, verb, kept] = lines.length === 1 ? ['Line', 'belongs', 'It is'] : ['Lines', 'belong', 'They are'];
  const message = `${subject} ${shown}${lines.length > 5 ? ' …' : ''} ${verb} to no row of the table (a title, a remark or a sum). ${kept} kept in the tray.`;
  return finding('beside-table', 'note', message, { line: lines[0]! });
}

function nameOf(row: Row, { columns, twoPart }: Columns): string {
  if (twoPart) return `${row.cells[twoPart.first] ?? ''} ${row.cells[twoPart.last] ?? ''}`.trim();
  const column = columns.find(({ use }) => use === 'name');
  const told = column ? (row.cells[column.index] ?? '') : '';
  // "Surname, first name" over the column says how to turn it.
  return column && /,/.test(column.header) ? turned(told) : told;
}

/** An id column that only counts the rows says nothing that has to be kept. */
function isCount({ columns }: Columns, body: readonly Row[]): boolean {
  const id = columns.find(({ use }) => use === 'id');
  return id !== undefined && body.every((row, i) => row.cells[id.index] === String(i + 1));
}

function personOf(
  row: Row,
  told: Columns,
  counts: boolean,
  known: ReadonlySet<string>,
  findings: Finding[],
): Person | null {
  const { columns, expected } = told;
  const cellsOf = (use: ColumnUse) =>
    columns.filter((column) => column.use === use).map((column) => row.cells[column.index] ?? '');
  const name = nameOf(row, told);
  const words = row.cells.filter(Boolean);
  if (name === '' && (words.length === 0 || !isNamelessEntry(cellsOf))) return null;
  const id = `e${row.line}`;
  const extra = row.cells.slice(expected);
  if (row.cells.length !== expected && (row.cells.length > expected || row.cells.length < lastNeeded(columns))) {
    const kept =
      row.cells.length > expected ? 'the ones beyond were kept as details' : 'the missing ones were read as empty';
    const message = `Line ${row.line} has ${row.cells.length} ${row.cells.length === 1 ? 'cell' : 'cells'} where ${expected} were expected; ${kept}. Check that nothing stands in the wrong column.`;
    findings.push(finding('ragged-row', 'warning', message, { line: row.line, entries: [id] }));
  }
  const details = withoutEmptyEnd([...cellsOf('detail'), ...extra]);
  const roleCell = cellsOf('role')[0] ?? '';
  const fields = fieldsOf(
    columns.flatMap(({ index, header, use }): [string, string][] => {
      const value = row.cells[index] ?? '';
      const kept = use === 'field' || (use === 'id' && !counts) || (use === 'role' && !isPlainRole(value));
      return kept && value !== '' ? [[header, value]] : [];
    }),
  );
  const named = roleOfWord(roleCell);
  const role =
    named === 'none'
      ? null
      : (named ?? (isVacantName(name) ? 'vacancy' : details.some(isAssistantTitle) ? 'assistant' : null));
  const [superior = '', ...more] = superiorsIn(cellsOf('reportsTo')[0] ?? '', known);
  return {
    entry: { id, line: row.line, name, details, fields, role, parent: null },
    ownId: cellsOf('id')[0] ?? '',
    wanted: superior,
    also: [...cellsOf('alsoReportsTo').flatMap((cell) => superiorsIn(cell, known)), ...more],
  };
}

/** A row of our own tables may have no name and be an entry all the same: it says whom it reports to, or has an id of its own. */
const isNamelessEntry = (cellsOf: (use: ColumnUse) => string[]): boolean =>
  (cellsOf('id')[0] ?? '') !== '' && cellsOf('role')[0] !== undefined;

function withoutEmptyEnd(cells: readonly string[]): string[] {
  const last = cells.findLastIndex((cell) => cell !== '');
  return cells.slice(0, last + 1);
}

/** The superiors a cell names, parted by ; / & or "and", unless all of it is the name of one. */
function superiorsIn(cell: string, known: ReadonlySet<string>): string[] {
  if (cell === '' || known.has(foldName(cell))) return cell === '' ? [] : [cell];
  return cell
    .split(/[;/&]|\sand\s/)
    .map((part) => part.trim())
    .filter(Boolean);
}

const lastNeeded = (columns: Columns['columns']): number =>
  columns.reduce(
    (last, column) => (column.use === 'name' || column.use === 'reportsTo' ? Math.max(last, column.index + 1) : last),
    0,
  );

function repeatedIds(people: readonly Reporting[]): Finding[] {
  const seen = new Map<string, ReadEntry>();
  const findings: Finding[] = [];
  for (const { entry, ownId } of people) {
    const before = ownId === '' ? undefined : seen.get(ownId);
    if (before) {
      const message = `Lines ${before.line} and ${entry.line} have the same id “${ownId}”. Give one of them its own, so that it is clear who reports to whom.`;
      findings.push(finding('same-id', 'warning', message, { line: entry.line, entries: [before.id, entry.id] }));
    } else if (ownId !== '') {
      seen.set(ownId, entry);
    }
  }
  return findings;
}

/** Further superiors become side links, each once. */
function sideLinks(people: readonly Person[], match: SuperiorMatcher, findings: Finding[]): ReadResult['links'] {
  const links: ReadResult['links'][number][] = [];
  for (const { entry, also } of people) {
    const linked = new Set([entry.id]);
    for (const wanted of also) {
      const { sure, entries } = match(wanted, entry.id);
      const to = entries[0]?.entry;
      const subject = `Line ${entry.line}: ${entry.name} also reports to “${wanted}”`;
      const where = { line: entry.line, entries: [entry.id] };
      if (!to) {
        const message = `${subject}, who is not in the list. The side link was left out.`;
        findings.push(finding('unknown-side-link', 'warning', message, where));
        continue;
      }
      if (!sure) {
        const message = `${subject}; that was taken to be ${to.name}, line ${to.line}. Correct the name if it is someone else.`;
        findings.push(finding('unsure-side-link', 'warning', message, where));
      }
      if (linked.has(to.id)) continue;
      linked.add(to.id);
      links.push({ from: entry.id, to: to.id, line: entry.line });
    }
  }
  return links;
}
