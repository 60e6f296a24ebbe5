import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { equalShapes, wideShapes } from './curve-shapes';
import { roomsOf } from './curves-layout';
import { outsideness, pointAt, stretched, type Ellipse } from './ellipse';
import { regionsOf } from './regions';
import { suited } from './suited';

const tenths = (least: number, most: number) => fc.integer({ min: least, max: most }).map((n) => n / 10);
const ellipse: fc.Arbitrary<Ellipse> = fc.record({
  cx: tenths(-10, 10),
  cy: tenths(-10, 10),
  rx: tenths(4, 14),
  ry: tenths(4, 14),
  turn: tenths(-30, 30),
});

describe('the curves that are drawn when nothing is to scale', () => {
  it.each([1, 2, 3, 4, 5])('of %i sets show every region, in one piece and large enough for a word', (n) => {
    const shapes = equalShapes(n);
    const regions = regionsOf(shapes);
    expect(regions.size).toBe(2 ** n);
    const largest = Math.max(...[...regions.values()].map((region) => region.area));
    for (const [mask, region] of regions) {
      if (mask === 0) continue;
      expect(region.loops, `region ${mask}`).toHaveLength(1);
      expect(region.area).toBeGreaterThan(largest * 0.015);
    }
  });
  it('are congruent for five sets (Grünbaum 1975), and no circles from four on', () => {
    for (const e of equalShapes(5)) expect([e.rx, e.ry]).toEqual([equalShapes(5)[0]!.rx, equalShapes(5)[0]!.ry]);
    for (const e of equalShapes(4)) expect(e.rx).not.toBe(e.ry);
  });
  it('are refused for six', () => expect(() => equalShapes(6)).toThrow('up to five sets'));
  it.each([4, 5])('wider ones of %i sets show every region in one piece too', (n) => {
    for (const wide of [1.25, 1.5])
      for (const shapes of wideShapes(n, wide)) {
        const regions = regionsOf(shapes);
        expect(regions.size).toBe(2 ** n);
        for (const [mask, { loops, area }] of regions) {
          if (mask === 0) continue;
          expect(loops, `region ${mask}`).toHaveLength(1);
          expect(area).toBeGreaterThan(0.005);
        }
      }
  });
  it('stretched sideways, have every point where the plane’s stretching takes it', () => {
    fc.assert(
      fc.property(
        ellipse,
        fc.integer({ min: 3, max: 30 }).map((n) => n / 10),
        (e, by) => {
          const wider = stretched(e, by);
          for (let t = 0; t < 6; t += 0.4) {
            const { x, y } = pointAt(e, t);
            expect(outsideness(wider, x * by, y)).toBeCloseTo(0, 6);
          }
          expect(wider.rx * wider.ry).toBeCloseTo(by * e.rx * e.ry, 6);
        },
      ),
    );
  });
  it('are given to the sets so that regions with items are the roomy ones', () => {
    const [, roomy] = wideShapes(5, 1.5);
    const rooms = roomsOf(roomy!);
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 31 }), { minLength: 1, maxLength: 6 }), (masks) => {
        const counts = Array.from({ length: 32 }, (_, mask) => masks.filter((one) => one === mask).length);
        const served = (of: readonly number[]): number =>
          masks.reduce((sum, mask) => sum + Math.min(1, of[mask]! / (0.4 * Math.sqrt(counts[mask]!))), 0);
        const given = suited(roomy!, counts, 0.4);
        expect([...given].sort((a, b) => a.cx - b.cx)).toEqual([...roomy!].sort((a, b) => a.cx - b.cx));
        expect(served(roomsOf(given))).toBeGreaterThanOrEqual(served(rooms) - 1e-9);
      }),
    );
  });
});
