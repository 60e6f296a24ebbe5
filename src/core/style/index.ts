export * from './cascade';
export * from './contrast';
export { lookOf, looks, roleStyle, tierStyle, type Look } from './look';
export * from './venn-cascade';
