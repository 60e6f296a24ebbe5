import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { middlePart, partWithin, wholeAround, withPart } from '.';

const share = fc.double({ min: -1, max: 2, noNaN: true });
const part = fc.record({ x: share, y: share, side: fc.double({ min: 0, max: 2, noNaN: true }) });
const size = fc.record({ width: fc.integer({ min: 1, max: 5000 }), height: fc.integer({ min: 1, max: 5000 }) });

describe('the part of a picture that is shown', () => {
  it('lies within the picture, and is kept where it does', () => {
    fc.assert(
      fc.property(size, part, (picture, wanted) => {
        const told = partWithin(picture, wanted);
        const half = (told.side * Math.min(picture.width, picture.height)) / 2;
        for (const [at, all] of [
          [told.x * picture.width, picture.width],
          [told.y * picture.height, picture.height],
        ] as const) {
          expect(at - half).toBeGreaterThanOrEqual(-1e-6);
          expect(at + half).toBeLessThanOrEqual(all + 1e-6);
        }
        const again = partWithin(picture, told);
        expect(again.x).toBeCloseTo(told.x, 9);
        expect(again.y).toBeCloseTo(told.y, 9);
      }),
    );
  });
  it('fills its place, in the proportions of the picture, its middle in the middle', () => {
    fc.assert(
      fc.property(size, part, fc.integer({ min: 10, max: 300 }), (picture, wanted, side) => {
        const told = partWithin(picture, wanted);
        const whole = wholeAround(picture, wanted, side);
        expect(whole.x).toBeLessThanOrEqual(1e-6);
        expect(whole.y).toBeLessThanOrEqual(1e-6);
        expect(whole.x + whole.width).toBeGreaterThanOrEqual(side - 1e-6);
        expect(whole.y + whole.height).toBeGreaterThanOrEqual(side - 1e-6);
        expect(whole.width / whole.height).toBeCloseTo(picture.width / picture.height, 6);
        expect((side / 2 - whole.x) / whole.width).toBeCloseTo(told.x, 6);
      }),
    );
  });
  it('the middle is what a picture without one shows, and is not told', () => {
    const image = { id: 'a'.repeat(32), width: 300, height: 200 };
    expect(withPart({ ...image, part: { x: 0.4, y: 0.5, side: 0.5 } }, middlePart)).toEqual(image);
    expect(withPart(image, { x: 0.9, y: 0.5, side: 1 }).part!.x).toBeCloseTo(2 / 3);
  });
});
