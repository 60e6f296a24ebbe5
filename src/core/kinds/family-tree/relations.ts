import { byOrder, own, pushTo, shapeOf } from '../../model';
import { dateSpan, likelyDay } from './dates';
import { kindWith, personOf, type FamilyPart, type FamilyTree, type Parentage, type Union } from './model';

/** A partnership that somebody is a child of, and how. */
export interface ParentLink extends Omit<Parentage, 'union'> {
  readonly union: Union;
}

/** Who belongs to whom, by ids. */
export interface Relations {
  /** Partnerships of a person, in their order in time. */
  unionsOf(id: string): readonly Union[];
  /** Children of a partnership in birth order, with how they belong to it; the less near way where that is not the same for both partners. */
  childrenOf(union: string): readonly { readonly id: string; readonly kind: Parentage['kind'] }[];
  /** The partnerships a person is a child of, birth first. */
  parentsOf(id: string): readonly ParentLink[];
  /** Parents of a person, in the order of their partnership. */
  parents(id: string): readonly { readonly id: string; readonly kind: Parentage['kind'] }[];
}

const kept = new WeakMap<FamilyPart, { shape: object; relations: Relations }>();
const rank: Readonly<Record<Parentage['kind'], number>> = {
  birth: 0,
  unknown: 1,
  adopted: 2,
  foster: 3,
  step: 4,
  donor: 5,
  household: 6,
};
const none: readonly never[] = [];

/** The answer for each id, made when it is first asked for. */
function once<R extends object>(make: (id: string) => R): (id: string) => R {
  const known = new Map<string, R>();
  return (id) => {
    let answer = known.get(id);
    if (!answer) known.set(id, (answer = make(id)));
    return answer;
  };
}

/** Made once a diagram. O(persons log persons + partnerships). */
export function relationsOf(diagram: FamilyTree): Relations {
  const { family, entries } = diagram;
  const known = kept.get(family);
  if (known?.shape === shapeOf(entries)) return known.relations;
  const when = (text: string): number => {
    const span = dateSpan(text);
    return span ? likelyDay(span) : Infinity;
  };
  const unions = new Map<string, Union[]>();
  const place = new Map(Object.keys(family.unions).map((id, k) => [id, k]));
  for (const union of Object.values(family.unions))
    for (const partner of union.partners) pushTo(unions, partner, union);
  for (const list of unions.values())
    list.sort((a, b) =>
      when(a.from) === when(b.from) ? place.get(a.id)! - place.get(b.id)! : when(a.from) - when(b.from),
    );
  const children = new Map<string, { id: string; kind: Parentage['kind'] }[]>();
  for (const [id, links] of Object.entries(family.parentage))
    for (const link of links) {
      const kinds = (own(family.unions, link.union)?.partners ?? []).map((partner) => kindWith(link, partner));
      const kind = kinds.reduce((far, one) => (rank[one] > rank[far] ? one : far), kinds[0] ?? link.kind);
      pushTo(children, link.union, { id, kind });
    }
  const born = (id: string) => when(personOf(diagram, id).born);
  for (const list of children.values())
    list.sort((a, b) => {
      const after = Number(a.kind === 'household') - Number(b.kind === 'household');
      if (after !== 0) return after;
      const [one, other] = [born(a.id), born(b.id)];
      // Those without a date keep their place in the list beside the others.
      return one !== other && one !== Infinity && other !== Infinity
        ? one - other
        : byOrder(own(entries, a.id)!, own(entries, b.id)!);
    });
  const parentsOf = once((id) =>
    [...(own(family.parentage, id) ?? [])]
      .sort((a, b) => rank[a.kind] - rank[b.kind])
      .map((link): ParentLink => ({ ...link, union: own(family.unions, link.union)! })),
  );
  const relations: Relations = {
    unionsOf: (id) => unions.get(id) ?? none,
    childrenOf: (union) => children.get(union) ?? none,
    parentsOf,
    parents: once((id) =>
      parentsOf(id).flatMap((link) => link.union.partners.map((one) => ({ id: one, kind: kindWith(link, one) }))),
    ),
  };
  kept.set(family, { shape: shapeOf(entries), relations });
  return relations;
}

const kinOf = new WeakMap<Relations, Relations>();

/** A link as the diagram keeps it. */
export const keptLink = ({ union, ...how }: ParentLink): Parentage => ({ ...how, union: union.id });

/** The same without pets and guests, who are nobody's children. */
export function kinOnly(relations: Relations): Relations {
  let kin = kinOf.get(relations);
  if (kin) return kin;
  const isKin = ({ kind }: { readonly kind: Parentage['kind'] }): boolean => kind !== 'household';
  kin = {
    unionsOf: (id) => relations.unionsOf(id),
    childrenOf: once((union) => relations.childrenOf(union).filter(isKin)),
    parentsOf: once((id) => relations.parentsOf(id).filter(isKin)),
    parents: once((id) => relations.parents(id).filter(isKin)),
  };
  kinOf.set(relations, kin);
  return kin;
}

const partnersKnown = new WeakMap<Relations, (id: string) => readonly string[]>();

/** The partners of a person, in the order of their partnerships. */
export function partnersOf(relations: Relations, id: string): readonly string[] {
  let known = partnersKnown.get(relations);
  if (!known) {
    known = once((one) => relations.unionsOf(one).flatMap(({ partners }) => partners.filter((other) => other !== one)));
    partnersKnown.set(relations, known);
  }
  return known(id);
}

/** Those reached from a person by going on in one direction, itself among them; each once, nearest first. */
export function reachedFrom(id: string, next: (id: string) => readonly string[]): string[] {
  const found = [id];
  const seen = new Set(found);
  for (let k = 0; k < found.length; k++)
    for (const one of next(found[k]!))
      if (!seen.has(one)) {
        seen.add(one);
        found.push(one);
      }
  return found;
}
export const ancestorsOf = (relations: Relations, id: string): string[] =>
  reachedFrom(id, (one) => relations.parents(one).map((parent) => parent.id));
export const descendantsOf = (relations: Relations, id: string): string[] =>
  reachedFrom(id, (one) =>
    relations.unionsOf(one).flatMap((union) => relations.childrenOf(union.id).map((child) => child.id)),
  );

/** The persons that a view shows: all, or those around the chosen one, with the partners that their children have in common. */
export function shownIn(diagram: FamilyTree, relations: Relations): ReadonlySet<string> {
  const { view, of } = diagram.family.manner;
  if (view === 'whole' || of === null || !own(diagram.entries, of)) return new Set(Object.keys(diagram.entries));
  const shown = new Set<string>();
  if (view !== 'descendants') for (const id of ancestorsOf(relations, of)) shown.add(id);
  if (view !== 'ancestors')
    for (const id of descendantsOf(relations, of)) {
      shown.add(id);
      for (const partner of partnersOf(relations, id)) shown.add(partner);
    }
  return shown;
}
