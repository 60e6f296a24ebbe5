export * from './list-checks';
export * from './drawing-checks';
