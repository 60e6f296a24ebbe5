import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { equalShapes, moved, outsideness, scaled, type Ellipse } from '../../../arrange/curves';
import { sansFace } from '../../../measure';
import { itemName } from '../../../testing/arbitrary-venn';
import { meets, nameCurves } from './names';

const face = sansFace(700, 'upright');
const named = (ellipses: readonly Ellipse[], names: readonly string[]) =>
  nameCurves(
    ellipses.map((ellipse, i) => ({ ellipse, name: names[i]!, size: 18, face, fill: '#000000', inside: null })),
  );
const curves = fc
  .record({ n: fc.integer({ min: 2, max: 5 }), size: fc.integer({ min: 90, max: 400 }) })
  .map(({ n, size }) => equalShapes(n).map((e) => moved(scaled(e, size), 500, 500)));
const names = fc.array(itemName, { minLength: 5, maxLength: 5 });

describe('names of sets', () => {
  it('stand outside every curve, and not over each other', () => {
    fc.assert(
      fc.property(curves, names, (ellipses, list) => {
        const found = named(ellipses, list);
        found.forEach(({ boxes }, i) => {
          for (const box of boxes) {
            for (const e of ellipses) expect(meets(e, box)).toBe(false);
            for (const other of found.slice(i + 1).flatMap((one) => one.boxes))
              expect(
                box.x + box.width <= other.x + 0.01 ||
                  other.x + other.width <= box.x + 0.01 ||
                  box.y + box.height <= other.y + 0.01 ||
                  other.y + other.height <= box.y + 0.01,
              ).toBe(true);
          }
        });
      }),
      { numRuns: 80 },
    );
  });
  it('are written whole, letter by letter where they follow a curve', () => {
    fc.assert(
      fc.property(curves, names, (ellipses, list) => {
        named(ellipses, list).forEach(({ primitives }, i) => {
          const one = primitives[0]!;
          const text =
            one.type === 'curvedText'
              ? one.glyphs.map((glyph) => glyph.text).join('')
              : one.type === 'text'
                ? one.runs.map((run) => run.text).join('')
                : '';
          expect(text).toBe(list[i]);
        });
      }),
      { numRuns: 60 },
    );
  });
  it('read upright: no letter is turned by more than 72 degrees', () => {
    fc.assert(
      fc.property(curves, names, (ellipses, list) => {
        for (const { primitives } of named(ellipses, list))
          for (const one of primitives)
            if (one.type === 'curvedText') for (const { turn } of one.glyphs) expect(Math.abs(turn)).toBeLessThan(72);
      }),
      { numRuns: 60 },
    );
  });
  it('of circles follow them at one distance', () => {
    const circles = equalShapes(2).map((e) => moved(scaled(e, 200), 400, 300));
    const first = named(circles, ['mudflat', 'saltmarsh'])[0]!.primitives[0]!;
    if (first.type !== 'curvedText') throw new Error('not along the curve');
    const reach = first.glyphs.map(({ x, y }) => Math.hypot(x - circles[0]!.cx, y - circles[0]!.cy));
    for (const one of reach) expect(Math.abs(one - reach[0]!)).toBeLessThan(1);
  });
});

describe('whether an ellipse and a box meet', () => {
  it('agrees with looking at many points of the box', () => {
    const e: Ellipse = { cx: 0, cy: 0, rx: 60, ry: 30, turn: 0.6 };
    fc.assert(
      fc.property(
        fc.integer({ min: -120, max: 120 }),
        fc.integer({ min: -120, max: 120 }),
        fc.integer({ min: 4, max: 60 }),
        fc.integer({ min: 4, max: 60 }),
        (x, y, width, height) => {
          let inside = false;
          let near = Infinity;
          for (let i = 0; i <= 40; i++)
            for (let k = 0; k <= 40; k++) {
              const at = outsideness(e, x + (width * i) / 40, y + (height * k) / 40);
              inside ||= at < 0;
              near = Math.min(near, Math.abs(at));
            }
          // Boxes that all but touch are left to rounding.
          if (inside || near > 0.1) expect(meets(e, { x, y, width, height })).toBe(inside);
        },
      ),
      { numRuns: 500 },
    );
  });
});
