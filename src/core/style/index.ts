export * from './cascade';
export * from './contrast';
export * from './link-cascade';
export { lookOf, looks, roleStyle, tierStyle, type Look } from './look';
