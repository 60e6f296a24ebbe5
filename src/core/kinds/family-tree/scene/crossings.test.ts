import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { crossingsIn, type Edge } from './crossings';

const pairwise = (edges: readonly Edge[]): number =>
  edges.reduce(
    (sum, [upper, lower]) => sum + edges.filter((other) => upper < other[0] && lower > other[1] + 0.01).length,
    0,
  );

describe('crossings of lines between two rows', () => {
  it('are as many as looking at every pair finds, whatever ends coincide', () => {
    const at = fc.oneof(fc.integer({ min: 0, max: 6 }), fc.double({ min: -500, max: 500, noNaN: true }));
    fc.assert(
      fc.property(fc.array(fc.tuple(at, at), { maxLength: 40 }), (edges) => {
        expect(crossingsIn(edges)).toBe(pairwise(edges));
      }),
    );
  });
  it('are none from one place, and every pair where the order is turned round', () => {
    expect(crossingsIn(Array.from({ length: 50 }, (_, k): Edge => [0, k]))).toBe(0);
    expect(crossingsIn(Array.from({ length: 3000 }, (_, k): Edge => [k, -k]))).toBe((3000 * 2999) / 2);
  });
});
