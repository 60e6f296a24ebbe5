import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyGesture, draw, type Command, type Diagram } from '../diagram';
import { hierarchyOf } from '../hierarchy';
import type { LinkPatch } from '../model';
import { diagramFromParents, diagrams } from '../testing/arbitrary';
import { flattenPath, holds } from './outline-points';
import type { PathPrimitive, SceneGroup } from './scene';

const after = (diagram: Diagram, gesture: readonly Command[]): Diagram => {
  const outcome = applyGesture(diagram, gesture);
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.diagram;
};
const lined = (diagram: Diagram, patch: LinkPatch, tier: number | null = null): Diagram =>
  after(
    diagram,
    Object.entries(patch).map(
      ([property, value]) => ({ kind: 'setStyle', scope: { kind: 'lines', tier }, property, value }) as Command,
    ),
  );
const fans = (diagram: Diagram): SceneGroup[] =>
  draw(diagram).scene.groups.filter(({ stands }) => stands.for === 'links');
const paths = (group: SceneGroup) => group.children as readonly PathPrimitive[];

describe('the lines of a structure', () => {
  const chart = diagramFromParents([-1, 0, 0, 0, 1, 1]);
  it('have an arrow at each end that is asked for: one above, and one for each entry below', () => {
    const [top] = fans(lined(chart, { startMark: 'dot', endMark: 'arrow' }));
    expect(paths(top!).filter(({ fill }) => fill)).toHaveLength(1 + 3);
  });
  it('are styled for all, and apart for those to one tier', () => {
    const styled = lined(lined(chart, { lineColour: '#aa0000', lineWidth: 3 }), { dash: 'dashed' }, 3);
    const [above, below] = fans(styled).map((group) => paths(group)[0]!);
    expect(above).toMatchObject({ stroke: '#aa0000', strokeWidth: 3, dashed: false });
    expect(below).toMatchObject({ stroke: '#aa0000', strokeWidth: 3, dashed: true });
  });
  it('end before the boxes by their gap, whatever their course', () => {
    for (const course of ['joined', 'curved', 'straight'] as const) {
      const inRows: Diagram = {
        ...chart,
        arrangement: { ...chart.arrangement, tiers: 'bands', lowest: 'row', joinRadius: 0 },
      };
      const styled = lined(inRows, { endGap: 6, course });
      const boxes = draw(styled).scene.groups.filter(({ stands }) => stands.for === 'entry');
      for (const fan of fans(styled))
        for (const [x, y] of flattenPath(paths(fan)[0]!.d))
          for (const { x: left, y: top, bounds } of boxes)
            expect(x > left - 5 && x < left + bounds.width + 5 && y > top - 5 && y < top + bounds.height + 5).toBe(
              false,
            );
    }
  });
  it('on ways of their own pass through no box', () => {
    fc.assert(
      fc.property(diagrams, fc.constantFrom('curved' as const, 'straight' as const), (plain, course) => {
        const styled = lined({ ...plain, nudges: {} }, { course });
        const boxes = draw(styled).scene.groups.filter(({ stands }) => stands.for === 'entry');
        for (const fan of fans(styled))
          for (const [x, y] of flattenPath(paths(fan)[0]!.d.replace(/Q[^L]*/g, '')))
            for (const {
              x: left,
              y: top,
              bounds: { width, height },
            } of boxes) {
              const inner = [
                [left + 1, top + 1],
                [left + width - 1, top + 1],
                [left + width - 1, top + height - 1],
                [left + 1, top + height - 1],
              ] as const;
              expect(holds(inner, x, y)).toBe(false);
            }
      }),
      { numRuns: 60 },
    );
  });
  it('lead to everybody once, by any course, with one mark each, and one where they begin', () => {
    const course = fc.constantFrom('joined' as const, 'curved' as const, 'straight' as const);
    fc.assert(
      fc.property(diagrams, course, (plain, of) => {
        const styled = lined({ ...plain, nudges: {} }, { course: of, endMark: 'arrow', startMark: 'dot', endGap: 2 });
        const structure = hierarchyOf(styled.entries);
        for (const fan of fans(styled)) {
          const below = structure.count[structure.index.get(fan.stands.id)!]!;
          const marks = paths(fan).filter(({ fill }) => fill);
          expect(marks.filter(({ d }) => !d.includes('C'))).toHaveLength(below);
          expect(marks.filter(({ d }) => d.includes('C')).length).toBeGreaterThanOrEqual(1);
        }
      }),
      { numRuns: 100 },
    );
  });
  it('taken back leave no trace', () => {
    const styled = lined(lined(chart, { dash: 'dotted' }), { course: 'curved' }, 2);
    const back: Command[] = [
      { kind: 'setStyle', scope: { kind: 'lines', tier: null }, property: 'dash', value: null },
      { kind: 'setStyle', scope: { kind: 'lines', tier: 2 }, property: 'course', value: null },
    ];
    expect(after(styled, back)).toEqual(chart);
  });
});
