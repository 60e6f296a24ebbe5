import type { Roles } from '../../hierarchy';
import { commonHeadings, noRoles, wordsFor, type TreeVocabulary } from '../../read';
import type { LinkKind } from '../../style';

/** Classes are told from the structure; an example is set by hand. */
export const topicRoles: Roles = {
  leading: 'class',
  all: [
    { id: 'class', name: 'Class', told: 'is divided further' },
    { id: 'example', name: 'Example', told: 'stands for its class', legend: 'Example', open: true },
  ],
};

/** Links beside the division. */
export const topicLinks: readonly LinkKind[] = [
  { id: 'see-also', name: 'See also', legend: 'See also', style: { dash: 'dashed' } },
];

const exampleWords = /^(example|e\.?g\.?|beispiel|exemple|ejemplo)$/i;

/** How lists of ideas are headed and how one speaks of what belongs to what. */
export const topicVocabulary: TreeVocabulary = {
  headings: [
    ['alsoUnder', /^(see also|also (belongs to|in|under)|related( to)?)$/],
    [
      'parent',
      /^(belongs to|parent( topic| class| term)?|class|super ?class|broader( term)?|category|group|part of|kind of|under|topic above|parent (id|no|number))$/,
    ],
    ['parent', wordsFor('broader')],
    ['id', /^(id|no|nr|number|code|key|notation|class number)$/],
    ['id', wordsFor('number')],
    ['role', /^(role|kind|status|type)$/],
    ['name', /^(topic|sub ?topic|idea|term|concept|subject|name|entry|item|heading|sub ?class)$/],
    [
      'detail',
      /^(details?( \d+)?|notes?|definition|description|meaning|remark|examples?|explanation|what it is|latin name|scientific name)$/,
    ],
    ['name', wordsFor('idea')],
    ['detail', wordsFor('remark')],
    ...commonHeadings,
  ],
  written: { parent: 'Belongs to', alsoUnder: 'See also', details: ['Note', 'Example'] },
  classesAlone: true,
  linkKind: 'see-also',
  words: {
    entry: 'idea',
    entries: 'ideas',
    under: 'belongs to',
    areUnder: 'belong to',
    alsoUnder: 'see also',
    parents: 'classes',
    whichUnderWhich: 'what belongs to what',
    notInList: 'which is not in the list',
    addOrCorrect: 'Add that idea or correct its name',
    other: 'something else',
  },
  roles: {
    ...noRoles,
    ofCell: (cell) =>
      exampleWords.test(cell.trim()) ? 'example' : /^(none|no role)$/i.test(cell.trim()) ? 'none' : null,
    isPlain: (cell) => exampleWords.test(cell.trim()) || /^(none|no role)$/i.test(cell.trim()),
  },
};
