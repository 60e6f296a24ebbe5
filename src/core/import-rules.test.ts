import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { cruise, type ICruiseOptions, type ICruiseResult, type IFlattenedRuleSet } from 'dependency-cruiser';
import { afterEach, describe, expect, it } from 'vitest';

const config = createRequire(import.meta.url)('../../.dependency-cruiser.cjs') as {
  forbidden: IFlattenedRuleSet['forbidden'];
  options: ICruiseOptions;
};
const there = process.cwd();
afterEach(() => process.chdir(there));

/** The rules that one file importing another breaks, in a tree of folders that holds nothing else. */
async function broken(from: string, to: string): Promise<string[]> {
  const folder = mkdtempSync(join(tmpdir(), 'dendrotax-rules-'));
  const put = (file: string, text: string) => {
    mkdirSync(dirname(join(folder, file)), { recursive: true });
    writeFileSync(join(folder, file), text);
  };
  put(to, 'export const x = 1;\n');
  put(
    from,
    `import { x } from '${'../'.repeat(from.split('/').length - 1)}${to.replace(/\.ts$/, '')}';\nexport { x };\n`,
  );
  process.chdir(folder);
  const { output } = await cruise(['src'], {
    ruleSet: { forbidden: config.forbidden },
    validate: true,
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { extensions: ['.ts'] },
  });
  return (output as ICruiseResult).summary.violations.map(({ rule }) => rule.name);
}

describe('the import rules', () => {
  it.each([
    ['src/core/model/a.ts', 'src/core/kinds/venn/index.ts', 'core-model-follows-the-river'],
    ['src/core/edit/a.ts', 'src/core/hierarchy/index.ts', 'core-edit-follows-the-river'],
    ['src/core/scene/a.ts', 'src/core/diagram/index.ts', 'core-scene-follows-the-river'],
    ['src/core/arrange/tree/a.ts', 'src/core/model/index.ts', 'core-arrange-follows-the-river'],
    ['src/core/kinds/venn/a.ts', 'src/core/kinds/org-chart/index.ts', 'a-kind-knows-no-other'],
    ['src/core/kinds/venn/read/a.ts', 'src/core/diagram/index.ts', 'a-kind-uses-what-is-shared'],
    ['src/core/kinds/venn/a.ts', 'src/core/model/order-key.ts', 'nobody-imports-past-an-index-within-core'],
    ['src/core/diagram/a.ts', 'src/core/kinds/venn/model.ts', 'nobody-imports-past-an-index-within-core'],
    ['src/core/scene/a.ts', 'src/core/arrange/tree/tidy-tree.ts', 'nobody-imports-past-an-index-within-core'],
    ['src/islands/bench/a.ts', 'src/core/kinds/venn/model.ts', 'nobody-imports-past-an-index-from-outside'],
    ['src/export/a.ts', 'src/core/scene/scene.ts', 'nobody-imports-past-an-index-from-outside'],
    [
      'src/islands/bench/kinds/venn/a.ts',
      'src/islands/bench/kinds/org-chart/parts.ts',
      'a-kind-on-the-bench-knows-no-other',
    ],
    ['src/core/model/a.ts', 'src/server/b.ts', 'core-stands-alone'],
    ['src/islands/a.ts', 'src/core/testing/b.ts', 'nothing-shipped-uses-test-helpers'],
  ])('%s must not import %s', async (from, to, rule) => expect(await broken(from, to)).toContain(rule));
  it.each([
    ['src/core/kinds/venn/read/a.ts', 'src/core/kinds/venn/model.ts'],
    ['src/core/kinds/venn/a.ts', 'src/core/arrange/curves/index.ts'],
    ['src/core/diagram/a.ts', 'src/core/kinds/venn/index.ts'],
    ['src/islands/bench/a.ts', 'src/core/diagram/index.ts'],
  ])('%s may import %s', async (from, to) => expect(await broken(from, to)).toEqual([]));
});
