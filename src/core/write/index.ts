export * from './csv';
export * from './outline-text';
