import fc from 'fast-check';
import clip, { type MultiPolygon, type Polygon } from 'polygon-clipping';
import { describe, expect, it } from 'vitest';
import { areasOf, areaSlopes, flattened, regionsOf } from './regions';
import { crossingsOf } from './ellipse-crossings';
import { equalShapes } from './curve-shapes';
import { lensArea, lensDistance } from './lens';
import { outsideness, pointAt, type Ellipse } from './ellipse';

/** Even over the range; `fc.double` would mostly give numbers next to 0. */
const even = (least: number, most: number) =>
  fc.integer({ min: 1, max: 999_999 }).map((n) => least + ((most - least) * n) / 1_000_000);
const ellipse = fc
  .record({ cx: even(-1, 1), cy: even(-1, 1), rx: even(0.4, 1.4), slim: even(0.4, 1), turn: even(-3, 3) })
  .map(({ slim, ...rest }): Ellipse => ({ ...rest, ry: rest.rx * slim }));

/** Enough that a polygon's area is within 3 parts in 100,000 of its ellipse's. */
const corners = 480;
const polygon = (e: Ellipse): Polygon => [
  Array.from({ length: corners }, (_, i): [number, number] => {
    const { x, y } = pointAt(e, (i * 2 * Math.PI) / corners);
    return [x, y];
  }),
];

const ringArea = (ring: readonly (readonly [number, number])[]): number =>
  ring.reduce((sum, [x, y], i) => {
    const [nextX, nextY] = ring[(i + 1) % ring.length]!;
    return sum + (x * nextY - nextX * y) / 2;
  }, 0);
const areaOfPolygons = (polygons: MultiPolygon): number =>
  polygons.reduce(
    (sum, [outer, ...holes]) =>
      sum + Math.abs(ringArea(outer!)) - holes.reduce((all, hole) => all + Math.abs(ringArea(hole)), 0),
    0,
  );

/** Polygons of many corners, cut by a general-purpose library. */
function clippedArea(ellipses: readonly Ellipse[], mask: number): number {
  const inside = ellipses.filter((_, i) => (mask >> i) & 1).map(polygon);
  const outside = ellipses.filter((_, i) => !((mask >> i) & 1)).map(polygon);
  const meet = clip.intersection(inside[0]!, ...inside.slice(1));
  return areaOfPolygons(outside.length > 0 ? clip.difference(meet, ...outside) : meet);
}

/** The second method: the chord of each ellipse on many level lines, cut where others begin and end. */
function areasByChords(ellipses: readonly Ellipse[], lines = 6000): number[] {
  const areas = new Array<number>(1 << ellipses.length).fill(0);
  const [top, bottom] = [-3, 3];
  const pitch = (bottom - top) / lines;
  for (let i = 0; i < lines; i++) {
    const y = top + (i + 0.5) * pitch;
    const chords = ellipses.map((e) => chord(e, y));
    const cuts = chords.flatMap((one) => one ?? []).sort((a, b) => a - b);
    for (let k = 0; k + 1 < cuts.length; k++) {
      const x = (cuts[k]! + cuts[k + 1]!) / 2;
      const mask = chords.reduce((bits, one, j) => (one && x > one[0] && x < one[1] ? bits | (1 << j) : bits), 0);
      areas[mask] = areas[mask]! + (cuts[k + 1]! - cuts[k]!) * pitch;
    }
  }
  return areas;
}

/** Where a level line enters and leaves an ellipse, from its equation as a quadratic in x. */
function chord({ cx, cy, rx, ry, turn }: Ellipse, y: number): [number, number] | null {
  const [c, s, d] = [Math.cos(turn), Math.sin(turn), y - cy];
  const a = (c / rx) ** 2 + (s / ry) ** 2;
  const b = 2 * d * c * s * (1 / rx ** 2 - 1 / ry ** 2);
  const rest = b * b - 4 * a * (d * d * ((s / rx) ** 2 + (c / ry) ** 2) - 1);
  return rest <= 0 ? null : [cx + (-b - Math.sqrt(rest)) / (2 * a), cx + (-b + Math.sqrt(rest)) / (2 * a)];
}

describe('outlines that touch', () => {
  const round = (cx: number, r: number): Ellipse => ({ cx, cy: 0, rx: r, ry: r, turn: 0 });
  it('are told to be inside or outside whichever point it is they touch at', () => {
    // The middle of an outline that nothing crosses is its leftmost point, which is where these touch.
    for (const side of [-1, 1]) {
      const regions = regionsOf([round(0, 2), round(side, 1), round(3 * side, 1)]);
      expect([...regions.keys()].sort()).toEqual([0, 1, 3, 4]);
      expect(regions.get(1)!.area).toBeCloseTo(3 * Math.PI, 9);
      expect(regions.get(3)!.area).toBeCloseTo(Math.PI, 9);
      expect(regions.get(4)!.area).toBeCloseTo(Math.PI, 9);
    }
  });
});

