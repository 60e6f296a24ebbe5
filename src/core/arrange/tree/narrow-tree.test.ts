import fc from 'fast-check';
import highs from 'highs';
import { describe, expect, it } from 'vitest';
import { narrowTree, widthOf } from './narrow-tree';
import { tidyTree, type TidyTreeInput } from './tidy-tree';

const gaps = { siblingGap: 10, branchGap: 24 };

/** Forests in level order: each node has its children where its draw says, near the end of what is there more likely than at its beginning. */
const forests = (most: number, few = 1): fc.Arbitrary<TidyTreeInput & { readonly parent: Int32Array }> =>
  fc
    .array(fc.record({ back: fc.nat({ max: 99 }), size: fc.integer({ min: 20, max: 140 }) }), {
      minLength: few,
      maxLength: most,
    })
    .map((nodes) => {
      const n = nodes.length;
      const parent = new Int32Array(n).fill(-1);
      for (let i = 1; i < n; i++)
        parent[i] = Math.max(parent[i - 1]!, i - 1 - Math.floor((i * nodes[i]!.back) / 200), 0);
      const [first, count] = [new Int32Array(n), new Int32Array(n)];
      for (let i = 1; i < n; i++) count[parent[i]!]!++;
      for (let i = 0, next = 1; i < n; i++) {
        first[i] = next;
        next += count[i]!;
      }
      return { roots: 1, parent, first, count, breadth: Float64Array.from(nodes, ({ size }) => size), ...gaps };
    });

const depthsOf = (parent: Int32Array): number[] => {
  const depth: number[] = [];
  parent.forEach((up) => depth.push(up < 0 ? 0 : depth[up]! + 1));
  return depth;
};

/** The smallest width by order, gaps and centred parents, as a linear program in the LP format. */
function programOf({ parent, first, count, breadth }: TidyTreeInput & { readonly parent: Int32Array }): string {
  const depth = depthsOf(parent);
  const rules: string[] = [];
  parent.forEach((up, i) => {
    rules.push(`x${i} - w <= ${-breadth[i]! / 2}`);
    if (i > 0 && depth[i] === depth[i - 1]) {
      const gap = up === parent[i - 1] ? gaps.siblingGap : gaps.branchGap;
      rules.push(`x${i} - x${i - 1} >= ${(breadth[i]! + breadth[i - 1]!) / 2 + gap}`);
    }
    const [a, b] = [first[i]!, first[i]! + count[i]! - 1];
    if (count[i] === 1) rules.push(`x${i} - x${a} = 0`);
    if (count[i]! > 1) rules.push(`2 x${i} - x${a} - x${b} = ${(breadth[b]! - breadth[a]!) / 2}`);
  });
  const bounds = Array.from(breadth, (each, i) => `x${i} >= ${each / 2}`);
  return ['Minimize', 'w', 'Subject To', ...rules, 'Bounds', ...bounds, 'End'].join('\n');
}

describe('a narrow tree', () => {
  it('keeps order and gaps on every level, and parents over the middle of their children', () => {
    fc.assert(
      fc.property(forests(90), (tree) => {
        const { parent, first, count, breadth } = tree;
        const x = narrowTree(tree);
        const depth = depthsOf(parent);
        expect(Math.min(...x.map((at, i) => at - breadth[i]! / 2))).toBeCloseTo(0, 6);
        for (let i = 0; i < x.length; i++) {
          if (i > 0 && depth[i] === depth[i - 1]) {
            const gap = parent[i] === parent[i - 1] ? gaps.siblingGap : gaps.branchGap;
            expect(x[i]! - x[i - 1]! - (breadth[i]! + breadth[i - 1]!) / 2).toBeGreaterThan(gap - 1e-5);
          }
          if (count[i] === 0) continue;
          const [a, b] = [first[i]!, first[i]! + count[i]! - 1];
          expect(x[i]!).toBeCloseTo((x[a]! - breadth[a]! / 2 + x[b]! + breadth[b]! / 2) / 2, 8);
        }
      }),
      { numRuns: 150 },
    );
  });
  it('is at most 2 % wider than the smallest width there is, by a linear program (package highs)', async () => {
    const solver = await highs();
    let narrowed = 0;
    fc.assert(
      fc.property(forests(140, 40), (tree) => {
        const { breadth } = tree;
        const least = solver.solve(programOf(tree)).ObjectiveValue;
        const width = widthOf(narrowTree(tree), breadth);
        expect(width).toBeGreaterThan(least - 1e-4);
        expect(width).toBeLessThanOrEqual(least * 1.02 + 1e-4);
        if (width < widthOf(tidyTree(tree), breadth) - 1) narrowed++;
      }),
      { numRuns: 80 },
    );
    expect(narrowed).toBeGreaterThan(10);
  });
  it('is the tidy tree where that is narrow enough', () => {
    // A head with three, of whom the outer two lead three each: nothing can be narrower.
    const tree: TidyTreeInput = {
      ...{ roots: 1, ...gaps, breadth: new Float64Array(10).fill(80) },
      first: Int32Array.of(1, 4, 7, 7, 10, 10, 10, 10, 10, 10),
      count: Int32Array.of(3, 3, 0, 3, 0, 0, 0, 0, 0, 0),
    };
    expect([...narrowTree(tree)]).toEqual([...tidyTree(tree)]);
  });
  it('leaves trees too large for it tidy, and takes none at all', () => {
    const wide = 2_000;
    const star: TidyTreeInput = {
      ...{ roots: 1, ...gaps, breadth: new Float64Array(wide + 1).fill(50) },
      first: new Int32Array(wide + 1).fill(wide + 1).fill(1, 0, 1),
      count: new Int32Array(wide + 1).fill(wide, 0, 1),
    };
    expect(narrowTree(star)).toEqual(tidyTree(star));
    const none = {
      roots: 0,
      ...gaps,
      breadth: new Float64Array(0),
      first: new Int32Array(0),
      count: new Int32Array(0),
    };
    expect(narrowTree(none)).toHaveLength(0);
  });
});
