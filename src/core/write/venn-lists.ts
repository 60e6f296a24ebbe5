import { byOrder, setsInOrder, type Venn } from '../model';
import { csvRow } from './csv';

/** The list as RFC 4180 CSV: name, details, and a column for each set with an x for what is in it. Read back by `readSets`. */
export function vennCsv(diagram: Venn): string {
  const sets = setsInOrder(diagram.venn);
  const entries = Object.values(diagram.entries).sort(byOrder);
  const details = entries.reduce((most, entry) => Math.max(most, entry.details.length), 0);
  const headings = [
    'Name',
    ...Array.from({ length: details }, (_, i) => (i === 0 ? 'Detail' : `Detail ${i + 1}`)),
    ...sets.map((set) => set.name),
  ];
  const rows = entries.map((entry) => [
    entry.name,
    ...Array.from({ length: details }, (_, i) => entry.details[i] ?? ''),
    ...sets.map((set) => (diagram.venn.members[entry.id]?.includes(set.id) ? 'x' : '')),
  ]);
  return [headings, ...rows].map(csvRow).join('');
}

/** One line an entry, its sets after a colon: "curlew: mudflat, saltmarsh"; nothing after it for one in no set. Read back by `readSets`. */
export function vennText(diagram: Venn): string {
  const sets = setsInOrder(diagram.venn);
  return Object.values(diagram.entries)
    .sort(byOrder)
    .map((entry) => {
      const own = sets.filter((set) => diagram.venn.members[entry.id]?.includes(set.id));
      return `${entry.name.trim() || '–'}: ${own.map((set) => set.name).join(', ')}`.trimEnd();
    })
    .join('\n');
}
