export * from './roles';
export * from './structure';
export * from './venn-structure';
