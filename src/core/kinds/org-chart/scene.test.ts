import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draw, type Diagram } from '../../diagram';
import { hierarchyOf } from '../../hierarchy';
import { diagramFromParents, diagrams, mirrored } from '../../testing/arbitrary';
import { runsThroughShape } from '../../testing/styled';
import { boxOutline, type Rect, type Scene, type SceneGroup } from '../../scene';

const entryGroups = (scene: Scene): SceneGroup[] => scene.groups.filter(({ stands }) => stands.for === 'entry');
const boxes = (scene: Scene): (Rect & { id: string })[] =>
  scene.groups
    .filter((group) => group.stands.for === 'entry')
    .map((group) => ({
      id: group.stands.id,
      x: group.x,
      y: group.y,
      width: group.bounds.width,
      height: group.bounds.height,
    }));
const arrangements = fc.record({
  direction: fc.constantFrom('down' as const, 'right' as const),
  tiers: fc.constantFrom('open' as const, 'bands' as const, 'compact' as const),
  lowest: fc.constantFrom('open' as const, 'row' as const, 'column' as const),
  mostColumns: fc.integer({ min: 1, max: 6 }),
  tightest: fc.constantFrom(0.3, 0.7, 1),
  siblingGap: fc.integer({ min: 4, max: 40 }),
  branchGap: fc.integer({ min: 4, max: 60 }),
});
const arranged = fc
  .tuple(diagrams, arrangements)
  .map(([diagram, patch]): Diagram => ({ ...diagram, arrangement: { ...diagram.arrangement, ...patch } }));
