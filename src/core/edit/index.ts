export * from './apply';
export * from './command';
export { isUnder } from './entries';
export * from './gestures';
export * from './history';
export * from './outcome';
export * from './place';
export * from './rebase';
export { patchOf } from './settings';
