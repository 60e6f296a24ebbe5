export { detailColumn } from './detail-columns';
export { listedStyles } from './listed-styles';
export { changesTold, placesTold, withArticle } from './told';
export { arranged, directions, trayChanges, treeDrawing, treeList } from './tree-list';
export type { CellWritten, Fit, Kind, KindOption, KindSchemas, KindTypes, ListColumn, Said } from './kind';
