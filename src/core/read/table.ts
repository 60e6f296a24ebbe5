import { type Finding } from '../model';
import { readFinding } from './codes';
import { saysNothing } from './cell-shape';
import { findColumns, rivalsQuestion, type Columns } from './columns';
import type { Row } from './delimited';
import { fieldsOf } from './fit';
import type { ColumnUse } from './headings';
import { foldName, turned } from './names';
import { textsOf } from './quoted';
import { findParents, parentMatcher, type Listed, type ParentMatcher } from './parents';
import { nothingRead, type Question, type ReadChoices, type ReadEntry, type Reading, type ReadLink } from './result';
import { formsOf } from './cell-forms';
import { rowStructure, type RowStructure } from './row-structure';
import type { TableParts } from './table-parts';
import type { ListTokens, TableTokens } from './tokens';
import type { TreeVocabulary } from './tree-vocabulary';

interface Told extends Listed {
  /** Further parents, as the list names them, with what it says of the link. */
  readonly also: readonly { readonly wanted: string; readonly phrase: string }[];
}

/** A delimited table with a name column and a column that names what each entry stands under, by name or by id. O(cells). */
export function readTable(
  tokens: ListTokens,
  table: TableTokens,
  choices: ReadChoices,
  vocabulary: TreeVocabulary,
): Reading {
  const { all, rows, heading, aside, openQuote } = table;
  const { words, roles } = vocabulary;
  const found = findColumns({ rows, heading }, choices, vocabulary);
  const findings: Finding[] = [];
  if (openQuote !== null) findings.push(openQuoteFinding(openQuote));
  const notPlaced = asideTrayed(aside);
  if (aside.length > 0) findings.push(asideFinding(aside));
  const below = found.header ? rows.slice(1) : rows;
  const body = below.filter((row) => {
    const kept = trayLine(row, found);
    if (kept) notPlaced.push(kept);
    return kept === null;
  });
  const structure = rowStructure(body, found, (row) => nameOf(row, found));
  const columns = structure ? withParent(found, structure.column) : found;
  const id = columns.columns.find(({ use }) => use === 'id');
  const counts = id !== undefined && onlyCount(body.map(({ cells }) => cells[id.index] ?? ''));
  const known = new Set(
    body.flatMap((row) => [foldName(nameOf(row, columns)), ...(id ? formsOf(row.cells[id.index] ?? '') : [])]),
  );
  known.delete('');
  const told: Told[] = [];
  const toldIn: (Told | null)[] = [];
  for (const [i, row] of body.entries()) {
    const entry = toldBy(row, columns, { counts, known, findings, roles }, structure?.names?.[i]);
    toldIn.push(entry && structure ? { ...entry, wanted: '' } : entry);
    if (entry) told.push(toldIn.at(-1)!);
    else notPlaced.push(trayed(row, `Line ${row.line} has no name.`));
  }
  const sameIds = repeatedIds(told, vocabulary);
  const match = parentMatcher(told, words);
  const resolved = structure
    ? { ...structured(structure, toldIn, body), questions: [], findings: [] }
    : findParents(told, choices.answers ?? {}, words, { find: match, onlyPairs: isOnlyPairs(columns, told, known) });
  const { questions, parents, added } = resolved;
  const leading = new Set(parents.values());
  const plain = { details: [], fields: {}, role: null, parent: null };
  const entries: ReadEntry[] = [
    ...added.map(({ id, line, name, parent = null }) => ({ ...plain, id, line, name, parent })),
    ...told.map(({ entry }) => ({
      ...entry,
      parent: parents.get(entry.id) ?? null,
      role: entry.role === roles.leafOnly && leading.has(entry.id) ? null : entry.role,
    })),
  ];
  const links = sideLinks(told, match, findings, vocabulary);
  return {
    ...nothingRead,
    structure: structure?.told ?? (columns.columns.some(({ use }) => use === 'parent') ? 'parent-column' : 'flat'),
    columns: columns.columns,
    header: columns.header,
    emptyLines: tokens.emptyLines(all.length),
    entries,
    links,
    notPlaced: notPlaced.sort((a, b) => a.line - b.line),
    questions: [...rivalsQuestionOf(columns, below, told, choices), ...questions],
    findings: [...findings, ...sameIds, ...resolved.findings].sort((a, b) => (a.line ?? 0) - (b.line ?? 0)),
  };
}

