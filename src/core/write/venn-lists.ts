import { byOrder, own, setsInOrder, type Venn } from '../model';
import { columnUseOf, foldName, membershipLineOf, setPrefix } from '../read';
import { csvRow, detailHeadings } from './csv';

/**
 * The list as RFC 4180 CSV: name, details, and a column for each set with an x for what is in it; numbers before them where names alone would not
 * keep items apart. Read back by `readSets`.
 */
export function vennCsv(diagram: Venn): string {
  const sets = setsInOrder(diagram.venn);
  const entries = Object.values(diagram.entries).sort(byOrder);
  const details = entries.reduce((most, entry) => Math.max(most, entry.details.length), 0);
  const folded = new Set(entries.map(({ name }) => foldName(name)));
  const numbered = folded.size < entries.length || folded.has('');
  const holds = (set: string) => entries.some(({ id }) => own(diagram.venn.members, id)?.includes(set));
  const plain = sets.every(
    ({ id, name }) => holds(id) && columnUseOf(name) === null && !name.startsWith(setPrefix) && name.trim() !== '',
  );
  const headings = [
    ...(numbered ? ['Id'] : []),
    'Name',
    ...detailHeadings(details, ['Detail']),
    ...sets.map(({ name }) => (plain ? name : setPrefix + name)),
  ];
  const rows = entries.map((entry, i) => [
    ...(numbered ? [String(i + 1)] : []),
    entry.name,
    ...Array.from({ length: details }, (_, at) => entry.details[at] ?? ''),
    ...sets.map((set) => (own(diagram.venn.members, entry.id)?.includes(set.id) ? 'x' : '')),
  ]);
  return [headings, ...rows].map(csvRow).join('');
}

/**
 * One line an entry, its sets after a colon: "curlew: mudflat, saltmarsh"; nothing after it for one in no set. Names that would be read otherwise
 * stand in quotes. Read back by `readMembershipLines`.
 */
export function vennText(diagram: Venn): string {
  const sets = setsInOrder(diagram.venn);
  const known = sets.map(({ name }) => name);
  return Object.values(diagram.entries)
    .sort(byOrder)
    .map((entry) => {
      const inside = sets.filter((set) => own(diagram.venn.members, entry.id)?.includes(set.id));
      return membershipLineOf(
        entry.name,
        inside.map(({ name }) => name),
        known,
      );
    })
    .join('\n');
}
