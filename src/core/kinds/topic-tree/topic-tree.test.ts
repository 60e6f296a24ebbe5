import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { applyGesture, check, draw, tokensOf, type Gesture } from '../../diagram';
import { hierarchyOf } from '../../hierarchy';
import { diagramFromParents, parents } from '../../testing/arbitrary';
import { figureTopics, leavesBelow } from './figures';
import { topicTree } from './kind';
import type { TopicTree } from './model';

const list = readFileSync(new URL('../../../../demo/lists/kinds-of-shore.txt', import.meta.url), 'utf8');
const shores = topicTree.make(topicTree.read(tokensOf(list)), 'Shores');
const edited = (diagram: TopicTree, gesture: Gesture): TopicTree => {
  const outcome = applyGesture(diagram, gesture);
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.diagram as TopicTree;
};
const figures = (diagram: TopicTree) => figureTopics(diagram, hierarchyOf(diagram.entries));
const boxOf = (diagram: TopicTree, name: string) => {
  const { groups } = draw(diagram).scene;
  const id = Object.values(diagram.entries).find((entry) => entry.name === name)!.id;
  return groups.find(({ stands }) => stands.for === 'entry' && stands.id === id)!;
};
const columns = edited(shores, [
  { kind: 'setArrangement', patch: { direction: 'right', tiers: 'columns', tierNames: 'drawn' } },
  { kind: 'setTier', tier: 3, patch: { name: 'How it lies' } },
  { kind: 'setSheet', patch: { size: 'drawing' } },
]);

describe('the figures of a classification', () => {
  it('counts a class and a tier', () => {
    const { ideas, leaves, depth, tiers, classes } = figures(shores);
    expect({ ideas, leaves, depth }).toEqual({ ideas: 21, leaves: 14, depth: 4 });
    expect(tiers.map((tier) => [tier.ideas, tier.classes])).toEqual([
      [1, 1],
      [5, 5],
      [13, 1],
      [2, 0],
    ]);
    expect(classes.find(({ name }) => name === 'Shingle shores')).toMatchObject({
      parts: 2,
      below: 4,
      leaves: 3,
      depth: 2,
    });
  });
  it('names the least balanced division: its largest part against an even share', () => {
    // Shingle: a bank (1) and a spit (2) make 2 · 2 / 3; all others are nearer to even.
    expect(figures(shores).leastBalanced).toMatchObject({ name: 'Shingle shores', imbalance: 4 / 3 });
    const even = topicTree.make(topicTree.read(tokensOf('A\n\tB\n\tC')), '');
    expect(figures(even).leastBalanced).toBeNull();
  });
  it('all leaves are under the tops, and no part is less than even or more than all', () => {
    fc.assert(
      fc.property(parents(60), (drawn) => {
        const diagram: TopicTree = { ...diagramFromParents(drawn), kind: 'topic-tree' };
        const structure = hierarchyOf(diagram.entries);
        const leaves = leavesBelow(structure);
        const tops = Array.from(leaves.slice(0, structure.roots)).reduce((sum, one) => sum + one, 0);
        const told = figureTopics(diagram, structure);
        expect(tops).toBe(told.leaves);
        for (const { imbalance, parts } of told.classes)
          if (imbalance !== null) {
            expect(imbalance).toBeGreaterThanOrEqual(1);
            expect(imbalance).toBeLessThan(parts);
          }
      }),
    );
  });
});

describe('the columns of a classification', () => {
  it('have their names over them, which move with them', () => {
    const over = (diagram: TopicTree) => {
      const { groups, tiers } = draw(diagram).scene;
      const name = groups.find(({ stands }) => stands.for === 'tierName' && stands.id === '3')!;
      return {
        middle: name.bounds.x + name.bounds.width / 2,
        column: (tiers[2]!.start + tiers[2]!.end) / 2,
        label: name.label,
      };
    };
    const before = over(columns);
    expect(before.label).toBe('How it lies');
    expect(before.middle).toBeCloseTo(before.column, 6);
    const wider = over(edited(columns, [{ kind: 'setTier', tier: 2, patch: { width: 300 } }]));
    expect(wider.middle).toBeGreaterThan(before.middle + 100);
    expect(wider.middle).toBeCloseTo(wider.column, 6);
    const further = over(edited(columns, [{ kind: 'setTier', tier: 3, patch: { gap: 200 } }]));
    expect(further.middle).toBeCloseTo(further.column, 6);
  });
  it('names that are hidden are not drawn, and take no room', () => {
    const hidden = edited(columns, [{ kind: 'setArrangement', patch: { tierNames: 'hidden' } }]);
    expect(draw(hidden).scene.groups.some(({ stands }) => stands.for === 'tierName')).toBe(false);
    expect(draw(hidden).scene.sheet.height).toBeLessThan(draw(columns).scene.sheet.height);
  });
  it('an entry is released by a nudge, nobody else moves, and it goes back in one step', () => {
    const spit = Object.values(columns.entries).find(({ name }) => name === 'Spit')!.id;
    const nudge = applyGesture(columns, [{ kind: 'setNudge', id: spit, nudge: { x: 30, y: 14 } }]);
    if (!nudge.ok) throw new Error(nudge.reason);
    const nudged = nudge.diagram as TopicTree;
    const [before, after] = [boxOf(columns, 'Spit'), boxOf(nudged, 'Spit')];
    expect([after.x - before.x, after.y - before.y]).toEqual([30, 14]);
    expect(boxOf(nudged, 'Shingle bank').x).toBe(boxOf(columns, 'Shingle bank').x);
    expect(boxOf(nudged, 'Bare ridge').y).toBe(boxOf(columns, 'Bare ridge').y);
    const back = applyGesture(nudged, nudge.inverse);
    expect(back).toMatchObject({ ok: true, diagram: columns });
    expect(draw(columns).scene).toEqual(draw((back as { diagram: TopicTree }).diagram).scene);
  });
  it('the line to a nudged entry follows it', () => {
    const spit = Object.values(columns.entries).find(({ name }) => name === 'Spit')!.id;
    const nudged = edited(columns, [{ kind: 'setNudge', id: spit, nudge: { x: 0, y: 17 } }]);
    const at = boxOf(nudged, 'Spit');
    const middle = Math.round((at.y + at.bounds.height / 2) * 100) / 100;
    const paths = draw(nudged).scene.groups.flatMap(({ stands, children }) =>
      stands.for === 'links' ? children.flatMap((one) => (one.type === 'path' ? [one.d] : [])) : [],
    );
    expect(paths.some((d) => d.includes(`${Math.round(at.x * 100) / 100} ${middle}`))).toBe(true);
  });
  it('a nudge onto another entry is a finding that names both', () => {
    const spit = Object.values(columns.entries).find(({ name }) => name === 'Spit')!.id;
    const drop = boxOf(columns, 'Sea wall').y - boxOf(columns, 'Spit').y;
    const nudged = edited(columns, [{ kind: 'setNudge', id: spit, nudge: { x: 0, y: drop } }]);
    const [one] = check(nudged, draw(nudged)).filter(({ code }) => code === 'nudged-over');
    expect(one!.message).toContain('Spit was nudged onto Sea wall');
  });
});

describe('what is found in a classification', () => {
  const found = (text: string) => {
    const diagram = topicTree.make(topicTree.read(tokensOf(text)), '');
    return check(diagram, draw(diagram)).map(({ code }) => code);
  };
  it('a class with one part only', () => expect(found('Shores\n\tRocky\n\t\tPools\n\tSandy')).toContain('one-part'));
  it('nothing where each class has two', () => expect(found('Shores\n\tRocky\n\tSandy')).toEqual([]));
});
