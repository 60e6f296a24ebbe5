import type { Reading } from '../../../read';
import type { BranchFacts } from '../model';

/** What is read of a decision tree. */
export interface DecisionReading extends Reading {
  /** Facts of the branches, by the id of the entry they lead to; only where there are any. */
  readonly facts: Readonly<Record<string, BranchFacts>>;
  /** What amounts are told in, where the list says so; empty for nothing. */
  readonly unit: string;
}
