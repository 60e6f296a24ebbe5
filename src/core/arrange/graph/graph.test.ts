import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { distanceTo, extentOfLines, lengthOf, outside, placeLabel, reversed, short, shortened, type Extent } from '.';

const coordinate = fc.integer({ min: -200, max: 200 });
/** Lines of level and upright legs, as links have them. */
const line = fc
  .record({
    x: coordinate,
    y: coordinate,
    legs: fc.array(fc.integer({ min: -150, max: 150 }), { minLength: 1, maxLength: 6 }),
  })
  .map(({ x, y, legs }) => {
    const points = [x, y];
    legs.forEach((leg, i) => {
      const [px, py] = points.slice(-2) as [number, number];
      points.push(i % 2 === 0 ? px + leg : px, i % 2 === 0 ? py : py + leg);
    });
    return points;
  });
const box = fc.record({
  x: coordinate,
  y: coordinate,
  width: fc.integer({ min: 1, max: 120 }),
  height: fc.integer({ min: 1, max: 60 }),
});
const inside = (at: Extent, x: number, y: number, by = 0) =>
  x > at.x + by && x < at.x + at.width - by && y > at.y + by && y < at.y + at.height - by;

describe('lengths in path data', () => {
  it('are written as JavaScript writes a number of two decimals', () => {
    const asNumber = (n: number) => String(Math.round(n * 100) / 100);
    const odd = fc.constantFrom(0, -0, 0.005, -0.001, -0.05, 3.1, 999_999.995, 1e6, -1e7, 1e12, 1e-9, NaN, -Infinity);
    fc.assert(
      fc.property(fc.oneof(odd, fc.double({ min: -3e6, max: 3e6 })), (n) => {
        expect(short(n)).toBe(asNumber(n));
      }),
    );
  });
});

describe('lines', () => {
  it('what lies outside a box never goes through it, and with what lies inside it is as long as the line', () => {
    fc.assert(
      fc.property(line, box, (points, hole) => {
        const parts = outside(points, hole);
        let sum = 0;
        for (const part of parts) {
          sum += lengthOf(part);
          for (let p = 2; p < part.length; p += 2) {
            const [mx, my] = [(part[p]! + part[p - 2]!) / 2, (part[p + 1]! + part[p - 1]!) / 2];
            expect(inside(hole, mx, my, 1e-6)).toBe(false);
          }
        }
        expect(sum).toBeLessThanOrEqual(lengthOf(points) + 1e-6);
        if (parts.length === 1 && parts[0]!.length === points.length && Math.abs(sum - lengthOf(points)) < 1e-9)
          expect(parts[0]).toEqual(points);
      }),
    );
  });
  it('shortened by a length at each end, a line is shorter by both, or a third of it is left', () => {
    fc.assert(
      fc.property(line, fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 60 }), (points, a, b) => {
        const all = lengthOf(points);
        const left = lengthOf(shortened(points, a, b));
        expect(left).toBeGreaterThanOrEqual(all / 3 - 1e-6);
        if (a + b <= (all * 2) / 3) expect(left).toBeCloseTo(all - a - b, 6);
      }),
    );
  });
  it('a point of a line is at no distance from it, one aside at that distance', () => {
    expect(distanceTo([0, 0, 10, 0], 4, 0)).toBe(0);
    expect(distanceTo([0, 0, 10, 0], 13, 4)).toBe(5);
    expect(reversed([0, 0, 10, 0, 10, 5])).toEqual([10, 5, 10, 0, 0, 0]);
  });
});

describe('words on a line', () => {
  const size = { width: 40, height: 12 };
  it('stand on the line, upright, with the size they have', () => {
    fc.assert(
      fc.property(line, fc.array(box, { maxLength: 4 }), (points, avoid) => {
        const at = placeLabel(points, size, avoid);
        expect(distanceTo(points, at.x + at.width / 2, at.y + at.height / 2)).toBeLessThan(1e-6);
        expect([at.width >= size.width, at.height >= size.height]).toEqual([true, true]);
      }),
    );
  });
  it('stand nearer the start or the end where that is wished', () => {
    fc.assert(
      fc.property(line, fc.array(box, { maxLength: 2 }), (points, avoid) => {
        const [start, middle, end] = (['start', 'middle', 'end'] as const).map((wish) => {
          const at = placeLabel(points, size, avoid, wish);
          return { x: at.x + at.width / 2, y: at.y + at.height / 2 };
        });
        for (const one of [start!, middle!, end!]) expect(distanceTo(points, one.x, one.y)).toBeLessThan(1e-6);
      }),
    );
    const long = [0, 0, 400, 0, 400, 200];
    const middleOf = (at: Extent) => [at.x + at.width / 2, at.y + at.height / 2];
    expect(middleOf(placeLabel(long, size, [], 'start'))[0]).toBeLessThan(80);
    expect(middleOf(placeLabel(long, size, [], 'end'))[1]).toBeGreaterThan(150);
    // What stands at the start sends them on.
    const sent = placeLabel(long, size, [{ x: 0, y: -20, width: 120, height: 40 }], 'start');
    expect(sent.x).toBeGreaterThanOrEqual(120);
  });
  it('meet nothing where a long enough part of the line is free', () => {
    const avoid = [{ x: 60, y: -30, width: 80, height: 60 }];
    const at = placeLabel([0, 0, 300, 0], size, avoid);
    expect(at.x > 140 || at.x + at.width < 60).toBe(true);
    expect(extentOfLines([[0, 0, 300, 0]])).toEqual({ x: 0, y: 0, width: 300, height: 0 });
  });
});
