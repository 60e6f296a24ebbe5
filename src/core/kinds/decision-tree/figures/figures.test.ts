import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyGesture, tokensOf } from '../../../diagram';
import { hierarchyOf } from '../../../hierarchy';
import { analyses } from '../../../testing/arbitrary-decision';
import { decisionTree } from '../kind';
import type { DecisionTree } from '../model';
import { testableEvents, testBranch } from '../test-branch';
import { afterTest } from './bayes';
import { branchName, figureDecision } from './figures';
import { chanceEvents, valueOfKnowing, valueOfKnowingAll } from './information';
import { bestPlan, riskProfile, rollBack } from './roll-back';
import { crossings, inputsOf, rangeOf, sweep, swings, valueOf, withInput, type Input } from './sensitivity';
import { stepAt } from './walk';
import { valueTreeOf, type ValueTree } from './value-tree';

const made = (text: string, patch: Partial<DecisionTree['decision']['manner']> = {}): DecisionTree => {
  const diagram = decisionTree.make(decisionTree.read(tokensOf(text)), '');
  return { ...diagram, decision: { ...diagram.decision, manner: { ...diagram.decision.manner, ...patch } } };
};
const treeOf = (diagram: DecisionTree): ValueTree => valueTreeOf(diagram, hierarchyOf(diagram.entries));
const eventsOf = (diagram: DecisionTree) => {
  const { ids } = hierarchyOf(diagram.entries);
  return chanceEvents(treeOf(diagram), (i) => branchName(diagram, ids[i]!));
};

/** The oil wildcatter without a test: H. Raiffa, "Decision Analysis", 1968 (numbers from memory; every value below is worked out again here). */
const drilling = `Drill or not?
\tDrill (cost 70)
\t\tDry (0.5) = 0
\t\tWet (0.3) = 120
\t\tSoaking (0.2) = 270
\tDo not drill = 0`;

/** All plans of a tree: for every way to choose at its decisions, what it is worth. Written on its own, by recursion. */
function valuesOfPlans(tree: ValueTree, i = 0): number[] {
  const children = Array.from({ length: tree.count[i]! }, (_, k) => tree.first[i]! + k);
  if (children.length === 0) return [tree.payoff[i]!];
  const below = children.map((c) => valuesOfPlans(tree, c).map((value) => value + tree.toll[c]!));
  if (tree.kind[i] !== 'chance') return below.flat();
  return below.reduce<number[]>(
    (sums, values, k) => sums.flatMap((sum) => values.map((value) => sum + tree.probability[children[k]!]! * value)),
    [0],
  );
}

describe('rolling back', () => {
  it('the oil wildcatter: drilling is worth 20', () => {
    const tree = treeOf(made(drilling));
    const rolled = rollBack(tree);
    expect(rolled.value[0]).toBeCloseTo(20, 12);
    expect(rolled.best[0]).toBe(1);
    expect(Math.max(...valuesOfPlans(tree))).toBeCloseTo(20, 12);
  });
  it('with a seismic test of cost 10 the best plan is worth 22.5', () => {
    const before = made(drilling);
    const [{ event, prior } = { event: null, prior: [] }] = testableEvents(before, 'e1');
    expect(prior).toEqual([0.5, 0.3, 0.2]);
    let n = 0;
    const gesture = testBranch(
      before,
      'e1',
      event!,
      {
        name: 'Seismic test',
        cost: 10,
        results: ['No structure', 'Open structure', 'Closed structure'],
        prior,
        likelihood: [
          [0.6, 0.3, 0.1],
          [0.3, 0.4, 0.4],
          [0.1, 0.3, 0.5],
        ],
      },
      () => `t${n++}`,
    )!;
    const outcome = applyGesture(before, gesture);
    if (!outcome.ok) throw new Error(outcome.reason);
    const after = outcome.diagram as DecisionTree;
    const tree = treeOf(after);
    expect(rollBack(tree).value[0]).toBeCloseTo(22.5, 9);
    expect(Math.max(...valuesOfPlans(tree))).toBeCloseTo(22.5, 9);
    // Knowing the state still brings 55 without the test: each state's best, weighted.
    const [state] = eventsOf(after).filter(({ outcomes }) => outcomes.includes('Soaking'));
    expect(valueOfKnowing(tree, state!)).toBeCloseTo(0.3 * 50 + 0.2 * 200 - 22.5, 9);
    expect(applyGesture(after, outcome.inverse)).toMatchObject({ diagram: before });
  });
  it('a plant large or small: 3,580 against 1,800 thousand', () => {
    // J. F. Magee, "Decision Trees for Decision Making", Harvard Business Review, July 1964 (numbers from memory, worked out again here, in thousands).
    const tree = treeOf(
      made(`Which plant?
\tLarge plant (cost 3000)
\t\tHigh demand (0.6) = 10000
\t\tFirst high, then low (0.1) = 2800
\t\tLow demand (0.3) = 1000
\tSmall plant (cost 1300)
\t\tFirst high (0.7)
\t\t\tExpand (cost 2200)
\t\t\t\tStays high (0.857142857142857): 6500
\t\t\t\tFalls (0.142857142857143): 1300
\t\t\tDo not expand
\t\t\t\tStays high (0.857142857142857): 3300
\t\t\t\tFalls (0.142857142857143): 4100
\t\tLow demand (0.3) = 2000`),
    );
    const { value } = rollBack(tree);
    const expand = (6 / 7) * 6500 + (1 / 7) * 1300 - 2200;
    const stay = (6 / 7) * 3300 + (1 / 7) * 4100;
    expect(expand).toBeGreaterThan(stay);
    const small = 0.7 * expand + 0.3 * 2000 - 1300;
    const large = 0.6 * 10000 + 0.1 * 2800 + 0.3 * 1000 - 3000;
    expect(large).toBe(3580);
    expect(value[0]).toBeCloseTo(3580, 9);
    expect(value[2]! + tree.toll[2]!).toBeCloseTo(small, 6);
  });
  it('equals the best of all plans on random trees, whichever way is better', () => {
    fc.assert(
      fc.property(analyses(11), fc.constantFrom('most' as const, 'least' as const), (diagram, aim) => {
        const tree = treeOf({
          ...diagram,
          decision: { ...diagram.decision, manner: { ...diagram.decision.manner, aim } },
        });
        const all = valuesOfPlans(tree);
        const best = aim === 'most' ? Math.max(...all) : Math.min(...all);
        expect(Math.abs(rollBack(tree).value[0]! - best)).toBeLessThan(1e-9);
      }),
      { numRuns: 400 },
    );
  });
  it('what the best plan may come to makes 1 in all, and its mean is the value', () => {
    fc.assert(
      fc.property(analyses(40), (diagram) => {
        const tree = treeOf(diagram);
        const rolled = rollBack(tree);
        const risk = riskProfile(tree, rolled);
        expect(risk.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 9);
        expect(risk.reduce((sum, { probability, value }) => sum + probability * value, 0)).toBeCloseTo(
          rolled.value[0]!,
          6,
        );
        expect(risk.map(({ value }) => value)).toEqual(risk.map(({ value }) => value).sort((a, b) => a - b));
        const plan = bestPlan(tree, rolled);
        expect(plan[0]).toBe(1);
        for (let i = 1; i < plan.length; i++) if (plan[i] === 1) expect(plan[tree.parent[i]!]).toBe(1);
      }),
      { numRuns: 200 },
    );
  });
});

