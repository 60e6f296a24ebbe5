import { describe, expect, it } from 'vitest';
import { solveInside, type Rule } from './inner-point';

const above = (at: number, least: number): Rule => ({ at: [at], by: [1], least });

describe('a program solved from the inside', () => {
  it('finds the corner of a linear program, and how good any point can be', () => {
    // Least 3a + 2b with a + b ≥ 4, a + 3b ≥ 6, a, b ≥ 0: at (0, 4), worth 8.
    const rules: Rule[] = [
      { at: [0, 1], by: [1, 1], least: 4 },
      { at: [0, 1], by: [1, 3], least: 6 },
      above(0, 0),
      above(1, 0),
    ];
    const { z, bound } = solveInside(
      Float64Array.of(10, 10),
      rules,
      { linear: Float64Array.of(3, 2), squares: [] },
      1e-7,
    )!;
    expect(z[0]).toBeCloseTo(0, 5);
    expect(z[1]).toBeCloseTo(4, 5);
    expect(bound).toBeCloseTo(8, 5);
  });
  it('finds the point nearest to another within bounds', () => {
    // (a − 5)² + (b − 1)² least where a ≤ 3 and a + b ≥ 5: at (3, 2).
    const rules: Rule[] = [
      { at: [0], by: [-1], least: -3 },
      { at: [0, 1], by: [1, 1], least: 5 },
    ];
    const squares = [above(0, 5), above(1, 1)];
    const { z } = solveInside(Float64Array.of(0, 0), rules, { linear: new Float64Array(2), squares }, 1e-7)!;
    expect(z[0]).toBeCloseTo(3, 4);
    expect(z[1]).toBeCloseTo(2, 4);
  });
  it('says where there is no point', () => {
    const rules: Rule[] = [above(0, 2), { at: [0], by: [-1], least: -1 }];
    expect(solveInside(Float64Array.of(0), rules, { linear: Float64Array.of(1), squares: [] }, 1e-7)).toBeNull();
  });
});
