import type { Hierarchy } from '../../hierarchy';
import type { AnyScope, BoxStyle } from '../../model';
import { entriesIn, explainStyle, resolveStyles, type Explained } from '../../style';
import type { StyleProperty } from '../../model';
import type { FamilyTree } from './model';
import type { FamilyListing } from './structure';
import { familyRoles } from './words';

const kept = new WeakMap<FamilyListing, Hierarchy>();

/** The listing as what the shared cascade asks for: nobody stands under another. */
export function asHierarchy(listing: FamilyListing): Hierarchy {
  const known = kept.get(listing);
  if (known) return known;
  const n = listing.ids.length;
  const made: Hierarchy = {
    ...listing,
    roots: n,
    parent: new Int32Array(n).fill(-1),
    first: new Int32Array(n),
    count: new Int32Array(n),
  };
  kept.set(listing, made);
  return made;
}

export const familyStyles = (diagram: FamilyTree, listing: FamilyListing): BoxStyle[] =>
  resolveStyles(diagram, asHierarchy(listing), familyRoles);

export const explainFamily = (
  diagram: FamilyTree,
  listing: FamilyListing,
  scope: AnyScope,
): Record<StyleProperty, Explained> | null => explainStyle(diagram, asHierarchy(listing), scope, familyRoles);

export const familyCovers = (diagram: FamilyTree, listing: FamilyListing, scope: AnyScope): number[] =>
  entriesIn(diagram, asHierarchy(listing), scope, familyRoles);
