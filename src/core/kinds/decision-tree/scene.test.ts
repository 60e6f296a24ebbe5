import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { applyGesture, draw, drawSet, tokensOf } from '../../diagram';
import type { Rect, SceneGroup } from '../../scene';
import { analyses, hostileDecisions } from '../../testing/arbitrary-decision';
import { decisionTree } from './kind';
import type { DecisionTree } from './model';

const demo = (name: string): DecisionTree => {
  const list = readFileSync(new URL(`../../../../demo/lists/${name}`, import.meta.url), 'utf8');
  return decisionTree.make(decisionTree.read(tokensOf(list)), '');
};
const edited = (diagram: DecisionTree, ...gesture: Parameters<typeof applyGesture>[1]): DecisionTree => {
  const outcome = applyGesture(diagram, gesture);
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.diagram as DecisionTree;
};

const overlap = (a: Rect, b: Rect, by = 0.5): boolean =>
  a.x + by < b.x + b.width && b.x + by < a.x + a.width && a.y + by < b.y + b.height && b.y + by < a.y + a.height;

/** The box of an entry, and the words on the line to it. */
const boxesOf = (groups: readonly SceneGroup[]) =>
  groups
    .filter(({ stands }) => stands.for === 'entry')
    .map(({ stands, x, y, bounds }) => ({ id: stands.id, box: { ...bounds, x: x + bounds.x, y: y + bounds.y } }));
const labelsOf = (groups: readonly SceneGroup[]) =>
  groups
    .filter(({ stands }) => stands.for === 'branch')
    .flatMap(({ stands, children }) => {
      const texts = children.flatMap((one) => (one.type === 'text' ? [one] : []));
      if (texts.length === 0) return [];
      const width = Math.max(...texts.map(({ runs }) => runs.reduce((sum, run) => sum + run.width, 0)));
      const [top, bottom] = [texts[0]!.y - texts[0]!.size * 0.72, texts.at(-1)!.y];
      const x = Math.min(...texts.map((one) => one.x));
      return [{ id: stands.id, box: { x, y: top, width, height: bottom - top } }];
    });
/** The stretches of the lines to entries, without their gaps. */
const stretchesOf = (groups: readonly SceneGroup[]) =>
  groups
    .filter(({ stands }) => stands.for === 'branch')
    .flatMap(({ stands, selectable }) => {
      const course = selectable!.course;
      return Array.from({ length: course.length / 2 - 1 }, (_, k) => ({
        id: stands.id,
        box: {
          x: Math.min(course[2 * k]!, course[2 * k + 2]!),
          y: Math.min(course[2 * k + 1]!, course[2 * k + 3]!),
          width: Math.abs(course[2 * k]! - course[2 * k + 2]!),
          height: Math.abs(course[2 * k + 1]! - course[2 * k + 3]!),
        },
      }));
    });

const ways = fc.constantFrom(
  { direction: 'right' as const, ends: 'own' as const },
  { direction: 'right' as const, ends: 'aligned' as const },
  { direction: 'down' as const, ends: 'own' as const },
  { direction: 'down' as const, ends: 'aligned' as const },
);
const inWay = (diagram: DecisionTree, { direction, ends }: { direction: 'down' | 'right'; ends: 'own' | 'aligned' }) =>
  edited(diagram, { kind: 'setArrangement', patch: { direction } }, { kind: 'setDecision', patch: { ends } });

describe('words on lines', () => {
  it('overlap no box, no words of another line, and no line that is not theirs', () => {
    fc.assert(
      fc.property(fc.oneof(analyses(30), hostileDecisions), ways, (diagram, way) => {
        const { groups } = draw(inWay(diagram, way)).scene;
        const [boxes, labels, stretches] = [boxesOf(groups), labelsOf(groups), stretchesOf(groups)];
        labels.forEach(({ id, box }, i) => {
          for (const other of boxes) expect(overlap(box, other.box)).toBe(false);
          for (const other of labels.slice(i + 1)) expect(overlap(box, other.box)).toBe(false);
          for (const other of stretches) if (other.id !== id) expect(overlap(box, other.box, -0.1)).toBe(false);
        });
        boxes.forEach(({ box }, i) => {
          for (const other of boxes.slice(i + 1)) expect(overlap(box, other.box)).toBe(false);
        });
      }),
      { numRuns: 150 },
    );
  });
  it('no line runs through a box', () => {
    fc.assert(
      fc.property(analyses(40), ways, (diagram, way) => {
        const { groups } = draw(inWay(diagram, way)).scene;
        const boxes = boxesOf(groups);
        for (const { box: line } of stretchesOf(groups))
          for (const { box } of boxes)
            expect(
              overlap(
                { ...line, x: line.x - 0.01, y: line.y - 0.01, width: line.width + 0.02, height: line.height + 0.02 },
                box,
                1,
              ),
            ).toBe(false);
      }),
      { numRuns: 120 },
    );
  });
  it('stand at the same place on every line of a tier', () => {
    fc.assert(
      fc.property(analyses(30), ways, (diagram, way) => {
        const drawn = draw(inWay(diagram, way));
        const { index, tier } = drawn.structure;
        const places = new Map<number, number>();
        for (const { id, box } of labelsOf(drawn.scene.groups)) {
          const t = tier[index.get(id)!]!;
          const at = way.direction === 'right' ? box.x : box.y + box.height / 2;
          // To the right the widest line of the words begins there; words of one line stand in the middle of two.
          const before = places.get(t);
          if (before === undefined) places.set(t, at);
          else expect(Math.abs(at - before)).toBeLessThan(way.direction === 'right' ? 0.01 : 3);
        }
      }),
      { numRuns: 100 },
    );
  });
  it('a longer word widens the gap before its tier alone', () => {
    const before = demo('wading-birds-key.txt');
    const after = edited(before, { kind: 'setFacts', id: 'e3', patch: { label: 'Downwards and rather evenly' } });
    const zone = (diagram: DecisionTree) => {
      const { scene } = draw(edited(diagram, { kind: 'setSheet', patch: { size: 'drawing' } }));
      return scene.tiers.map(({ start, end }) => end - start);
    };
    const [a, b] = [zone(before), zone(after)];
    expect(b[2]!).toBeGreaterThan(a[2]! + 40);
    expect(b[3]!).toBeCloseTo(a[3]!, 6);
  });
});

