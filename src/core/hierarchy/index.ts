export { csvOf, csvRow, detailHeadings } from './csv';
export * from './gestures';
export * from './listing';
export { outlineText } from './outline-text';
export * from './place';
export * from './roles';
export { roman } from './roman';
export { hierarchyOf, pathTo, sizesBelow, type Hierarchy } from './structure';
export { entryChanges, matchEntries, updateFromList } from './update-from-list';
