import type { Hierarchy } from '../../../hierarchy';
import { own } from '../../../model';
import { factsOf, type DecisionTree } from '../model';
import { chanceEvents, valueOfKnowing, valueOfKnowingAll, type ChanceEvent } from './information';
import { bestPlan, riskProfile, rollBack, type RolledBack } from './roll-back';
import { valueTreeOf, type ValueTree } from './value-tree';

/** What stands on the branch to an entry: its own words, or the name of the entry. */
export const branchName = (diagram: DecisionTree, id: string): string =>
  factsOf(diagram, id).label || own(diagram.entries, id)?.name || '';

export interface KeyFigures {
  readonly questions: number;
  readonly results: number;
  /** Questions on the way to a result. */
  readonly fewest: number;
  readonly most: number;
  readonly mean: number;
}

export interface DecisionFigures {
  readonly manner: 'key' | 'analysis';
  readonly nodes: number;
  readonly key: KeyFigures | null;
  readonly analysis: AnalysisFigures | null;
}

export interface AnalysisFigures {
  readonly tree: ValueTree;
  readonly rolled: RolledBack;
  /** 1 for each node of the best plan. */
  readonly plan: Uint8Array;
  readonly value: number;
  /** The decisions of the best plan with what is chosen, by ids, in the order of the list. */
  readonly choices: readonly { readonly decision: string; readonly chosen: string }[];
  readonly events: readonly (ChanceEvent & { readonly worth: number })[];
  /** Worth of knowing all events; null where there are too many to work out. */
  readonly all: number | null;
  readonly risk: readonly { readonly value: number; readonly probability: number }[];
}

/** Counts of a key; or values, the best plan, what knowing is worth and what may come of it. */
export function figureDecision(diagram: DecisionTree, structure: Hierarchy): DecisionFigures {
  const { manner } = diagram.decision.manner;
  const nodes = structure.ids.length;
  return manner === 'key'
    ? { manner, nodes, key: keyFigures(structure), analysis: null }
    : { manner, nodes, key: null, analysis: analysisOf(diagram, structure) };
}

function keyFigures({ count, tier }: Hierarchy): KeyFigures {
  const ways = Array.from(count, (n, i) => ({ n, steps: tier[i]! - 1 }))
    .filter(({ n }) => n === 0)
    .map(({ steps }) => steps);
  return {
    questions: count.length - ways.length,
    results: ways.length,
    fewest: ways.reduce((least, steps) => Math.min(least, steps), ways[0] ?? 0),
    most: ways.reduce((most, steps) => Math.max(most, steps), 0),
    mean: ways.length === 0 ? 0 : ways.reduce((sum, steps) => sum + steps, 0) / ways.length,
  };
}

function analysisOf(diagram: DecisionTree, structure: Hierarchy): AnalysisFigures {
  const tree = valueTreeOf(diagram, structure);
  const rolled = rollBack(tree);
  const plan = bestPlan(tree, rolled);
  const events = chanceEvents(tree, (i) => branchName(diagram, structure.ids[i]!));
  return {
    ...{ tree, rolled, plan },
    value: rolled.value[0] ?? 0,
    choices: Array.from(structure.outline)
      .filter((i) => plan[i] === 1 && rolled.best[i]! >= 0)
      .map((i) => ({ decision: structure.ids[i]!, chosen: structure.ids[rolled.best[i]!]! })),
    events: events.map((event) => ({ ...event, worth: valueOfKnowing(tree, event) })),
    all: events.length === 1 ? valueOfKnowing(tree, events[0]!) : valueOfKnowingAll(tree, events),
    risk: riskProfile(tree, rolled),
  };
}
