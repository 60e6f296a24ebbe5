import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bendAxis, bentBy } from './bend';

/** A line of level and upright legs by turns. */
const orthogonal = fc.array(fc.integer({ min: 5, max: 90 }), { minLength: 1, maxLength: 6 }).map((legs) => {
  const points = [0, 0];
  legs.forEach((leg, k) =>
    points.push(points.at(-2)! + (k % 2 === 0 ? leg : 0), points.at(-2 + 1)! + (k % 2 === 0 ? 0 : leg)),
  );
  return points;
});
const by = fc.integer({ min: -60, max: 60 });
const legsOf = (points: readonly number[]): [number, number][] =>
  Array.from({ length: points.length / 2 - 1 }, (_, k) => [
    points[2 * k + 2]! - points[2 * k]!,
    points[2 * k + 3]! - points[2 * k + 1]!,
  ]);

describe('a bend by hand', () => {
  it('leaves both ends where they are and every leg level or upright; none is no change', () => {
    fc.assert(
      fc.property(orthogonal, by, (points, distance) => {
        const bent = bentBy(points, distance);
        expect(bent.slice(0, 2)).toEqual(points.slice(0, 2));
        expect(bent.slice(-2)).toEqual(points.slice(-2));
        for (const [dx, dy] of legsOf(bent)) expect(Math.min(Math.abs(dx), Math.abs(dy))).toBeLessThan(1e-9);
        expect(bentBy(points, 0)).toBe(points);
      }),
    );
  });
  it('moves one leg by just so much across itself, and the other way back', () => {
    fc.assert(
      fc.property(orthogonal, by, (points, distance) => {
        fc.pre(points.length >= 8 && distance !== 0);
        const bent = bentBy(points, distance);
        expect(bent).toHaveLength(points.length);
        const moved = points.map((value, p) => bent[p]! - value);
        const axis = bendAxis(points) === 'x' ? 0 : 1;
        expect(moved.filter((shift) => shift !== 0)).toEqual([distance, distance]);
        moved.forEach((shift, p) => shift !== 0 && expect(p % 2).toBe(axis));
      }),
    );
  });
});
