export { detailColumn } from './detail-columns';
export type { CellWritten, Fit, Kind, KindOption, KindSchemas, KindTypes, ListColumn } from './kind';
