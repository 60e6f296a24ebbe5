/** Generated decision trees for property tests. */
import fc from 'fast-check';
import { createDiagram } from '../diagram';
import type { BranchFacts, DecisionManner, DecisionTree } from '../kinds/decision-tree';
import type { OrgChart } from '../kinds/org-chart';
import { createEntry, evenKeys, type Entry } from '../model';
import { hostileName } from './hostile-names';

const noFacts: BranchFacts = { label: '', probability: null, cost: null, payoff: null };

/** A decision tree with the entries of a chart; every third branch has an answer, every other a number. */
export function decisionFrom(tree: OrgChart, draws: readonly number[]): DecisionTree {
  const facts = Object.fromEntries(
    Object.keys(tree.entries).flatMap((id, i): [string, BranchFacts][] => {
      const draw = draws[i] ?? 0;
      if (draw % 3 === 0) return [[id, { ...noFacts, label: draw % 2 === 0 ? 'Yes' : 'No' }]];
      return draw % 3 === 1 ? [[id, { ...noFacts, payoff: draw, cost: draw % 5 === 0 ? 10 : null }]] : [];
    }),
  );
  const { decision, arrangement } = createDiagram('decision-tree', '');
  return { ...tree, kind: 'decision-tree', arrangement, decision: { ...decision, facts } };
}

const manner = (patch: Partial<DecisionManner>): DecisionManner => ({
  ...createDiagram('decision-tree', '').decision.manner,
  ...patch,
});

/** An analysis with sound probabilities: every node with others below it is a decision or a chance, every end has a payoff. */
export function analysisOf(
  parents: readonly number[],
  drawn: {
    readonly chance: readonly boolean[];
    readonly weight: readonly number[];
    readonly payoff: readonly number[];
  },
  patch: Partial<DecisionManner> = {},
): DecisionTree {
  const keys = evenKeys(parents.length);
  const children = parents.map((_, i) => parents.flatMap((parent, c) => (parent === i ? [c] : [])));
  const at = <T>(list: readonly T[], i: number): T => list[i % list.length]!;
  const entries = parents.map((parent, i): Entry => {
    const role = children[i]!.length > 0 ? (at(drawn.chance, i) ? 'chance' : 'decision') : null;
    return createEntry({
      id: `e${i}`,
      name: `Node ${i}`,
      parent: parent < 0 ? null : `e${parent}`,
      order: keys[i]!,
      role,
    });
  });
  const facts: Record<string, BranchFacts> = {};
  parents.forEach((parent, i) => {
    const siblings = parent < 0 ? [] : children[parent]!;
    const chance = parent >= 0 && at(drawn.chance, parent);
    const total = siblings.reduce((sum, c) => sum + 1 + at(drawn.weight, c), 0);
    const probability = chance ? (1 + at(drawn.weight, i)) / total : null;
    const payoff = children[i]!.length === 0 ? at(drawn.payoff, i) : null;
    const cost = i % 4 === 1 ? at(drawn.weight, i + 1) : null;
    if (probability !== null || payoff !== null || cost !== null)
      facts[`e${i}`] = { label: '', probability, cost, payoff };
  });
  return {
    ...createDiagram('decision-tree', 'Generated'),
    entries: Object.fromEntries(entries.map((entry) => [entry.id, entry])),
    decision: { facts, manner: manner({ manner: 'analysis', ...patch }) },
  };
}

/** Analyses of up to `most` nodes. */
export const analyses = (most: number, patch: Partial<DecisionManner> = {}): fc.Arbitrary<DecisionTree> =>
  fc
    .record({
      draws: fc.array(fc.nat({ max: 1_000_000 }), { minLength: 1, maxLength: most }),
      chance: fc.array(fc.boolean(), { minLength: 7, maxLength: 7 }),
      weight: fc.array(fc.nat({ max: 9 }), { minLength: 5, maxLength: 5 }),
      payoff: fc.array(fc.integer({ min: -100, max: 100 }), { minLength: 11, maxLength: 11 }),
    })
    .map(({ draws, ...drawn }) => {
      const parents = draws.map((draw, i) => (i === 0 ? -1 : draw % i));
      return analysisOf(parents, drawn, patch);
    });

const amount = fc.oneof(
  fc.constant(null),
  fc.integer({ min: -50_000, max: 50_000 }),
  fc.double({ min: -1e6, max: 1e6, noNaN: true }).map((value) => (value === 0 ? 0 : value)),
);

/** Keys and analyses with names, answers, notes and numbers that a reader could take for something else. */
export const hostileDecisions: fc.Arbitrary<DecisionTree> = fc
  .array(
    fc.record({
      draw: fc.nat({ max: 1000 }),
      name: hostileName,
      details: fc.array(hostileName, { maxLength: 2 }),
      role: fc.constantFrom(null, null, 'decision', 'chance'),
      facts: fc.record({
        label: fc.oneof(
          { weight: 2, arbitrary: fc.constant('') },
          hostileName.map((one) => one.slice(0, 200)),
        ),
        probability: fc.constantFrom(null, 0.3, 1 / 3, 0, 1, -0.5, 2),
        cost: amount,
        payoff: amount,
      }),
    }),
    { minLength: 1, maxLength: 9 },
  )
  .map((drawn) => {
    const keys = evenKeys(drawn.length);
    const entries = drawn.map(({ draw, name, details, role }, i) =>
      createEntry({ id: `e${i}`, name, details, role, parent: i === 0 ? null : `e${draw % i}`, order: keys[i]! }),
    );
    const facts = drawn.flatMap(({ facts: one }, i): [string, BranchFacts][] =>
      JSON.stringify(one) === JSON.stringify(noFacts) ? [] : [[`e${i}`, one]],
    );
    return {
      ...createDiagram('decision-tree', 'Generated'),
      entries: Object.fromEntries(entries.map((entry) => [entry.id, entry])),
      decision: { facts: Object.fromEntries(facts), manner: manner({}) },
    };
  });