/**
 * Whether a table says nothing but who stands under whom: two columns, a superior in every row, few of these without a row of their own, and from everybody
 * a way up to one of these, so that they are those at the top. O(rows).
 */
function isOnlyPairs({ columns }: Columns, told: readonly Told[], known: ReadonlySet<string>): boolean {
  if (columns.length !== 2 || !columns.every(({ use }) => use === 'name' || use === 'parent')) return false;
  if (told.some(({ wanted }) => wanted === '')) return false;
  const above = new Map(told.map(({ entry, wanted }) => [foldName(entry.name), foldName(wanted)]));
  const tops = new Set([...above.values()].filter((name) => !known.has(name)));
  if (tops.size > told.length / 3) return false;
  const leads = new Set(tops);
  for (const name of above.keys()) {
    const way: string[] = [];
    const on = new Set<string>();
    let at: string | undefined = name;
    while (at !== undefined && !leads.has(at) && !on.has(at)) {
      on.add(at);
      way.push(at);
      at = above.get(at);
    }
    if (at === undefined || !leads.has(at)) return false;
    for (const one of way) leads.add(one);
  }
  return true;
}

/** With a column that tells what rows are under by their level or their way. */
const withParent = (told: Columns, at: number): Columns => ({
  ...told,
  columns: told.columns.map((column) =>
    column.index === at && column.use !== 'name' ? { ...column, use: 'parent' } : column,
  ),
});

/** What rows are under by a column of levels or ways, and the entries that only ways name. */
function structured(
  { parents: above, added: steps }: RowStructure,
  told: readonly (Told | null)[],
  body: readonly Row[],
) {
  const idOf = (place: number): string | null =>
    place === -1 ? null : place >= 0 ? (told[place]?.entry.id ?? null) : `w${-1 - place}`;
  const parents = new Map(
    told.flatMap((one, row): [string, string | null][] => (one ? [[one.entry.id, idOf(above[row]!)]] : [])),
  );
  const added = steps.map(({ name, parent, from }, k) => ({
    id: `w${k + 1}`,
    name,
    line: body[from]!.line,
    parent: idOf(parent),
  }));
  return { parents, added };
}

/** Which of two columns is meant, where both name whom rows stand under and they differ. */
function rivalsQuestionOf(
  { columns, rivals }: Columns,
  rows: readonly Row[],
  told: readonly Told[],
  { answers }: ReadChoices,
): Question[] {
  const first = rivals && rows[rivals.rows[0]!];
  if (!rivals || !first) return [];
  const [one, other] = rivals.columns.map((at) => columns[at]!) as [
    Columns['columns'][number],
    Columns['columns'][number],
  ];
  const count = rivals.rows.length;
  const lines = rivals.rows.slice(0, 6).map((row) => rows[row]!.line);
  return [
    {
      id: rivalsQuestion,
      line: first.line,
      entry: told.find(({ entry }) => entry.line === first.line)?.entry.id ?? '',
      wanted: one.header,
      text: `“${one.header}” and “${other.header}” both name what entries stand under, and differ in ${count} ${count === 1 ? 'line' : 'lines'} (${lines.join(', ')}${count > 6 ? ' …' : ''}). Which one counts?`,
      guess: null,
      candidates: [],
      options: [one, other].map(({ index, header }) => ({ value: String(index), words: `“${header}”` })),
      answered: answers?.[rivalsQuestion] !== undefined,
    },
  ];
}

export const openQuoteFinding = (line: number): Finding =>
  readFinding(
    'open-quote',
    'warning',
    `Line ${line} has a quotation mark that is never closed; it was read as a plain character.`,
    { line },
  );

