import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { descend } from './descend';
import { leastSquares } from './least-squares';

const coordinate = fc.integer({ min: -100, max: 100 }).map((n) => n / 10);

describe('least squares', () => {
  it('finds the point at given distances from three others', () => {
    fc.assert(
      fc.property(coordinate, coordinate, (x, y) => {
        const posts = [
          [-12, -11],
          [12, -12],
          [0, 13],
        ] as const;
        const wanted = posts.map(([px, py]) => Math.hypot(px - x, py - y));
        const found = leastSquares(
          (v) => {
            const residuals = new Float64Array(3);
            const slopes = new Float64Array(6);
            posts.forEach(([px, py], k) => {
              const d = Math.hypot(px - v[0]!, py - v[1]!);
              residuals[k] = d - wanted[k]!;
              slopes[2 * k] = (v[0]! - px) / d;
              slopes[2 * k + 1] = (v[1]! - py) / d;
            });
            return { residuals, slopes };
          },
          Float64Array.of(0.5, 0.5),
          200,
        );
        expect(found[0]).toBeCloseTo(x, 5);
        expect(found[1]).toBeCloseTo(y, 5);
      }),
    );
  });
  it('of many solutions takes the one near by: the foot of the perpendicular on a line', () => {
    // x + y = 4 from (0, 1): (1.5, 2.5).
    const found = leastSquares(
      (v) => ({ residuals: Float64Array.of(v[0]! + v[1]! - 4), slopes: Float64Array.of(1, 1) }),
      Float64Array.of(0, 1),
    );
    expect(found[0]).toBeCloseTo(1.5, 6);
    expect(found[1]).toBeCloseTo(2.5, 6);
  });
  it('does not step where there is no value, and stays where it cannot begin', () => {
    const walled = leastSquares(
      (v) => (v[0]! < 1 ? null : { residuals: Float64Array.of(v[0]!), slopes: Float64Array.of(1) }),
      Float64Array.of(3),
    );
    expect(walled[0]).toBeGreaterThanOrEqual(1);
    expect(leastSquares(() => null, Float64Array.of(7))).toEqual(Float64Array.of(7));
  });
});

describe('descending without slopes', () => {
  it('finds the bottom of a bowl', () => {
    fc.assert(
      fc.property(coordinate, coordinate, coordinate, (a, b, c) => {
        const found = descend(
          (v) => (v[0]! - a) ** 2 + 3 * (v[1]! - b) ** 2 + 2 * (v[2]! - c) ** 2,
          Float64Array.of(0, 0, 0),
          1,
          3000,
        );
        expect(Math.hypot(found[0]! - a, found[1]! - b, found[2]! - c)).toBeLessThan(1e-3);
      }),
    );
  });
  // H. H. Rosenbrock, "An automatic method for finding the greatest or least value of a function", 1960: lowest at (1, 1).
  it('finds the end of Rosenbrock’s bent valley', () => {
    const found = descend(
      (v) => 100 * (v[1]! - v[0]! ** 2) ** 2 + (1 - v[0]!) ** 2,
      Float64Array.of(-1.2, 1),
      0.5,
      4000,
    );
    expect(found[0]).toBeCloseTo(1, 3);
    expect(found[1]).toBeCloseTo(1, 3);
  });
  it('never ends higher than it began, however few values it may ask for', () => {
    const of = (v: Float64Array) => Math.abs(v[0]! - 2) + Math.abs(v[1]!);
    expect(of(descend(of, Float64Array.of(9, 9), 1, 4))).toBeLessThanOrEqual(16);
  });
});
