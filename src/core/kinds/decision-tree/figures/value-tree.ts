import type { Hierarchy } from '../../../hierarchy';
import { factsOf, type DecisionTree } from '../model';
import { kindsOfNodes, type NodeKind } from '../nodes';

/** A decision tree as numbers, in level order. */
export interface ValueTree {
  readonly roots: number;
  readonly parent: Int32Array;
  readonly first: Int32Array;
  readonly count: Int32Array;
  readonly kind: readonly NodeKind[];
  /** Of the branch that leads to each node; 0 where none is stated. */
  readonly probability: Float64Array;
  /** What the branch adds to what follows: less than 0 for a cost that lessens what is to be as large as can be. */
  readonly toll: Float64Array;
  /** Of each end; 0 where none is stated. */
  readonly payoff: Float64Array;
  /** 1: the larger value is better; −1: the smaller. */
  readonly better: 1 | -1;
}

/** O(entries). */
export function valueTreeOf(diagram: DecisionTree, structure: Hierarchy): ValueTree {
  const { ids, roots, parent, first, count } = structure;
  const better = diagram.decision.manner.aim === 'most' ? 1 : -1;
  const facts = ids.map((id) => factsOf(diagram, id));
  return {
    roots,
    parent,
    first,
    count,
    kind: kindsOfNodes(diagram, structure),
    probability: Float64Array.from(facts, ({ probability }) => probability ?? 0),
    toll: Float64Array.from(facts, ({ cost }) => (cost === null ? 0 : -better * cost)),
    payoff: Float64Array.from(facts, ({ payoff }, i) => (count[i] === 0 ? (payoff ?? 0) : 0)),
    better,
  };
}

/** The same with some probabilities in place of its own. */
export const withProbabilities = (tree: ValueTree, probability: Float64Array): ValueTree => ({ ...tree, probability });
