import type { Roles } from '../../hierarchy';
import { commonHeadings, furtherSuperior, wordsFor, type RoleWords, type TreeVocabulary } from '../../read';

/** Roles an org chart knows. `manager` is told from the structure, the others are set by hand or read from the list. */
export const orgRoles: Roles = {
  leading: 'manager',
  all: [
    { id: 'manager', name: 'Manager', told: 'has reports' },
    { id: 'assistant', name: 'Assistant', told: 'stands beside the line', beside: true },
    { id: 'vacancy', name: 'Vacant post', told: 'post not filled', legend: 'Post not filled', open: true },
  ],
};

const vacant =
  /^(vacant|vacancy|vacancies|unfilled|post open|open post|open position|to be (hired|filled|appointed)|tb[cdha]|n\.? ?n\.?|vakant|unbesetzt|vacante|poste vacant|à pourvoir|offen)\b/iu;
/** A detail that says only this. */
const vacantAlone =
  /^\(?(vacant|vacancy|unfilled|to be (hired|filled|appointed)|tb[ah]|vakant|unbesetzt|vacante)\)?$/iu;
const assisting =
  /^((personal |executive |management )?assistant to\b|pa to\b|personal assistant\b|executive assistant\b|secretary to\b|chief of staff\b)/iu;
const cellWords: [RegExp, string][] = [
  [/^(vacan|vakant|open|unfilled|unbesetzt)/i, 'vacancy'],
  [/^(assist|pa$)/i, 'assistant'],
  [/^(none|no role)$/i, 'none'],
];
const plainCell = /^(vacan(t|cy)|vakant|open|unfilled|unbesetzt|assistant|assistent|assistenz|pa|none|no role)$/i;

const roleWords: RoleWords = {
  ofCell: (cell) => cellWords.find(([word]) => word.test(cell.trim()))?.[1] ?? null,
  isPlain: (cell) => plainCell.test(cell.trim()),
  ofName: (name) => (vacant.test(name.trim()) ? 'vacancy' : null),
  ofDetail: (detail) =>
    assisting.test(detail.trim()) ? 'assistant' : vacantAlone.test(detail.trim()) ? 'vacancy' : null,
  leafOnly: 'assistant',
  repeated: 'vacancy',
};

/** How staff lists are headed and how one speaks of who stands under whom. */
export const orgVocabulary: TreeVocabulary = {
  headings: [
    [
      'alsoUnder',
      /^(also (reports|answers) to|second(ary)? (manager|supervisor|superior|line)|side link|dotted line.*|functional (manager|line))$/,
    ],
    [
      'parent',
      /^(reports? to|answers? to|manager|managers? name|line manager|supervisor|superior|boss|parent|head|belongs to|under|((line )?managers?|reports? to|parent|supervisor) (id|no|number|e ?mail|mail|e ?mail address))$/,
    ],
    ['id', /^(id|no|nr|number|staff (id|no|number)|employee (id|no|number)|personnel (no|number)|code|key)$/],
    ['alsoUnder', furtherSuperior()],
    ['parent', wordsFor('superior')],
    ['id', wordsFor('number')],
    ['role', /^(role|kind|status|type|post status)$/],
    [
      'name',
      /^(name|full name|(surname|last name|family name|name|nachname),? (first name|given name|vorname|forename)|nom,? prenom|apellidos?,? nombre|person|employee|employee name|staff|staff member|who|display name|entry|item)$/,
    ],
    [
      'detail',
      /^(details?( \d+)?|title|job title|job|post|position|function|site|place|location|office|department|team|unit|section|division)$/,
    ],
    ['name', wordsFor('person')],
    ['detail', wordsFor('post')],
    ...commonHeadings,
  ],
  written: { parent: 'Reports to', alsoUnder: 'Also reports to', details: ['Title', 'Site'] },
  linkKind: 'side',
  words: {
    entry: 'person',
    entries: 'people',
    under: 'reports to',
    areUnder: 'report to',
    alsoUnder: 'also reports to',
    parents: 'superiors',
    whichUnderWhich: 'who reports to whom',
    notInList: 'who is not in the list',
    addOrCorrect: 'Add that person or correct the name',
    other: 'someone else',
  },
  roles: roleWords,
};
