/** Measures decision trees and topic trees: an edit among 500, and rolling back: npm run bench:core prints it beside the other figures. Asserts nothing. */
import { applyGesture, draw, type Command, type Diagram } from '../src/core/diagram';
import { rollBack, valueTreeOf } from '../src/core/kinds/decision-tree';
import { hierarchyOf } from '../src/core/hierarchy';
import { diagramFromParents } from '../src/core/testing/arbitrary';
import { analysisOf } from '../src/core/testing/arbitrary-decision';
import { median } from './median';

const threes = (n: number): number[] => Array.from({ length: n }, (_, i) => (i === 0 ? -1 : Math.floor((i - 1) / 3)));
const drawn = { chance: [true, false, true], weight: [1, 2, 3], payoff: [1, 5, 60, -3] };

function edits(name: string, start: Diagram, edit: (k: number) => Command): void {
  let now = start;
  draw(now);
  const times = Array.from({ length: 40 }, (_, k) => {
    const outcome = applyGesture(now, [edit(k)]);
    if (!outcome.ok) throw new Error(outcome.reason);
    now = outcome.diagram;
    const from = performance.now();
    draw(now);
    return performance.now() - from;
  });
  console.log(`${name}: ${median(times).toFixed(1)} ms (median of ${times.length})`);
}

export function benchDecisions(): void {
  const rename = (k: number): Command => ({ kind: 'rename', id: `e${400 + k}`, name: `Node ${400 + k}` });
  const pay = (k: number): Command => ({ kind: 'setFacts', id: `e${400 + k}`, patch: { payoff: k * 7 } });
  const analysis = analysisOf(threes(500), drawn);
  edits('an analysis of 500 nodes, a payoff typed', analysis, pay);
  edits('with ends in one column', analysisOf(threes(500), drawn, { ends: 'aligned' }), pay);
  edits('a key of 500, a name typed', analysisOf(threes(500), drawn, { manner: 'key' }), rename);
  const tree = diagramFromParents(threes(500));
  for (const tiers of ['columns', 'indented', 'bands'] as const)
    edits(
      `a topic tree of 500 in ${tiers}, a name typed`,
      { ...tree, kind: 'topic-tree', arrangement: { ...tree.arrangement, tiers } },
      rename,
    );
  const large = analysisOf(threes(5000), drawn);
  const values = valueTreeOf(large, hierarchyOf(large.entries));
  const times = Array.from({ length: 9 }, () => {
    const from = performance.now();
    rollBack(values);
    return performance.now() - from;
  });
  console.log(`5,000 nodes rolled back in ${median(times).toFixed(1)} ms`);
}
