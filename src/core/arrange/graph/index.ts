export { inOrder } from './isotonic';
export * from './label-place';
export * from './polyline';
export * from './route-links';
export * from './rounded-path';
export { short } from './short';
