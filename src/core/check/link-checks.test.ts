import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { check, draw, kindOf, type Command, type Diagram } from '../diagram';
import type { Scene, SceneGroup } from '../scene';
import { diagramFromParents, parents } from '../testing/arbitrary';
import { after } from '../testing/styled';
import { linkChecks } from './link-checks';

const codes = ['link-through-box', 'words-covered', 'words-astray', 'marks-meet', 'link-short'];
const faults = (diagram: Diagram): string[] =>
  check(diagram, draw(diagram)).flatMap(({ code, message }) => (codes.includes(code) ? [`${code}: ${message}`] : []));
const link = (k: number, from: number, to: number, phrase: string): Command => ({
  kind: 'addLink',
  link: { id: `l${k}`, from: `e${from}`, to: `e${to}`, kind: 'side', phrase },
});
const set = (scope: object, property: string, value: unknown): Command =>
  ({ kind: 'setStyle', scope, property, value }) as Command;

const phrase = fc.constantFrom('', 'safety', 'budget and staff', 'stands in for in summer and at weekends');
const shape = fc.constantFrom('rounded', 'square', 'ellipse', 'diamond', 'hexagon', 'pill', 'dot', 'star', 'cut');
const linked = fc.record({
  under: parents(22),
  ends: fc.array(fc.tuple(fc.nat(), fc.nat(), phrase), { minLength: 1, maxLength: 5 }),
  bends: fc.array(fc.constantFrom(0, 0, 40, -120, 300), { minLength: 5, maxLength: 5 }),
  shapes: fc.array(shape, { minLength: 3, maxLength: 3 }),
  mark: fc.constantFrom('none', 'arrow'),
  direction: fc.constantFrom('down' as const, 'right' as const),
});

describe('links beside the structure', () => {
  it('run through no box, bent or not, have their words and marks clear, and end at the shapes of their boxes', () => {
    fc.assert(
      fc.property(linked, ({ under, ends, bends, shapes, mark, direction }) => {
        const n = under.length;
        fc.pre(n > 1);
        const links = ends
          .map(([a, b, words], k): [number, number, number, string] => [k, a % n, b % n, words])
          .filter(([, a, b]) => a !== b);
        const diagram = after(diagramFromParents(under), [
          { kind: 'setArrangement', patch: { direction } } as Command,
          ...shapes.map((one, t) => set({ kind: 'tier', tier: t + 1 }, 'shape', one)),
          ...links.map((one) => link(...one)),
          ...links.flatMap(([k]) => [
            set({ kind: 'link', link: `l${k}` }, 'endMark', mark),
            ...(bends[k] === 0 ? [] : [set({ kind: 'link', link: `l${k}` }, 'bend', bends[k])]),
          ]),
        ]);
        expect(faults(diagram)).toEqual([]);
      }),
      { numRuns: 200 },
    );
  });
});

/** A chart of three with a link, and its Scene with that link changed. */
const small = after(diagramFromParents([-1, 0, 0]), [
  link(0, 1, 2, 'safety'),
  set({ kind: 'link', link: 'l0' }, 'endMark', 'arrow'),
]);
const drawn = draw(small);
const found = (change: (group: SceneGroup) => SceneGroup, more: readonly SceneGroup[] = []): string[] => {
  const groups = drawn.scene.groups.map((group) => (group.stands.for === 'link' ? change(group) : group));
  const scene: Scene = { ...drawn.scene, groups: [...groups, ...more] };
  return linkChecks(small, kindOf(small.kind).structure(small), drawn.styles, scene).map(({ code }) => code);
};
const placeOf = (id: string) => {
  const { x, y, bounds } = drawn.scene.groups.find(({ stands }) => stands.for === 'entry' && stands.id === id)!;
  return { x, y, ...{ width: bounds.width, height: bounds.height } };
};

describe('checks of links', () => {
  it('find nothing where all is well', () => expect(found((group) => group)).toEqual([]));
  it('find a link through a box', () => {
    const { x, y, width, height } = placeOf('e0');
    const through = (group: SceneGroup): SceneGroup => {
      const { course } = group.selectable as { course: readonly number[] };
      const middle = [x - 5, y + height / 2, x + width + 5, y + height / 2];
      return {
        ...group,
        selectable: { ...group.selectable!, course: [...course.slice(0, 2), ...middle, ...course.slice(-2)] },
      } as SceneGroup;
    };
    expect(found(through)).toContain('link-through-box');
  });
  it('find words on a box, an arrowhead on words, and a link that ends before its box', () => {
    const { x, y } = placeOf('e0');
    const moved =
      (type: string, dx: number, dy: number) =>
      (group: SceneGroup): SceneGroup => ({
        ...group,
        children: group.children.map((one) =>
          one.type === type && 'x' in one ? { ...one, x: x + dx, y: y + dy } : one,
        ),
      });
    expect(found(moved('text', 10, 20))).toContain('words-covered');
    expect(found(moved('text', 10, -60))).toContain('words-astray');
    const tip = (group: SceneGroup): SceneGroup => {
      const course = (group.selectable as { course: readonly number[] }).course;
      const [ex, ey] = course.slice(-2) as [number, number];
      return {
        ...group,
        children: group.children.map((one) => (one.type === 'text' ? { ...one, x: ex - 4, y: ey + 3 } : one)),
      };
    };
    expect(found(tip)).toContain('marks-meet');
    const short = (group: SceneGroup): SceneGroup => {
      const { course } = group.selectable as { course: readonly number[] };
      return {
        ...group,
        selectable: {
          ...group.selectable!,
          course: [...course.slice(0, -2), course.at(-2)! - 25, course.at(-1)! - 25],
        },
      } as SceneGroup;
    };
    expect(found(short)).toContain('link-short');
  });
});
