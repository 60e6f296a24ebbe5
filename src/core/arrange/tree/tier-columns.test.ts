import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hierarchyOf } from '../../hierarchy';
import { diagramFromParents, parents } from '../../testing/arbitrary';
import { arrangeColumns, sizeInColumns, type ColumnsInput } from './tier-columns';
import { arrangeIndented, sizeIndented, type IndentedInput } from './indented';

const inputOf = (
  list: readonly number[],
  heights: readonly number[],
  patch: Partial<ColumnsInput> = {},
): ColumnsInput => {
  const structure = hierarchyOf(diagramFromParents(list).entries);
  const n = structure.ids.length;
  const height = Float64Array.from({ length: n }, (_, i) => heights[structure.tier[i]! % heights.length]!);
  return {
    ...{ roots: structure.roots, parent: structure.parent, first: structure.first },
    ...{ count: structure.count, tier: structure.tier, height },
    width: Float64Array.from({ length: n }, (_, i) => 40 + 10 * (structure.tier[i]! % 3)),
    ...{ direction: 'right', gap: 6, ends: 'own', zones: null },
    tierGap: Array.from({ length: 30 }, () => 20),
    ...patch,
  };
};
const trees = parents(40).filter((list) => list.length > 0);
const sizes = fc.array(fc.integer({ min: 10, max: 60 }), { minLength: 1, maxLength: 4 });

interface Placed {
  readonly x: Float64Array;
  readonly y: Float64Array;
}
const overlaps = ({ x, y }: Placed, { width, height }: Pick<ColumnsInput, 'width' | 'height'>): number => {
  let found = 0;
  for (let i = 0; i < x.length; i++)
    for (let j = i + 1; j < x.length; j++)
      if (
        x[i]! < x[j]! + width[j]! - 1e-6 &&
        x[j]! < x[i]! + width[i]! - 1e-6 &&
        y[i]! < y[j]! + height[j]! - 1e-6 &&
        y[j]! < y[i]! + height[i]! - 1e-6
      )
        found++;
  return found;
};

describe('tiers as columns', () => {
  it('no two boxes meet, columns begin on one line, and the size is what it is said to be', () => {
    fc.assert(
      fc.property(trees, sizes, (list, heights) => {
        const input = inputOf(list, heights);
        const layout = arrangeColumns(input);
        expect(overlaps(layout, input)).toBe(0);
        layout.x.forEach((x, i) => expect(x).toBe(layout.tiers[input.tier[i]! - 1]!.start));
        expect(sizeInColumns(input)).toEqual({ width: layout.width, height: layout.height });
        const bottom = Math.max(...layout.y.map((y, i) => y + input.height[i]!));
        expect(bottom).toBeCloseTo(layout.height, 6);
        expect(Math.min(...layout.y)).toBeCloseTo(0, 6);
      }),
    );
  });
  it('leaves stand at one distance from each other, and everybody else at the middle of what is below', () => {
    fc.assert(
      fc.property(trees, sizes, (list, heights) => {
        const input = inputOf(list, heights);
        const { y } = arrangeColumns(input);
        const middle = (i: number) => y[i]! + input.height[i]! / 2;
        const leaves = Array.from(input.count, (_, i) => i).filter((i) => input.count[i] === 0);
        const rows = leaves.map(middle).sort((a, b) => a - b);
        const steps = rows.slice(1).map((row, k) => row - rows[k]!);
        for (const step of steps) expect(step).toBeCloseTo(steps[0]!, 6);
        for (let i = 0; i < y.length; i++)
          if (input.count[i]! > 0) {
            const [first, last] = [input.first[i]!, input.first[i]! + input.count[i]! - 1];
            expect(middle(i)).toBeCloseTo((middle(first) + middle(last)) / 2, 6);
          }
      }),
    );
  });
  it('downward it is the same turned over', () => {
    fc.assert(
      fc.property(trees, sizes, (list, heights) => {
        const right = inputOf(list, heights);
        const down = arrangeColumns({ ...right, direction: 'down', width: right.height, height: right.width });
        const across = arrangeColumns(right);
        expect([...down.x]).toEqual([...across.y]);
        expect([...down.y]).toEqual([...across.x]);
        expect([down.width, down.height]).toEqual([across.height, across.width]);
      }),
      { numRuns: 40 },
    );
  });
  it('ends in one column leave the rows to their lines: nobody else’s box stands in them', () => {
    fc.assert(
      fc.property(trees, sizes, (list, heights) => {
        const zones = Array.from({ length: 30 }, (_, t) => (t === 0 ? 0 : 15));
        const input = inputOf(list, heights, { ends: 'aligned', zones });
        const { x, y, tiers } = arrangeColumns(input);
        const last = tiers.length - 1;
        const middle = (i: number) => y[i]! + input.height[i]! / 2;
        for (let i = 0; i < x.length; i++) {
          if (input.count[i]! > 0 || input.tier[i]! - 1 === last) continue;
          const [from, to] = [x[i]! + 15, tiers[last]!.start];
          for (let j = 0; j < x.length; j++)
            if (j !== i && input.count[j]! > 0 && x[j]! + input.width[j]! > from && x[j]! < to)
              expect(Math.abs(middle(j) - middle(i))).toBeGreaterThanOrEqual(input.height[j]! / 2 + 5.9);
        }
      }),
    );
  });
});

describe('a stepped outline', () => {
  const stepped = (list: readonly number[], heights: readonly number[], columns: number): IndentedInput => ({
    ...inputOf(list, heights),
    outline: hierarchyOf(diagramFromParents(list).entries).outline,
    ...{ step: 18, columns, columnGap: 30 },
  });
  it('no two boxes meet, each tier is indented by a step, and the size is what it is said to be', () => {
    fc.assert(
      fc.property(trees, sizes, fc.integer({ min: 1, max: 4 }), (list, heights, columns) => {
        const input = stepped(list, heights, columns);
        const layout = arrangeIndented(input);
        expect(overlaps(layout, input)).toBe(0);
        expect(sizeIndented(input)).toEqual({ width: layout.width, height: layout.height });
        layout.x.forEach((x, i) => {
          expect(x + input.width[i]!).toBeLessThanOrEqual(layout.width + 1e-6);
          expect(layout.y[i]! + input.height[i]!).toBeLessThanOrEqual(layout.height + 1e-6);
          // A branch below the second tier is never torn: its entries stand a step after their heads.
          if (input.tier[i]! > 2) expect(x - layout.x[input.parent[i]!]!).toBeCloseTo(18, 6);
        });
      }),
    );
  });
  it('in one column entries stand below each other in the order of the list', () => {
    fc.assert(
      fc.property(trees, sizes, (list, heights) => {
        const input = stepped(list, heights, 1);
        const { y } = arrangeIndented(input);
        const { outline } = hierarchyOf(diagramFromParents(list).entries);
        const tops = Array.from(outline, (i) => y[i]!);
        expect(tops).toEqual([...tops].sort((a, b) => a - b));
        expect(new Set(tops).size).toBe(tops.length);
      }),
    );
  });
  it('more columns are never higher', () => {
    fc.assert(
      fc.property(trees, sizes, (list, heights) => {
        const high = [1, 2, 3, 4].map((columns) => sizeIndented(stepped(list, heights, columns)).height);
        high.slice(1).forEach((one, k) => expect(one).toBeLessThanOrEqual(high[k]! + 0.02));
      }),
    );
  });
});
