export * from './org-chart';
