export * from './csv';
export * from './outline-text';
export * from './venn-lists';
