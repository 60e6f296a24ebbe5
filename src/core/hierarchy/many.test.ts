import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyGesture } from '../diagram';
import { isUnder } from '../edit';
import { diagrams } from '../testing/arbitrary';
import { moveAllUnder, topmost, withBranches } from './many';
import { childrenOf } from './place';
import { hierarchyOf } from './structure';

const chosen = fc.record({
  diagram: diagrams,
  picks: fc.array(fc.nat({ max: 24 }), { maxLength: 6 }),
  to: fc.nat({ max: 25 }),
});
const idsOf = (picks: readonly number[]) => picks.map((n) => `e${n}`);

describe('several entries at once', () => {
  it('the topmost of them stand under no other of them, and every one is under one of those', () => {
    fc.assert(
      fc.property(chosen, ({ diagram, picks }) => {
        const ids = idsOf(picks).filter((id) => diagram.entries[id]);
        const tops = topmost(diagram, ids);
        for (const a of tops) for (const b of tops) if (a !== b) expect(isUnder(diagram.entries, a, b)).toBe(false);
        for (const id of ids) expect(tops.some((top) => isUnder(diagram.entries, id, top))).toBe(true);
      }),
    );
  });
  it('with their branches they are all that stands under any of them', () => {
    fc.assert(
      fc.property(chosen, ({ diagram, picks }) => {
        const ids = idsOf(picks).filter((id) => diagram.entries[id]);
        const all = Object.keys(diagram.entries).filter((one) => ids.some((id) => isUnder(diagram.entries, one, id)));
        expect(withBranches(diagram, ids).sort()).toEqual(all.sort());
      }),
    );
  });
  it('moved, all stand last under their new parent in the order of the list, others keep theirs, and one undo brings all back', () => {
    fc.assert(
      fc.property(chosen, ({ diagram, picks, to }) => {
        const parent = to === 25 ? null : `e${to}`;
        const ids = idsOf(picks);
        const gesture = moveAllUnder(diagram, ids, parent);
        if (!gesture) return;
        const outcome = applyGesture(diagram, gesture);
        if (!outcome.ok) throw new Error(outcome.reason);
        const moved = topmost(diagram, ids).filter((id) => diagram.entries[id]!.parent !== parent);
        const before = childrenOf(diagram, parent).map(({ id }) => id);
        expect(childrenOf(outcome.diagram, parent).map(({ id }) => id)).toEqual([...before, ...moved]);
        expect(hierarchyOf(outcome.diagram.entries).ids).toHaveLength(Object.keys(diagram.entries).length);
        expect(applyGesture(outcome.diagram, outcome.inverse)).toMatchObject({ ok: true, diagram });
      }),
    );
  });
});
