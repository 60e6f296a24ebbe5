export * from './roles';
export * from './structure';
