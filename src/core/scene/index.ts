export * from './box-outline';
export { freeRoom, placeOnSheet } from './place-sheet';
export * from './scene';
export { sheetNotes } from './sheet-notes';
export { labelledLine, type LabelledLine } from './side-links';
export { tierScene, type TierWords } from './tier-scene';