describe('regions of ellipses', () => {
  it('have the areas that summing up their chords gives, within a thousandth of the whole', () => {
    fc.assert(
      fc.property(fc.array(ellipse, { minLength: 2, maxLength: 4 }), (ellipses) => {
        const areas = areasOf(ellipses);
        const whole = areas.reduce((sum, area, mask) => (mask > 0 ? sum + area : sum), 0);
        areasByChords(ellipses).forEach((area, mask) => {
          if (mask > 0) expect(Math.abs(areas[mask]! - area)).toBeLessThan(0.001 * Math.max(area, 0.05 * whole));
        });
      }),
      { numRuns: 80, unbiased: true, endOnFailure: true },
    );
  });
  it.each([3, 4, 5])('of the %i equal curves have the areas that polygon clipping finds, within a thousandth', (n) => {
    const shapes = equalShapes(n);
    const areas = areasOf(shapes);
    for (let mask = 1; mask < areas.length; mask++)
      expect(Math.abs(areas[mask]! / clippedArea(shapes, mask) - 1)).toBeLessThan(0.001);
  });
  it('cover each ellipse once: the regions inside it sum up to πab', () => {
    fc.assert(
      fc.property(fc.array(ellipse, { minLength: 1, maxLength: 5 }), (ellipses) => {
        const areas = areasOf(ellipses);
        ellipses.forEach((e, i) => {
          const sum = areas.reduce((all, area, mask) => ((mask >> i) & 1 ? all + area : all), 0);
          expect(sum).toBeCloseTo(Math.PI * e.rx * e.ry, 9);
        });
      }),
      { numRuns: 200, unbiased: true },
    );
  });
  it('change as their slopes say', () => {
    fc.assert(
      fc.property(fc.array(ellipse, { minLength: 3, maxLength: 3 }), fc.nat({ max: 14 }), (ellipses, j) => {
        const h = 1e-6;
        const [i, p] = [Math.floor(j / 5), j % 5];
        const shifted = (by: number): Ellipse[] =>
          ellipses.map((e, k) =>
            k !== i
              ? e
              : {
                  cx: e.cx + (p === 0 ? by : 0),
                  cy: e.cy + (p === 1 ? by : 0),
                  rx: e.rx * Math.exp(p === 2 ? by : 0),
                  ry: e.ry * Math.exp(p === 3 ? by : 0),
                  turn: e.turn + (p === 4 ? by : 0),
                },
          );
        const [up, down] = [areasOf(shifted(h)), areasOf(shifted(-h))];
        const { slopes } = areaSlopes(ellipses);
        for (let mask = 1; mask < 8; mask++)
          expect(Math.abs(slopes[mask * 15 + j]! - (up[mask]! - down[mask]!) / (2 * h))).toBeLessThan(2e-3);
      }),
      { numRuns: 150, unbiased: true },
    );
  });
  it('are bounded by points that lie on an outline, and a point within is inside just the sets of its mask', () => {
    const shapes = equalShapes(4);
    for (const [mask, region] of regionsOf(shapes)) {
      const points = region.loops.flatMap((loop) => flattened(shapes, loop));
      for (const { x, y } of points)
        expect(Math.min(...shapes.map((e) => Math.abs(outsideness(e, x, y))))).toBeLessThan(1e-9);
      for (const { x, y } of points)
        for (const [i, e] of shapes.entries())
          if (Math.abs(outsideness(e, x, y)) > 1e-6) expect(outsideness(e, x, y) < 0).toBe(((mask >> i) & 1) === 1);
    }
  });
  it('cross where both outlines are: at most four points', () => {
    fc.assert(
      fc.property(ellipse, ellipse, (a, b) => {
        const found = crossingsOf(a, b);
        expect(found.length % 2).toBe(0);
        expect(found.length).toBeLessThanOrEqual(4);
        for (const t of found) {
          const { x, y } = pointAt(a, t);
          expect(Math.abs(outsideness(b, x, y))).toBeLessThan(1e-9);
        }
      }),
      { numRuns: 1000, unbiased: true },
    );
  });
});

describe('the lens of two circles', () => {
  it('has the area of the closed form', () => {
    fc.assert(
      fc.property(even(0.2, 2), even(0.2, 2), even(0.01, 0.99), (r, R, share) => {
        const d = Math.abs(r - R) + share * (r + R - Math.abs(r - R));
        const circles = [
          { cx: 0, cy: 0, rx: r, ry: r, turn: 0 },
          { cx: d, cy: 0, rx: R, ry: R, turn: 0 },
        ];
        expect(areasOf(circles)[3]).toBeCloseTo(lensArea(r, R, d), 9);
        expect(lensDistance(r, R, lensArea(r, R, d))).toBeCloseTo(d, 6);
      }),
    );
  });
  // Two unit circles through each other's centres: 2π/3 − √3/2 (by hand from the formula in references.md).
  it('of unit circles through each other’s centres is 2π/3 − √3/2', () =>
    expect(lensArea(1, 1, 1)).toBeCloseTo((2 * Math.PI) / 3 - Math.sqrt(3) / 2, 12));
});
