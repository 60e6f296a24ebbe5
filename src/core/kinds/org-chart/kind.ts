import { plainEdits, refused } from '../../edit';
import type { Hierarchy } from '../../hierarchy';
import { arranged, directions, detailColumn, placesTold, treeDrawing, treeList, type Kind } from '../../kind';
import { emptyCommon } from '../../model';
import {
  columnUseOf,
  commonHeadings,
  ownParents,
  splitDetails,
  structureTold,
  takenFrom,
  treeSigns,
  type Reading,
} from '../../read';
import { takesLongToFit, type Scene, type TierWords } from '../../scene';
import type { LinkKind } from '../../style';
import { checkOrgChart } from './check';
import { figureOrgChart, type OrgFigures } from './figures';
import { OrgChart } from './model';
import { orgRoles, orgVocabulary } from './words';

const linkKinds: readonly LinkKind[] = [
  { id: 'side', name: 'Side link', legend: 'Also reports to', style: { dash: 'dashed' } },
];

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

const ofSuperiors = ownParents(orgVocabulary);

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

  ...treeList(orgVocabulary),
  partTyped: splitDetails,
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
  told(read) {
    const named = read.columns.find((column) => column.use === 'parent');
    if (read.structure === 'parent-column') return `The column “${named?.header ?? ''}” names the superior.`;
    return structureTold(read, orgVocabulary.words);
  },
  fits(read) {
    if (read.entries.length === 0) return null;
    // Who reports to whom is said of people, unless a heading says so of others.
    const heading = read.columns.find(({ use }) => use === 'parent')?.header ?? '';
    const isHeaded =
      heading !== '' && columnUseOf(heading, ofSuperiors) !== null && columnUseOf(heading, commonHeadings) !== 'parent';
    const flat = read.structure === 'flat';
    return {
      words: placesTold(read),
      signs: treeSigns(read, isHeaded),
      because: orgChart.told(read),
      against: flat ? 'Nobody stands under anybody.' : '',
    };
  },
  make: (read, title) => ({ ...orgChart.empty(emptyCommon(title)), ...takenFrom(read) }),

  options: [
    directions,
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
  ...treeDrawing(tierWords),
  settableRoles: ['assistant', 'vacancy'],
  takesLong: takesLongToFit,
  sheets: {},
  check: checkOrgChart,
  figure: figureOrgChart,
};
