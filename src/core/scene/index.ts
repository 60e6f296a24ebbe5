export * from './box-outline';
export type { BranchLines } from './branch-lines';
export { freeRoom, placeOnSheet } from './place-sheet';
export * from './scene';
export { sheetNotes } from './sheet-notes';
export { labelledLine, type LabelledLine } from './side-links';
export { sheetSet, type SetSheet, type SheetSet } from './sheet-set';
export * from './tiles';
export { tierScene, type TierWords } from './tier-scene';
