export * from './rounded-path';
export * from './tidy-tree';
export * from './tier-tree';
