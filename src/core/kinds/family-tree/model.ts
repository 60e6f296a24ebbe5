import { z } from 'zod';
import { commonShape, Id, own, text } from '../../model';

/** What is known of a person beyond the name. Dates are kept as they are written (see `dates`). */
export const Person = z.strictObject({
  born: text(80),
  died: text(80),
  birthPlace: text(200),
  deathPlace: text(200),
  /** Never needed to draw; only words such as "aunt" and "uncle" ask for it. */
  sex: z.enum(['female', 'male', 'other']).nullable(),
  /** Structures of a GEDCOM record that are not understood here, as they came; empty for none. */
  extra: text(100_000),
});
export type Person = z.infer<typeof Person>;

export const noFacts: Person = { born: '', died: '', birthPlace: '', deathPlace: '', sex: null, extra: '' };

/** A partnership of two, or a single parent with children. */
export const Union = z.strictObject({
  id: Id,
  partners: z.array(Id).min(1).max(2),
  kind: z.enum(['married', 'partners', 'parted', 'unknown']),
  from: text(80),
  to: text(80),
  extra: text(100_000),
});
export type Union = z.infer<typeof Union>;

const ofOneParent = ['birth', 'adopted', 'step', 'foster', 'donor', 'unknown'] as const;

/** How a child belongs to a partnership. */
export const Parentage = z.strictObject({
  union: Id,
  /** `household`: no child, but a pet or a guest of theirs, who stands below the children. */
  kind: z.enum([...ofOneParent, 'household']),
  /** One of the two partners to whom the child belongs in another way; says nothing where that is no partner of these. */
  otherwise: z.strictObject({ parent: Id, kind: z.enum(ofOneParent) }).optional(),
});
export type Parentage = z.infer<typeof Parentage>;

/** How a child belongs to one of its parents. */
export const kindWith = ({ kind, otherwise }: Omit<Parentage, 'union'>, parent: string): Parentage['kind'] =>
  kind !== 'household' && otherwise?.parent === parent ? otherwise.kind : kind;

export const FamilyManner = z.strictObject({
  /** Everybody, or those around one person. */
  view: z.enum(['whole', 'ancestors', 'descendants', 'both']),
  /** That person; null where none is chosen. */
  of: Id.nullable(),
  /** Numbers in the boxes: of ancestors (Sosa–Stradonitz) or descendants (d'Aboville) of that person. */
  numbers: z.enum(['none', 'ancestors', 'descendants']),
  /** What the boxes tell of lives. */
  dates: z.enum(['years', 'full', 'none']),
});
export type FamilyManner = z.infer<typeof FamilyManner>;

export const FamilyPart = z.strictObject({
  /** Left out for whom nothing is known. */
  people: z.record(Id, Person),
  unions: z.record(Id, Union),
  /** By child. */
  parentage: z.record(Id, z.array(Parentage).min(1).max(8)),
  manner: FamilyManner,
  /** Records of a GEDCOM file that are not understood here, its head among them, as they came; empty for none. */
  rest: text(2_000_000),
});
export type FamilyPart = z.infer<typeof FamilyPart>;

export const FamilyTree = z.strictObject({ kind: z.literal('family-tree'), ...commonShape, family: FamilyPart });
export type FamilyTree = z.infer<typeof FamilyTree>;

export const emptyFamily: FamilyPart = {
  people: {},
  unions: {},
  parentage: {},
  manner: { view: 'whole', of: null, numbers: 'none', dates: 'years' },
  rest: '',
};

export const personOf = ({ family }: FamilyTree, id: string): Person => own(family.people, id) ?? noFacts;

export const isUnknown = (person: Person): boolean =>
  (Object.keys(noFacts) as (keyof Person)[]).every((key) => person[key] === noFacts[key]);

/** What must hold beyond what holds in every diagram. */
export function brokenFamily({ entries, family }: FamilyTree): string[] {
  const broken: string[] = [];
  const there = (id: string) => own(entries, id) !== undefined;
  for (const [id, person] of Object.entries(family.people)) {
    if (!there(id)) broken.push(`facts are kept for ${id}, who is not there`);
    if (isUnknown(person)) broken.push(`empty facts are kept for ${id}`);
  }
  for (const [id, union] of Object.entries(family.unions)) {
    if (union.id !== id) broken.push(`partnership ${id} is kept under the id of ${union.id}`);
    if (new Set(union.partners).size < union.partners.length) broken.push(`partnership ${id} has one person twice`);
    for (const partner of union.partners)
      if (!there(partner)) broken.push(`partnership ${id} has ${partner}, who is not there`);
  }
  for (const [child, links] of Object.entries(family.parentage)) {
    if (!there(child)) broken.push(`parents are kept for ${child}, who is not there`);
    if (new Set(links.map(({ union }) => union)).size < links.length)
      broken.push(`${child} is a child of one partnership twice`);
    for (const { union } of links)
      if (!own(family.unions, union)) broken.push(`${child} is a child of ${union}, which is not there`);
  }
  if (family.manner.of !== null && !there(family.manner.of))
    broken.push('the tree is around somebody who is not there');
  return broken;
}