/** A line that a table of our own keeps for the tray; null for any other row. */
function trayLine(row: Row, { columns }: Columns): Reading['notPlaced'][number] | null {
  const column = columns.find(({ use }) => use === 'tray');
  const text = column ? (row.cells[column.index] ?? '') : '';
  const alone = row.cells.every((cell, i) => cell === '' || i === column?.index);
  return text !== '' && alone ? { line: row.line, text, reason: 'It had no place in the list before.' } : null;
}

export const trayed = (row: Row, reason: string): Reading['notPlaced'][number] => ({
  line: row.line,
  text: row.cells.filter(Boolean).join(', '),
  reason,
});

/** Rows that stand around a table, for the tray. */
export const asideTrayed = (aside: TableParts['aside']): Reading['notPlaced'][number][] =>
  aside.map(({ row, why }) => trayed(row, `Line ${row.line} ${why}.`));

export function asideFinding(aside: TableParts['aside']): Finding {
  const lines = aside.map(({ row }) => row.line);
  const shown = lines.slice(0, 5).join(', ');
  const [subject, verb, kept] = lines.length === 1 ? ['Line', 'belongs', 'It is'] : ['Lines', 'belong', 'They are'];
  const message = `${subject} ${shown}${lines.length > 5 ? ' …' : ''} ${verb} to no row of the table (a title, a remark or a sum). ${kept} kept in the tray.`;
  return readFinding('beside-table', 'note', message, { line: lines[0]! });
}

export function nameOf(row: Row, { columns, twoPart }: Columns): string {
  if (twoPart) return `${row.cells[twoPart.first] ?? ''} ${row.cells[twoPart.last] ?? ''}`.trim();
  const column = columns.find(({ use }) => use === 'name');
  const told = column ? (row.cells[column.index] ?? '') : '';
  // "Surname, first name" over the column says how to turn it.
  return column && /,/.test(column.header) ? turned(told) : told;
}

/** Whether numbers only count the rows that have them: then they say nothing that has to be kept. */
export const onlyCount = (numbers: readonly string[]): boolean =>
  numbers.every((number, i) => number === String(i + 1));

/** The use of a column that only its kind reads begins so. */
const ownUse = 'own-';

interface Telling {
  /** True where the id column only counts the rows. */
  readonly counts: boolean;
  /** Folded names of all rows. */
  readonly known: ReadonlySet<string>;
  readonly findings: Finding[];
  readonly roles: TreeVocabulary['roles'];
}

function toldBy(row: Row, told: Columns, { counts, known, findings, roles }: Telling, given?: string): Told | null {
  const { columns, expected } = told;
  const cellsOf = (use: ColumnUse) =>
    columns.filter((column) => column.use === use).map((column) => row.cells[column.index] ?? '');
  const name = given ?? nameOf(row, told);
  const words = row.cells.filter(Boolean);
  if (name === '' && (words.length === 0 || !isNamelessEntry(cellsOf))) return null;
  const id = `e${row.line}`;
  const extra = row.cells.slice(expected);
  if (row.cells.length !== expected && (row.cells.length > expected || row.cells.length < lastNeeded(columns))) {
    const kept =
      row.cells.length > expected ? 'the ones beyond were kept as details' : 'the missing ones were read as empty';
    const message = `Line ${row.line} has ${row.cells.length} ${row.cells.length === 1 ? 'cell' : 'cells'} where ${expected} were expected; ${kept}. Check that nothing stands in the wrong column.`;
    findings.push(readFinding('ragged-row', 'warning', message, { line: row.line, entries: [id] }));
  }
  const details = withoutEmptyEnd([...cellsOf('detail'), ...extra]);
  const roleCell = cellsOf('role')[0] ?? '';
  const [parent = '', ...more] = namesIn(cellsOf('parent')[0] ?? '', known);
  const further = [...cellsOf('alsoUnder').flatMap((cell) => namesIn(cell, known)), ...more];
  const phrases = cellsOf('linkPhrase').filter(Boolean).flatMap(textsOf);
  const fields = fieldsOf(
    columns.flatMap(({ index, header, use }): [string, string][] => {
      const value = row.cells[index] ?? '';
      // What only the kind reads is left to it, under its use.
      if (use.startsWith(ownUse)) return value === '' ? [] : [[use, value]];
      if (use === 'leftOut' || use === 'detail' || (use === 'id' && counts)) return [];
      // What says under whom it stands is told by the structure, or by a finding.
      if (use === 'parent' || use === 'alsoUnder' || use === 'name') return [];
      if (use === 'role' && roles.isPlain(value)) return [];
      // Words of a link go with it, where there is one.
      if (use === 'linkPhrase' && further.length >= phrases.length) return [];
      return value === '' ? [] : [[header, value]];
    }),
  );
  const named = roles.ofCell(roleCell);
  const role =
    named === 'none'
      ? null
      : (named ??
        roles.ofName(name) ??
        details.map((detail) => roles.ofDetail(detail)).find((one) => one !== null) ??
        null);
  return {
    entry: { id, line: row.line, name, details, fields, role, parent: null },
    ownId: cellsOf('id')[0] ?? '',
    wanted: parent,
    also: further.map((wanted, i) => ({ wanted, phrase: phrases[i] ?? '' })),
  };
}

