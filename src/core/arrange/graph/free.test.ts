import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  convexHull,
  crossingsAmong,
  evenPlaces,
  extentOfLines,
  fewerBends,
  freeLinks,
  grown,
  lengthOf,
  lineRunsThrough,
  onRings,
  overlap,
  pointAt,
  pushApart,
  runsThrough,
  untangledOrder,
  type Extent,
} from '.';

const place = fc.integer({ min: -200, max: 200 });
const extent: fc.Arbitrary<Extent> = fc.record({
  x: place,
  y: place,
  width: fc.integer({ min: 1, max: 120 }),
  height: fc.integer({ min: 1, max: 80 }),
});

describe('a stretch and a rectangle', () => {
  it('meet where a point of the stretch is inside', () => {
    fc.assert(
      fc.property(place, place, place, place, extent, (x0, y0, x1, y1, box) => {
        const inside = Array.from({ length: 201 }, (_, i) => i / 200).some((t) => {
          const [x, y] = [x0 + (x1 - x0) * t, y0 + (y1 - y0) * t];
          const eps = 1e-6;
          return x > box.x + eps && x < box.x + box.width - eps && y > box.y + eps && y < box.y + box.height - eps;
        });
        if (inside) expect(runsThrough(x0, y0, x1, y1, box)).toBe(true);
        // What does not come near it does not meet it.
        const around = extentOfLines([[x0, y0, x1, y1]]);
        if (!overlap(grown(around, 0.001), box)) expect(runsThrough(x0, y0, x1, y1, box)).toBe(false);
      }),
      { numRuns: 1000 },
    );
  });
  it('that touches an edge or a corner does not run through', () => {
    const box = { x: 0, y: 0, width: 10, height: 10 };
    expect(runsThrough(-5, 0, 15, 0, box)).toBe(false);
    expect(runsThrough(-5, 5, 5, -5, box)).toBe(false);
    expect(runsThrough(-5, 5, 15, 5, box)).toBe(true);
  });
});

describe('an outline without dents', () => {
  it('holds all its points, turns one way only, and has corners among them', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(place, place), { minLength: 3, maxLength: 30 }), (points) => {
        const hull = convexHull(points.flat());
        const corners = Array.from({ length: hull.length / 2 }, (_, i) => [hull[2 * i]!, hull[2 * i + 1]!] as const);
        for (const [x, y] of corners) expect(points.some((one) => one[0] === x && one[1] === y)).toBe(true);
        if (corners.length < 3) return;
        corners.forEach(([ax, ay], i) => {
          const [bx, by] = corners[(i + 1) % corners.length]!;
          for (const [x, y] of points)
            expect((bx - ax) * (y - ay) - (by - ay) * (x - ax)).toBeGreaterThanOrEqual(-1e-9);
        });
      }),
      { numRuns: 300 },
    );
  });
});

describe('boxes pushed apart', () => {
  it('stand apart, and those that are fixed stay', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(place, place), { minLength: 2, maxLength: 14 }), (points) => {
        const x = Float64Array.from(points, ([one]) => one);
        const y = Float64Array.from(points, ([, one]) => one);
        const width = points.map((_, i) => 30 + ((i * 17) % 40));
        const height = points.map(() => 24);
        const fixed = Uint8Array.from(points, (_, i) => (i === 0 ? 1 : 0));
        pushApart(x, y, { width, height, gap: 6, fixed }, 500);
        expect([x[0], y[0]]).toEqual(points[0]);
        const boxes = points.map((_, i) => ({
          x: x[i]! - width[i]! / 2,
          y: y[i]! - 12,
          width: width[i]!,
          height: 24,
        }));
        boxes.forEach((a, i) => {
          for (const b of boxes.slice(i + 1)) expect(overlap(grown(a, 2.9), grown(b, 2.9))).toBe(false);
        });
      }),
      { numRuns: 200 },
    );
  });
});

