import { plainEdits, refused } from '../../edit';
import type { Hierarchy } from '../../hierarchy';
import { arranged, directions, detailColumn, placesTold, treeDrawing, treeList, type Kind } from '../../kind';
import { emptyCommon } from '../../model';
import { columnUseOf, ownParents, splitDetails, structureTold, takenFrom, treeSigns, type Reading } from '../../read';
import { takesLongToFit, type Scene, type TierWords } from '../../scene';
import { checkTopics } from './check';
import { figureTopics, type TopicFigures } from './figures';
import { TopicTree } from './model';
import { topicLinks, topicRoles, topicVocabulary } from './words';

const tierWords: TierWords = {
  kindName: 'Topic tree',
  under: topicVocabulary.words.under,
  alsoUnder: 'see also',
  roles: topicRoles,
  linkKinds: topicLinks,
};

interface TopicTypes {
  readonly diagram: TopicTree;
  readonly listing: Hierarchy;
  readonly reading: Reading;
  readonly scene: Scene;
  readonly figures: TopicFigures;
  readonly command: never;
  readonly scope: never;
  readonly belongings: object;
}

const ofClasses = ownParents(topicVocabulary);

export const topicTree: Kind<TopicTypes> = {
  id: 'topic-tree',
  name: 'Topic tree',
  nameInSentence: 'topic tree',
  entryNoun: ['idea', 'ideas'],
  holds: 'Ideas, and what belongs to what',
  schemas: { diagram: TopicTree, commands: [], scopes: [], belongings: {} },
  empty: (common) => ({ kind: 'topic-tree', ...common, sheet: { ...common.sheet, orientation: 'open' } }),
  broken: () => [],
  edits: plainEdits(),
  apply: () => refused('A topic tree knows no such change.'),

  ...treeList(topicVocabulary),
  partTyped: splitDetails,
  columnUses: [
    { use: 'name', words: 'the idea' },
    { use: 'parent', words: 'what it belongs to' },
    { use: 'alsoUnder', words: 'see also' },
    { use: 'id', words: 'an id' },
    { use: 'detail', words: 'a note' },
    { use: 'role', words: 'the role' },
    { use: 'linkPhrase', words: 'words on a link' },
    { use: 'field', words: 'kept, not drawn' },
    { use: 'leftOut', words: 'left out' },
  ],
  columns: [detailColumn(0, 'Note'), detailColumn(1, 'Example')],
  told(read) {
    const named = read.columns.find((column) => column.use === 'parent');
    if (read.structure === 'parent-column') return `The column “${named?.header ?? ''}” names what each belongs to.`;
    return structureTold(read, topicVocabulary.words);
  },
  fits(read) {
    if (read.entries.length === 0) return null;
    const flat = read.structure === 'flat';
    // A list of persons is rather one of who reports to whom, unless its heading speaks of classes.
    const heading = read.columns.find(({ use }) => use === 'parent')?.header ?? '';
    const ofTopics = heading !== '' && columnUseOf(heading, ofClasses) !== null;
    return {
      words: placesTold(read),
      signs: treeSigns(read, ofTopics),
      because: topicTree.told(read),
      against: flat ? 'Nothing stands under anything.' : '',
    };
  },
  make: (read, title) => ({ ...topicTree.empty(emptyCommon(title)), ...takenFrom(read) }),

  options: [
    directions,
    {
      name: 'tiers',
      choices: {
        open: arranged({ tiers: 'open' }),
        bands: arranged({ tiers: 'bands' }),
        compact: arranged({ tiers: 'compact' }),
        columns: arranged({ tiers: 'columns' }),
        indented: arranged({ tiers: 'indented' }),
      },
    },
    {
      name: 'tier-names',
      choices: { drawn: arranged({ tierNames: 'drawn' }), hidden: arranged({ tierNames: 'hidden' }) },
    },
  ],
  ...treeDrawing(tierWords),
  settableRoles: ['example'],
  takesLong: takesLongToFit,
  sheets: {},
  check: checkTopics,
  figure: figureTopics,
};
