import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { diagramFromParents } from '../testing/arbitrary';
import type { Scene, SceneGroup } from '../scene';
import { nudged } from './nudged';

const boxes = fc.array(
  fc.record({
    x: fc.integer({ min: 0, max: 300 }),
    y: fc.integer({ min: 0, max: 200 }),
    width: fc.integer({ min: 5, max: 120 }),
    height: fc.integer({ min: 5, max: 40 }),
    nudged: fc.boolean(),
  }),
  { minLength: 1, maxLength: 40 },
);

describe('entries that were nudged onto others', () => {
  it('are all found, each with the first that it lies on: as looking at every pair finds them', () => {
    fc.assert(
      fc.property(boxes, (list) => {
        const base = diagramFromParents(list.map((_, i) => (i === 0 ? -1 : 0)));
        const nudges = Object.fromEntries(list.flatMap((one, i) => (one.nudged ? [[`e${i}`, { x: 1, y: 1 }]] : [])));
        const groups = list.map(({ x, y, width, height }, i): SceneGroup => {
          const bounds = { x: 0, y: 0, width, height };
          return { type: 'group', stands: { for: 'entry', id: `e${i}` }, label: '', x, y, bounds, children: [] };
        });
        const found = nudged({ ...base, nudges }, { groups } as unknown as Scene);
        const pairs = list.flatMap((a, i) => {
          const met = list.findIndex(
            (b, k) =>
              k !== i &&
              Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x) > 0.5 &&
              Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y) > 0.5,
          );
          return a.nudged && met >= 0 ? [[`e${i}`, `e${met}`]] : [];
        });
        expect(found.map(({ entries }) => [...entries])).toEqual(pairs);
      }),
    );
  });
});
