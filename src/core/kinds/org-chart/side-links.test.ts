import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { distanceTo } from '../../arrange/graph';
import { applyGesture, draw, type Diagram, type Gesture } from '../../diagram';
import type { SceneGroup, TextPrimitive } from '../../scene';
import { parents, diagramFromParents } from '../../testing/arbitrary';

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
