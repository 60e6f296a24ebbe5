export type { DiagramOf, Fit, Kind } from './kind';
export * from './kinds';
export * from './river';
export * from './update-from-list';
