import { venn } from '@upsetjs/venn.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { centresApart, circlesToScale } from './circles-to-scale';
import { areasOf } from './regions';
import { lensArea } from './lens';
import { scaleError } from './scale-error';
import { scaleShapes } from './to-scale';
import { type Ellipse } from './ellipse';

const share = (list: ArrayLike<number>): number[] => {
  const all = Array.from(list).slice(1);
  const sum = all.reduce((a, b) => a + b, 0);
  return all.map((one) => one / sum);
};
const counts = (regions: number, least: number) =>
  fc
    .array(fc.integer({ min: least, max: 100 }), { minLength: regions, maxLength: regions })
    .map((list) => [0, ...list]);

describe('drawing to scale', () => {
  it('is exact for two sets', () => {
    fc.assert(
      fc.property(counts(3, 1), (wanted) => {
        const found = scaleShapes(wanted, 'circles')!;
        share(areasOf(found.shapes)).forEach((got, k) => expect(got).toBeCloseTo(share(wanted)[k]!, 9));
        expect(found).toMatchObject({ lost: [], unwanted: [] });
      }),
    );
  });
  it('keeps two sets apart that share nothing, and puts one inside the other that has nothing alone', () => {
    expect(scaleShapes([0, 5, 8, 0], 'circles')).toMatchObject({
      lost: [],
      unwanted: [],
      diagError: expect.closeTo(0, 9),
    });
    expect(scaleShapes([0, 0, 8, 3], 'circles')).toMatchObject({
      lost: [],
      unwanted: [],
      diagError: expect.closeTo(0, 9),
    });
  });
  it('never loses a wanted region of three sets, with circles or with ellipses', () => {
    fc.assert(
      fc.property(counts(7, 0), fc.constantFrom('circles' as const, 'ellipses' as const), (wanted, manner) => {
        const filled = [1, 2, 4].every((bit) => wanted.some((w, mask) => w > 0 && mask & bit));
        fc.pre(filled);
        const { shapes, lost } = scaleShapes(wanted, manner)!;
        expect(lost).toEqual([]);
        const areas = areasOf(shapes);
        wanted.forEach((w, mask) => w > 0 && mask > 0 && expect(areas[mask]).toBeGreaterThan(0));
      }),
      { numRuns: 60 },
    );
  });
  it('with ellipses is never worse than with circles, in neither error', () => {
    fc.assert(
      fc.property(counts(7, 0), (wanted) => {
        fc.pre(wanted.some((w) => w > 0));
        const [circles, ellipses] = [scaleShapes(wanted, 'circles')!, scaleShapes(wanted, 'ellipses')!];
        expect(ellipses.stress).toBeLessThanOrEqual(circles.stress);
        expect(ellipses.diagError).toBeLessThanOrEqual(circles.diagError);
      }),
      { numRuns: 40 },
    );
  });
  it('finds ellipses again that are known to exist', () => {
    const known: Ellipse[] = [
      { cx: 0, cy: 0, rx: 1, ry: 0.8, turn: 0.3 },
      { cx: 0.8, cy: 0.1, rx: 0.9, ry: 0.75, turn: 1 },
      { cx: 0.35, cy: 0.7, rx: 1, ry: 0.8, turn: 2 },
    ];
    expect(scaleShapes(areasOf(known), 'ellipses')!.diagError).toBeLessThan(1e-6);
  });
  it('is no worse than a general-purpose library where that one keeps every region', () => {
    const wanted = [0, 40, 35, 12, 50, 9, 14, 6];
    const names = ['A', 'B', 'C'];
    const sets = wanted.flatMap((_, mask) => {
      const size = wanted.reduce((sum, w, other) => ((other & mask) === mask ? sum + w : sum), 0);
      return mask > 0 ? [{ sets: names.filter((_name, i) => (mask >> i) & 1), size }] : [];
    });
    const drawn = venn(sets);
    const theirs = scaleError(
      areasOf(
        names.map((name) => ({
          cx: drawn[name]!.x,
          cy: drawn[name]!.y,
          rx: drawn[name]!.radius,
          ry: drawn[name]!.radius,
          turn: 0,
        })),
      ),
      wanted,
    );
    const ours = scaleShapes(wanted, 'circles')!;
    expect(theirs.lost).toEqual([]);
    expect(ours.stress).toBeLessThanOrEqual(theirs.stress);
    expect(ours.diagError).toBeLessThanOrEqual(theirs.diagError);
  });
  it('gives the same shapes again, and none for four sets or for nothing', () => {
    const wanted = [0, 3, 30, 12, 7, 9, 1, 6];
    expect(scaleShapes(wanted, 'ellipses')).toEqual(scaleShapes(wanted, 'ellipses'));
    expect(scaleShapes(new Array<number>(16).fill(1), 'ellipses')).toBeNull();
    expect(scaleShapes([4, 0, 0, 0], 'circles')).toBeNull();
  });
});

