import { csvRow, detailHeadings } from '../../hierarchy';
import { byOrder, own } from '../../model';
import { columnUseOf, foldName, isReadWhole, ListTokens, trayHeading } from '../../read';
import { setsInOrder, type Venn } from './model';
import { membershipLineOf, setsLineOf } from './read/item-line';
import { readSets } from './read/sets';
import { setHeadings } from './read/set-list';
import { setPrefix } from './read/set-tables';

/**
 * The list as RFC 4180 CSV: name, details, and a column for each set with an x for what is in it; numbers before them where names alone would not
 * keep items apart. Read back by `readSets`.
 */
export function vennCsv(diagram: Venn): string {
  const sets = setsInOrder(diagram.venn);
  const entries = Object.values(diagram.entries).sort(byOrder);
  const details = entries.reduce((most, entry) => Math.max(most, entry.details.length), 0);
  const folded = new Set(entries.map(({ name }) => foldName(name)));
  const same = folded.size < entries.length || folded.has('');
  const holds = (set: string) => entries.some(({ id }) => own(diagram.venn.members, id)?.includes(set));
  // One set alone would not be told from a column of something else.
  const plain =
    sets.length > 1 &&
    sets.every(
      ({ id, name }) =>
        holds(id) && columnUseOf(name, setHeadings) === null && !name.startsWith(setPrefix) && name.trim() !== '',
    );
  const headings = [
    'Name',
    ...detailHeadings(details, ['Detail']),
    ...sets.map(({ name }) => (plain ? name : setPrefix + name)),
    ...(diagram.notPlaced.length > 0 ? [trayHeading] : []),
  ];
  const rows = entries.map((entry) => [
    entry.name,
    ...Array.from({ length: details }, (_, at) => entry.details[at] ?? ''),
    ...sets.map((set) => (own(diagram.venn.members, entry.id)?.includes(set.id) ? 'x' : '')),
  ]);
  const empty = Array.from({ length: headings.length - 1 }, () => '');
  const tray = diagram.notPlaced.map(({ text }) => [...empty, text]);
  // Numbers also where a row would be taken for something beside the table.
  const numbered = same || !isReadWhole([headings, ...rows], setHeadings);
  const table = numbered
    ? [['Id', ...headings], ...rows.map((row, i) => [String(i + 1), ...row]), ...tray.map((row) => ['', ...row])]
    : [headings, ...rows, ...tray];
  return table.map(csvRow).join('');
}

/**
 * One line an entry, its sets after a colon: "curlew: mudflat, saltmarsh"; nothing after it for one in no set. Names that would be read otherwise
 * stand in quotes. Where these lines would not tell the sets and their order, a first line does: "Sets: mudflat, saltmarsh". Read back by `readSets`, and
 * by `readMembershipLines`.
 */
export function vennText(diagram: Venn): string {
  const sets = setsInOrder(diagram.venn);
  const known = sets.map(({ name }) => name);
  const items = Object.values(diagram.entries)
    .sort(byOrder)
    .map(({ id, name }) => ({
      name,
      sets: sets.filter((set) => own(diagram.venn.members, id)?.includes(set.id)).map((set) => set.name),
    }));
  const lines = items.map((item) => membershipLineOf(item.name, item.sets, known)).join('\n');
  return tellSets(lines, known, items) ? lines : `${setsLineOf(known)}\n${lines}`;
}

/** Longer lists name their sets in any case, so that nothing has to be read to know. */
const mostTried = 300;

/** Whether lines alone are read back as these sets, in their order, with these items. */
function tellSets(
  lines: string,
  sets: readonly string[],
  items: readonly { readonly name: string; readonly sets: readonly string[] }[],
): boolean {
  if (items.length > mostTried) return false;
  const read = readSets(new ListTokens(lines, setHeadings));
  return (
    read.structure === 'set-lines' &&
    read.sets.length === sets.length &&
    read.sets.every(({ name }, i) => name === sets[i]) &&
    read.entries.length === items.length &&
    read.entries.every(
      ({ id, name }, i) =>
        name === items[i]!.name &&
        read.sets.every(({ name: set, items: inside }) => inside.includes(id) === items[i]!.sets.includes(set)),
    )
  );
}
