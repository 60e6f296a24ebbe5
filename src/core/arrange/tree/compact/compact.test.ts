import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hierarchyOf } from '../../../hierarchy';
import { diagramFromParents, parents } from '../../../testing/arbitrary';
import { allItems } from '../items';
import { bestShape, placeCompact } from './place';
import { compactShapes } from './shapes';
import type { CompactInput } from './types';

function input(list: readonly number[], given: Partial<CompactInput> = {}): CompactInput {
  const structure = hierarchyOf(diagramFromParents(list).entries);
  const n = structure.ids.length;
  const beside = new Uint8Array(n);
  return {
    roots: structure.roots,
    first: structure.first,
    count: structure.count,
    tier: structure.tier,
    beside,
    foot: null,
    across: new Float64Array(n).fill(80),
    along: new Float64Array(n).fill(30),
    siblingGap: 8,
    branchGap: 14,
    tierGap: Array.from({ length: 60 }, () => 24),
    mostColumns: 4,
    items: allItems({ first: structure.first, count: structure.count, beside }),
    look: 'fine',
    folds: 'open',
    ...given,
  };
}

describe('the shapes of a branch', () => {
  it('go from narrow and long to wide and low, none beaten both ways', () => {
    fc.assert(
      fc.property(parents(40), (list) => {
        fc.pre(list.length > 0);
        for (const shapes of compactShapes(input(list)).ofBranch)
          shapes.slice(1).forEach((shape, k) => {
            expect(shape.across).toBeGreaterThan(shapes[k]!.across);
            expect(shape.along).toBeLessThan(shapes[k]!.along);
          });
      }),
      { numRuns: 80 },
    );
  });
  it('are one row for leaves that may not fold', () => {
    const { whole } = compactShapes(input([-1, 0, 0, 0], { folds: 'row' }));
    // Three boxes of 80 with gaps of 8; the head's 30, the gap of 24, and 30.
    expect(whole.map(({ across, along }) => [across, along])).toEqual([[256, 84]]);
  });
  it('let leaves stand beside the head of a branch, over what it leads', () => {
    // Three leaves and a branch of ten: the ten in a row are as wide as the whole.
    const list = [-1, 0, 0, 0, 0, ...Array.from({ length: 10 }, () => 4)];
    const { whole } = compactShapes(input(list, { look: 'close' }));
    expect(whole.map(({ across, along }) => [across, along])).toContainEqual([10 * 80 + 9 * 8, 3 * 30 + 2 * 24]);
  });
  it('a rough look finds nothing that a fine one does not come near', () => {
    fc.assert(
      fc.property(parents(30), (list) => {
        fc.pre(list.length > 0);
        const room = { across: 900, along: 600 };
        const of = (look: CompactInput['look']) => bestShape(compactShapes(input(list, { look })), room, 9)!.scale;
        expect(of('fine')).toBeGreaterThanOrEqual(of('rough') * 0.97);
      }),
      { numRuns: 60 },
    );
  });
  it('hold all boxes and lines that are placed in them', () => {
    fc.assert(
      fc.property(parents(40), fc.constantFrom('open' as const, 'row' as const, 'column' as const), (list, folds) => {
        fc.pre(list.length > 0);
        const given = input(list, { folds });
        const shapes = compactShapes(given);
        for (const shape of shapes.whole) {
          const { b, d, fans } = placeCompact(given, shapes, shape);
          b.forEach((middle, i) => {
            expect(middle - 40).toBeGreaterThanOrEqual(-1e-6);
            expect(middle + 40).toBeLessThanOrEqual(shape.across + 1e-6);
            expect(d[i]! + 30).toBeLessThanOrEqual(shape.along + 1e-6);
          });
          for (const { points } of [...fans.values()].flat())
            for (let p = 0; p < points.length; p += 2) {
              expect(points[p]!).toBeGreaterThanOrEqual(-1e-6);
              expect(points[p]!).toBeLessThanOrEqual(shape.across + 1e-6);
            }
        }
      }),
      { numRuns: 60 },
    );
  });
});