describe('the errors of a drawing', () => {
  it('are 0 where areas are the wanted ones at any scale', () =>
    expect(scaleError([0, 3, 6, 9], [0, 1, 2, 3])).toEqual({ stress: 0, diagError: 0, lost: [], unwanted: [] }));
  // By hand: areas 1, 1 for 1, 3. Scale aw/ww = 4/10; residual (1−.4)² + (1−1.2)² = .4; over aa = 2: .2. Shares 1/2 and 1/4 of the first: .25.
  it('are those worked out by hand', () => {
    const { stress, diagError } = scaleError([0, 1, 1], [0, 1, 3]);
    expect(stress).toBeCloseTo(0.2, 12);
    expect(diagError).toBeCloseTo(0.25, 12);
  });
  it('name the regions that are lost and unwanted', () =>
    expect(scaleError([0, 1, 1, 0], [0, 1, 0, 1])).toMatchObject({ lost: [3], unwanted: [2] }));
});

describe('two circles that share an area', () => {
  const radius = fc.integer({ min: 10, max: 100 }).map((n) => n / 100);
  it('overlap by it, by the closed form of the lens', () => {
    fc.assert(
      fc.property(radius, radius, fc.integer({ min: 1, max: 99 }), (r, R, percent) => {
        const shared = (Math.PI * Math.min(r, R) ** 2 * percent) / 100;
        expect(lensArea(r, R, centresApart(r, R, shared))).toBeCloseTo(shared, 9);
      }),
    );
  });
  it('keep a little room where they need not cross: apart, or one well within the other', () => {
    fc.assert(
      fc.property(radius, radius, (r, R) => {
        expect(centresApart(r, R, 0)).toBeGreaterThan((r + R) * 1.03);
        const inside = centresApart(r, R, Math.PI * Math.min(r, R) ** 2);
        expect(inside).toBeLessThanOrEqual(Math.abs(r - R) * 0.86);
      }),
    );
  });
});

describe('three circles', () => {
  it('that can be exact are, and nothing touches that need not', () => {
    // One apart from two others, one inside another: what trees of sets look like.
    for (const wanted of [
      [0, 4, 5, 0, 6, 0, 0, 0],
      [0, 4, 5, 0, 0, 0, 3, 0],
      [0, 4, 5, 2, 6, 0, 0, 0],
    ]) {
      const { best } = circlesToScale(wanted.map((w) => w / wanted.reduce((a, b) => a + b, 0)));
      expect(best).toMatchObject({ lost: [], unwanted: [], diagError: expect.closeTo(0, 6) });
      best.shapes.forEach((a, i) =>
        best.shapes.slice(i + 1).forEach((b) => {
          const d = Math.hypot(a.cx - b.cx, a.cy - b.cy);
          const gap = Math.min(Math.abs(d - a.rx - b.rx), Math.abs(d - Math.abs(a.rx - b.rx)));
          expect(gap).toBeGreaterThan(0.002);
        }),
      );
    }
  });
});
