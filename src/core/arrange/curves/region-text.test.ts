import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { setInLines, setInRows, setScattered, Shape, type Item, type Places } from './region-text';
import { type Point } from './ellipse';

/** A convex polygon around (0, 0), with a hole where asked. */
const polygon = (corners: number, reach: (i: number) => number): Point[] =>
  Array.from({ length: corners }, (_, i) => {
    const way = (i * 2 * Math.PI) / corners;
    return { x: reach(i) * Math.cos(way), y: reach(i) * Math.sin(way) };
  });
const outline = fc
  .record({
    corners: fc.integer({ min: 5, max: 40 }),
    reaches: fc.array(fc.integer({ min: 60, max: 160 }), { minLength: 40, maxLength: 40 }),
  })
  .map(({ corners, reaches }) => polygon(corners, (i) => reaches[i]!));
const margin = 5;

/** By even–odd, a ray to the right. */
function inside(loops: readonly (readonly Point[])[], { x, y }: Point): boolean {
  let odd = false;
  for (const loop of loops)
    loop.forEach((a, i) => {
      const b = loop[(i + 1) % loop.length]!;
      if (a.y > y !== b.y > y && x < a.x + ((y - a.y) * (b.x - a.x)) / (b.y - a.y)) odd = !odd;
    });
  return odd;
}
/** Points along the edge of a box and within it. */
function* pointsOf(x: number, y: number, width: number, height: number): Generator<Point> {
  for (let i = 0; i <= 8; i++) for (let k = 0; k <= 4; k++) yield { x: x + (width * i) / 8, y: y + (height * k) / 4 };
}
const items = fc.array(fc.record({ width: fc.integer({ min: 8, max: 60 }), height: fc.constant(14) }), {
  minLength: 1,
  maxLength: 12,
});

function expectSet(loops: readonly (readonly Point[])[], list: readonly Item[], places: Places): void {
  expect(places).toHaveLength(list.length);
  places.forEach(({ x, y }, i) => {
    for (const point of pointsOf(x, y, list[i]!.width, list[i]!.height)) expect(inside(loops, point)).toBe(true);
  });
  places.forEach((a, i) =>
    places.slice(i + 1).forEach((b, k) => {
      const [wa, wb] = [list[i]!, list[i + 1 + k]!];
      const apart =
        a.x + wa.width <= b.x + 1e-6 ||
        b.x + wb.width <= a.x + 1e-6 ||
        a.y + wa.height <= b.y + 1e-6 ||
        b.y + wb.height <= a.y + 1e-6;
      expect(apart).toBe(true);
    }),
  );
}

describe('room for text in a shape', () => {
  it('is inside with the margin kept, at every height of the band', () => {
    fc.assert(
      fc.property(outline, fc.integer({ min: -120, max: 110 }), (loop, top) => {
        const shape = new Shape([loop], margin);
        for (const [from, to] of shape.free(top, top + 12))
          for (const { x, y } of pointsOf(from + 1e-6, top, to - from - 2e-6, 12)) {
            expect(inside([loop], { x, y })).toBe(true);
            for (const edge of loop) expect(Math.hypot(edge.x - x, edge.y - y)).toBeGreaterThan(margin - 1e-3);
          }
      }),
      { numRuns: 100 },
    );
  });
  it('leaves out a hole', () => {
    const ring = [polygon(40, () => 100), polygon(40, () => 40)];
    const stretches = new Shape(ring, margin).free(-6, 6);
    expect(stretches).toHaveLength(2);
    expect(stretches[0]![1]).toBeLessThan(-40);
    expect(stretches[1]![0]).toBeGreaterThan(40);
  });
  it('in a square is the square less its margins', () => {
    const square = [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 100, y: 100 },
      { x: 0, y: 100 },
    ];
    expect(new Shape([square], 10).free(20, 40)).toEqual([[10, 90]]);
    expect(new Shape([square], 10).free(5, 25)).toEqual([]);
    const { x, y, room } = new Shape([square], 0).middle(1);
    expect([x, y]).toEqual([expect.closeTo(50, 6), expect.closeTo(50, 6)]);
    expect(room).toBeGreaterThan(90);
    expect(room).toBeLessThanOrEqual(100);
  });
});

describe('setting text in a shape', () => {
  it.each([
    ['in lines', setInLines],
    ['scattered', setScattered],
  ])('%s, it lies inside and apart, in the order of the list', (_, set) => {
    fc.assert(
      fc.property(outline, items, (loop, list) => {
        const shape = new Shape([loop], margin);
        const places = set(shape, list, 4, shape.middle());
        if (!places) return;
        expectSet([loop], list, places);
        expect([...places].sort((a, b) => a.y - b.y)).toEqual(places);
      }),
      { numRuns: 80 },
    );
  });
  it('in rows, it lies inside and apart', () => {
    fc.assert(
      fc.property(outline, items, (loop, list) => {
        const shape = new Shape([loop], margin);
        const places = setInRows(shape, list, 4, 12, shape.middle());
        if (places) expectSet([loop], list, places);
      }),
      { numRuns: 80 },
    );
  });
  it('rows take what lines cannot', () => {
    const circle = polygon(60, () => 100);
    const shape = new Shape([circle], margin);
    const many = Array.from({ length: 24 }, () => ({ width: 30, height: 14 }));
    expect(setInLines(shape, many, 4, shape.middle())).toBeNull();
    expect(setInRows(shape, many, 4, 10, shape.middle())).toHaveLength(24);
  });
  it('a straight block is preferred where one fits', () => {
    const circle = polygon(60, () => 100);
    const list = [40, 60, 30, 50].map((width) => ({ width, height: 14 }));
    const shape = new Shape([circle], margin);
    const middles = setInLines(shape, list, 4, shape.middle())!.map(({ x }, i) => x + list[i]!.width / 2);
    for (const one of middles) expect(one).toBeCloseTo(middles[0]!, 6);
  });
  it('what does not fit is told by null, nothing by nothing', () => {
    const shape = new Shape([polygon(30, () => 20)], margin);
    const wide = [{ width: 80, height: 14 }];
    for (const set of [setInLines, setScattered]) expect(set(shape, wide, 4, shape.middle())).toBeNull();
    expect(setInRows(shape, wide, 4, 4, shape.middle())).toBeNull();
    expect(setInLines(shape, [], 4, shape.middle())).toEqual([]);
  });
});
