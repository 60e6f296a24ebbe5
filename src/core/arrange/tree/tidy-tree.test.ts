import { flextree } from 'd3-flextree';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { tidyTree, type TidyTreeInput } from './tidy-tree';

interface Tree {
  readonly parent: number[];
  readonly breadth: number[];
}
const gaps = { siblingGap: 10, branchGap: 24 };
/** Trees whose parents never step back, which is level order when re-sorted below. */
const trees = (most: number, kids = Infinity): fc.Arbitrary<Tree> =>
  fc
    .array(fc.record({ draw: fc.nat({ max: 1_000_000 }), size: fc.integer({ min: 10, max: 120 }) }), {
      minLength: 1,
      maxLength: most,
    })
    .map((nodes) => {
      const parent: number[] = [];
      const used: number[] = [];
      nodes.forEach(({ draw }, i) => {
        let p = i === 0 ? -1 : draw % i;
        while (p >= 0 && used[p]! >= kids) p = (p + 1) % i;
        parent.push(p);
        used.push(0);
        if (p >= 0) used[p]!++;
      });
      return { parent, breadth: nodes.map((node) => node.size) };
    });

/** Level order with the children of each node in list order (or against it). */
function input(
  { parent, breadth }: Tree,
  reversed = false,
): TidyTreeInput & { at: number[]; depth: number[]; up: number[] } {
  const kids: number[][] = parent.map(() => []);
  parent.forEach((p, i) => p >= 0 && kids[p]!.push(i));
  if (reversed) for (const list of kids) list.reverse();
  const order = [0];
  for (const node of order) order.push(...kids[node]!);
  const at = new Array<number>(parent.length);
  order.forEach((node, i) => (at[node] = i));
  const first = new Int32Array(order.length);
  const count = new Int32Array(order.length);
  let next = 1;
  order.forEach((node, i) => {
    first[i] = next;
    count[i] = kids[node]!.length;
    next += count[i]!;
  });
  const up = order.map((node) => (parent[node]! < 0 ? -1 : at[parent[node]!]!));
  const depth: number[] = [];
  up.forEach((p, i) => (depth[i] = p < 0 ? 0 : depth[p]! + 1));
  return {
    roots: 1,
    first,
    count,
    breadth: Float64Array.from(order, (node) => breadth[node]!),
    ...gaps,
    at,
    depth,
    up,
  };
}

interface Node {
  i: number;
  size: [number, number];
  children: Node[];
}
/** d3-flextree on the same tree with every tier equally high, so that its rules and ours coincide. */
function reference(tree: TidyTreeInput, reversed: boolean): Float64Array {
  const make = (i: number): Node => {
    const children = Array.from({ length: tree.count[i]! }, (_, k) => make(tree.first[i]! + k));
    return { i, size: [tree.breadth[i]!, 10], children: reversed ? children.reverse() : children };
  };
  const layout = flextree<Node>({ spacing: (a, b) => (a.parent === b.parent ? gaps.siblingGap : gaps.branchGap) });
  const root = layout.hierarchy(make(0));
  layout(root);
  const x = new Float64Array(tree.first.length);
  root.each((node) => (x[node.data.i] = node.x));
  return x;
}
const extent = (tree: TidyTreeInput, x: Float64Array): number =>
  Math.max(...x.map((at, i) => at + tree.breadth[i]! / 2)) - Math.min(...x.map((at, i) => at - tree.breadth[i]! / 2));

