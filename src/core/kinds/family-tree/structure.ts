import type { Listing } from '../../hierarchy';
import { byOrder, own, shapeOf } from '../../model';
import { generationsOf } from './generations';
import type { FamilyPart, FamilyTree } from './model';
import { kinOnly, partnersOf, relationsOf, shownIn, type Relations } from './relations';

/** What the list, the rail and a selection need: generations as tiers; in the list children below their parents, partners beside each other. */
export interface FamilyListing extends Listing {
  /** The persons that the view shows; the others are in the list and in no tier. */
  readonly shown: ReadonlySet<string>;
}

const kept = new WeakMap<FamilyPart, { shape: object; listing: FamilyListing }>();

/** Made once a diagram. O(persons log persons + relations). */
export function familyStructure(diagram: FamilyTree): FamilyListing {
  const { entries, family } = diagram;
  const known = kept.get(family);
  if (known?.shape === shapeOf(entries)) return known.listing;
  const relations = relationsOf(diagram);
  const shown = shownIn(diagram, relations);
  const order = outlineOrder(diagram, relations);
  const generation = generationsOf(
    order.filter((id) => shown.has(id)),
    relations,
  );
  const total = Math.max(0, ...[...generation.values()].map((g) => g + 1));
  const tierOf = (id: string) => (generation.has(id) ? generation.get(id)! + 1 : 0);
  const byTier: string[][] = Array.from({ length: total + 1 }, () => []);
  for (const id of order) byTier[tierOf(id)]!.push(id);
  const ids = byTier.flat();
  const index = new Map(ids.map((id, i) => [id, i]));
  const tierStart: number[] = [];
  let at = byTier[0]!.length;
  for (const tier of byTier.slice(1)) {
    tierStart.push(at);
    at += tier.length;
  }
  tierStart.push(at);
  const listing: FamilyListing = {
    ids,
    index,
    tier: Int32Array.from(ids, tierOf),
    outline: Int32Array.from(order, (id) => index.get(id)!),
    tierStart,
    shown,
  };
  kept.set(family, { shape: shapeOf(entries), listing });
  return listing;
}

/** Everybody once: a person, their partners, then the children of each partnership with those of theirs. Who has parents in the list comes under them. */
function outlineOrder({ entries }: FamilyTree, relations: Relations): string[] {
  const all = Object.values(entries)
    .sort(byOrder)
    .map(({ id }) => id);
  const order: string[] = [];
  const done = new Set<string>();
  const isTop = (id: string) =>
    relations.parents(id).length === 0 && partnersOf(relations, id).every((one) => relations.parents(one).length === 0);
  const visit = (start: string) => {
    const stack = [start];
    for (let id = stack.pop(); id !== undefined; id = stack.pop()) {
      if (done.has(id)) continue;
      done.add(id);
      order.push(id);
      const below: string[] = [];
      for (const union of relations.unionsOf(id)) {
        for (const partner of union.partners)
          if (!done.has(partner)) {
            done.add(partner);
            order.push(partner);
            for (const other of relations.unionsOf(partner))
              if (other.id !== union.id) below.push(...relations.childrenOf(other.id).map((child) => child.id));
          }
        below.unshift(...relations.childrenOf(union.id).map((child) => child.id));
      }
      for (let k = below.length - 1; k >= 0; k--) stack.push(below[k]!);
    }
  };
  for (const id of all) if (isTop(id)) visit(id);
  for (const id of all) if (own(entries, id) && !done.has(id)) visit(id);
  return order;
}

/** The tier of a listing, by id; 0 for who is not shown. */
export const tierOf = ({ index, tier }: FamilyListing, id: string): number => tier[index.get(id) ?? -1] ?? 0;

/** A listing with who belongs to whom beside it; a listing alone is plain data, which goes from one worker to another. */
export interface RelatedListing extends FamilyListing {
  readonly relations: Relations;
}
const related = new WeakMap<FamilyListing, RelatedListing>();

export function withRelations(diagram: FamilyTree, listing: FamilyListing): RelatedListing {
  const relations = relationsOf(diagram);
  const known = related.get(listing);
  if (known?.relations === relations) return known;
  const made = { ...listing, relations };
  related.set(listing, made);
  return made;
}
/** The same with nobody's pets and guests as their children. */
export function withKin(diagram: FamilyTree, listing: FamilyListing): RelatedListing {
  const all = withRelations(diagram, listing);
  return { ...all, relations: kinOnly(all.relations) };
}
export const relatedStructure = (diagram: FamilyTree): RelatedListing =>
  withRelations(diagram, familyStructure(diagram));
