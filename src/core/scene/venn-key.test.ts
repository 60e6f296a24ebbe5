import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Rect, TextPrimitive } from '.';
import { setsInOrder } from '../model';
import { vennOf } from '../testing/arbitrary-venn';
import { keyHeading, regionWords } from './region-words';
import { keyBeside, type KeyPart, type KeyRoom } from './venn-key';

const frame: Rect = { x: 0, y: 0, width: 500, height: 420 };
const room: KeyRoom = { frame, sheet: { width: 1040, height: 640 }, avoid: [] };
const parts: fc.Arbitrary<KeyPart[]> = fc
  .array(
    fc.record({
      x: fc.integer({ min: 20, max: 480 }),
      y: fc.integer({ min: 20, max: 400 }),
      widths: fc.array(fc.integer({ min: 30, max: 120 }), { minLength: 1, maxLength: 12 }),
    }),
    { minLength: 1, maxLength: 20 },
  )
  .map((list) =>
    list.map(({ x, y, widths }, i) => ({
      mask: i + 1,
      heading: `Some region, number ${i}`,
      entries: widths.map((width, k) => ({ id: `${i}-${k}`, width, height: 16 })),
      from: { x, y },
    })),
  );
const texts = (children: readonly { type: string }[]): TextPrimitive[] =>
  children.filter((one): one is TextPrimitive => one.type === 'text');
const apart = (a: Rect, b: Rect): boolean =>
  a.x + a.width <= b.x + 0.01 ||
  b.x + b.width <= a.x + 0.01 ||
  a.y + a.height <= b.y + 0.01 ||
  b.y + b.height <= a.y + 0.01;

describe('the key beside a Venn diagram', () => {
  it('has every entry once, beside the frame, no two over each other, within its bounds', () => {
    fc.assert(
      fc.property(parts, (list) => {
        const { places, bounds } = keyBeside(list, room, '#000000');
        const entries = list.flatMap((part) => part.entries);
        expect(places.map(({ id }) => id).sort()).toEqual(entries.map(({ id }) => id).sort());
        const sizes = new Map(entries.map((entry) => [entry.id, entry]));
        const boxes = places.map(({ id, x, y }) => ({ x, y, width: sizes.get(id)!.width, height: 16 }));
        for (const box of boxes) {
          expect(apart(box, frame)).toBe(true);
          expect(box.x).toBeGreaterThanOrEqual(bounds.x - 0.01);
          expect(box.x + box.width).toBeLessThanOrEqual(bounds.x + bounds.width + 0.01);
          expect(box.y).toBeGreaterThanOrEqual(bounds.y - 0.01);
          expect(box.y + box.height).toBeLessThanOrEqual(bounds.y + bounds.height + 0.01);
        }
        boxes.forEach((a, i) => boxes.slice(i + 1).forEach((b) => expect(apart(a, b)).toBe(true)));
      }),
      { numRuns: 150 },
    );
  });
  it('numbers the parts from 1, and the same number stands in the region', () => {
    fc.assert(
      fc.property(parts, (list) => {
        const { groups } = keyBeside(list, room, '#000000');
        const numbers = groups.map(({ stands, children }) => {
          const part = list.find(({ mask }) => String(mask) === stands.id)!;
          const numerals = texts(children).filter(({ runs }) => /^\d+$/.test(runs.map(({ text }) => text).join('')));
          expect(numerals).toHaveLength(2);
          const [beside, within] = numerals;
          expect(within!.runs).toEqual(beside!.runs);
          expect(Math.abs(within!.y - part.from!.y)).toBeLessThan(8);
          return Number(beside!.runs[0]!.text);
        });
        expect([...numbers].sort((a, b) => a - b)).toEqual(list.map((_, i) => i + 1));
      }),
    );
  });
  it('joins every region to its part by a line that begins in it', () => {
    const list: KeyPart[] = [
      { mask: 1, heading: 'a', entries: [{ id: 'x', width: 50, height: 16 }], from: { x: 100, y: 90 } },
      { mask: 2, heading: 'b', entries: [{ id: 'y', width: 50, height: 16 }], from: null },
    ];
    const paths = keyBeside(list, room, '#000000').groups.map(({ children }) =>
      children.filter(({ type }) => type === 'path'),
    );
    expect(paths.map((one) => one.length)).toEqual([1, 0]);
  });
  it('takes both sides, and several columns, only where that makes the drawing larger', () => {
    const one: KeyPart = { mask: 1, heading: 'a', entries: [{ id: 'x', width: 50, height: 16 }], from: { x: 9, y: 9 } };
    const small = keyBeside([one], room, '#000000');
    expect(small.bounds.x).toBe(0);
    const many = Array.from({ length: 8 }, (_, i): KeyPart => ({
      mask: i + 1,
      heading: 'a region',
      entries: Array.from({ length: 14 }, (__, k) => ({ id: `${i}-${k}`, width: 70, height: 16 })),
      from: { x: 60 * i, y: 200 },
    }));
    const large = keyBeside(many, room, '#000000');
    expect(large.bounds.x).toBeLessThan(0);
    // In one column on the right the key would be more than 1,900 px high.
    expect(large.bounds.height).toBeLessThan(1000);
  });
  it('is nothing where everything fits', () => {
    expect(keyBeside([], room, '#000000')).toEqual({ groups: [], places: [], bounds: frame });
  });
});

describe('regions in words', () => {
  const of = (n: number) => setsInOrder(vennOf(n, []).venn);
  it.each([
    [3, 0b011, 'mudflat and saltmarsh, not open water'],
    [3, 0b100, 'open water, not mudflat or saltmarsh'],
    [3, 0b111, 'all of mudflat, saltmarsh and open water'],
    [2, 0, 'in none of mudflat and saltmarsh'],
    [1, 1, 'mudflat'],
  ])('%i sets, region %i: “%s”', (n, mask, words) => expect(regionWords(of(n), mask)).toBe(words));
  it('as headings of a key, with four sets and more, name only what the region is in', () => {
    expect(keyHeading(of(5), 0b10001)).toBe('mudflat and dune only');
    expect(keyHeading(of(3), 0b011)).toBe('mudflat and saltmarsh, not open water');
    expect(keyHeading(of(4), 0b1111)).toBe('all of mudflat, saltmarsh, open water and creek');
  });
  it('no two regions are called alike', () => {
    for (const n of [2, 3, 4, 5])
      for (const words of [regionWords, keyHeading]) {
        const all = Array.from({ length: 1 << n }, (_, mask) => words(of(n), mask));
        expect(new Set(all).size).toBe(1 << n);
      }
  });
});
