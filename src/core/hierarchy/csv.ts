import { own, type DiagramCommon, type Entry } from '../model';
import { cellOf, columnUseOf, fieldPrefix, guarded, trayHeading, type Headings, type TreeVocabulary } from '../read';
import { hierarchyOf } from './structure';

function cell(text: string): string {
  const safe = guarded(text);
  return /[",;|\t\r\n]/.test(safe) || safe !== safe.trim() ? `"${safe.replaceAll('"', '""')}"` : safe;
}

/** One row, its cells quoted where they need it and guarded where a spreadsheet would run them, with its line end. */
export const csvRow = (cells: readonly string[]): string => `${cells.map(cell).join(',')}\r\n`;

/** Headings of detail columns as `readTable` knows them. */
export const detailHeadings = (count: number, first: readonly string[]): string[] =>
  Array.from({ length: count }, (_, i) => first[i] ?? `Detail ${i + 1}`);

/** The heading of a field; one that would be taken for something else says that it is a field. */
export const fieldHeading = (name: string, headings: Headings): string =>
  columnUseOf(name, headings) === null && name === name.trim() ? name : fieldPrefix + name;

/** The cell of the role column from which the same role is read. */
function roleCell({ role, name, details }: Entry, { roles }: TreeVocabulary): string {
  const taken =
    roles.ofName(name) ?? details.map((detail) => roles.ofDetail(detail)).find((one) => one !== null) ?? null;
  if (role !== null) return roles.ofCell(role) === role ? role : '';
  return taken === null ? '' : 'none';
}

/** A column that only one kind writes: its heading and the cell of each entry, by id. */
export interface OwnColumn {
  readonly heading: string;
  cell(id: string): string;
}

/**
 * The list as RFC 4180 CSV with a heading row: id, name, what it stands under (an id), side links (ids) with their phrases, role, details and own
 * fields; lines of the tray at the end, in a column of their own. Read back by `readTable`; docs/formats.md says what it does not hold.
 */
export function csvOf(diagram: DiagramCommon, vocabulary: TreeVocabulary, columns: readonly OwnColumn[] = []): string {
  const structure = hierarchyOf(diagram.entries);
  const entries = Array.from(structure.outline, (i) => own(diagram.entries, structure.ids[i]!)!);
  const details = entries.reduce((most, entry) => Math.max(most, entry.details.length), 0);
  const fields = [...new Set(entries.flatMap((entry) => Object.keys(entry.fields)))];
  const numbers = new Map(entries.map((entry, i) => [entry.id, String(i + 1)]));
  const { written } = vocabulary;
  const also = new Map<string, { to: string[]; phrases: string[] }>();
  for (const { from, to, phrase } of Object.values(diagram.links)) {
    const links = also.get(from) ?? { to: [], phrases: [] };
    also.set(from, links);
    links.to.push(numbers.get(to)!);
    links.phrases.push(phrase);
  }
  const phrased = [...also.values()].some(({ phrases }) => phrases.some((phrase) => phrase !== ''));
  const headings = [
    'Id',
    'Name',
    written.parent,
    ...(also.size > 0 ? [written.alsoUnder] : []),
    ...(phrased ? ['Link phrase'] : []),
    'Role',
    ...columns.map(({ heading }) => heading),
    ...detailHeadings(details, written.details),
    ...fields.map((field) => fieldHeading(field, vocabulary.headings)),
    ...(diagram.notPlaced.length > 0 ? [trayHeading] : []),
  ];
  const rows = entries.map((entry) => [
    numbers.get(entry.id)!,
    entry.name,
    entry.parent === null ? '' : numbers.get(entry.parent)!,
    ...(also.size > 0 ? [(also.get(entry.id)?.to ?? []).join('; ')] : []),
    ...(phrased ? [phrasesCell(also.get(entry.id)?.phrases ?? [])] : []),
    roleCell(entry, vocabulary),
    ...columns.map(({ cell: own }) => own(entry.id)),
    ...Array.from({ length: details }, (_, i) => entry.details[i] ?? ''),
    ...fields.map((field) => own(entry.fields, field) ?? ''),
  ]);
  const empty = Array.from({ length: headings.length - 1 }, () => '');
  const tray = diagram.notPlaced.map(({ text }) => [...empty, text]);
  return [headings, ...rows, ...tray].map(csvRow).join('');
}

const phrasesCell = (phrases: readonly string[]): string =>
  phrases.every((phrase) => phrase === '') ? '' : cellOf(phrases);
