export { detailColumn } from './detail-columns';
export { arranged, trayChanges, treeDrawing, treeList } from './tree-list';
export type { CellWritten, Fit, Kind, KindOption, KindSchemas, KindTypes, ListColumn } from './kind';
