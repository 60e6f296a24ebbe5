import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hierarchyOf } from '../../hierarchy';
import { diagramFromParents, parents } from '../../testing/arbitrary';
import { fitTree, type FitInput, type TierSizes } from './fit-tree';

const tierTotal = (list: readonly number[]): number =>
  hierarchyOf(diagramFromParents(list).entries).tierStart.length - 1;

/** A hierarchy whose boxes may be 60 × 50, 90 × 34 or 130 × 20, for a room. */
function input(list: readonly number[], given: Partial<FitInput> = {}): FitInput {
  const structure = hierarchyOf(diagramFromParents(list).entries);
  const n = structure.ids.length;
  const tierStart = Int32Array.from(structure.tierStart);
  const sizes = Array.from({ length: tierStart.length - 1 }, (_, t): TierSizes[] => {
    const many = tierStart[t + 1]! - tierStart[t]!;
    const all = (width: number, height: number) => ({
      width: new Float64Array(many).fill(width),
      height: new Float64Array(many).fill(height),
    });
    return [all(60, 50), all(90, 34), all(130, 20)];
  });
  const gaps = { sibling: 10, branch: 16, tier: sizes.map(() => 30) };
  return {
    roots: structure.roots,
    parent: structure.parent,
    first: structure.first,
    count: structure.count,
    tier: structure.tier,
    tierStart,
    outline: structure.outline,
    beside: new Uint8Array(n),
    foot: null,
    direction: 'down',
    tiers: 'open',
    lowest: 'open',
    mostColumns: 4,
    margin: 0,
    ends: 'own',
    zones: null,
    gaps,
    leastGaps: { sibling: 6, branch: 8, tier: sizes.map(() => 16) },
    sizes,
    tightSizes: sizes,
    room: { width: 1000, height: 640 },
    largestScale: 3,
    comfortable: 1,
    ...given,
  };
}
const rooms = fc.record({ width: fc.integer({ min: 200, max: 1600 }), height: fc.integer({ min: 200, max: 1200 }) });
const manners = fc.constantFrom('open' as const, 'bands' as const, 'compact' as const);

describe('arranging for a room', () => {
  it('fills the width or the height, or prints as large as it may, and says the scale', () => {
    fc.assert(
      fc.property(parents(40), rooms, manners, (list, room, tiers) => {
        fc.pre(list.length > 0);
        const { layout, scale } = fitTree(input(list, { room, tiers }));
        const exact = Math.min(3, room.width / layout.width, room.height / layout.height);
        expect(scale).toBeCloseTo(exact, 6);
      }),
      { numRuns: 150 },
    );
  });
  it('gives the same drawing again for the same input', () => {
    fc.assert(
      fc.property(parents(30), manners, (list, tiers) => {
        const there = fitTree(input(list, { tiers }));
        const again = fitTree(input(list, { tiers }));
        expect([...again.layout.x]).toEqual([...there.layout.x]);
        expect([...again.layout.fans]).toEqual([...there.layout.fans]);
      }),
      { numRuns: 40 },
    );
  });
  it('takes bands where they print comfortably, and compact only where it prints larger', () => {
    fc.assert(
      fc.property(parents(40), rooms, (list, room) => {
        fc.pre(list.length > 0);
        const open = fitTree(input(list, { room }));
        const bands = fitTree(input(list, { room, tiers: 'bands' }));
        if (bands.scale >= 1) expect(open.manner).toBe('bands');
        expect(open.scale).toBeGreaterThanOrEqual(bands.scale - 1e-9);
      }),
      { numRuns: 80 },
    );
  });
  it('keeps wanted gaps where the print is comfortable with them', () => {
    const { gaps, scale } = fitTree(input([-1, 0, 0, 0]));
    expect(scale).toBeGreaterThan(1);
    expect(gaps).toEqual({ sibling: 10, branch: 16, tier: [30, 30] });
  });
  it('folds a team of 24 rather than shrink it', () => {
    const team = Array.from({ length: 25 }, (_, i) => (i === 0 ? -1 : 0));
    const { layout, scale } = fitTree(input(team, { comfortable: 2 }));
    expect(new Set(layout.y.slice(1)).size).toBeGreaterThan(3);
    // In one row of narrow boxes 24 take 24 · 60 + 23 · 6 = 1,578 px.
    expect(scale).toBeGreaterThan((1000 / 1578) * 1.5);
  });
  it('up to four leaves stand side by side where there is room', () => {
    for (const many of [2, 3, 4]) {
      const { layout } = fitTree(input([-1, ...Array.from({ length: many }, () => 0)]));
      expect(new Set(layout.y.slice(1)).size).toBe(1);
    }
  });
  it('prints within 5 % of the best that any sizes, gaps and number of rows give, on small trees', () => {
    fc.assert(
      fc.property(parents(9), rooms, (list, room) => {
        fc.pre(list.length > 0);
        const ours = fitTree(input(list, { room, comfortable: 3 })).scale;
        let best = 0;
        for (let code = 0; code < 3 ** tierTotal(list) && tierTotal(list) <= 4; code++) {
          const all = input(list, { room, comfortable: 3 });
          const fixed = all.sizes.map((options, t) => [options[Math.floor(code / 3 ** t) % 3]!]);
          for (const tiers of ['bands', 'compact'] as const)
            best = Math.max(best, fitTree({ ...all, sizes: fixed, tightSizes: fixed, tiers }).scale);
        }
        expect(ours).toBeGreaterThanOrEqual(best * 0.95);
      }),
      { numRuns: 60 },
    );
  });
});
