import { own, type Diagram, type Entry } from '../model';
import { columnUseOf, fieldPrefix, guarded, isAssistantTitle, isVacantName, roleOfWord } from '../read';
import { structureOf } from '../tiers';

function cell(text: string): string {
  const safe = guarded(text);
  return /[",;|\t\r\n]/.test(safe) || safe !== safe.trim() ? `"${safe.replaceAll('"', '""')}"` : safe;
}

/** One row, its cells quoted where they need it and guarded where a spreadsheet would run them, with its line end. */
export const csvRow = (cells: readonly string[]): string => `${cells.map(cell).join(',')}\r\n`;

/** Headings of detail columns as `readTable` knows them. */
export const detailHeadings = (count: number, first: readonly string[]): string[] =>
  Array.from({ length: count }, (_, i) => first[i] ?? `Detail ${i + 1}`);

/** Headings of fields; one that would be taken for something else says that it is a field. */
const fieldHeading = (name: string): string =>
  columnUseOf(name) === null && name === name.trim() ? name : fieldPrefix + name;

/** The cell of the role column from which the same role is read. */
function roleCell({ role, name, details }: Entry): string {
  const taken = isVacantName(name) ? 'vacancy' : details.some(isAssistantTitle) ? 'assistant' : null;
  if (role !== null) return roleOfWord(role) === role ? role : '';
  return taken === null ? '' : 'none';
}

/**
 * The list as RFC 4180 CSV with a heading row: id, name, reports to (an id), also reports to (ids), role, details and own fields. Read back by
 * `readTable`; docs/formats.md says what it does not hold.
 */
export function csvOf(diagram: Diagram): string {
  const structure = structureOf(diagram.entries);
  const entries = Array.from(structure.outline, (i) => own(diagram.entries, structure.ids[i]!)!);
  const details = entries.reduce((most, entry) => Math.max(most, entry.details.length), 0);
  const fields = [...new Set(entries.flatMap((entry) => Object.keys(entry.fields)))];
  const numbers = new Map(entries.map((entry, i) => [entry.id, String(i + 1)]));
  const also = new Map<string, string[]>();
  for (const { from, to } of Object.values(diagram.links))
    also.set(from, [...(also.get(from) ?? []), numbers.get(to)!]);
  const headings = [
    'Id',
    'Name',
    'Reports to',
    ...(also.size > 0 ? ['Also reports to'] : []),
    'Role',
    ...detailHeadings(details, ['Title', 'Site']),
    ...fields.map(fieldHeading),
  ];
  const rows = entries.map((entry) => [
    numbers.get(entry.id)!,
    entry.name,
    entry.parent === null ? '' : numbers.get(entry.parent)!,
    ...(also.size > 0 ? [(also.get(entry.id) ?? []).join('; ')] : []),
    roleCell(entry),
    ...Array.from({ length: details }, (_, i) => entry.details[i] ?? ''),
    ...fields.map((field) => own(entry.fields, field) ?? ''),
  ]);
  return [headings, ...rows].map(csvRow).join('');
}
