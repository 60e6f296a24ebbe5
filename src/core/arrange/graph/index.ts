export * from './label-place';
export * from './polyline';
export * from './rounded-path';
export { short } from './short';
