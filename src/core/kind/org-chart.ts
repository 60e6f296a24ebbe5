import { checkOrgChart } from '../check';
import { figureOrgChart, type OrgFigures } from '../figure';
import type { Command } from '../edit';
import type { OrgChart } from '../model';
import { columnUses, diagramFrom, readList, senseOf, type ReadResult } from '../read';
import { tierScene } from '../scene';
import { entriesIn, explainStyle, resolveStyles } from '../style';
import { orgRoles, structureOf } from '../tiers';
import { csvOf, outlineText } from '../write';
import type { Kind } from './kind';
import { updateFromList } from './update-from-list';

/** From this many entries on, arranging takes longer than a frame. */
const longFrom = 8000;

export const orgChart: Kind<'org-chart', OrgFigures> = {
  id: 'org-chart',
  name: 'Org chart',
  nameInSentence: 'org chart',
  entryNoun: ['person', 'people'],
  detailColumns: ['Title', 'Place'],
  columnUses: columnUses.filter((use) => use !== 'set'),
  roles: orgRoles,
  settableRoles: ['assistant', 'vacancy'],
  read: readList,
  told(read) {
    const named = read.columns.find((column) => column.use === 'reportsTo');
    if (read.structure === 'reports-to') return `The column “${named?.header ?? ''}” names the superior.`;
    if (read.structure === 'indent') return 'Indents tell who belongs to whom.';
    return 'Nothing tells who belongs to whom yet.';
  },
  fits(read) {
    if (read.entries.length === 0) return null;
    const all = read.entries.length + read.notPlaced.length;
    const strength = { flat: 0.3, 'reports-to': 0.9 }[read.structure as string] ?? 0.7;
    const words =
      read.structure === 'flat'
        ? 'all on one tier'
        : read.notPlaced.length > 0
          ? `${read.entries.length} of ${all} lines have a place`
          : 'fits every line';
    return { words, strength: strength * senseOf(read) };
  },
  make: diagramFrom,
  structure: (diagram) => structureOf(diagram.entries),
  styles: resolveStyles,
  explain: explainStyle,
  covers: entriesIn,
  takesLong: (diagram) => Object.keys(diagram.entries).length >= longFrom,
  scene: tierScene,
  check: checkOrgChart,
  figure: figureOrgChart,
  csv: csvOf,
  text: outlineText,
  lineTold:
    'One line an entry; Tab indents, to go one tier down; Esc leaves. A tab or comma parts the name from details; what stands in quotes is taken as it is.',
  indents: true,
  update(diagram, text, newId) {
    // Unchanged text changes nothing, whatever a reader makes of it.
    if (text === outlineText(diagram)) return { gesture: [], findings: [] };
    const read = readList(text);
    // What cannot be read does not empty the chart; an empty text does.
    const unread = text.trim() !== '' && read.entries.length === 0;
    return {
      gesture: unread ? [] : [...updateFromList(diagram, read, newId), ...trayOf(diagram, read, newId)],
      findings: read.findings,
    };
  },
};

/** Lines that found no place go to the tray, unless the same line is there already. */
function trayOf(diagram: OrgChart, { notPlaced }: ReadResult, newId: () => string): Command[] {
  const there = new Set(diagram.notPlaced.map(({ text }) => text));
  return notPlaced
    .filter(({ text }) => !there.has(text))
    .map((item) => ({ kind: 'putInTray', item: { ...item, id: newId() } }));
}