describe('places with even links', () => {
  it('a path of equal boxes has links of much the same length', () => {
    const n = 7;
    const size = Array.from({ length: n }, () => 40);
    const links = Array.from({ length: n - 1 }, (_, i) => ({ from: i, to: i + 1, length: 60 }));
    const start = size.map((_, i) => (i * 31) % 50);
    const { x, y } = evenPlaces({ width: size, height: size, links, gap: 8, x: start, y: [...start].reverse() });
    const lengths = links.map(({ from, to }) => Math.hypot(x[from]! - x[to]!, y[from]! - y[to]!));
    expect(Math.max(...lengths) / Math.min(...lengths)).toBeLessThan(1.25);
  });
  it('no boxes overlap, whatever is linked', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 14 }),
        fc.array(fc.tuple(fc.nat(), fc.nat()), { maxLength: 20 }),
        (n, pairs) => {
          const width = Array.from({ length: n }, (_, i) => 40 + ((i * 23) % 50));
          const height = Array.from({ length: n }, () => 26);
          const links = pairs
            .map(([a, b]) => ({ from: a % n, to: b % n, length: 50 }))
            .filter(({ from, to }) => from !== to);
          const begin = Array.from({ length: n }, (_, i) => Math.cos(i * 2.4) * (i + 1) * 9);
          const { x, y } = evenPlaces({ width, height, links, gap: 8, x: begin, y: [...begin].reverse() });
          const boxes = width.map((w, i) => ({ x: x[i]! - w / 2, y: y[i]! - 13, width: w, height: 26 }));
          boxes.forEach((a, i) => {
            for (const b of boxes.slice(i + 1)) expect(overlap(a, b)).toBe(false);
          });
        },
      ),
      { numRuns: 100 },
    );
  });
});

describe('rings', () => {
  const tree = fc.array(fc.nat(), { minLength: 1, maxLength: 24 }).map((draws) => {
    const parent = [-1, ...draws.map((draw, k) => draw % (k + 1))];
    const ring: number[] = [];
    for (const up of parent) ring.push(up < 0 ? 0 : ring[up]! + 1);
    return { parent, ring };
  });
  it('stand every vertex on the circle of its ring, and no boxes over each other', () => {
    fc.assert(
      fc.property(tree, ({ parent, ring }) => {
        const width = parent.map((_, i) => 40 + ((i * 19) % 50));
        const height = parent.map(() => 26);
        const { x, y, radius } = onRings({
          parent,
          ring,
          width,
          height,
          order: parent.map(() => 0),
          words: 14,
          gap: 16,
        });
        parent.forEach((_, v) => expect(Math.hypot(x[v]!, y[v]!)).toBeCloseTo(radius[ring[v]!]!, 6));
        const boxes = parent.map((_, i) => ({ x: x[i]! - width[i]! / 2, y: y[i]! - 13, width: width[i]!, height: 26 }));
        boxes.forEach((a, i) => {
          for (const b of boxes.slice(i + 1)) expect(overlap(a, b)).toBe(false);
        });
      }),
      { numRuns: 150 },
    );
  });
  it('sectors are in proportion to what they hold', () => {
    // One child with three below it, one alone: three quarters of the circle, and one.
    const parent = [-1, 0, 0, 1, 1, 1];
    const size = parent.map(() => 10);
    const { x, y } = onRings({
      parent,
      ring: [0, 1, 1, 2, 2, 2],
      width: size,
      height: size,
      order: [0, 0, 1, 0, 1, 2],
      words: 0,
      gap: 4,
    });
    const angle = (v: number) => (Math.atan2(x[v]!, -y[v]!) + 2 * Math.PI) % (2 * Math.PI);
    expect(angle(1)).toBeCloseTo(0.75 * Math.PI, 6);
    expect(angle(2)).toBeCloseTo(1.75 * Math.PI, 6);
    expect(angle(5) - angle(3)).toBeCloseTo(Math.PI, 6);
  });
  it('children change places so that links across are short', () => {
    const parent = [-1, 0, 0, 0, 0, 0, 0];
    const ring = [0, 1, 1, 1, 1, 1, 1];
    const links = [1, 2, 3, 4, 5, 6].map((to) => ({ from: 0, to }));
    const across = [...links, { from: 1, to: 4 }];
    const order = untangledOrder(parent, ring, [0, 0, 1, 2, 3, 4, 5], across);
    const apart = Math.abs(order[1]! - order[4]!);
    expect(Math.min(apart, 6 - apart)).toBe(1);
  });
});

