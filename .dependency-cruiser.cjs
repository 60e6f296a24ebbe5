// The arrows between folders run one way. Inside core the shared folders follow the river and never run back; a kind uses what is shared and no
// other kind; `diagram` is on top; nobody imports past a folder's index.ts.
const notTests = '(\\.test\\.ts$|^src/core/testing/)';
const mayUse = {
  model: [],
  edit: ['model'],
  read: ['model'],
  hierarchy: ['model', 'edit', 'read'],
  measure: ['model'],
  style: ['model', 'hierarchy'],
  arrange: [],
  scene: ['model', 'hierarchy', 'measure', 'style', 'arrange'],
  check: ['model', 'hierarchy', 'measure', 'style', 'scene'],
  kind: ['model', 'edit', 'read', 'hierarchy', 'measure', 'style', 'arrange', 'scene', 'check'],
};
const riverRules = Object.entries(mayUse).map(([folder, allowed]) => ({
  name: `core-${folder}-follows-the-river`,
  severity: 'error',
  from: { path: `^src/core/${folder}/`, pathNot: notTests },
  to: { path: '^src/core/', pathNot: `^src/core/(${[folder, ...allowed].join('|')})/` },
}));
/** A folder of core with a face of its own: its index.ts. */
const unit = '(?:(?:arrange|kinds)/[^/]+|(?!arrange/|kinds/|testing/)[^/]+)';
const kindRules = [
  {
    name: 'nothing-shipped-uses-test-helpers',
    severity: 'error',
    from: { path: '^src/', pathNot: notTests },
    to: { path: '^src/core/testing/' },
  },
  {
    name: 'a-kind-uses-what-is-shared',
    severity: 'error',
    from: { path: '^src/core/kinds/', pathNot: notTests },
    to: { path: '^src/core/diagram/' },
  },
  {
    name: 'a-kind-knows-no-other',
    severity: 'error',
    from: { path: '^src/core/kinds/([^/]+)/', pathNot: notTests },
    to: { path: '^src/core/kinds/', pathNot: '^src/core/kinds/$1/' },
  },
  {
    name: 'a-kind-on-the-bench-knows-no-other',
    severity: 'error',
    from: { path: '^src/islands/bench/kinds/([^/]+)/', pathNot: notTests },
    to: { path: '^src/islands/bench/kinds/[^/]+/', pathNot: '^src/islands/bench/kinds/$1/' },
  },
  {
    name: 'nobody-imports-past-an-index-within-core',
    severity: 'error',
    from: { path: `^src/core/(${unit})/`, pathNot: notTests },
    to: { path: `^src/core/${unit}/(?!index\\.ts$)`, pathNot: '^src/core/$1/' },
  },
  {
    name: 'nobody-imports-past-an-index-from-outside',
    severity: 'error',
    from: { path: '^src/(?!core/)', pathNot: notTests },
    to: { path: `^src/core/${unit}/(?!index\\.ts$)` },
  },
];
module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^src/core/', pathNot: notTests },
      to: {
        path: '^(src/(?!core/)|node_modules/(?!(zod|culori|linebreak|bidi-js|damerau-levenshtein|lru-cache|dequal|flatqueue|flatbush|saxes|parse5|fflate|jsonc-parser|numfmt)/))',
        dependencyTypesNot: ['type-only'],
      },
    },
    {
      name: 'core-has-no-node',
      severity: 'error',
      from: { path: '^src/core/', pathNot: notTests },
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
    ...kindRules,
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