describe('nodes', () => {
  it('ends stand in one column to the last digit where that is asked for', () => {
    fc.assert(
      fc.property(analyses(40), (diagram) => {
        const drawn = draw(inWay(diagram, { direction: 'right', ends: 'aligned' }));
        const { index, count, parent } = drawn.structure as never as {
          index: Map<string, number>;
          count: Int32Array;
          parent: Int32Array;
        };
        const ends = boxesOf(drawn.scene.groups).filter(
          ({ id }) => count[index.get(id)!] === 0 && parent[index.get(id)!]! >= 0,
        );
        expect(new Set(ends.map(({ box }) => box.x)).size).toBeLessThanOrEqual(1);
      }),
      { numRuns: 60 },
    );
  });
  it('a square, a circle and a triangle stand for decision, chance and end (common practice)', () => {
    const { scene } = draw(demo('leaking-boardwalk.txt'));
    const shapes = new Map(
      scene.groups.flatMap(({ stands, children: [box] }) =>
        stands.for === 'entry' && box?.type === 'box' ? [[stands.id, box.shape] as const] : [],
      ),
    );
    expect(shapes.get('e1')).toBe('block');
    expect(shapes.get('e2')).toBe('ellipse');
    expect(shapes.get('e3')).toBe('triangle');
    const legend = scene.notes.find(({ stands }) => stands.id === 'legend')!;
    expect(legend.label).toBe('Decision. Chance, with its expected value. End, with its payoff. Best choice');
    const signs = legend.children.flatMap((one) => (one.type === 'box' ? [one] : []));
    expect(signs.map(({ shape }) => shape)).toEqual(['block', 'ellipse', 'triangle']);
    // A circle, not an ellipse.
    expect(signs[1]!.width).toBe(signs[1]!.height);
  });
  it('in a key each tier has a shape of its own', () => {
    const { styles, structure } = draw(demo('wading-birds-key.txt'));
    const asking = [1, 2, 3].map((tier) => {
      const i = Array.from(structure.tier).findIndex(
        (one, k) => one === tier && (structure as never as { count: Int32Array }).count[k]! > 0,
      );
      return styles[i]!.shape;
    });
    expect(new Set(asking).size).toBe(3);
  });
  it('the best plan stands out in its lines, and only while values are shown', () => {
    const widths = (diagram: DecisionTree) =>
      draw(diagram).scene.groups.flatMap(({ stands, children: [line] }) =>
        stands.for === 'branch' && line?.type === 'path' ? [line.strokeWidth] : [],
      );
    const shown = demo('leaking-boardwalk.txt');
    expect(new Set(widths(shown)).size).toBe(2);
    expect(new Set(widths(edited(shown, { kind: 'setDecision', patch: { values: 'hidden' } }))).size).toBe(1);
  });
});

describe('several sheets', () => {
  it('hold every node, with its words, and print no smaller than wished', () => {
    const parents = Array.from({ length: 160 }, (_, i) => (i === 0 ? -1 : Math.floor((i - 1) / 3)));
    const key = edited(
      {
        ...demo('wading-birds-key.txt'),
        entries: {},
        decision: { ...demo('wading-birds-key.txt').decision, facts: {} },
      },
      {
        kind: 'addEntries',
        entries: parents.map((parent, i) => ({
          ...{ id: `n${i}`, name: `Question ${i}?`, details: [], fields: {}, role: null },
          ...{ parent: parent < 0 ? null : `n${parent}`, order: `a${String.fromCharCode(66 + (i % 3))}V` },
        })),
        ...{ links: [], branches: {}, only: {} },
        facts: Object.fromEntries(
          parents
            .slice(1)
            .map((_, i) => [`n${i + 1}`, { label: `Answer ${i}`, probability: null, cost: null, payoff: null }]),
        ),
      },
    );
    const set = drawSet(key, 8)!;
    expect(set.sheets.length).toBeGreaterThan(1);
    expect(set.print).toBeGreaterThanOrEqual(8);
    const seen = new Set(set.sheets.flatMap(({ scene }) => boxesOf(scene.groups).map(({ id }) => id)));
    expect(seen.size).toBe(160);
  });
});
