import type { Hierarchy } from '../../hierarchy';
import { KeptFor, type AnyScope, type BoxStyle, type StyleProperty } from '../../model';
import { entriesIn, explainStyle, resolveStyles, type Explained } from '../../style';
import type { ConceptMap } from './model';
import type { MapListing } from './structure';
import { mapRoles } from './words';

const kept = new KeptFor<MapListing, Hierarchy>();

/** The listing as what the shared cascade asks for: nothing stands under anything. */
export function asHierarchy(listing: MapListing): Hierarchy {
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

export const mapStyles = (diagram: ConceptMap, listing: MapListing): BoxStyle[] =>
  resolveStyles(diagram, asHierarchy(listing), mapRoles);

export const explainMap = (
  diagram: ConceptMap,
  listing: MapListing,
  scope: AnyScope,
): Record<StyleProperty, Explained> | null => explainStyle(diagram, asHierarchy(listing), scope, mapRoles);

export const mapCovers = (diagram: ConceptMap, listing: MapListing, scope: AnyScope): number[] =>
  entriesIn(diagram, asHierarchy(listing), scope, mapRoles);
