import type { Role, Roles } from '../../hierarchy';
import { commonHeadings, wordsFor, type Headings } from '../../read';
import type { LinkKind } from '../../style';
import { example, proposition } from './model';

/** How tables of propositions are headed. */
export const mapHeadings: Headings = [
  ['id', /^(id|no|nr|number)$/],
  [
    'from',
    /^(from|source|subject|idea|idee|concept|node|first (idea|concept)|(idea|concept|node) ?(a|one)|term|head|start)$/,
  ],
  [
    'phrase',
    /^(linking (phrase|words?)|link(ing)?|link phrases?|phrases?|relation(ship)?|predicate|verb|connect(ion|or)|label|edge( label)?|how|relation type)$/,
  ],
  ['to', /^(to|target|object|linked (idea|concept|to)|second (idea|concept)|(idea|concept|node) ?(b|two)|tail|end)$/],
  ['from', wordsFor('fromIdea')],
  ['phrase', wordsFor('linking')],
  ['to', wordsFor('toIdea')],
  ['role', /^(kind|role|type)$/],
  ...commonHeadings,
];

export const mapRoleList: readonly Role[] = [
  {
    id: example,
    name: 'Example',
    told: 'an example of the idea that leads to it',
    legend: 'An example',
    style: () => ({ nameSlant: 'italic', nameWeight: 400, borderLine: 'dashed' }),
  },
];
export const mapRoles: Roles = { leading: null, all: mapRoleList };

/** What a role is called in lists. */
export const roleOfWord = (word: string): string | null =>
  /^(e\.?g\.?|example|beispiel|exemple|instance)s?$/i.test(word.trim()) ? example : null;

export const mapLinkKinds: readonly LinkKind[] = [
  { id: proposition, name: 'Proposition', legend: 'a proposition', style: { phraseSize: 12, endGap: 0 } },
];

export const rankName = (tier: number): string => (tier === 1 ? 'Focus' : `Rank ${tier}`);
