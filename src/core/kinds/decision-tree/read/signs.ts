import { own } from '../../../model';
import { sumsOfOne } from './number-columns';
import type { DecisionReading } from './result';

/** What the numbers of branches say for a decision tree: that chances below a node make 1, and that payoffs stand at ends. Each 0 to 1. */
export function signsOfFacts({ entries, facts }: DecisionReading): Record<string, number> {
  const inner = new Set(entries.map(({ parent }) => parent));
  const chances = entries.flatMap(({ id, parent }) => {
    const value = own(facts, id)?.probability ?? null;
    return value !== null && parent !== null ? [{ parent, value }] : [];
  });
  const payoffs = entries.filter(({ id }) => (own(facts, id)?.payoff ?? null) !== null);
  const atEnds = payoffs.filter(({ id }) => !inner.has(id)).length;
  const { whole, all } = sumsOfOne(chances);
  return {
    chances: Number(all > 0),
    'chances make 1': all === 0 ? 0 : whole / all,
    'payoffs at ends': payoffs.length === 0 ? 0 : atEnds / payoffs.length,
    'payoffs within': payoffs.length === 0 ? 0 : 1 - atEnds / payoffs.length,
  };
}
