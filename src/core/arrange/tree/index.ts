export * from './fit-tree';
export { tidyTree, type TidyTreeInput } from './tidy-tree';
export type { Polyline } from './lines';
export { sample } from './sample';
export { arrangeTierTree, type TierTreeInput, type TierTreeLayout } from './tier-tree';
