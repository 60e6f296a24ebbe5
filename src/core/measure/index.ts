export * from './box-text';
export * from './face';
export { capHeightOf, missingCharacters, runsOf, widthOf, type Run } from './measure';
export * from './wrap';
