import { describe, expect, it } from 'vitest';
import { arrangeTierTree, type TierTreeInput } from './tier-tree';
import { allItems } from './items';
import { roundedPath } from '../graph';

/** A hierarchy in level order from parents that never step back. Boxes 60 × 30 unless told. */
function hierarchy(parents: number[], options: Partial<TierTreeInput> = {}): TierTreeInput {
  const n = parents.length;
  const parent = Int32Array.from(parents);
  const count = new Int32Array(n);
  for (const p of parents) if (p >= 0) count[p]!++;
  const roots = parents.filter((p) => p < 0).length;
  const first = new Int32Array(n);
  let next = roots;
  for (let i = 0; i < n; i++) {
    first[i] = next;
    next += count[i]!;
  }
  const tier = new Int32Array(n);
  parents.forEach((p, i) => (tier[i] = p < 0 ? 1 : tier[p]! + 1));
  const beside = options.beside ?? new Uint8Array(n);
  return {
    roots,
    parent,
    first,
    count,
    tier,
    width: new Float64Array(n).fill(60),
    height: new Float64Array(n).fill(30),
    beside,
    foot: null,
    items: allItems({ first, count, beside }),
    direction: 'down',
    stackRows: 1,
    stacks: 'teams',
    keptInRow: 1,
    mostColumns: 8,
    siblingGap: 10,
    branchGap: 20,
    tierGap: [0, 40, 40, 40, 40],
    ...options,
  };
}

describe('the arrangement on tiers', () => {
  it('a manager with three reports, worked by hand', () => {
    const layout = arrangeTierTree(hierarchy([-1, 0, 0, 0]));
    // Three boxes of 60 with gaps of 10 are 200 wide; the manager stands at the middle, 100 ± 30.
    expect([...layout.x]).toEqual([70, 0, 70, 140]);
    expect([...layout.y]).toEqual([0, 70, 70, 70]);
    expect([layout.width, layout.height]).toEqual([200, 100]);
    expect(layout.tiers).toEqual([
      { start: 0, rowStart: 0, end: 30 },
      { start: 70, rowStart: 70, end: 100 },
    ]);
  });
  it('lines go from the middle of the bottom over the middle of the gap to the middle of each top', () => {
    const layout = arrangeTierTree(hierarchy([-1, 0, 0, 0]));
    expect(layout.fans.get(0)!.map((line) => line.points)).toEqual([
      [100, 30, 100, 50],
      [30, 70, 30, 50, 170, 50, 170, 70],
      [100, 50, 100, 70],
    ]);
  });
  it('a single report hangs straight below', () => {
    expect(arrangeTierTree(hierarchy([-1, 0])).fans.get(0)).toEqual([{ points: [30, 30, 30, 70] }]);
  });
  it('to the right, the same drawing with the axes swapped', () => {
    const layout = arrangeTierTree(hierarchy([-1, 0, 0], { direction: 'right' }));
    expect([...layout.y]).toEqual([20, 0, 40]);
    expect([...layout.x]).toEqual([0, 100, 100]);
    expect(layout.fans.get(0)![0]).toEqual({ points: [60, 35, 80, 35] });
  });
  it('in columns the lowest tier stands below each other, under the middle of the manager, with one line beside', () => {
    const layout = arrangeTierTree(hierarchy([-1, 0, 0, 0], { stackRows: Infinity, mostColumns: 1 }));
    expect(new Set(layout.x.slice(1)).size).toBe(1);
    expect(layout.x[1]).toBe(layout.x[0]);
    expect(layout.y[2]! - layout.y[1]!).toBeCloseTo(37.5, 9);
    const edges = layout.fans.get(0)!.map(({ points }) => points.slice(-2));
    expect(edges.map(([x]) => x)).toEqual([layout.x[1], layout.x[1], layout.x[1]]);
    expect(edges.map(([, y]) => y).sort((a, b) => a! - b!)).toEqual([1, 2, 3].map((i) => layout.y[i]! + 15));
  });
  it('only reports of whom none leads others stand in a column, on whatever tier; the next tier begins below it', () => {
    const uneven = arrangeTierTree(hierarchy([-1, 0, 0, 1, 1, 2, 2, 5], { stackRows: Infinity, mostColumns: 1 }));
    expect(uneven.x[3]).toBe(uneven.x[4]);
    expect(uneven.y[5]).toBe(uneven.y[6]);
    expect(uneven.y[7]!).toBeGreaterThanOrEqual(uneven.y[4]! + 30 + 40);
    const layout = arrangeTierTree(hierarchy([-1, 0, 0, 1, 1, 1], { stackRows: Infinity, mostColumns: 1 }));
    expect(layout.y[1]).toBe(layout.y[2]);
    expect(layout.x[1]).not.toBe(layout.x[2]);
    expect(layout.x[3]).toBe(layout.x[4]);
  });
  it('the gap above one tier moves that tier and all below', () => {
    const usual = arrangeTierTree(hierarchy([-1, 0, 1]));
    const wide = arrangeTierTree(hierarchy([-1, 0, 1], { tierGap: [0, 90, 40] }));
    expect([...wide.y].map((y, i) => y - usual.y[i]!)).toEqual([0, 50, 50]);
  });
  it('two assistants stand left and right of the line, the reports below them', () => {
    const layout = arrangeTierTree(hierarchy([-1, 0, 0, 0, 0], { beside: Uint8Array.of(0, 1, 1, 0, 0) }));
    const middle = layout.x[0]! + 30;
    expect(layout.x[1]! - middle).toBe(14);
    expect(middle - (layout.x[2]! + 60)).toBe(14);
    expect(layout.y[1]).toBe(layout.y[2]);
    expect(layout.y[3]!).toBeGreaterThan(layout.y[1]! + 30);
    expect(layout.tiers[1]!.rowStart).toBe(layout.y[3]);
    expect(layout.tiers[1]!.start).toBe(layout.y[1]);
  });
  it('a manager with an assistant alone has a line to that one only', () => {
    const layout = arrangeTierTree(hierarchy([-1, 0], { beside: Uint8Array.of(0, 1) }));
    const [stem, branch] = layout.fans.get(0)!;
    expect(stem!.points[3]).toBe(layout.y[1]! + 15);
    expect(branch!.points.slice(2)).toEqual([layout.x[1], layout.y[1]! + 15]);
  });
  it('boxes of unequal height begin on one line; the next tier begins below the highest', () => {
    const layout = arrangeTierTree(hierarchy([-1, 0, 0, 1], { height: Float64Array.of(30, 20, 80, 30) }));
    expect(layout.y[1]).toBe(layout.y[2]);
    expect(layout.y[3]).toBe(layout.y[1]! + 80 + 40);
  });
  it('nothing to arrange gives an empty drawing', () => {
    expect(arrangeTierTree(hierarchy([]))).toMatchObject({ width: 0, height: 0, tiers: [] });
  });
});

describe('rounded joins', () => {
  it('a straight line has no join', () => expect(roundedPath([0, 0, 10, 0], 5)).toBe('M0 0L10 0'));
  it('a corner is cut back by the radius on both legs', () =>
    expect(roundedPath([0, 0, 10, 0, 10, 20], 4)).toBe('M0 0L6 0Q10 0 10 4L10 20'));
  it('on a short leg the radius is half the leg', () =>
    expect(roundedPath([0, 0, 4, 0, 4, 20], 9)).toBe('M0 0L2 0Q4 0 4 2L4 20'));
  it('without a radius the corner is sharp', () =>
    expect(roundedPath([0, 0, 10, 0, 10, 20], 0)).toBe('M0 0L10 0L10 20'));
});
