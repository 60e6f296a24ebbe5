export * from './box-outline';
export * from './region-words';
export * from './scene';
export * from './tier-scene';
export { isToScale } from './venn-arrangement';
export * from './venn-scene';