describe('what knowing is worth', () => {
  it('of the oil wildcatter 35, by definition: 0.3 · 50 + 0.2 · 200 − 20', () => {
    const tree = treeOf(made(drilling));
    const [event] = eventsOf(made(drilling));
    expect(valueOfKnowing(tree, event!)).toBeCloseTo(0.3 * 50 + 0.2 * 200 - 20, 12);
    expect(figureDecision(made(drilling), hierarchyOf(made(drilling).entries)).analysis!.all).toBeCloseTo(35, 12);
  });
  it('the same outcomes after several choices are one event, whose outcome is known for all of them', () => {
    const two = made(
      `Shelter?\n\tTent (cost 1)\n\t\tRain (0.4) = -8\n\t\tDry (0.6) = 10\n\tHall (cost 5)\n\t\tDry (0.6) = 6\n\t\tRain (0.4) = 7`,
    );
    const tree = treeOf(two);
    const events = eventsOf(two);
    expect(events).toHaveLength(1);
    const now = Math.max(0.4 * -8 + 0.6 * 10 - 1, 0.6 * 6 + 0.4 * 7 - 5);
    const informed = 0.4 * Math.max(-9, 2) + 0.6 * Math.max(9, 1);
    expect(valueOfKnowing(tree, events[0]!)).toBeCloseTo(informed - now, 12);
  });
  it('is never less than nothing, knowing all never less than knowing one, and nothing where there is nothing to decide', () => {
    fc.assert(
      fc.property(analyses(12), (diagram) => {
        const tree = treeOf(diagram);
        const events = eventsOf(diagram);
        const all = valueOfKnowingAll(tree, events);
        const decides = tree.kind.some((kind, i) => kind === 'decision' && tree.count[i]! > 1);
        for (const event of events) {
          const one = valueOfKnowing(tree, event);
          expect(one).toBeGreaterThanOrEqual(0);
          if (all !== null) expect(one).toBeLessThanOrEqual(all + 1e-9);
          if (!decides) expect(one).toBeLessThan(1e-9);
        }
      }),
      { numRuns: 300 },
    );
  });
  it('a test by Bayes’ rule: what is likely after all results, weighted, is what was likely before', () => {
    const share = fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 3, maxLength: 3 });
    fc.assert(
      fc.property(share, fc.tuple(share, share, share), (prior, rows) => {
        const whole = prior.reduce((a, b) => a + b);
        const before = prior.map((p) => p / whole);
        const sums = [0, 1, 2].map((s) => rows.reduce((sum, row) => sum + row[s]!, 0));
        const likelihood = rows.map((row) => row.map((p, s) => p / sums[s]!));
        const { results, posterior } = afterTest(before, likelihood);
        expect(results.reduce((a, b) => a + b)).toBeCloseTo(1, 12);
        before.forEach((p, s) =>
          expect(results.reduce((sum, result, r) => sum + result * posterior[r]![s]!, 0)).toBeCloseTo(p, 12),
        );
      }),
    );
  });
});

