export type { ReadCode } from './codes';
export { decodeList, tooLargeFile, type Decoded } from './decode';
export { guarded, parseDelimited, separators, type Delimiter, type Row, type Separator } from './delimited';
export { atWord, fieldsOf, inPieces, withinLimits } from './fit';
export {
  columnUseOf,
  commonHeadings,
  withoutRemark,
  fieldPrefix,
  trayHeading,
  type ColumnUse,
  type Headings,
} from './headings';
export { furtherSuperior, wordsFor } from './heading-words';
export { lineOf, splitDetails, withoutMarks, type Parting } from './line-parts';
export { linking } from './linking';
export { isSureWay, mostWords, partedSentences, withoutArticle, type Cut } from './sentence-parts';
export { copiedText } from './html';
export { NameIndex } from './name-index';
export { foldName, isNear, isSumName } from './names';
export { readOutline } from './outline';
export * from './picture-field';
export { cellOf, quoted, quotedAt, textsOf } from './quoted';
export { isReadAsTable, readTree, takenFrom, type Taken } from './read-tree';
export * from './result';
export { commonSigns, hangingShare, treeSigns } from './sense';
export { asideFinding, asideTrayed, onlyCount, openQuoteFinding, trayed } from './table';
export type { SignedLines } from './signed-lines';
export { withPlainBlanks } from './plain-text';
export { namesOf, partsOf, waysToPart } from './several';
export { isReadWhole, leastForHeading } from './table-parts';
export { bodyOf, ColumnEvidence } from './column-evidence';
export { classOf, isAmount, profileOf, saysNothing, type ColumnProfile } from './cell-shape';
export { isKey, mostColumns, rowsLooked } from './references';
export { CellForms, formsOf, RowByForm } from './cell-forms';
export { aboveList, titleAbove } from './title-above';
export { ListTokens, type TableTokens } from './tokens';
export {
  noRoles,
  ownParents,
  structureTold,
  type RoleWords,
  type TreeVocabulary,
  type TreeWords,
} from './tree-vocabulary';
