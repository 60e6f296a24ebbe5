import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { maskOf, setsInOrder } from './model';
import { vennOf, venns } from '../../testing/arbitrary-venn';
import { bitCount, overlapName, vennStructure } from './structure';

describe('the tiers of a Venn diagram', () => {
  it('are how many sets an entry is in, few first', () => {
    fc.assert(
      fc.property(venns(1, 30), (diagram) => {
        const sets = setsInOrder(diagram.venn);
        const { ids, tier, index, tierStart } = vennStructure(diagram);
        expect([...ids].sort()).toEqual(Object.keys(diagram.entries).sort());
        ids.forEach((id, i) => {
          expect(index.get(id)).toBe(i);
          expect(tier[i]).toBe(bitCount(maskOf(diagram.venn, sets, id)));
          if (i > 0) expect(tier[i]!).toBeGreaterThanOrEqual(tier[i - 1]!);
        });
        // Where each tier begins: everything before it is in fewer sets.
        for (let t = 0; t < tierStart.length; t++)
          expect(ids.filter((_, i) => tier[i]! <= t)).toHaveLength(tierStart[t]!);
      }),
    );
  });
  it('keep the list’s own order as the outline', () => {
    fc.assert(
      fc.property(venns(1, 20), (diagram) => {
        const { ids, outline } = vennStructure(diagram);
        expect(Array.from(outline, (i) => ids[i])).toEqual(Object.keys(diagram.entries));
      }),
    );
  });
  it('are computed once for one state, and anew when memberships change', () => {
    const diagram = vennOf(2, [1, 2]);
    expect(vennStructure(diagram)).toBe(vennStructure(diagram));
    const sorted = { ...diagram, venn: { ...diagram.venn, members: { e0: ['s0', 's1'] } } };
    expect(vennStructure(sorted)).not.toBe(vennStructure(diagram));
  });
  it.each([
    [0, 3, 'In none'],
    [1, 3, 'In one'],
    [2, 3, 'In two'],
    [3, 3, 'In all three'],
    [2, 2, 'In both'],
    [5, 5, 'In all five'],
    [1, 1, 'In one'],
  ])('tier %i of %i sets is called “%s”', (tier, sets, name) => expect(overlapName(tier, sets)).toBe(name));
  it('bits are counted', () => {
    fc.assert(
      fc.property(fc.nat({ max: 1023 }), (mask) => {
        expect(bitCount(mask)).toBe([...mask.toString(2)].filter((bit) => bit === '1').length);
      }),
    );
  });
});
