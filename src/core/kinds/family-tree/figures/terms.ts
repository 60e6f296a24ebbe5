import type { Person } from '../model';
import { kinOnly, partnersOf, type Relations } from '../relations';
import { nearestCommon, type Common } from './kinship';

type Sex = Person['sex'];

/** How one person is related to another, in words. */
export interface Relation {
  /** What b is to a: "first cousin once removed". */
  readonly term: string;
  readonly common: Common | null;
  /** Everybody on the way. */
  readonly way: readonly string[];
  /** Degrees by civil law (steps up and down) and by canon law (the longer of the two); null for who is not related by blood. */
  readonly civil: number | null;
  readonly canon: number | null;
}

const bySex = (sex: Sex, female: string, male: string, either: string): string =>
  sex === 'female' ? female : sex === 'male' ? male : either;
const greats = (n: number): string => 'great-'.repeat(Math.max(0, n));
const ordinal = (n: number): string => {
  const words = ['', 'first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth'];
  return words[n] ?? `${n}th`;
};
const times = (n: number): string => (n === 1 ? 'once' : n === 2 ? 'twice' : n === 3 ? 'three times' : `${n} times`);

/**
 * What somebody is, `up` generations up to the nearest common ancestors and `down` generations down from there; `half`: they have but one of a couple in
 * common. Cousins: n-th for the shorter of the two ways less one, removed by their difference (common practice).
 */
export function bloodTerm(up: number, down: number, sex: Sex, half: 'half' | 'full'): string {
  const led = half === 'half' ? 'half-' : '';
  if (up === 0 && down === 0) return 'the same person';
  if (down === 0) {
    if (up === 1) return bySex(sex, 'mother', 'father', 'parent');
    return `${greats(up - 2)}grand${bySex(sex, 'mother', 'father', 'parent')}`;
  }
  if (up === 0) {
    if (down === 1) return bySex(sex, 'daughter', 'son', 'child');
    return `${greats(down - 2)}grand${bySex(sex, 'daughter', 'son', 'child')}`;
  }
  if (up === 1 && down === 1) return `${led}${bySex(sex, 'sister', 'brother', 'sibling')}`;
  if (down === 1) {
    const word = bySex(sex, 'aunt', 'uncle', 'aunt or uncle');
    return `${led}${up === 2 ? '' : `${greats(up - 3)}great-`}${word}`;
  }
  if (up === 1) {
    const word = bySex(sex, 'niece', 'nephew', 'niece or nephew');
    return `${led}${down === 2 ? '' : `${greats(down - 3)}great-`}${word}`;
  }
  const [degree, removed] = [Math.min(up, down) - 1, Math.abs(up - down)];
  return `${half === 'half' ? 'half ' : ''}${ordinal(degree)} cousin${removed === 0 ? '' : ` ${times(removed)} removed`}`;
}

/** How b is related to a: by blood, by adoption and the like, as a partner, or by marriage. */
export function relationBetween(a: string, b: string, all: Relations, sexOf: (id: string) => Sex): Relation {
  const relations = kinOnly(all);
  const sex = sexOf(b);
  const plain = { common: null, civil: null, canon: null };
  if (a === b) return { ...plain, term: 'the same person', way: [a] };
  const blood = nearestCommon(relations, a, b, 'blood');
  const union = relations.unionsOf(a).find(({ partners }) => partners.includes(b));
  const partner = union ? partnerTerm(union.kind, sex) : null;
  if (blood) {
    const term = bloodTerm(blood.up, blood.down, sex, halfOf(blood, relations));
    return {
      term: partner ? `${partner} and ${term}` : term,
      common: blood,
      way: blood.way,
      civil: blood.up + blood.down,
      canon: Math.max(blood.up, blood.down),
    };
  }
  if (partner) return { ...plain, term: partner, way: [a, b] };
  const keeps = (one: string, other: string): boolean =>
    all.parents(one).some(({ id, kind }) => id === other && kind === 'household');
  if (keeps(b, a) || keeps(a, b)) return { ...plain, term: 'of the same household', way: [a, b] };
  const near = stepTerm(a, b, relations, sex);
  if (near) return { ...plain, ...near };
  const legal = nearestCommon(relations, a, b, 'all');
  if (legal)
    return {
      ...plain,
      term: `${bloodTerm(legal.up, legal.down, sex, halfOf(legal, relations))}, ${tieOf(legal, relations)}`,
      common: legal,
      way: legal.way,
    };
  return inLaw(a, b, relations, sexOf) ?? { ...plain, term: 'not related as far as the tree tells', way: [] };
}

