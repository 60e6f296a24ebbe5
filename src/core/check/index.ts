export * from './list-checks';
export * from './drawing-checks';
export * from './tree-checks';
export { mostDetails } from './details';
