import { finding, limits, type Finding } from '../model';
import { findColumns, type Columns } from './columns';
import { parseDelimited, type Delimiter, type Row } from './delimited';
import { isAssistantTitle, isVacantName } from './names';
import { emptyBefore } from './outline';
import { nothingRead, type ColumnUse, type ReadChoices, type ReadEntry, type ReadResult } from './result';
import { findSuperiors, type Reporting } from './superiors';

const roleWords: [RegExp, string][] = [
  [/^(vacan|vakant|open|unfilled|unbesetzt)/i, 'vacancy'],
  [/^(assist|pa$)/i, 'assistant'],
];

/** A delimited table with a name column and a column that names the superior, by name or by id. */
export function readTable(text: string, delimiter: Delimiter, choices: ReadChoices): ReadResult {
  const { rows, openQuote } = parseDelimited(text, delimiter);
  const columns = findColumns(rows, choices.columns);
  const findings: Finding[] = [];
  const notPlaced: ReadResult['notPlaced'][number][] = [];
  if (openQuote !== null) {
    findings.push(
      finding(
        'open-quote',
        'warning',
        `Line ${openQuote} has a quotation mark that is never closed; it was read as a plain character.`,
        { line: openQuote },
      ),
    );
  }
  const body = columns.header ? rows.slice(1) : rows;
  const people: (Reporting & { also: string })[] = [];
  for (const row of body) {
    const person = personOf(row, columns, findings);
    if (person) people.push(person);
    else
      notPlaced.push({
        line: row.line,
        text: row.cells.filter(Boolean).join(', '),
        reason: `Line ${row.line} has no name.`,
      });
  }
  const sameIds = repeatedIds(people);
  const { parents, questions, findings: found, added } = findSuperiors(people, choices.answers ?? {});
  const hasReports = new Set(parents.values());
  const entries: ReadEntry[] = [
    ...added.map((one) => ({
      id: one.id,
      line: one.line,
      name: one.name,
      details: [],
      fields: {},
      role: null,
      parent: null,
    })),
    ...people.map(({ entry }) => ({
      ...entry,
      parent: parents.get(entry.id) ?? null,
      role: entry.role === 'assistant' && hasReports.has(entry.id) ? null : entry.role,
    })),
  ];
  const links = sideLinks(people, choices, findings);
  const reports = columns.columns.some((column) => column.use === 'reportsTo');
  return {
    ...nothingRead,
    structure: reports ? 'reports-to' : 'flat',
    columns: columns.columns,
    header: columns.header,
    emptyLines: Math.max(0, emptyBefore(text.split(/\r\n|\r|\n/), rows.length)),
    entries,
    links,
    notPlaced,
    questions,
    findings: [...findings, ...sameIds, ...found].sort((a, b) => (a.line ?? 0) - (b.line ?? 0)),
  };
}

function personOf(
  row: Row,
  { columns, twoPart, expected }: Columns,
  findings: Finding[],
): (Reporting & { also: string }) | null {
  const cellsOf = (use: ColumnUse) =>
    columns.filter((column) => column.use === use).map((column) => row.cells[column.index] ?? '');
  const name = twoPart
    ? `${row.cells[twoPart.first] ?? ''} ${row.cells[twoPart.last] ?? ''}`.trim()
    : (cellsOf('name')[0] ?? '');
  if (name === '') return null;
  const id = `e${row.line}`;
  const extra = row.cells.slice(expected);
  if (row.cells.length !== expected && (row.cells.length > expected || row.cells.length < lastNeeded(columns))) {
    const kept =
      row.cells.length > expected ? 'the ones beyond were kept as details' : 'the missing ones were read as empty';
    const message = `Line ${row.line} has ${row.cells.length} ${row.cells.length === 1 ? 'cell' : 'cells'} where ${expected} were expected; ${kept}. Check that nothing stands in the wrong column.`;
    findings.push(finding('ragged-row', 'warning', message, { line: row.line, entries: [id] }));
  }
  const details = [...cellsOf('detail'), ...extra].filter(Boolean).slice(0, limits.details);
  const fields: Record<string, string> = {};
  for (const column of columns) {
    const value = row.cells[column.index] ?? '';
    if (column.use === 'field' && value !== '')
      fields[column.header.slice(0, 100)] = value.slice(0, limits.detailLength);
  }
  const [told = ''] = cellsOf('role');
  const role =
    roleWords.find(([word]) => word.test(told))?.[1] ??
    (isVacantName(name) ? 'vacancy' : details.some(isAssistantTitle) ? 'assistant' : null);
  const [superior = '', second = ''] = (cellsOf('reportsTo')[0] ?? '').split(/\s*[;/&]\s*|\s+and\s+/);
  return {
    entry: {
      id,
      line: row.line,
      name: name.slice(0, limits.nameLength),
      details: details.map((detail) => detail.slice(0, limits.detailLength)),
      fields,
      role,
      parent: null,
    },
    ownId: cellsOf('id')[0] ?? '',
    wanted: superior,
    also: cellsOf('alsoReportsTo')[0] || second,
  };
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

/** Second superiors become side links. */
function sideLinks(
  people: readonly (Reporting & { also: string })[],
  choices: ReadChoices,
  findings: Finding[],
): ReadResult['links'] {
  const asking = people.map(({ entry, ownId, also }) => ({ entry, ownId, wanted: also }));
  if (asking.every(({ wanted }) => wanted === '')) return [];
  const { parents } = findSuperiors(asking, choices.answers ?? {});
  const links: ReadResult['links'][number][] = [];
  for (const { entry, wanted } of asking) {
    if (wanted === '') continue;
    const to = parents.get(entry.id);
    if (to) links.push({ from: entry.id, to, line: entry.line });
    else {
      const message = `Line ${entry.line}: ${entry.name} also reports to “${wanted}”, who is not in the list. The side link was left out.`;
      findings.push(finding('unknown-side-link', 'warning', message, { line: entry.line, entries: [entry.id] }));
    }
  }
  return links;
}
