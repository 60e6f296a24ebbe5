import type { Role, Roles } from '../../hierarchy';
import { commonHeadings, wordsFor, type Headings } from '../../read';

/** How tables of persons are headed; what only this kind reads has its own uses. */
export const familyHeadings: Headings = [
  ['id', /^(id|no|nr|number|ref|reference|key|code)$/],
  ['name', /^(name|full name|person|name of person|who)$/],
  ['born', /^(born|birth|birth date|date of birth|dob|d o b|year of birth|b|birthday)$/],
  ['died', /^(died|dod|year of death|death|death date|date of death|d|deceased)$/],
  ['birthPlace', /^(birth ?place|place of birth|born (in|at)|geburtsort)$/],
  ['deathPlace', /^(death ?place|place of death|died (in|at)|sterbeort)$/],
  ['sex', /^(sex|gender|m\/f)$/],
  ['father', /^(father|dad|father (id|no|name)|parent 1|first parent)$/],
  ['mother', /^(mother|mum|mom|mother (id|no|name)|parent 2|second parent)$/],
  ['parents', /^(parents?|child of)$/],
  ['partner', /^(partners?|spouses?|husband|wife|married to|husband or wife|partner (id|no|name)s?)$/],
  ['married', /^(married|marriage( date)?|married on|wedding( date)?)$/],
  ['parentage', /^(parentage|child by|how related|relation to parents)$/],
  ['role', /^(kind|role|type)$/],
  ['detail', /^(details?( \d+)?|notes?|occupation|remark|trade|title|place|location)$/],
  ['born', wordsFor('born')],
  ['died', wordsFor('died')],
  ['sex', wordsFor('sex')],
  ['father', wordsFor('father')],
  ['mother', wordsFor('mother')],
  ['parents', wordsFor('parents')],
  ['partner', wordsFor('partner')],
  ['married', wordsFor('wedding')],
  ['id', wordsFor('number')],
  ['name', wordsFor('person')],
  ['detail', wordsFor('remark')],
  ...commonHeadings,
];

/** Kinds of entries of a household; persons have none. */
export const familyRoleList: readonly Role[] = [
  { id: 'pet', name: 'Pet', told: 'belongs to the household' },
  { id: 'guest', name: 'Guest', told: 'is with the family' },
];
export const familyRoles: Roles = { leading: null, all: familyRoleList };

export const parentageWords = {
  birth: 'by birth',
  adopted: 'adopted',
  step: 'stepchild',
  foster: 'foster child',
  donor: 'by a donor',
  unknown: 'unknown',
  household: 'of the household',
} as const;

export const unionWords = { married: 'married', partners: 'partners', parted: 'parted', unknown: 'together' } as const;

export const tierName = (tier: number): string => `Generation ${tier}`;