/** Points of path data made of M, L and Q. */
const points = (d: string): [number, number][] =>
  [...d.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map((match) => [Number(match[1]), Number(match[2])]);
const lines = (scene: Scene, kind: SceneGroup['stands']['for']): [number, number, number, number][] =>
  scene.groups
    .filter((group) => group.stands.for === kind)
    .flatMap((group) => group.children)
    .flatMap((primitive) => (primitive.type === 'path' ? primitive.d.split('M').filter(Boolean) : []))
    .flatMap((part) => {
      const list = points(`M${part}`);
      return list.slice(1).map(([x, y], i): [number, number, number, number] => [list[i]![0], list[i]![1], x, y]);
    });

describe('an org chart, for any list, arrangement and spacing', () => {
  it('has no two boxes that overlap, and all inside the drawing', () => {
    fc.assert(
      fc.property(arranged, (diagram) => {
        const { scene } = draw(diagram);
        const all = boxes(scene);
        expect(all).toHaveLength(Object.keys(diagram.entries).length);
        all.forEach((a, i) => {
          expect(a.x).toBeGreaterThanOrEqual(-1e-6);
          expect(a.x + a.width).toBeLessThanOrEqual(scene.drawing.width + 1e-6);
          expect(a.y + a.height).toBeLessThanOrEqual(scene.drawing.height + 1e-6);
          for (const b of all.slice(i + 1))
            expect(
              a.x + a.width <= b.x + 1e-6 ||
                b.x + b.width <= a.x + 1e-6 ||
                a.y + a.height <= b.y + 1e-6 ||
                b.y + b.height <= a.y + 1e-6,
            ).toBe(true);
        });
      }),
      { numRuns: 300 },
    );
  });
  it('has no line that passes through a box', () => {
    fc.assert(
      fc.property(arranged, (diagram) => {
        const { scene } = draw(diagram);
        const all = entryGroups(scene);
        for (const line of lines(scene, 'links'))
          for (const box of all) expect(runsThroughShape(box, line)).toBe(false);
      }),
      { numRuns: 300 },
    );
  });
  it('leads a side link from side to side through no box', () => {
    fc.assert(
      fc.property(arranged, fc.nat(), fc.nat(), (diagram, a, b) => {
        const ids = Object.keys(diagram.entries);
        fc.pre(ids.length > 2 && a % ids.length !== b % ids.length);
        const linked = {
          ...diagram,
          links: {
            l: { id: 'l', from: ids[a % ids.length]!, to: ids[b % ids.length]!, kind: 'side' as const, phrase: '' },
          },
        };
        const { scene } = draw(linked);
        const found = lines(scene, 'link');
        expect(found.length).toBeGreaterThan(0);
        for (const line of found) for (const box of entryGroups(scene)) expect(runsThroughShape(box, line)).toBe(false);
      }),
      { numRuns: 300 },
    );
  });
  it('begins all boxes of a tier on one line, equal in size, parents over the middle of their reports', () => {
    fc.assert(
      fc.property(diagrams, fc.constantFrom('down' as const, 'right' as const), (generated, direction) => {
        const entries = Object.fromEntries(
          Object.values(generated.entries).map((entry) => [entry.id, { ...entry, role: null }]),
        );
        const diagram: Diagram = {
          ...generated,
          entries,
          arrangement: { ...generated.arrangement, tiers: 'bands', direction, lowest: 'row' },
        };
        const { scene } = draw(diagram);
        const structure = hierarchyOf(diagram.entries);
        const byId = new Map(boxes(scene).map((box) => [box.id, box]));
        const down = direction === 'down';
        const middle = (box: Rect) => (down ? box.x + box.width / 2 : box.y + box.height / 2);
        structure.ids.forEach((id, i) => {
          const box = byId.get(id)!;
          const first = byId.get(structure.ids[structure.tierStart[structure.tier[i]! - 1]!]!)!;
          expect(down ? box.y : box.x).toBeCloseTo(down ? first.y : first.x, 9);
          expect([box.width, box.height]).toEqual([first.width, first.height]);
          if (structure.count[i] === 0) return;
          const a = byId.get(structure.ids[structure.first[i]!]!)!;
          const z = byId.get(structure.ids[structure.first[i]! + structure.count[i]! - 1]!)!;
          expect(middle(box)).toBeCloseTo((middle(a) + middle(z)) / 2, 6);
        });
      }),
    );
  });
  it('draws the mirrored list as the mirror image', () => {
    fc.assert(
      fc.property(diagrams, (generated) => {
        const entries = Object.fromEntries(
          Object.values(generated.entries).map((entry) => [entry.id, { ...entry, role: null }]),
        );
        const diagram: Diagram = {
          ...generated,
          entries,
          arrangement: { ...generated.arrangement, tiers: 'bands', lowest: 'row' },
        };
        const there = draw(diagram).scene;
        const back = new Map(boxes(draw(mirrored(diagram)).scene).map((box) => [box.id, box]));
        for (const box of boxes(there))
          expect(back.get(box.id)!.x).toBeCloseTo(there.drawing.width - box.x - box.width, 6);
      }),
    );
  });
  it('keeps every line of text inside its box', () => {
    fc.assert(
      fc.property(arranged, (diagram) => {
        for (const group of draw(diagram).scene.groups) {
          for (const primitive of group.children) {
            if (primitive.type !== 'text') continue;
            const width = primitive.runs.reduce((sum, run) => sum + run.width, 0);
            expect(primitive.x).toBeGreaterThanOrEqual(4);
            expect(primitive.x + width).toBeLessThanOrEqual(group.bounds.width - 4);
            expect(primitive.y - primitive.size * 0.75).toBeGreaterThanOrEqual(0);
            expect(primitive.y + primitive.size * 0.3).toBeLessThanOrEqual(group.bounds.height);
          }
        }
      }),
    );
  });
  it('lies on its sheet inside the margins', () => {
    fc.assert(
      fc.property(arranged, fc.constantFrom('A4' as const, 'letter' as const, 'drawing' as const), (diagram, size) => {
        const { sheet, drawing } = draw({ ...diagram, sheet: { ...diagram.sheet, size } }).scene;
        const { margin } = diagram.sheet;
        expect(drawing.x).toBeGreaterThanOrEqual(margin - 1e-6);
        expect(drawing.y).toBeGreaterThanOrEqual(margin - 1e-6);
        expect(drawing.x + drawing.width * drawing.scale).toBeLessThanOrEqual(sheet.width - margin + 1e-6);
        expect(drawing.y + drawing.height * drawing.scale).toBeLessThanOrEqual(sheet.height - margin + 1e-6);
      }),
    );
  });
});

describe('a scene', () => {
  const diagram = diagramFromParents([-1, 0, 0, 1]);
  it('keeps the groups of entries that did not change the same objects', () => {
    const first = draw(diagram).scene;
    const again = draw({ ...diagram, title: 'Other' }).scene;
    expect(
      again.groups
        .filter((group) => group.stands.for === 'entry')
        .every((group, i) => group === first.groups.filter((one) => one.stands.for === 'entry')[i]),
    ).toBe(true);
  });
  it('reads out name, details, tier and superior', () => {
    const { scene } = draw(diagram);
    expect(scene.groups.find((group) => group.stands.id === 'e3' && group.stands.for === 'entry')!.label).toBe(
      'Person 3, tier 3, reports to Person 1',
    );
  });
  it('has a band for each tier with its count, end before the next begins', () => {
    const { tiers } = draw(diagram).scene;
    expect(tiers.map((band) => band.count)).toEqual([1, 2, 1]);
    expect(tiers[0]!.end).toBeLessThan(tiers[1]!.start);
  });
  it('stands an assistant beside the line between manager and reports', () => {
    const withAssistant = {
      ...diagram,
      entries: { ...diagram.entries, e2: { ...diagram.entries.e2!, role: 'assistant' } },
    };
    const all = new Map(boxes(draw(withAssistant).scene).map((box) => [box.id, box]));
    const [manager, assistant, report] = [all.get('e0')!, all.get('e2')!, all.get('e1')!];
    expect(assistant.y).toBeGreaterThan(manager.y + manager.height);
    expect(assistant.y + assistant.height).toBeLessThan(report.y);
    expect(hierarchyOf(withAssistant.entries).tier[hierarchyOf(withAssistant.entries).index.get('e2')!]).toBe(2);
  });
  it('is the same to the last digit when drawn again from JSON', () => {
    fc.assert(
      fc.property(diagrams, (one) => {
        expect(JSON.stringify(draw(JSON.parse(JSON.stringify(one)) as Diagram).scene)).toBe(
          JSON.stringify(draw(one).scene),
        );
      }),
    );
  });
});

describe('box outlines', () => {
  const box = {
    type: 'box' as const,
    corner: 8,
    x: 10,
    y: 20,
    width: 100,
    height: 40,
    fill: '#ffffff',
    stroke: '#000000',
    strokeWidth: 1,
    dashed: false,
  };
  it('a square box is its four corners; a cut one has eight', () => {
    expect(boxOutline({ ...box, shape: 'square' })).toBe('M10 20L110 20L110 60L10 60Z');
    expect(points(boxOutline({ ...box, shape: 'cut' })).length).toBe(9);
  });
  it('all shapes stay within the box', () => {
    for (const shape of ['square', 'rounded', 'cut', 'pill'] as const) {
      for (const [x, y] of points(boxOutline({ ...box, shape })))
        expect(x >= 10 && x <= 110 && y >= 20 && y <= 60).toBe(true);
    }
  });
});
