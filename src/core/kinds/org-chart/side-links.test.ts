import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hierarchyOf } from '../../hierarchy';
import { bundlesOf } from '../../scene/bundles';
import { distanceTo } from '../../arrange/graph';
import { applyGesture, draw, type Diagram, type Gesture } from '../../diagram';
import type { SceneGroup, TextPrimitive } from '../../scene';
import { parents, diagramFromParents } from '../../testing/arbitrary';
import { runsThroughShape } from '../../testing/styled';

const done = (diagram: Diagram, gesture: Gesture): Diagram => {
  const outcome = applyGesture(diagram, gesture);
  return outcome.ok ? outcome.diagram : diagram;
};
const worded = fc
  .record({ list: parents(20), from: fc.nat({ max: 19 }), to: fc.nat({ max: 19 }) })
  .filter(({ list, from, to }) => from !== to && from < list.length && to < list.length)
  .map(({ list, from, to }) =>
    done(diagramFromParents(list), [
      { kind: 'addLink', link: { id: 'l', from: `e${from}`, to: `e${to}`, kind: 'side', phrase: 'safety' } },
      { kind: 'setStyle', scope: { kind: 'links' }, property: 'endMark', value: 'arrow' },
      { kind: 'setStyle', scope: { kind: 'links' }, property: 'endGap', value: 3 },
    ]),
  );
const linkOf = (diagram: Diagram): SceneGroup =>
  draw(diagram).scene.groups.find(({ stands }) => stands.for === 'link')!;

describe('the words on a side link', () => {
  it('stand upright on its course, in a gap of the line', () => {
    fc.assert(
      fc.property(worded, (diagram) => {
        const group = linkOf(diagram);
        const text = group.children.find((one): one is TextPrimitive => one.type === 'text')!;
        const width = text.runs.reduce((sum, run) => sum + run.width, 0);
        expect(text.runs.map((run) => run.text).join('')).toBe('safety');
        const middle = { x: text.x + width / 2, y: text.y - text.size * 0.35 };
        expect(distanceTo(group.selectable!.course, middle.x, middle.y)).toBeLessThan(text.size);
        // No drawn piece of the line runs through the middle of the words.
        const line = group.children.find((one) => one.type === 'path' && one.fill === undefined);
        const pieces = line?.type === 'path' ? line.d.split('M').filter(Boolean) : [];
        for (const piece of pieces) {
          const numbers = piece.match(/-?[\d.]+/g)!.map(Number);
          for (let p = 2; p + 1 < numbers.length; p += 2)
            expect(distanceTo(numbers.slice(p - 2, p + 2), middle.x, middle.y)).toBeGreaterThan(2);
        }
      }),
      { numRuns: 80 },
    );
  });
  it('are read out with both ends, and the line can be pointed at', () => {
    const diagram = done(diagramFromParents([-1, 0, 0]), [
      { kind: 'addLink', link: { id: 'l', from: 'e1', to: 'e2', kind: 'side', phrase: 'safety' } },
    ]);
    const group = linkOf(diagram);
    expect(group.label).toBe('Link from Person 1 to Person 2: safety');
    expect(group.selectable).toMatchObject({ hit: 'line' });
    const entry = draw(diagram).scene.groups.find(({ stands }) => stands.for === 'entry' && stands.id === 'e1')!;
    expect(entry.label).toContain('safety Person 2');
  });
  it('a dotted line is dotted, with a filled arrow at its end', () => {
    const diagram = done(diagramFromParents([-1, 0, 0]), [
      { kind: 'addLink', link: { id: 'l', from: 'e1', to: 'e2', kind: 'side', phrase: '' } },
      { kind: 'setStyle', scope: { kind: 'link', link: 'l' }, property: 'dash', value: 'dotted' },
      { kind: 'setStyle', scope: { kind: 'link', link: 'l' }, property: 'endMark', value: 'arrow' },
    ]);
    expect(linkOf(diagram).children).toMatchObject([
      { type: 'path', dotted: true, dashed: false },
      { type: 'path', fill: expect.stringMatching(/^#/) as unknown },
    ]);
  });
});

describe('several side links', () => {
  const several = fc
    .record({
      list: parents(24),
      ends: fc.array(fc.tuple(fc.nat(), fc.nat()), { minLength: 2, maxLength: 7 }),
      tiers: fc.constantFrom('bands' as const, 'compact' as const),
      direction: fc.constantFrom('down' as const, 'right' as const),
    })
    .filter(({ list }) => list.length > 3)
    .map(({ list, ends, tiers, direction }) => {
      const diagram = diagramFromParents(list);
      const links = ends
        .map(([a, b], k) => ({
          id: `l${k}`,
          from: `e${a % list.length}`,
          to: `e${b % list.length}`,
          kind: 'side',
          phrase: '',
        }))
        .filter(({ from, to }) => from !== to);
      return {
        ...diagram,
        links: Object.fromEntries(links.map((link) => [link.id, link])),
        arrangement: { ...diagram.arrangement, tiers, direction },
      };
    });
  type Leg = readonly [upright: boolean, at: number, from: number, to: number];
  const legsOf = (points: readonly number[]): Leg[] =>
    Array.from({ length: points.length / 2 - 1 }, (_, k): Leg => {
      const [ax, ay, bx, by] = points.slice(2 * k, 2 * k + 4) as [number, number, number, number];
      const upright = Math.abs(ax - bx) < 1e-6;
      return upright ? [true, ax, Math.min(ay, by), Math.max(ay, by)] : [false, ay, Math.min(ax, bx), Math.max(ax, bx)];
    });
  const along = (a: Leg, b: Leg): boolean =>
    a[0] === b[0] && Math.abs(a[1] - b[1]) < 2 && a[2] < b[3] - 2 && b[2] < a[3] - 2;

  it('run along no reporting line and no other side link but of their own bundle, on its line, and through no box', () => {
    fc.assert(
      fc.property(several, (diagram) => {
        const { scene } = draw(diagram);
        const bundles = bundlesOf(Object.values(diagram.links), hierarchyOf(diagram.entries));
        const links = scene.groups
          .filter(({ stands }) => stands.for === 'link')
          .map((one) => legsOf(one.selectable!.course));
        const reporting = scene.groups
          .filter(({ stands }) => stands.for === 'links')
          .flatMap(({ children }) =>
            children.flatMap((one) => (one.type === 'path' ? one.d.split('M').filter(Boolean) : [])),
          )
          .flatMap((d) => legsOf(d.match(/-?[\d.]+/g)!.map(Number)));
        for (const [k, legs] of links.entries())
          for (const leg of legs) {
            for (const other of reporting) expect(along(leg, other)).toBe(false);
            for (const [j, others] of links.entries()) {
              if (j <= k) continue;
              const together = bundles[j] !== undefined && bundles[j] === bundles[k];
              for (const other of others)
                expect(along(leg, other) && !(together && Math.abs(leg[1] - other[1]) < 0.01)).toBe(false);
            }
            const [, at, low, high] = leg;
            for (const group of scene.groups)
              if (group.stands.for === 'entry')
                expect(runsThroughShape(group, leg[0] ? [at, low, at, high] : [low, at, high, at])).toBe(false);
          }
      }),
      { numRuns: 120 },
    );
  });
});
