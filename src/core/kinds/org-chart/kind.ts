import { refused, plainEdits, type CommonCommand } from '../../edit';
import { csvOf, hierarchyOf, outlineText, updateFromList, type Hierarchy } from '../../hierarchy';
import { detailColumn, type Kind } from '../../kind';
import { readTree, senseOf, takenFrom, titleAbove, ListTokens, type Reading } from '../../read';
import { sheetSet, tierScene, type Scene, type TierWords } from '../../scene';
import { entriesIn, explainStyle, resolveStyles, type LinkKind } from '../../style';
import { emptyCommon, type Arrangement } from '../../model';
import { checkOrgChart } from './check';
import { figureOrgChart, type OrgFigures } from './figures';
import { OrgChart } from './model';
import { orgRoles, orgVocabulary } from './words';

/** From this many entries on, arranging takes longer than a frame. */
const longFrom = 200;

const linkKinds: readonly LinkKind[] = [
  { id: 'side', name: 'Side link', legend: 'Dashed line: also reports to', style: { dash: 'dashed' } },
];

const arranged = (patch: Partial<Arrangement>): readonly CommonCommand[] => [{ kind: 'setArrangement', patch }];

const tierWords: TierWords = {
  kindName: 'Org chart',
  under: orgVocabulary.words.under,
  alsoUnder: 'also to',
  roles: orgRoles,
  linkKinds,
};

interface OrgTypes {
  readonly diagram: OrgChart;
  readonly listing: Hierarchy;
  readonly reading: Reading;
  readonly scene: Scene;
  readonly figures: OrgFigures;
  readonly command: never;
  readonly scope: never;
  readonly belongings: object;
}

export const orgChart: Kind<OrgTypes> = {
  id: 'org-chart',
  name: 'Org chart',
  nameInSentence: 'org chart',
  entryNoun: ['person', 'people'],
  holds: 'People, and who belongs to whom',
  schemas: { diagram: OrgChart, commands: [], scopes: [], belongings: {} },
  empty: (common) => ({ kind: 'org-chart', ...common }),
  broken: () => [],
  // It keeps nothing of entries itself.
  edits: plainEdits(),
  apply: () => refused('An org chart knows no such change.'),

  headings: orgVocabulary.headings,
  columnUses: [
    { use: 'name', words: 'the name' },
    { use: 'parent', words: 'who it reports to' },
    { use: 'alsoUnder', words: 'a second superior' },
    { use: 'id', words: 'an id' },
    { use: 'detail', words: 'a detail line' },
    { use: 'role', words: 'the role' },
    { use: 'linkPhrase', words: 'words on a side link' },
    { use: 'field', words: 'kept, not drawn' },
    { use: 'leftOut', words: 'left out' },
  ],
  columns: [detailColumn(0, 'Title'), detailColumn(1, 'Place')],
  read: (tokens, choices = {}) => readTree(tokens, choices, orgVocabulary),
  told(read) {
    const named = read.columns.find((column) => column.use === 'parent');
    if (read.structure === 'parent-column') return `The column “${named?.header ?? ''}” names the superior.`;
    if (read.structure === 'indent') return 'Indents tell who belongs to whom.';
    return 'Nothing tells who belongs to whom yet.';
  },
  fits(read) {
    if (read.entries.length === 0) return null;
    const all = read.entries.length + read.notPlaced.length;
    const strength = { flat: 0.3, 'parent-column': 0.9 }[read.structure as string] ?? 0.7;
    const flat = read.structure === 'flat';
    const words = flat
      ? 'all on one tier'
      : read.notPlaced.length > 0
        ? `${read.entries.length} of ${all} lines have a place`
        : 'fits every line';
    return {
      words,
      strength: strength * senseOf(read),
      because: orgChart.told(read),
      against: flat ? 'Nobody stands under anybody.' : '',
    };
  },
  make: (read, title) => ({ ...orgChart.empty(emptyCommon(title)), ...takenFrom(read) }),
  titleIn: (read) => titleAbove(read),
  reported: () => ({}),
  csv: (diagram) => csvOf(diagram, orgVocabulary),
  text: (diagram) => outlineText(diagram, orgVocabulary),
  lineTold:
    'One line an entry; Tab indents, to go one tier down; Esc leaves. A tab or comma parts the name from details; what stands in quotes is taken as it is.',
  indents: true,
  update(diagram, text, newId) {
    // Unchanged text changes nothing, whatever a reader makes of it.
    if (text === outlineText(diagram, orgVocabulary)) return { gesture: [], findings: [] };
    const read = readTree(new ListTokens(text, orgVocabulary.headings), {}, orgVocabulary);
    // What cannot be read does not empty the chart; an empty text does.
    const unread = text.trim() !== '' && read.entries.length === 0;
    const gesture = unread ? [] : [...updateFromList(diagram, read, newId), ...trayOf(diagram, read, newId)];
    return { gesture, findings: read.findings };
  },

  options: [
    {
      name: 'direction',
      choices: { down: arranged({ direction: 'down' }), right: arranged({ direction: 'right' }) },
    },
    {
      name: 'tiers',
      choices: {
        open: arranged({ tiers: 'open' }),
        bands: arranged({ tiers: 'bands' }),
        compact: arranged({ tiers: 'compact' }),
      },
    },
    {
      name: 'lowest',
      choices: {
        open: arranged({ lowest: 'open' }),
        row: arranged({ lowest: 'row' }),
        column: arranged({ lowest: 'column' }),
      },
    },
  ],
  roles: orgRoles.all,
  settableRoles: ['assistant', 'vacancy'],
  linkKinds,
  structure: (diagram) => hierarchyOf(diagram.entries),
  styles: (diagram, structure) => resolveStyles(diagram, structure, orgRoles),
  explain: (diagram, structure, scope) => explainStyle(diagram, structure, scope, orgRoles),
  covers: (diagram, structure, scope) => entriesIn(diagram, structure, scope, orgRoles),
  originWords: {},
  takesLong: (diagram) => Object.keys(diagram.entries).length >= longFrom,
  scene: (diagram, structure, styles) => tierScene(diagram, structure, styles, tierWords),
  sheetOpen: true,
  set: (diagram, structure, styles, least) => sheetSet(diagram, structure, styles, tierWords, least),
  sheets: {},
  check: checkOrgChart,
  figure: figureOrgChart,
};

/** Lines that found no place go to the tray, unless the same line is there already. */
function trayOf(diagram: OrgChart, { notPlaced }: Reading, newId: () => string): CommonCommand[] {
  const there = new Set(diagram.notPlaced.map(({ text }) => text));
  return notPlaced
    .filter(({ text }) => !there.has(text))
    .map((item) => ({ kind: 'putInTray', item: { ...item, id: newId() } }));
}