describe('sensitivity', () => {
  const diagram = made(`Roof?\n\tMend (cost 10)\n\t\tStorm (0.3) = -100\n\t\tCalm (0.7) = 0\n\tReplace (cost 45) = 0`);
  const tree = treeOf(diagram);
  const inputs = inputsOf(tree, eventsOf(diagram));
  const of = (what: Input['what']) => inputs.filter((input) => input.what === what);
  it('knows every number once; of two outcomes the second follows the first', () => {
    expect(of('probability')).toHaveLength(1);
    expect(of('payoff')).toHaveLength(3);
    expect(of('cost')).toHaveLength(2);
    expect(inputs.map((input) => valueOf(tree, input))).toEqual([0.3, 0, -100, 0, 10, 45]);
  });
  it('finds where the choice changes, against the closed form', () => {
    // Mend: −10 − 100 p; replace: −45. Equal at p = 0.35.
    const [found, ...more] = crossings(tree, of('probability')[0]!, 0, 1);
    expect(more).toEqual([]);
    expect(found).toBeCloseTo(0.35, 9);
    // Mend costs c: −c − 30 = −45 at c = 15.
    expect(crossings(tree, of('cost')[0]!, 0, 100)[0]).toBeCloseTo(15, 7);
    expect(crossings(tree, of('payoff')[2]!, 50, 80)).toEqual([]);
  });
  it('a random choice between a sure sum and a lottery crosses where both are equal', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 99 }), fc.integer({ min: 1, max: 99 }), (sure, prize) => {
        const lottery = treeOf(
          made(`Which?\n\tSure = ${sure}\n\tLottery\n\t\tWin (0.5) = ${prize}\n\t\tLose (0.5) = 0`),
        );
        const event = chanceEvents(lottery, (i) => `n${i}`)[0]!;
        const found = crossings(
          lottery,
          { what: 'probability', event, outcome: 0, nodes: [event.nodes[0]!.node] },
          0,
          1,
        );
        if (sure / prize < 1 && sure !== prize) expect(found[0]).toBeCloseTo(sure / prize, 8);
        else expect(found).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });
  it('an input at what it is changes nothing; the others of an event share what is left', () => {
    fc.assert(
      fc.property(analyses(20), (one) => {
        const its = treeOf(one);
        for (const input of inputsOf(its, eventsOf(one)).slice(0, 12)) {
          const value = rollBack(withInput(its, input, valueOf(its, input))).value[0]!;
          expect(value).toBeCloseTo(rollBack(its).value[0]!, 9);
        }
      }),
      { numRuns: 100 },
    );
  });
  it('ranks by how far each moves the value, and says which change the choice', () => {
    const ranked = swings(tree, inputs, 0.5);
    const widths = ranked.map(({ atLow, atHigh }) => Math.abs(atHigh - atLow));
    expect(widths).toEqual([...widths].sort((a, b) => b - a));
    expect(ranked.find(({ input }) => input.what === 'probability')!.changes).toBe(true);
    expect(rangeOf(tree, of('probability')[0]!, 1)).toEqual([0, 1]);
  });
  it('a sweep shows what every choice comes to', () => {
    const points = sweep(tree, of('probability')[0]!, 0, 1, 5);
    expect(points.map(({ x }) => x)).toEqual([0, 0.25, 0.5, 0.75, 1]);
    points.forEach(({ x, options: [mend, replace], value }) => {
      expect(mend).toBeCloseTo(-10 - 100 * x, 9);
      expect(replace).toBe(-45);
      expect(value).toBeCloseTo(Math.max(mend!, replace!), 9);
    });
  });
});

describe('walking through a key', () => {
  const key = made('Curved?\n\tYes: Curlew\n\tNo: Long?\n\t\tYes: Godwit\n\t\tNo: Plover');
  const structure = hierarchyOf(key.entries);
  it('begins with the first question, goes on by answers, and ends with the way taken', () => {
    const first = stepAt(key, structure, null)!;
    expect(first).toMatchObject({ words: 'Curved?', way: [] });
    const second = stepAt(key, structure, first.answers[1]!.id)!;
    expect(second).toMatchObject({ words: 'Long?', answers: [{ words: 'Yes' }, { words: 'No' }] });
    const last = stepAt(key, structure, second.answers[0]!.id)!;
    expect(last).toMatchObject({ words: 'Godwit', answers: [] });
    expect(last.way.map(({ question, answer }) => `${question} ${answer}`)).toEqual(['Curved? No', 'Long? Yes']);
  });
  it('begins anew where the node is gone, and has no step in an empty key', () => {
    expect(stepAt(key, structure, 'gone')!.words).toBe('Curved?');
    expect(stepAt(key, hierarchyOf({}), null)).toBeNull();
  });
  it('counts its questions, results and ways', () =>
    expect(figureDecision(key, structure).key).toEqual({ questions: 2, results: 3, fewest: 1, most: 2, mean: 5 / 3 }));
});
