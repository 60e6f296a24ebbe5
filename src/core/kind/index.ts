export type { DiagramOf, Fit, Kind } from './kind';
export * from './kinds';
export * from './river';
export { updateFromList } from './update-from-list';
