export type { FamilyCommand } from './commands';
export { dateSpan, lifeWords, type DateSpan } from './dates';
export { figureFamily, type FamilyFigures } from './figures/figures';
export { ascents, Kinship, nearestCommon, type Common } from './figures/kinship';
export { ancestorNumbers, descendantNumbers } from './figures/numbers';
export { bloodTerm, relationBetween, type Relation } from './figures/terms';
export {
  addChild,
  addParent,
  addPartner,
  addSibling,
  parentsWritten,
  partnersWritten,
  roleGiven,
  type Made,
} from './gestures';
export { familyTree } from './kind';
export { FamilyTree, personOf, type FamilyManner, type Parentage, type Person, type Union } from './model';
export { isGedcom } from './read/gedcom-lines';
export { keptLink, partnersOf, relationsOf, type ParentLink, type Relations } from './relations';
export { relatedStructure, type FamilyListing } from './structure';
export { familyRoles, parentageWords, unionWords } from './words';
export { familyGedcom } from './write/gedcom';
