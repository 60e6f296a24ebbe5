import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { equalShapes, wideShapes } from './curve-shapes';
import { layVenn, type VennLayoutInput } from './curves-layout';
import { outsideness } from './ellipse';
import { type Item } from './region-text';

const item = fc.record({ width: fc.integer({ min: 12, max: 150 }), height: fc.integer({ min: 10, max: 30 }) });
const plain = {
  scattered: false,
  margin: 7,
  gap: 5,
  apart: 18,
  least: 300,
  rowsFrom: 315,
  most: 1200,
};
const input = (sets: number, contents: readonly (readonly Item[])[], more: Partial<VennLayoutInput> = {}) => ({
  shapes: [equalShapes(sets)],
  contents: contents.map((items, i) => ({ mask: i + 1, items, title: null })),
  ...plain,
  ...more,
});
const some = fc.integer({ min: 2, max: 5 }).chain((sets) =>
  fc.record({
    sets: fc.constant(sets),
    contents: fc.array(fc.array(item, { maxLength: 7 }), { minLength: (1 << sets) - 1, maxLength: (1 << sets) - 1 }),
  }),
);

describe('curves for what is to stand in them', () => {
  it('are between the least and the largest size; what fits is in place, what does not is left to the key', () => {
    fc.assert(
      fc.property(some, ({ sets, contents }) => {
        const given = input(sets, contents);
        const { ellipses, regions, size, width, height } = layVenn(given);
        expect(size).toBeGreaterThanOrEqual(plain.least);
        expect(size).toBeLessThanOrEqual(plain.most);
        // Only at the largest size does anything go to the key.
        if (regions.some(({ places }) => places === null)) expect(size).toBe(plain.most);
        for (const { mask, places } of regions) {
          const items = contents[mask - 1]!;
          if (!places) continue;
          expect(places).toHaveLength(items.length);
          places.forEach(({ x, y }, i) => {
            for (const [px, py] of [
              [x, y],
              [x + items[i]!.width, y],
              [x, y + items[i]!.height],
              [x + items[i]!.width, y + items[i]!.height],
            ] as const)
              ellipses.forEach((e, k) => expect(outsideness(e, px, py) < 0).toBe(((mask >> k) & 1) === 1));
          });
        }
        for (const e of ellipses) {
          expect(e.cx).toBeGreaterThan(0);
          expect(e.cx).toBeLessThan(width);
          expect(e.cy).toBeLessThan(height);
        }
      }),
      { numRuns: 40 },
    );
  });
  it('are the same when asked again, also after other contents were laid in between', () => {
    fc.assert(
      fc.property(some, some, (a, b) => {
        const first = layVenn(input(a.sets, a.contents));
        layVenn(input(b.sets, b.contents));
        expect(layVenn(input(a.sets, a.contents))).toEqual(first);
      }),
      { numRuns: 20 },
    );
  });
  it('keep their least size where everything fits, and take no larger one than they need', () => {
    const small = input(2, [[{ width: 40, height: 16 }], [], []]);
    expect(layVenn(small).size).toBe(plain.least);
    const many = (n: number) => new Array<Item>(n).fill({ width: 80, height: 16 });
    const sizes = [4, 12, 24, 40].map((n) => layVenn(input(2, [many(n), [], []])).size);
    expect(sizes).toEqual([...sizes].sort((a, b) => a - b));
    expect(sizes.at(-1)!).toBeGreaterThan(plain.least);
    // One step smaller would not have been enough.
    const size = layVenn(input(2, [many(40), [], []])).size;
    const less = layVenn(input(2, [many(40), [], []], { most: size / 1.1 }));
    expect(less.regions.find(({ mask }) => mask === 1)!.places).toBeNull();
  });
  it('take the second of two ways to overlap only where it saves a good part', () => {
    const lens = new Array<Item>(8).fill({ width: 90, height: 16 });
    const shapes = [equalShapes(2, 0.25), equalShapes(2, 0.6)];
    const wide = layVenn(input(2, [[], [], lens], { shapes }));
    const only = layVenn(input(2, [[], [], lens], { shapes: shapes.slice(0, 1) }));
    expect(wide.size).toBeLessThanOrEqual(only.size);
    const none = layVenn(input(2, [[], [], []], { shapes }));
    expect(none.ellipses).toEqual(layVenn(input(2, [[], [], []], { shapes: shapes.slice(0, 1) })).ellipses);
  });
  it('are, where not all fits in any of several, those in which most does', () => {
    fc.assert(
      fc.property(some, ({ sets, contents }) => {
        const shapes = [equalShapes(sets), ...wideShapes(sets, 1.4)];
        const tight = { most: plain.least * 1.05 };
        const leftOut = (given: VennLayoutInput): number => {
          const { regions, absent } = layVenn(given);
          const masks = new Set([...absent, ...regions.filter(({ places }) => !places).map(({ mask }) => mask)]);
          return given.contents.reduce((sum, one) => sum + (masks.has(one.mask) ? one.items.length : 0), 0);
        };
        const each = shapes.map((shape) => leftOut(input(sets, contents, { ...tight, shapes: [shape] })));
        expect(leftOut(input(sets, contents, { ...tight, shapes }))).toBe(Math.min(...each));
      }),
      { numRuns: 40 },
    );
  });
  it('set a title above the items of its region', () => {
    const given = input(2, [[{ width: 50, height: 16 }], [], []]);
    const titled = {
      ...given,
      contents: given.contents.map((one) => (one.mask === 1 ? { ...one, title: { width: 70, height: 18 } } : one)),
    };
    const region = layVenn(titled).regions.find(({ mask }) => mask === 1)!;
    expect(region.title!.y + 18).toBeLessThanOrEqual(region.places![0]!.y);
  });
  it('tell what is wanted in a region that the curves do not have', () => {
    const apart = [
      { cx: 0, cy: 0, rx: 0.2, ry: 0.2, turn: 0 },
      { cx: 1, cy: 0, rx: 0.2, ry: 0.2, turn: 0 },
    ];
    const layout = layVenn(input(2, [[], [], [{ width: 20, height: 16 }]], { shapes: [apart] }));
    expect(layout.absent).toEqual([3]);
  });
});