describe('links between boxes that stand where they stand', () => {
  const grid = fc
    .uniqueArray(fc.nat({ max: 24 }), { minLength: 2, maxLength: 10 })
    .map((cells) =>
      cells.map((cell): Extent => ({ x: (cell % 5) * 190, y: Math.floor(cell / 5) * 130, width: 80, height: 30 })),
    );
  it('are straight or bent round what is in the way, and their words clear where that is told', () => {
    fc.assert(
      fc.property(grid, fc.array(fc.tuple(fc.nat(), fc.nat()), { minLength: 1, maxLength: 8 }), (boxes, pairs) => {
        const links = pairs
          .map(([a, b]) => ({ from: a % boxes.length, to: b % boxes.length, width: 36, height: 13 }))
          .filter(({ from, to }) => from !== to);
        const { lines, conflicts } = freeLinks(boxes, links);
        if (conflicts > 0) return;
        lines.forEach(({ points, words }, k) => {
          boxes.forEach((box, i) => {
            if (i !== links[k]!.from && i !== links[k]!.to) expect(lineRunsThrough(points, box)).toBe(false);
            expect(overlap(words!, box)).toBe(false);
          });
          lines.forEach((other, j) => {
            if (j === k) return;
            expect(lineRunsThrough(other.points, words!)).toBe(false);
            expect(overlap(other.words!, words!)).toBe(false);
          });
        });
      }),
      { numRuns: 200 },
    );
  });
  it('of the same two boxes run beside each other', () => {
    const boxes = [
      { x: 0, y: 0, width: 60, height: 30 },
      { x: 0, y: 220, width: 60, height: 30 },
    ];
    const link = { width: 40, height: 13 };
    const { lines, conflicts } = freeLinks(boxes, [
      { from: 0, to: 1, ...link },
      { from: 1, to: 0, ...link },
      { from: 0, to: 1, ...link },
    ]);
    expect(conflicts).toBe(0);
    expect(new Set(lines.map(({ points }) => Math.round(pointAt(points, 0.5)[0]))).size).toBe(3);
    expect(crossingsAmong(lines.map(({ points }) => points))).toBe(0);
  });
});

describe('fewer bends', () => {
  it('leave lines where they begin and end, no longer than they were, clear of boxes, and crossing no more', () => {
    const lines = fc.array(fc.array(fc.tuple(place, place), { minLength: 2, maxLength: 6 }), {
      minLength: 1,
      maxLength: 5,
    });
    fc.assert(
      fc.property(lines, fc.array(extent, { maxLength: 4 }), (drawn, boxes) => {
        const given = drawn.map((line) => line.flat());
        const clear = given.filter((line) => !boxes.some((box) => lineRunsThrough(line, grown(box, 3))));
        const out = fewerBends(
          clear,
          boxes,
          clear.map(() => []),
          'y',
        );
        out.forEach((line, k) => {
          expect(line.slice(0, 2)).toEqual(clear[k]!.slice(0, 2));
          expect(line.slice(-2)).toEqual(clear[k]!.slice(-2));
          expect(lengthOf(line)).toBeLessThanOrEqual(lengthOf(clear[k]!) + 1e-6);
          for (const box of boxes) expect(lineRunsThrough(line, box)).toBe(false);
        });
        expect(crossingsAmong(out)).toBeLessThanOrEqual(crossingsAmong(clear));
      }),
      { numRuns: 200 },
    );
  });
});
