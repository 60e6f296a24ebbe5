import { own } from '../../../model';
import type { DecisionReading } from './result';

/** Chances that are told with two digits need not make 1 to the last one. */
const nearOne = 0.02;

/** What the numbers of branches say for a decision tree: that chances below a node make 1, and that payoffs stand at ends. Each 0 to 1. */
export function signsOfFacts({ entries, facts }: DecisionReading): Record<string, number> {
  const sums = new Map<string, number>();
  const inner = new Set<string>();
  let [payoffs, atEnds] = [0, 0];
  for (const { parent } of entries) if (parent !== null) inner.add(parent);
  for (const { id, parent } of entries) {
    const told = own(facts, id);
    if (!told) continue;
    if (told.probability !== null && parent !== null) sums.set(parent, (sums.get(parent) ?? 0) + told.probability);
    if (told.payoff === null) continue;
    payoffs += 1;
    if (!inner.has(id)) atEnds += 1;
  }
  const whole = [...sums.values()].filter((sum) => Math.abs(sum - 1) <= nearOne).length;
  return {
    chances: Number(sums.size > 0),
    'chances make 1': sums.size === 0 ? 0 : whole / sums.size,
    'payoffs at ends': payoffs === 0 ? 0 : atEnds / payoffs,
    'payoffs within': payoffs === 0 ? 0 : 1 - atEnds / payoffs,
  };
}
