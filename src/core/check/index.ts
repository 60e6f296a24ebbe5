export * from './list-checks';
export * from './drawing-checks';
export { nudged } from './nudged';
