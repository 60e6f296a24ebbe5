export * from './side-route';
export * from './tidy-tree';
export * from './tier-tree';