/** A row of our own tables may have no name and be an entry all the same: it says what it stands under, or has an id of its own. */
const isNamelessEntry = (cellsOf: (use: ColumnUse) => string[]): boolean =>
  (cellsOf('id')[0] ?? '') !== '' && cellsOf('role')[0] !== undefined;

function withoutEmptyEnd(cells: readonly string[]): string[] {
  const last = cells.findLastIndex((cell) => cell !== '');
  return cells.slice(0, last + 1);
}

/** The parents a cell names, parted by ; / & or "and", unless all of it is the name of one. */
function namesIn(cell: string, known: ReadonlySet<string>): string[] {
  if (saysNothing(cell)) return [];
  if (formsOf(cell).some((form) => known.has(form))) return [cell];
  return cell
    .split(/[;/&]|\sand\s/)
    .map((part) => part.trim())
    .filter(Boolean);
}

const lastNeeded = (columns: Columns['columns']): number =>
  columns.reduce(
    (last, column) => (column.use === 'name' || column.use === 'parent' ? Math.max(last, column.index + 1) : last),
    0,
  );

function repeatedIds(told: readonly Listed[], { words }: TreeVocabulary): Finding[] {
  const seen = new Map<string, ReadEntry>();
  const findings: Finding[] = [];
  for (const { entry, ownId } of told) {
    const before = ownId === '' ? undefined : seen.get(ownId);
    if (before) {
      const message = `Lines ${before.line} and ${entry.line} have the same id “${ownId}”. Give one of them its own, so that it is clear ${words.whichUnderWhich}.`;
      findings.push(readFinding('same-id', 'warning', message, { line: entry.line, entries: [before.id, entry.id] }));
    } else if (ownId !== '') {
      seen.set(ownId, entry);
    }
  }
  return findings;
}

/** Further parents become links beside the structure, each once. */
function sideLinks(
  told: readonly Told[],
  match: ParentMatcher,
  findings: Finding[],
  { words, linkKind }: TreeVocabulary,
): readonly ReadLink[] {
  const links: ReadLink[] = [];
  for (const { entry, also } of told) {
    const linked = new Set([entry.id]);
    for (const { wanted, phrase } of also) {
      const { sure, entries } = match(wanted, entry.id);
      const to = entries[0]?.entry;
      const subject = `Line ${entry.line}: ${entry.name} ${words.alsoUnder} “${wanted}”`;
      const where = { line: entry.line, entries: [entry.id] };
      if (!to) {
        const message = `${subject}${phrase ? ` (“${phrase}”)` : ''}, ${words.notInList}. The side link was left out.`;
        findings.push(readFinding('unknown-side-link', 'warning', message, where));
        continue;
      }
      if (!sure) {
        const message = `${subject}; that was taken to be ${to.name}, line ${to.line}. Correct the name if it is ${words.other}.`;
        findings.push(readFinding('unsure-side-link', 'warning', message, where));
      }
      if (linked.has(to.id)) continue;
      linked.add(to.id);
      links.push({ from: entry.id, to: to.id, line: entry.line, kind: linkKind, phrase });
    }
  }
  return links;
}
