import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Rect, TextPrimitive } from '../../../scene';
import { setsInOrder } from '../model';
import { vennOf } from '../../../testing/arbitrary-venn';
import { keyHeading, regionWords } from '../region-words';
import type { Listed } from './lists';
import { keyBeside } from './key';
import type { KeyPart, KeyRoom } from './key-plan';

const frame: Rect = { x: 0, y: 0, width: 500, height: 420 };
const keyRoom: KeyRoom = { frame, sheet: { width: 1040, height: 640 }, avoid: [] };
const colours = { fill: '#dddddd', border: '#666666', ink: '#111111' };
const entryOf = (id: string, width = 50): Listed => ({ id, width, height: 16, baseline: 12 });
const parts: fc.Arbitrary<KeyPart[]> = fc
  .array(
    fc.record({
      x: fc.integer({ min: 20, max: 480 }),
      y: fc.integer({ min: 20, max: 400 }),
      room: fc.integer({ min: 0, max: 60 }),
      widths: fc.array(fc.integer({ min: 30, max: 120 }), { minLength: 1, maxLength: 12 }),
    }),
    { minLength: 1, maxLength: 20 },
  )
  .map((list) =>
    list.map(({ x, y, room, widths }, i) => ({
      ...colours,
      mask: i + 1,
      heading: `Some region, number ${i}`,
      entries: widths.map((width, k) => entryOf(`${i}-${k}`, width)),
      from: { x, y, room },
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
        const { places, bounds } = keyBeside(list, keyRoom, '#000000');
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
  it('numbers the entries through, each beside its own; the numbers, or a dot where they have no room, stand in the region', () => {
    fc.assert(
      fc.property(parts, (list) => {
        const { groups, places } = keyBeside(list, keyRoom, '#000000');
        const at = new Map(places.map((place) => [place.id, place]));
        const all: number[] = [];
        for (const { stands, children } of groups) {
          const part = list.find(({ mask }) => String(mask) === stands.id)!;
          const told = texts(children).map(({ x, y, runs }) => ({
            x,
            y,
            words: runs.map(({ text }) => text).join(''),
          }));
          const beside = told.filter(({ words }) => /^\d+$/.test(words)).slice(0, part.entries.length);
          beside.forEach(({ x, y }, i) => {
            const place = at.get(part.entries[i]!.id)!;
            expect(y).toBeCloseTo(place.y + part.entries[i]!.baseline, 9);
            expect(x).toBeLessThan(place.x);
            expect(x).toBeGreaterThan(place.x - 40);
          });
          const numbers = beside.map(({ words }) => Number(words));
          all.push(...numbers);
          const range = numbers.length > 1 ? `${numbers[0]}–${numbers.at(-1)}` : String(numbers[0]);
          const within = told
            .slice(-1)
            .filter(({ words }) => words === range && !beside.some(({ x }) => x === told.at(-1)!.x));
          const paths = children.filter(({ type }) => type === 'path');
          expect(within.length + paths.length).toBe(2);
          for (const one of within) expect(Math.abs(one.y - part.from!.y)).toBeLessThan(8);
        }
        const count = list.reduce((sum, part) => sum + part.entries.length, 0);
        expect(all).toEqual(Array.from({ length: count }, (_, i) => i + 1));
      }),
    );
  });
  it('joins every region to its part by a line that begins in it', () => {
    const list: KeyPart[] = [
      { ...colours, mask: 1, heading: 'a', entries: [entryOf('x')], from: { x: 100, y: 90, room: 30 } },
      { ...colours, mask: 2, heading: 'b', entries: [entryOf('y')], from: null },
    ];
    const paths = keyBeside(list, keyRoom, '#000000').groups.map(({ children }) =>
      children.filter(({ type }) => type === 'path'),
    );
    expect(paths.map((one) => one.length)).toEqual([1, 0]);
  });
  it('leads each line clear of the numbers of other regions', () => {
    const list = [60, 160, 260, 360].map((x, i): KeyPart => ({
      ...colours,
      mask: i + 1,
      heading: 'a region',
      entries: [entryOf(`${i}`)],
      from: { x, y: 200, room: 30 },
    }));
    const { groups } = keyBeside(list, keyRoom, '#000000');
    for (const { stands, children } of groups) {
      const path = children.find((one) => one.type === 'path')!;
      const corners = [...path.d.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => ({
        x: Number(x),
        y: Number(y),
      }));
      const points = corners.slice(1).flatMap(({ x, y }, k) => {
        const from = corners[k]!;
        return Array.from({ length: 200 }, (_, n) => ({
          x: from.x + ((x - from.x) * n) / 200,
          y: from.y + ((y - from.y) * n) / 200,
        }));
      });
      for (const { mask, from } of list)
        if (String(mask) !== stands.id)
          expect(points.every(({ x, y }) => Math.abs(x - from!.x) > 4 || Math.abs(y - from!.y) > 4.5)).toBe(true);
    }
  });
  it('stands on the side that is nearer to its region', () => {
    const at = (x: number): KeyPart => ({
      ...colours,
      mask: x,
      heading: 'a',
      entries: [entryOf('x')],
      from: { x, y: 9, room: 30 },
    });
    expect(keyBeside([at(9)], keyRoom, '#000000').bounds.x).toBeLessThan(0);
    expect(keyBeside([at(490)], keyRoom, '#000000').bounds.x).toBe(0);
    const { places } = keyBeside([at(9), at(40), at(480)], keyRoom, '#000000');
    expect(places.filter(({ x }) => x < 0)).toHaveLength(2);
  });
  it('takes several columns where that makes the drawing larger', () => {
    const many = Array.from({ length: 8 }, (_, i): KeyPart => ({
      ...colours,
      mask: i + 1,
      heading: 'a region',
      entries: Array.from({ length: 14 }, (__, k) => entryOf(`${i}-${k}`, 70)),
      from: { x: 60 * i, y: 200, room: 30 },
    }));
    const large = keyBeside(many, keyRoom, '#000000');
    expect(large.bounds.x).toBeLessThan(0);
    // In one column on the right the key would be more than 1,900 px high.
    expect(large.bounds.height).toBeLessThan(1000);
  });
  it('is nothing where everything fits', () => {
    expect(keyBeside([], keyRoom, '#000000')).toEqual({ groups: [], places: [], bounds: frame });
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
