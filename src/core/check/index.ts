export * from './org-chart';
export * from './venn';
