import { createDiagram, evenKeys, finding, keepable, limits, type OrgChart, type Entry, type Finding } from '../model';
import { findColumns } from './columns';
import { findDelimiter, parseDelimited, type Delimiter } from './delimited';
import { withinLimits } from './fit';
import { foldName } from './names';
import { readOutline } from './outline';
import { nothingRead, type ReadChoices, type ReadResult } from './result';
import { readTable } from './table';
import { tableParts } from './table-parts';

/** Reads a list of people as it is. Never throws for what stands in it; findings and questions say what was unsure. */
export function readList(source: string, choices: ReadChoices = {}): ReadResult {
  const text = keepable(source.replace(/^\ufeff/, ''));
  if (text.trim() === '') {
    return {
      ...nothingRead,
      findings: [finding('empty', 'error', 'The list is empty. Paste or type one line for each person.')],
    };
  }
  if (text.length > limits.listBytes) {
    return {
      ...nothingRead,
      findings: [
        finding('too-large', 'error', 'The list is larger than 20 MB. Leave out columns you do not need, or split it.'),
      ],
    };
  }
  const delimiter = tableDelimiter(text, choices);
  const result = delimiter ? readTable(text, delimiter, choices) : readOutline(text);
  return withinLimits(withGeneralFindings(withinCount(result)));
}

/** True where a text is read as a table and not as an outline. */
export const isReadAsTable = (text: string): boolean => text !== '' && tableDelimiter(text, {}) !== null;

/** The delimiter where the text is a table with people, null where it is an outline. */
function tableDelimiter(text: string, choices: ReadChoices): Delimiter | null {
  if (choices.structure === 'outline') return null;
  const delimiter = findDelimiter(text);
  if (!delimiter) return null;
  if (choices.structure === 'table') return delimiter;
  const { rows } = tableParts(parseDelimited(text.slice(0, 200_000), delimiter).rows);
  const { columns, header } = findColumns(rows, undefined);
  const indented = text.split('\n').filter((line) => /^[ \t]+\S/.test(line)).length;
  const reports = columns.some((column) => column.use === 'reportsTo');
  if (!header && indented > rows.length * 0.2) return null;
  return header || reports ? delimiter : null;
}

function withinCount(result: ReadResult): ReadResult {
  if (result.entries.length <= limits.entries) return result;
  const entries = result.entries.slice(0, limits.entries);
  const kept = new Set(entries.map((entry) => entry.id));
  const message = `The list has ${result.entries.length.toLocaleString('en')} entries; a diagram holds ${limits.entries.toLocaleString('en')}. The lines from ${result.entries[limits.entries]!.line} on were left out. Split the list.`;
  return {
    ...result,
    entries: entries.map((entry) =>
      entry.parent !== null && !kept.has(entry.parent) ? { ...entry, parent: null } : entry,
    ),
    links: result.links.filter((link) => kept.has(link.from) && kept.has(link.to)),
    findings: [
      finding('too-many', 'error', message, { line: result.entries[limits.entries]!.line }),
      ...result.findings,
    ],
  };
}

function withGeneralFindings(result: ReadResult): ReadResult {
  const findings: Finding[] = [];
  const seen = new Map<string, { line: number; id: string }>();
  for (const entry of result.entries) {
    if (entry.role === 'vacancy') continue;
    const key = foldName(entry.name);
    const before = seen.get(key);
    if (before) {
      const message = `Lines ${before.line} and ${entry.line} have the same name, “${entry.name}”. Both were kept; remove one if it is the same person.`;
      findings.push(finding('same-name', 'warning', message, { line: entry.line, entries: [before.id, entry.id] }));
    } else {
      seen.set(key, { line: entry.line, id: entry.id });
    }
  }
  const tops = result.entries.filter((entry) => entry.parent === null);
  if (result.structure === 'reports-to' && tops.length > 1) {
    const names = tops
      .slice(0, 4)
      .map((entry) => `${entry.name} (line ${entry.line})`)
      .join(', ');
    const message = `${tops.length} people report to nobody: ${names}${tops.length > 4 ? ' …' : ''}. Each stands at the top.`;
    findings.push(
      finding('several-tops', 'note', message, { line: tops[1]!.line, entries: tops.map((entry) => entry.id) }),
    );
  }
  if (result.structure === 'flat' && result.entries.length > 1) {
    findings.push(
      finding(
        'no-structure',
        'note',
        'Nothing in the list tells who reports to whom, so all stand at the top. Indent lines, or add a column “Reports to”.',
      ),
    );
  }
  return { ...result, findings: [...result.findings, ...findings] };
}

/** The diagram of what was read. Ids are those of the reader; siblings keep the order of the list. */
export function diagramFrom(result: ReadResult, title: string): OrgChart {
  const siblings = new Map<string | null, string[]>();
  for (const entry of result.entries) {
    const list = siblings.get(entry.parent);
    if (list) list.push(entry.id);
    else siblings.set(entry.parent, [entry.id]);
  }
  const orders = new Map<string, string>();
  for (const ids of siblings.values()) evenKeys(ids.length).forEach((key, i) => orders.set(ids[i]!, key));
  const entries: Record<string, Entry> = {};
  for (const { id, name, details, fields, role, parent } of result.entries) {
    entries[id] = { id, name, details: [...details], fields: { ...fields }, role, parent, order: orders.get(id)! };
  }
  const links = result.links.map(({ from, to, line }, i) => ({
    id: `side-${line}-${i + 1}`,
    from,
    to,
    kind: 'side' as const,
    phrase: '',
  }));
  return {
    ...(createDiagram('org-chart', title) as OrgChart),
    entries,
    links: Object.fromEntries(links.map((link) => [link.id, link])),
    notPlaced: result.notPlaced.map((item, i) => ({ ...item, id: `line-${item.line}-${i + 1}` })),
  };
}
