import { z } from 'zod';
import { commonShape, Id, own, text } from '../../model';

/** Amounts beyond this are not kept. */
const largest = 1e15;
const amount = z.number().min(-largest).max(largest);

/** What is kept of the branch that leads to an entry, and of the end that it may be. */
export const BranchFacts = z.strictObject({
  /** What stands on the branch where that is not the entry's own name: an answer. Empty for nothing. */
  label: text(200),
  /** Of the branch of a chance; as it was written, be it possible or not. */
  probability: z.number().min(-1000).max(1000).nullable(),
  /** What taking the branch costs. */
  cost: amount.nullable(),
  /** What the end comes to. */
  payoff: amount.nullable(),
});
export type BranchFacts = z.infer<typeof BranchFacts>;

export const noFacts: BranchFacts = { label: '', probability: null, cost: null, payoff: null };

/** How a decision tree is read and drawn. */
export const DecisionManner = z.strictObject({
  manner: z.enum(['key', 'analysis']),
  /** Whether payoffs are to be as large or as small as can be. */
  aim: z.enum(['most', 'least']),
  /** What amounts are told in; empty for plain numbers. */
  unit: text(12),
  unitPlace: z.enum(['before', 'after']),
  decimals: z.number().int().min(0).max(6),
  /** Whether all ends stand in one column. */
  ends: z.enum(['own', 'aligned']),
  /** Whether expected values stand in the nodes. */
  values: z.enum(['shown', 'hidden']),
});
export type DecisionManner = z.infer<typeof DecisionManner>;

/** The decision tree's own part; `facts` by entry, left out where there are none. */
export const DecisionPart = z.strictObject({ facts: z.record(Id, BranchFacts), manner: DecisionManner });
export type DecisionPart = z.infer<typeof DecisionPart>;

export const DecisionTree = z.strictObject({
  kind: z.literal('decision-tree'),
  ...commonShape,
  decision: DecisionPart,
});
export type DecisionTree = z.infer<typeof DecisionTree>;

export const emptyDecision: DecisionPart = {
  facts: {},
  manner: { manner: 'key', aim: 'most', unit: '', unitPlace: 'before', decimals: 0, ends: 'own', values: 'shown' },
};

export const factsOf = ({ decision }: DecisionTree, id: string): BranchFacts => own(decision.facts, id) ?? noFacts;

/** True where nothing is said of a branch. */
export const isPlain = ({ label, probability, cost, payoff }: BranchFacts): boolean =>
  label === '' && probability === null && cost === null && payoff === null;

/** What must hold beyond what holds in every diagram. */
export function brokenDecision({ entries, decision }: DecisionTree): string[] {
  return Object.entries(decision.facts).flatMap(([id, facts]) => [
    ...(own(entries, id) ? [] : [`facts are kept for ${id}, which is not there`]),
    ...(isPlain(facts) ? [`empty facts are kept for ${id}`] : []),
  ]);
}
