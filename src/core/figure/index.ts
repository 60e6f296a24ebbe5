export * from './scale-words';
export * from './org-chart';
export * from './sorting';
export * from './venn';
export * from './set-question';