describe('tidy tree', () => {
  it('keeps the set gaps on every level, keeps the order, and stands parents at the middle of their children', () => {
    fc.assert(
      fc.property(trees(60), (tree) => {
        const given = input(tree);
        const x = tidyTree(given);
        for (let i = 1; i < x.length; i++) {
          if (given.depth[i] !== given.depth[i - 1]) continue;
          const free = x[i]! - given.breadth[i]! / 2 - (x[i - 1]! + given.breadth[i - 1]! / 2);
          expect(free).toBeGreaterThanOrEqual(
            (given.up[i] === given.up[i - 1] ? gaps.siblingGap : gaps.branchGap) - 1e-6,
          );
        }
        for (let i = 0; i < x.length; i++) {
          if (given.count[i] === 0) continue;
          const a = given.first[i]!;
          const z = a + given.count[i]! - 1;
          expect(x[i]).toBeCloseTo((x[a]! - given.breadth[a]! / 2 + x[z]! + given.breadth[z]! / 2) / 2, 6);
        }
        expect(Math.min(...x.map((at, i) => at - given.breadth[i]! / 2))).toBeCloseTo(0, 9);
      }),
      { numRuns: 300 },
    );
  });
  it('stands siblings of one breadth at one pitch where that costs no more than is allowed, with gaps and middles as ever', () => {
    fc.assert(
      fc.property(trees(60), fc.constantFrom(0.05, 0.1, 0.4), (drawn, evenWithin) => {
        const tree = { ...drawn, breadth: drawn.breadth.map(() => 60) };
        const given = { ...input(tree), evenWithin };
        const x = tidyTree(given);
        for (let i = 0; i < x.length; i++) {
          if (i > 0 && given.depth[i] === given.depth[i - 1])
            expect(x[i]! - x[i - 1]! - 60).toBeGreaterThanOrEqual(
              (given.up[i] === given.up[i - 1] ? gaps.siblingGap : gaps.branchGap) - 1e-6,
            );
          const [a, k] = [given.first[i]!, given.count[i]!];
          if (k === 0) continue;
          expect(x[i]).toBeCloseTo((x[a]! + x[a + k - 1]!) / 2, 6);
          const steps = Array.from({ length: k - 1 }, (_, c) => x[a + c + 1]! - x[a + c]!);
          const span = x[a + k - 1]! - x[a]!;
          const widest = Math.max(0, ...steps);
          const uneven = k > 2 && widest - Math.min(...steps) > 0.5;
          if (uneven) expect(widest * (k - 1) - span).toBeGreaterThan(evenWithin * (span + 60) - 1e-6);
        }
        const mirrored = tidyTree({ ...input(tree, true), evenWithin });
        const width = extent(given, x);
        for (let node = 0; node < tree.parent.length; node++)
          expect(mirrored[input(tree, true).at[node]!]).toBeCloseTo(width - x[given.at[node]!]!, 6);
      }),
      { numRuns: 200 },
    );
  });
  it('draws the mirrored tree as the mirror image', () => {
    fc.assert(
      fc.property(trees(60), (tree) => {
        const there = input(tree);
        const back = input(tree, true);
        const x = tidyTree(there);
        const m = tidyTree(back);
        const width = extent(there, x);
        for (let node = 0; node < tree.parent.length; node++)
          expect(m[back.at[node]!]).toBeCloseTo(width - x[there.at[node]!]!, 6);
      }),
      { numRuns: 300 },
    );
  });
  it('equals d3-flextree where no sibling has room to spare: at most two children each', () => {
    fc.assert(
      fc.property(trees(40, 2), (tree) => {
        const given = input(tree);
        const x = tidyTree(given);
        const wanted = reference(given, false);
        for (let i = 0; i < x.length; i++) expect(x[i]! - x[0]!).toBeCloseTo(wanted[i]! - wanted[0]!, 6);
      }),
      { numRuns: 300 },
    );
  });
  it('equals the mean of d3-flextree’s drawing and of its mirrored drawing of the mirror image, and is never wider', () => {
    fc.assert(
      fc.property(trees(60), (tree) => {
        const given = input(tree);
        const x = tidyTree(given);
        const there = reference(given, false);
        const back = reference(given, true);
        for (let i = 0; i < x.length; i++)
          expect(x[i]! - x[0]!).toBeCloseTo((there[i]! - there[0]! - (back[i]! - back[0]!)) / 2, 6);
        expect(extent(given, x)).toBeLessThanOrEqual(extent(given, there) + 1e-6);
      }),
      { numRuns: 300 },
    );
  });
  it('draws equal subtrees alike wherever they stand', () => {
    fc.assert(
      fc.property(trees(15), trees(15), (twin, other) => {
        // A root with twin, other, twin below it.
        const join = [twin, other, twin];
        const tree: Tree = { parent: [-1], breadth: [40] };
        const starts = join.map(({ parent, breadth }) => {
          const start = tree.parent.length;
          for (const p of parent) tree.parent.push(p < 0 ? 0 : p + start);
          tree.breadth.push(...breadth);
          return start;
        });
        const given = input(tree);
        const x = tidyTree(given);
        const from = (start: number) => twin.parent.map((_, i) => x[given.at[start + i]!]! - x[given.at[start]!]!);
        from(starts[0]!).forEach((offset, i) => expect(offset).toBeCloseTo(from(starts[2]!)[i]!, 6));
      }),
    );
  });
  it('spreads small siblings evenly between two large ones', () => {
    // The first and last child have four leaves each; three leaves stand between them.
    const parent = [-1, 0, 0, 0, 0, 0, 1, 1, 1, 1, 5, 5, 5, 5];
    const given = input({ parent, breadth: parent.map(() => 20) });
    const x = tidyTree(given);
    const steps = [1, 2, 3, 4].map((i) => x[given.at[i + 1]!]! - x[given.at[i]!]!);
    for (const step of steps) expect(step).toBeCloseTo(steps[0]!, 6);
  });
  it.each([
    ['chain', (i: number) => i - 1],
    ['star', () => 0],
    ['comb', (i: number) => (i % 2 === 1 ? Math.max(0, i - 2) : i - 1)],
    ['wide', (i: number) => Math.floor((i - 1) / 7)],
  ])('takes a %s of 100,000', (_, parentOf) => {
    const n = 100_000;
    const parent = Array.from({ length: n }, (__, i) => (i === 0 ? -1 : parentOf(i)));
    const given = { parent, breadth: new Array<number>(n).fill(30) };
    const kids: number[][] = parent.map(() => []);
    parent.forEach((p, i) => p >= 0 && kids[p]!.push(i));
    const order = [0];
    for (let i = 0; i < order.length; i++) for (const kid of kids[order[i]!]!) order.push(kid);
    const count = Int32Array.from(order, (node) => kids[node]!.length);
    const first = new Int32Array(n);
    let next = 1;
    order.forEach((__, i) => {
      first[i] = next;
      next += count[i]!;
    });
    const x = tidyTree({ roots: 1, first, count, breadth: Float64Array.from(given.breadth), ...gaps });
    expect(x.every(Number.isFinite)).toBe(true);
  });
  it('sets several roots side by side, and nothing for an empty forest', () => {
    const none = new Int32Array(2);
    expect([...tidyTree({ roots: 2, first: none, count: none, breadth: Float64Array.of(20, 40), ...gaps })]).toEqual([
      10, 50,
    ]);
    expect(
      tidyTree({ roots: 0, first: new Int32Array(0), count: new Int32Array(0), breadth: new Float64Array(0), ...gaps }),
    ).toHaveLength(0);
  });
});
