export * from './box-outline';
export * from './scene';
export * from './tier-scene';
