export * from './fit-tree';
export { narrowTree } from './narrow-tree';
export { tidyTree, type TidyTreeInput } from './tidy-tree';
export type { Polyline } from './lines';
export { arrangeColumns, type ColumnsInput } from './tier-columns';
export { arrangeIndented, type IndentedInput } from './indented';
export { nudgedLayout, type Offsets } from './nudged';
export { sample } from './sample';
export { arrangeTierTree, type TierTreeInput, type TierTreeLayout } from './tier-tree';
