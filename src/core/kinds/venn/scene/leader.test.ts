import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { leaders } from './leader';
import type { Point } from '../../../arrange/curves';
import type { Rect } from '../../../scene';

const leader = (from: Point, to: Point, gutter: number, avoid: readonly Rect[]): readonly number[] =>
  leaders([{ from, to, own: null }], gutter, avoid).lines[0]!;

/** Points of the line a tenth of a pixel apart, each looked up in every box: slow, and by another way than the router's. */
function met(points: readonly number[], boxes: readonly Rect[]): number {
  const inside = new Set<Rect>();
  for (let k = 0; k + 3 < points.length; k += 2) {
    const [x1, y1, x2, y2] = points.slice(k, k + 4) as [number, number, number, number];
    const steps = Math.ceil(Math.hypot(x2 - x1, y2 - y1) * 10);
    for (let i = 0; i <= steps; i++) {
      const [x, y] = [x1 + ((x2 - x1) * i) / steps, y1 + ((y2 - y1) * i) / steps];
      for (const box of boxes)
        if (x > box.x && x < box.x + box.width && y > box.y && y < box.y + box.height) inside.add(box);
    }
  }
  return inside.size;
}

const rows = fc.record({
  top: fc.integer({ min: 0, max: 40 }),
  widths: fc.array(fc.integer({ min: 40, max: 180 }), { minLength: 1, maxLength: 14 }),
  at: fc.integer({ min: 0, max: 300 }),
  to: fc.integer({ min: 0, max: 400 }),
});

describe('the line from a region to the key', () => {
  it('begins and ends where it should, and finds its way between rows of text', () => {
    fc.assert(
      fc.property(rows, fc.boolean(), ({ top, widths, at, to }, left) => {
        const boxes = widths.map((width, i) => ({ x: 200 - width / 2, y: top + 22 * i, width, height: 16 }));
        const [from, end] = [
          { x: left ? 320 : 80, y: at },
          { x: left ? -40 : 440, y: to },
        ];
        const points = leader(from, end, 32, boxes);
        expect(points.slice(0, 2)).toEqual([from.x, from.y]);
        expect(points.slice(-2)).toEqual([end.x, end.y]);
        expect(met(points, boxes)).toBe(0);
      }),
    );
  });
  it('is straight where nothing is in the way', () => {
    expect(leader({ x: 10, y: 50 }, { x: 200, y: 90 }, 32, [])).toEqual([10, 50, 186, 90, 200, 90]);
  });
  it('passes through as little text as can be where text is everywhere', () => {
    const wall: Rect[] = [0, 1].map((i) => ({ x: 60 + 60 * i, y: -500, width: 20, height: 1000 }));
    expect(met(leader({ x: 10, y: 50 }, { x: 300, y: 90 }, 32, wall), wall)).toBe(2);
  });

  it('no line crosses another where the regions and their parts of the key come in the same order', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.record({ x: fc.integer({ min: 0, max: 380 }), y: fc.integer({ min: 0, max: 90 }) }), {
          minLength: 2,
          maxLength: 14,
          selector: ({ y }) => y,
        }),
        fc.integer({ min: 14, max: 60 }),
        (sites, pitch) => {
          const ends = [...sites]
            .sort((a, b) => a.y - b.y)
            .map(({ x, y }, i) => ({ from: { x, y: 5 * y }, to: { x: 460, y: i * pitch }, own: null }));
          const { lines } = leaders(ends, 32, []);
          lines.forEach((a, i) => lines.slice(i + 1).forEach((b) => expect(crossings(a, b)).toBe(0)));
        },
      ),
    );
  });
  it('goes past what stands in other regions, over its own', () => {
    const own = { x: 100, y: 90, width: 30, height: 20 };
    const other = { x: 200, y: 90, width: 30, height: 20 };
    const ends = [
      { from: { x: 126, y: 100 }, to: { x: 400, y: 100 }, own },
      { from: { x: 226, y: 100 }, to: { x: 400, y: 160 }, own: other },
    ];
    const [first, second] = leaders(ends, 32, []).lines;
    expect(met(first!, [own])).toBe(1);
    expect(met(first!, [other])).toBe(0);
    expect(crossings(first!, second!)).toBe(0);
  });
});

/** How often two lines cross, by solving for the point where the lines through each two of their stretches meet. */
function crossings(a: readonly number[], b: readonly number[]): number {
  let count = 0;
  for (let k = 0; k + 3 < a.length; k += 2)
    for (let m = 0; m + 3 < b.length; m += 2) {
      const [x, y, ux, uy] = [a[k]!, a[k + 1]!, a[k + 2]! - a[k]!, a[k + 3]! - a[k + 1]!];
      const [v, w, vx, vy] = [b[m]!, b[m + 1]!, b[m + 2]! - b[m]!, b[m + 3]! - b[m + 1]!];
      const det = ux * vy - uy * vx;
      if (Math.abs(det) < 1e-9) continue;
      const s = ((v - x) * vy - (w - y) * vx) / det;
      const t = ((v - x) * uy - (w - y) * ux) / det;
      if (s > 0 && s < 1 && t > 0 && t < 1) count++;
    }
  return count;
}
