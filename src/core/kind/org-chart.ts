import { checkOrgChart } from '../check';
import { figureOrgChart, type OrgFigures } from '../figure';
import { columnUses, diagramFrom, readList } from '../read';
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
    if (read.notPlaced.length > 0)
      return {
        words: `${read.entries.length} of ${read.entries.length + read.notPlaced.length} lines have a place`,
        strength: 0.5,
      };
    return read.structure === 'flat'
      ? { words: 'all on one tier', strength: 0.2 }
      : { words: 'fits every line', strength: read.structure === 'reports-to' ? 0.9 : 0.7 };
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
  lineTold: 'One line an entry; indent to go one tier down. A tab or comma parts the name from details.',
  update(diagram, text, newId) {
    const read = readList(text);
    // What cannot be read does not empty the chart; an empty text does.
    const unread = text.trim() !== '' && read.entries.length === 0;
    return { gesture: unread ? [] : updateFromList(diagram, read, newId), findings: read.findings };
  },
};
