import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { placeIn, placeStack, spineClear, stackOf } from './stack';

const cell = { across: 60, along: 30 };

describe('leaves folded into columns', () => {
  it('five in two columns share a spine in the middle, three and two', () => {
    const stack = stackOf(5, 2, cell, 6, 10);
    // Two boxes of 60 with the spine's clearance of 12 on both sides of it.
    expect([stack.rows, stack.columns, stack.across, stack.along]).toEqual([3, 2, 144, 102]);
    expect(stack.spines).toEqual([72]);
    expect([0, 1, 2, 3, 4].map((k) => placeIn(stack, k))).toEqual([
      { column: 0, row: 0 },
      { column: 0, row: 1 },
      { column: 0, row: 2 },
      { column: 1, row: 0 },
      { column: 1, row: 1 },
    ]);
  });
  it('a single column has its spine before it', () => {
    const stack = stackOf(3, 1, cell, 6, 10);
    expect([stack.spines, stack.middles]).toEqual([[0], [12 + 30]]);
  });
  it('spines keep their distance within limits', () => {
    expect([2, 6, 10, 40].map(spineClear)).toEqual([8, 8, 12, 14]);
  });
  it('leaves no column empty, keeps boxes apart, and ticks from a spine to each', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 40 }), fc.integer({ min: 1, max: 8 }), (count, columns) => {
        const stack = stackOf(count, columns, cell, 6, 10);
        expect(stack.columns).toBeLessThanOrEqual(columns);
        expect(stack.rows * stack.columns).toBeGreaterThanOrEqual(count);
        expect(stack.rows * (stack.columns - 1)).toBeLessThan(count);
        const boxes = Array.from({ length: count }, () => ({ ...cell, dock: cell.along / 2 }));
        const { at, drops } = placeStack(stack, { across: 0, along: 0 }, boxes, cell, 6);
        at.forEach((a, i) =>
          at.slice(i + 1).forEach((b) => {
            const apart = Math.abs(a.middle - b.middle) >= 60 || Math.abs(a.start - b.start) >= 36 - 1e-9;
            expect(apart).toBe(true);
          }),
        );
        const ticks = drops.flatMap((drop) => drop.ticks.map((tick) => ({ ...tick, spine: drop.at })));
        expect(ticks).toHaveLength(count);
        for (const { spine, edge } of ticks) expect(Math.abs(spine - edge)).toBeCloseTo(12, 9);
        expect(Math.max(...at.map(({ middle }) => middle + 30))).toBeCloseTo(stack.across, 9);
      }),
    );
  });
});
