import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { grown, lineRunsThrough } from '../../../arrange/graph';
import { draw, type Diagram } from '../../../diagram';
import type { PathPrimitive, SceneGroup, TextPrimitive } from '../../../scene';
import { maps, mapOf } from '../../../testing/arbitrary-map';
import { after } from '../../../testing/styled';
import type { ConceptMap } from '../model';

const groupsOf = (diagram: Diagram): Map<string, SceneGroup> =>
  new Map(draw(diagram).scene.groups.map((group) => [group.stands.for + group.stands.id, group]));
const bent = (map: Diagram, link: string, value: number | null): Diagram =>
  after(map, [{ kind: 'setStyle', scope: { kind: 'link', link }, property: 'bend', value }]);
const middle = ({ x, y, bounds }: SceneGroup) => ({
  x: x + bounds.x + bounds.width / 2,
  y: y + bounds.y + bounds.height / 2,
});
const ways = fc.constantFrom('ranked' as const, 'rings' as const, 'even' as const);

describe('a link of a map that was moved by hand', () => {
  it('goes from idea to idea around all boxes, and back to where it was', () => {
    fc.assert(
      fc.property(maps(14), ways, fc.integer({ min: -200, max: 200 }), fc.nat(), (plain, way, by, pick) => {
        const map: ConceptMap = { ...plain, map: { ...plain.map, manner: { ...plain.map.manner, way } } };
        const ids = Object.keys(map.links);
        fc.pre(ids.length > 0 && by !== 0);
        const id = ids[pick % ids.length]!;
        const { from, to } = map.links[id]!;
        const moved = bent(map, id, by);
        const groups = groupsOf(moved);
        const { course } = groups.get(`link${id}`)!.selectable!;
        // Around every box in the way.
        for (const { stands, x, y, bounds } of groups.values())
          if (stands.for === 'entry' && stands.id !== from && stands.id !== to)
            expect(lineRunsThrough(course, grown({ ...bounds, x: x + bounds.x, y: y + bounds.y }, -1))).toBe(false);
        // Both ends lie on the boxes of its ideas.
        for (const [end, at] of [
          [from, course.slice(0, 2)],
          [to, course.slice(-2)],
        ] as const) {
          const { x, y, bounds } = groups.get(`entry${end}`)!;
          expect(at[0]!).toBeGreaterThan(x - 0.1);
          expect(at[0]!).toBeLessThan(x + bounds.width + 0.1);
          expect(at[1]!).toBeGreaterThan(y - 0.1);
          expect(at[1]!).toBeLessThan(y + bounds.height + 0.1);
        }
        expect(draw(bent(moved, id, null)).scene).toEqual(draw(map).scene);
      }),
      { numRuns: 60 },
    );
  });
  it('takes its words along, by what it was moved, across the line between its ideas', () => {
    const map = mapOf([0, 1]);
    const link = { id: 'l', from: 'e0', to: 'e1', kind: 'proposition', phrase: 'leads to' };
    const linked: Diagram = { ...map, links: { l: link } };
    const words = (of: Diagram) => {
      const groups = groupsOf(of);
      const first = middle(groups.get('entrye0')!);
      const { children } = groups.get('linkl')!;
      const text = children.find((one): one is TextPrimitive => one.type === 'text')!;
      return {
        x: text.x - first.x,
        y: text.y - first.y,
        lines: children.filter((one): one is PathPrimitive => one.type === 'path'),
      };
    };
    const [before, now] = [words(linked), words(bent(linked, 'l', 40))];
    // One idea stands below the other, so that what is between them moves to the right.
    expect(now.x - before.x).toBeCloseTo(40, 6);
    expect(now.y - before.y).toBeCloseTo(0, 6);
    // The line leaves room for them still.
    expect(now.lines).toHaveLength(1);
    expect(now.lines[0]!.d.match(/M/g)).toHaveLength(2);
  });
  it('has words of its own, where others of its idea share theirs', () => {
    const map = mapOf([0, 1, 2, 3]);
    const links = Object.fromEntries(
      ['e1', 'e2', 'e3'].map((to, i) => [`l${i}`, { id: `l${i}`, from: 'e0', to, kind: 'proposition', phrase: 'has' }]),
    );
    const shared: Diagram = { ...map, links };
    const texts = (of: Diagram) =>
      draw(of).scene.groups.filter(
        ({ stands, children }) => stands.for === 'link' && children.some(({ type }) => type === 'text'),
      );
    expect(texts(shared)).toHaveLength(1);
    expect(texts(bent(shared, 'l1', 30))).toHaveLength(2);
  });
});
