// The arrows between folders run one way; inside core they follow the river and never run back.
const river = [
  'model',
  'edit',
  'read',
  'write',
  'tiers',
  'style',
  'measure',
  'arrange',
  'scene',
  'check',
  'figure',
  'kind',
];
const mayUse = {
  model: [],
  edit: ['model', 'tiers'],
  read: ['model'],
  write: ['model', 'read', 'tiers'],
  tiers: ['model'],
  style: ['model', 'tiers'],
  measure: ['model'],
  arrange: [],
  scene: ['model', 'tiers', 'style', 'measure', 'arrange'],
  check: ['model', 'tiers', 'style', 'measure', 'scene'],
  figure: ['model', 'tiers'],
  kind: river,
};
const riverRules = Object.entries(mayUse).map(([folder, allowed]) => ({
  name: `core-${folder}-follows-the-river`,
  severity: 'error',
  from: { path: `^src/core/${folder}/`, pathNot: '\\.test\\.ts$' },
  to: {
    path: '^src/core/',
    pathNot: `^src/core/(${[folder, ...allowed].join('|')})/`,
  },
}));
module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '(\\.test\\.ts$|^src/core/testing/)' },
      to: {
        path: '^(src/(?!core/)|node_modules/(?!(zod|culori|linebreak|damerau-levenshtein)/))',
        dependencyTypesNot: ['type-only'],
      },
    },
    {
      name: 'core-has-no-node',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '(\\.test\\.ts$|^src/core/testing/)' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'export-uses-core-only',
      severity: 'error',
      from: { path: '^src/export/' },
      to: { path: '^src/(?!core/|export/)' },
    },
    {
      name: 'server-uses-core-and-export',
      severity: 'error',
      from: { path: '^src/server/' },
      to: { path: '^src/(?!core/|export/|server/)' },
    },
    {
      name: 'islands-use-core-and-workers',
      severity: 'error',
      from: { path: '^src/islands/' },
      to: { path: '^src/(?!core/|islands/|workers/)' },
    },
    { name: 'nobody-imports-pages', severity: 'error', from: { pathNot: '^src/pages/' }, to: { path: '^src/pages/' } },
    ...riverRules,
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
