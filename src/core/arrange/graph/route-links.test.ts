import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Extent } from './polyline';
import { laneGap, routeLinks } from './route-links';
import { sharedWays } from './shared-ways';

/** Boxes on a grid with a third of its places empty, 100 × 40 with 24 px between them. */
const grounds = fc
  .record({
    there: fc.array(fc.boolean(), { minLength: 12, maxLength: 30 }),
    ends: fc.array(fc.tuple(fc.nat(), fc.nat()), { minLength: 1, maxLength: 6 }),
  })
  .map(({ there, ends }) => {
    const boxes = there.flatMap((is, k): Extent[] =>
      is || k < 3 ? [{ x: (k % 6) * 124, y: Math.floor(k / 6) * 64, width: 100, height: 40 }] : [],
    );
    const links = ends
      .map(([a, b]) => ({ from: a % boxes.length, to: b % boxes.length }))
      .filter(({ from, to }) => from !== to);
    return { boxes, links };
  });
type Leg = { readonly upright: boolean; readonly at: number; readonly from: number; readonly to: number };
const legs = (points: readonly number[]): Leg[] =>
  Array.from({ length: points.length / 2 - 1 }, (_, k) => {
    const [ax, ay, bx, by] = points.slice(2 * k, 2 * k + 4) as [number, number, number, number];
    return ax === bx
      ? { upright: true, at: ax, from: Math.min(ay, by), to: Math.max(ay, by) }
      : { upright: false, at: ay, from: Math.min(ax, bx), to: Math.max(ax, bx) };
  });
const alongEachOther = (a: Leg, b: Leg): boolean =>
  a.upright === b.upright && Math.abs(a.at - b.at) < laneGap - 0.01 && a.from < b.to - 1 && b.from < a.to - 1;

describe('routes of links beside boxes', () => {
  it('leave and meet their boxes at the sides that are wished', () => {
    const side = fc.constantFrom('top' as const, 'bottom' as const, 'left' as const, 'right' as const);
    fc.assert(
      fc.property(grounds, side, side, ({ boxes, links }, leaves, meets) => {
        const some = links.slice(0, 3).map((link) => ({ ...link, leaves, meets }));
        routeLinks({ boxes, lines: [], out: { x: 7, y: 7 } }, some).forEach((points, k) => {
          for (const [end, x, y, wished] of [
            [some[k]!.from, points[0]!, points[1]!, leaves],
            [some[k]!.to, points.at(-2)!, points.at(-1)!, meets],
          ] as const) {
            const box = boxes[end]!;
            const edge = { top: box.y, bottom: box.y + box.height, left: box.x, right: box.x + box.width }[wished];
            expect(wished === 'top' || wished === 'bottom' ? y : x).toBe(edge);
          }
        });
      }),
      { numRuns: 100 },
    );
  });
  it('go level and upright from edge to edge, through no box', () => {
    fc.assert(
      fc.property(grounds, ({ boxes, links }) => {
        routeLinks({ boxes, lines: [], out: { x: 7, y: 7 } }, links).forEach((points, k) => {
          for (let p = 2; p < points.length; p += 2)
            expect(points[p] === points[p - 2] || points[p + 1] === points[p - 1]).toBe(true);
          for (const [end, x, y] of [
            [links[k]!.from, points[0]!, points[1]!],
            [links[k]!.to, points.at(-2)!, points.at(-1)!],
          ] as const) {
            const box = boxes[end]!;
            const onSide = (x === box.x || x === box.x + box.width) && y > box.y && y < box.y + box.height;
            const onFlat = (y === box.y || y === box.y + box.height) && x > box.x && x < box.x + box.width;
            expect(onSide || onFlat).toBe(true);
          }
          for (const leg of legs(points))
            for (const box of boxes) {
              const [across, along] = leg.upright ? ([box.x, box.y] as const) : ([box.y, box.x] as const);
              const [wide, long] = leg.upright ? [box.width, box.height] : [box.height, box.width];
              const inside = leg.at > across && leg.at < across + wide && leg.from < along + long && leg.to > along;
              expect(inside).toBe(false);
            }
        });
      }),
      { numRuns: 150 },
    );
  });
  it('keep lanes of their own, and docking points of their own', () => {
    fc.assert(
      fc.property(grounds, ({ boxes, links }) => {
        const routes = routeLinks({ boxes, lines: [], out: { x: 7, y: 7 } }, links).map(legs);
        for (const [i, a] of routes.entries())
          for (const b of routes.slice(i + 1))
            for (const one of a) for (const other of b) expect(alongEachOther(one, other)).toBe(false);
      }),
      { numRuns: 150 },
    );
  });
  it('of one bundle share a line or keep apart, and share one where they go the same way', () => {
    fc.assert(
      fc.property(grounds, ({ boxes, links }) => {
        const bundled = links.map((link, k) => ({ ...link, ...(k % 3 > 0 && { bundle: k % 3 }) }));
        const routes = routeLinks({ boxes, lines: [], out: { x: 7, y: 7 } }, bundled).map(legs);
        routes.forEach((a, i) =>
          routes.slice(i + 1).forEach((b, j) => {
            const together = bundled[i]!.bundle !== undefined && bundled[i]!.bundle === bundled[i + 1 + j]!.bundle;
            for (const one of a)
              for (const other of b)
                expect(alongEachOther(one, other) && !(together && Math.abs(one.at - other.at) < 0.01)).toBe(false);
          }),
        );
      }),
      { numRuns: 150 },
    );
    const column = (x: number, y: number): Extent[] =>
      Array.from({ length: 3 }, (_, k) => ({ x, y: y + k * 64, width: 100, height: 40 }));
    const boxes = [...column(0, 0), ...column(600, 400)];
    const ends = [0, 1, 2].map((k) => ({ from: k, to: k + 3, bundle: 1 }));
    const ways = routeLinks({ boxes, lines: [], out: { x: 7, y: 7 } }, ends);
    const { own, shared } = sharedWays(ways);
    expect(shared.length).toBeGreaterThan(0);
    // Own pieces and what is shared make up the whole of each way.
    const long = (line: readonly number[]) => legs(line).reduce((sum, { from, to }) => sum + to - from, 0);
    ways.forEach((way, k) => expect(own[k]!.reduce((sum, piece) => sum + long(piece), 0)).toBeLessThan(long(way)));
  });
  it('cross a line in their way, but do not run along it', () => {
    const boxes: Extent[] = [
      { x: 0, y: 0, width: 100, height: 40 },
      { x: 300, y: 0, width: 100, height: 40 },
    ];
    const line = [200, -500, 200, 500];
    const [route] = routeLinks({ boxes, lines: [line], out: { x: 7, y: 7 } }, [{ from: 0, to: 1 }]);
    expect(route).toEqual([100, 20, 300, 20]);
    const along = [107, -500, 107, 20, 290, 20];
    const [around] = routeLinks({ boxes, lines: [along], out: { x: 7, y: 7 } }, [{ from: 0, to: 1 }]);
    for (const one of legs(around!)) for (const other of legs(along)) expect(alongEachOther(one, other)).toBe(false);
  });
});
