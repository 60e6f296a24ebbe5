import type { Diagram } from '../model';
import { structureOf } from '../tiers';

const cell = (text: string): string =>
  /[",\r\n]/.test(text) || text !== text.trim() ? `"${text.replaceAll('"', '""')}"` : text;

/** One row, its cells quoted where they need it, with its line end. */
export const csvRow = (cells: readonly string[]): string => `${cells.map(cell).join(',')}\r\n`;

/** The list as RFC 4180 CSV with a heading row: id, name, reports to (an id), role, details and own fields. Read back by `readTable`. */
export function csvOf(diagram: Diagram): string {
  const structure = structureOf(diagram.entries);
  const entries = Array.from(structure.outline, (i) => diagram.entries[structure.ids[i]!]!);
  const details = entries.reduce((most, entry) => Math.max(most, entry.details.length), 0);
  const fields = [...new Set(entries.flatMap((entry) => Object.keys(entry.fields)))];
  const numbers = new Map(entries.map((entry, i) => [entry.id, String(i + 1)]));
  const headings = [
    'Id',
    'Name',
    'Reports to',
    'Role',
    ...Array.from({ length: details }, (_, i) => (i === 0 ? 'Title' : i === 1 ? 'Site' : `Detail ${i + 1}`)),
    ...fields,
  ];
  const rows = entries.map((entry) => [
    numbers.get(entry.id)!,
    entry.name,
    entry.parent === null ? '' : numbers.get(entry.parent)!,
    entry.role ?? '',
    ...Array.from({ length: details }, (_, i) => entry.details[i] ?? ''),
    ...fields.map((field) => entry.fields[field] ?? ''),
  ]);
  return [headings, ...rows].map(csvRow).join('');
}