const partnerTerm = (kind: string, sex: Sex): string =>
  kind === 'married'
    ? bySex(sex, 'wife', 'husband', 'spouse')
    : kind === 'parted'
      ? `former ${bySex(sex, 'wife', 'husband', 'partner')}`
      : 'partner';

/** Of a couple only one in common makes half; above who is a direct ancestor that does not matter. */
function halfOf({ ancestors, up, down }: Common, relations: Relations): 'half' | 'full' {
  if (up === 0 || down === 0 || ancestors.length >= 2) return 'full';
  const [one] = ancestors;
  // A single known parent on both sides says nothing of the other.
  const couples = relations
    .unionsOf(one!)
    .filter(({ id, partners }) => partners.length === 2 && relations.childrenOf(id).length > 0);
  return couples.length > 0 ||
    relations.unionsOf(one!).filter(({ id }) => relations.childrenOf(id).length > 0).length > 1
    ? 'half'
    : 'full';
}

/** By what a way that is no blood goes: "by adoption". */
function tieOf({ way }: Common, relations: Relations): string {
  const kinds = new Set(
    way.flatMap((id) =>
      relations
        .parents(id)
        .filter((parent) => way.includes(parent.id))
        .map(({ kind }) => kind),
    ),
  );
  return kinds.has('adopted')
    ? 'by adoption'
    : kinds.has('foster')
      ? 'by fostering'
      : kinds.has('step')
        ? 'by a stepparent'
        : 'by what the tree tells';
}

/** Parents' partners who are no parents, and partners' children from elsewhere; siblings by that. */
function stepTerm(a: string, b: string, relations: Relations, sex: Sex): { term: string; way: string[] } | null {
  const parents = relations.parents(a).map(({ id }) => id);
  const childrenOf = (id: string) =>
    relations.unionsOf(id).flatMap((union) => relations.childrenOf(union.id).map((child) => child.id));
  const own = new Set([...parents, a]);
  const isStepparent = (of: string, one: string): boolean =>
    relations.parents(of).some(({ id, kind }) => id === one && kind === 'step');
  if (isStepparent(a, b)) return { term: `step${bySex(sex, 'mother', 'father', 'parent')}`, way: [a, b] };
  if (isStepparent(b, a)) return { term: `step${bySex(sex, 'daughter', 'son', 'child')}`, way: [a, b] };
  for (const parent of parents)
    for (const partner of partnersOf(relations, parent)) {
      if (own.has(partner)) continue;
      if (partner === b) return { term: `step${bySex(sex, 'mother', 'father', 'parent')}`, way: [a, parent, b] };
      if (childrenOf(partner).includes(b))
        return { term: `step${bySex(sex, 'sister', 'brother', 'sibling')}`, way: [a, parent, partner, b] };
    }
  for (const partner of partnersOf(relations, a))
    if (childrenOf(partner).includes(b))
      return { term: `step${bySex(sex, 'daughter', 'son', 'child')}`, way: [a, partner, b] };
  return null;
}

/** Relatives of a partner, and partners of relatives. */
function inLaw(a: string, b: string, relations: Relations, sexOf: (id: string) => Sex): Relation | null {
  const plain = { common: null, civil: null, canon: null };
  const near = (common: Common) => common.up + common.down;
  let best: { common: Common; of: string; side: 'mine' | 'theirs' } | null = null;
  for (const partner of partnersOf(relations, a)) {
    const common = nearestCommon(relations, partner, b, 'all');
    if (common && (!best || near(common) < near(best.common))) best = { common, of: partner, side: 'mine' };
  }
  for (const partner of partnersOf(relations, b)) {
    const common = nearestCommon(relations, a, partner, 'all');
    if (common && (!best || near(common) < near(best.common))) best = { common, of: partner, side: 'theirs' };
  }
  if (!best) return null;
  const { up, down } = best.common;
  const sex = sexOf(b);
  const simple =
    (up === 1 && down === 0) || (up === 1 && down === 1) || (up === 0 && down === 1)
      ? `${bloodTerm(up, down, sex, 'full')}-in-law`
      : null;
  const term =
    best.side === 'mine'
      ? (simple ?? `${bloodTerm(up, down, sex, 'full')} of the ${bySex(sexOf(best.of), 'wife', 'husband', 'partner')}`)
      : (up === 0 && down === 1) || (up === 1 && down === 1)
        ? `${bloodTerm(up, down, sex, 'full')}-in-law`
        : `${bySex(sex, 'wife', 'husband', 'partner')} of the ${bloodTerm(up, down, sexOf(best.of), 'full')}`;
  const way = best.side === 'mine' ? [a, ...best.common.way] : [...best.common.way, b];
  return { ...plain, term, common: best.common, way };
}
