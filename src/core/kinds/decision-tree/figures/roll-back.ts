import type { ValueTree } from './value-tree';

export interface RolledBack {
  /** Expected value of each node under the best choices from there on. */
  readonly value: Float64Array;
  /** The branch that is best at each decision, the first of equals; −1 for other nodes. */
  readonly best: Int32Array;
}

/**
 * Expected values from the ends back to the beginning: at a chance the sum over its branches of probability times what they come to, at a decision the best
 * of its branches; tolls count on the way (H. Raiffa, "Decision Analysis", 1968). O(entries), no recursion.
 */
export function rollBack(tree: ValueTree): RolledBack {
  const { first, count, kind, probability, toll, payoff, better } = tree;
  const n = kind.length;
  const value = new Float64Array(n);
  const best = new Int32Array(n).fill(-1);
  for (let i = n - 1; i >= 0; i--) {
    const end = first[i]! + count[i]!;
    if (count[i] === 0) value[i] = payoff[i]!;
    else if (kind[i] === 'chance') {
      let sum = 0;
      for (let c = first[i]!; c < end; c++) sum += probability[c]! * (value[c]! + toll[c]!);
      value[i] = sum;
    } else {
      let chosen = first[i]!;
      for (let c = chosen + 1; c < end; c++)
        if (better * (value[c]! + toll[c]!) > better * (value[chosen]! + toll[chosen]!)) chosen = c;
      best[i] = chosen;
      value[i] = value[chosen]! + toll[chosen]!;
    }
  }
  return { value, best };
}

/** 1 for each node that can be reached under the best choices, from the beginning on. */
export function bestPlan({ roots, first, count, kind }: ValueTree, { best }: RolledBack): Uint8Array {
  const reached = new Uint8Array(kind.length);
  for (let r = 0; r < roots; r++) reached[r] = 1;
  for (let i = 0; i < kind.length; i++) {
    if (reached[i] !== 1 || count[i] === 0) continue;
    if (kind[i] === 'chance') reached.fill(1, first[i]!, first[i]! + count[i]!);
    else reached[best[i]!] = 1;
  }
  return reached;
}

/** What the best plan of the first tree may come to: each sum with its probability, from small to large; equal sums together. O(entries log entries). */
export function riskProfile(
  tree: ValueTree,
  rolled: RolledBack,
): { readonly value: number; readonly probability: number }[] {
  const { first, count, kind, probability, toll, payoff } = tree;
  const sums = new Map<number, number>();
  const waiting: [node: number, chance: number, sum: number][] = kind.length > 0 ? [[0, 1, 0]] : [];
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const [i, chance, sum] = next;
    if (count[i] === 0) {
      const value = Math.round((sum + payoff[i]!) * 1e9) / 1e9;
      sums.set(value, (sums.get(value) ?? 0) + chance);
    } else if (kind[i] === 'chance') {
      for (let c = first[i]!; c < first[i]! + count[i]!; c++)
        waiting.push([c, chance * probability[c]!, sum + toll[c]!]);
    } else waiting.push([rolled.best[i]!, chance, sum + toll[rolled.best[i]!]!]);
  }
  return [...sums].map(([value, p]) => ({ value, probability: p })).sort((a, b) => a.value - b.value);
}
