import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draw, openDiagram, type Diagram } from '../diagram';
import { Enclosure, plainEnclosure } from '../model';
import { diagramFromParents, diagrams } from '../testing/arbitrary';
import { familyOf } from '../testing/arbitrary-family';
import { mapOf } from '../testing/arbitrary-map';
import { flattenPath, holds } from './outline-points';
import { contourOf } from './contour';
import { outlineRoom } from './outline-room';
import { enclosedBy } from '../hierarchy';
import type { PathPrimitive, SceneGroup } from './scene';

const around = (diagram: Diagram, ...all: (Partial<Enclosure> & { id: string })[]): Diagram => ({
  ...diagram,
  enclosures: Object.fromEntries(all.map((one) => [one.id, { ...plainEnclosure, ...one }])),
});
const groups = (diagram: Diagram, of: string): SceneGroup[] =>
  draw(diagram).scene.groups.filter(({ stands }) => stands.for === of);
const outlineOf = (group: SceneGroup) => flattenPath((group.children[0] as PathPrimitive).d);
const cornersOf = ({ x, y, bounds: { width, height } }: SceneGroup): [number, number][] => [
  [x + 0.5, y + 0.5],
  [x + width - 0.5, y + 0.5],
  [x + width - 0.5, y + height - 0.5],
  [x + 0.5, y + height - 0.5],
];

/** Whether two boxes stand on one line. */
const groupsMeet = (
  a: { readonly id: string; readonly top: number; readonly height: number },
  b: { readonly id: string; readonly top: number; readonly height: number },
): boolean => a.id !== b.id && a.top < b.top + b.height - 1 && b.top < a.top + a.height - 1;

