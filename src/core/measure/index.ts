export * from './box-text';
export * from './face';
export { baseOf, type Base } from './bidi';
export { advancesOf, capHeightOf, faceFor, missingCharacters, runsOf, widthOf, widthOfRuns, type Run } from './measure';
export * from './marked-text';
export * from './wrap';
