export * from './picture-field';
export { decodeList, type Decoded } from './decode';
export { noName, readMembershipLines, type MembershipLine } from './membership-lines';
export { foldName } from './names';
export { splitDetails } from './outline';
export * from './read-list';
export * from './result';
export { readSets } from './sets';