describe('an outline', () => {
  const shapes = fc.constantFrom(...Enclosure.shape.shape.options);
  it('of any shape holds the boxes of all it is around, in any chart', () => {
    fc.assert(
      fc.property(diagrams, shapes, fc.nat(), (plain, shape, n) => {
        const ids = Object.keys(plain.entries);
        if (ids.length === 0) return;
        const diagram = around(
          { ...plain, nudges: {} },
          { id: 'x', shape, members: ids.filter((_, i) => (n >> (i % 20)) & 1), branch: ids[n % ids.length]! },
        );
        const inside = enclosedBy(diagram, diagram.enclosures.x!);
        const outline = outlineOf(groups(diagram, 'enclosure')[0]!);
        for (const box of groups(diagram, 'entry').filter(({ stands }) => inside.has(stands.id)))
          for (const [x, y] of cornersOf(box)) expect(holds(outline, x, y)).toBe(true);
      }),
      { numRuns: 80 },
    );
  });
  it('around a branch takes in whoever belongs to it, now and after an edit', () => {
    const chart = diagramFromParents([-1, 0, 0, 1, 1, 3]);
    const diagram = around(chart, { id: 'x', branch: 'e1' });
    expect([...enclosedBy(diagram, diagram.enclosures.x!)].sort()).toEqual(['e1', 'e3', 'e4', 'e5']);
    const moved = { ...diagram, entries: { ...diagram.entries, e2: { ...diagram.entries.e2!, parent: 'e4' } } };
    expect([...enclosedBy(moved, moved.enclosures.x!)].sort()).toEqual(['e1', 'e2', 'e3', 'e4', 'e5']);
  });
  it('around a branch in tier bands goes along its boxes and leaves all others out', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(), { minLength: 3, maxLength: 24 }), fc.nat(), (draws, n) => {
        const chart = diagramFromParents(draws.map((draw, i) => (i === 0 ? -1 : draw % i)));
        const bands: Diagram = { ...chart, arrangement: { ...chart.arrangement, tiers: 'bands', lowest: 'row' } };
        const diagram = around(bands, { id: 'x', branch: `e${n % draws.length}`, shape: 'contour' });
        const inside = enclosedBy(diagram, diagram.enclosures.x!);
        const outline = outlineOf(groups(diagram, 'enclosure')[0]!);
        for (const box of groups(diagram, 'entry').filter(({ stands }) => !inside.has(stands.id)))
          for (const [x, y] of cornersOf(box)) expect(holds(outline, x, y)).toBe(false);
      }),
      { numRuns: 120 },
    );
  });
  it('has room between the boxes, also where a chart is set as close as it may be, and more where outlines lie within each other', () => {
    fc.assert(
      fc.property(
        fc.array(fc.nat(), { minLength: 30, maxLength: 70 }),
        fc.nat(),
        fc.boolean(),
        fc.boolean(),
        (draws, n, nested, ofFamily) => {
          const crowd = ofFamily
            ? familyOf(draws)
            : diagramFromParents(draws.map((draw, i) => (i === 0 ? -1 : Math.floor(i / (2 + (draw % 3))))));
          const bands = ofFamily ? crowd : { ...crowd, arrangement: { ...crowd.arrangement, tiers: 'bands' as const } };
          const ids = Object.keys(crowd.entries);
          const members = ids.filter((_, i) => (n >> (i % 24)) & 1).concat(ids[0]!);
          const inner = members.slice(0, Math.ceil(members.length / 2));
          const diagram = around(
            bands as Diagram,
            { id: 'x', members },
            ...(nested && inner.length < members.length ? [{ id: 'y', members: inner }] : []),
          );
          const { sibling } = outlineRoom(diagram);
          expect(sibling).toBe(Object.keys(diagram.enclosures).length > 1 ? 20 : 8);
          const boxes = groups(diagram, 'entry').map(({ stands, x, y, bounds }) => ({
            ...{ id: stands.id, left: x + bounds.x, top: y + bounds.y },
            ...{ width: bounds.width, height: bounds.height },
          }));
          for (const a of boxes)
            for (const b of boxes) {
              if (members.includes(a.id) === members.includes(b.id) || b.left < a.left) continue;
              const level = groupsMeet(a, b);
              if (level) expect(b.left - a.left - a.width).toBeGreaterThanOrEqual(sibling - 0.01);
            }
        },
      ),
      { numRuns: 40 },
    );
  });
  it('within another keeps off its line', () => {
    const chart = diagramFromParents([-1, 0, 0, 1, 1]);
    const diagram = around(chart, { id: 'inner', members: ['e3', 'e4'] }, { id: 'outer', members: ['e1', 'e3', 'e4'] });
    const [outer, inner] = groups(diagram, 'enclosure');
    expect([outer!.stands.id, inner!.stands.id]).toEqual(['outer', 'inner']);
    for (const [x, y] of outlineOf(inner!)) expect(holds(outlineOf(outer!), x, y)).toBe(true);
  });
  it('is drawn in families and maps too, and its name stands clear of boxes', () => {
    for (const plain of [familyOf([3, 7, 12, 44, 2, 9]), mapOf([0, 1, 1, 2, 3])]) {
      const [one, two] = groups(plain, 'entry').map(({ stands }) => stands.id);
      const diagram = around(plain, { id: 'x', name: 'Ours', members: [one!, two!] });
      const [outline] = groups(diagram, 'enclosure');
      const name = outline!.children.find((child) => child.type === 'text')!;
      for (const { x, y, bounds } of groups(diagram, 'entry'))
        expect(name.x > x && name.x < x + bounds.width && name.y > y && name.y < y + bounds.height).toBe(false);
    }
  });
  it('of a map stored before outlines were of every kind is still there, in its hue', () => {
    const map = mapOf([0, 1]);
    const { enclosures, ...rest } = map;
    expect(enclosures).toEqual({});
    const old = {
      ...rest,
      format: 4,
      map: { ...map.map, enclosures: { x: { id: 'x', name: 'Ours', members: ['e1'], hue: 85 } } },
    };
    const opened = openDiagram(old).enclosures.x!;
    expect(opened).toMatchObject({ name: 'Ours', members: ['e1'], shape: 'hull', branch: null });
    expect(opened.fill).toMatch(/^#/);
  });
});

describe('a contour', () => {
  it('of two rows is narrow where one of them is', () => {
    const points = contourOf([
      { x: 40, y: 0, width: 20, height: 10 },
      { x: 0, y: 20, width: 100, height: 10 },
    ]);
    const outline = Array.from({ length: points.length / 2 }, (_, p): [number, number] => [
      points[2 * p]!,
      points[2 * p + 1]!,
    ]);
    expect(holds(outline, 50, 15)).toBe(true);
    expect(holds(outline, 10, 5)).toBe(false);
    expect(holds(outline, 10, 25)).toBe(true);
  });
});
