import type { ChanceEvent } from './information';
import { bestPlan, rollBack } from './roll-back';
import type { ValueTree } from './value-tree';

/** A number that a decision rests on. */
export type Input = ProbabilityInput | { readonly what: 'payoff' | 'cost'; readonly node: number };
interface ProbabilityInput {
  readonly what: 'probability';
  readonly event: ChanceEvent;
  readonly outcome: number;
  /** The chances that vary together. */
  readonly nodes: readonly number[];
}

/** What an input is now. */
export function valueOf(tree: ValueTree, input: Input): number {
  if (input.what === 'probability') return tree.probability[branchOf(input, input.nodes[0]!)]!;
  return input.what === 'payoff' ? tree.payoff[input.node]! : -tree.better * tree.toll[input.node]!;
}

const branchOf = ({ event, outcome }: ProbabilityInput, node: number): number =>
  event.nodes.find((one) => one.node === node)!.branches[outcome]!;

/**
 * All inputs of a tree: for each event and each set of chances that agree on its probabilities one for every outcome (for two outcomes one for the first,
 * as the other follows), every payoff and every cost that is not 0.
 */
export function inputsOf(tree: ValueTree, events: readonly ChanceEvent[]): Input[] {
  const inputs: Input[] = [];
  for (const event of events) {
    const alike = new Map<string, number[]>();
    for (const { node, branches } of event.nodes) {
      const key = branches.map((branch) => tree.probability[branch]!.toFixed(12)).join(' ');
      alike.set(key, [...(alike.get(key) ?? []), node]);
    }
    const outcomes = event.outcomes.length === 2 ? 1 : event.outcomes.length;
    for (const nodes of alike.values())
      for (let outcome = 0; outcome < outcomes; outcome++)
        if (event.outcomes.length > 1) inputs.push({ what: 'probability', event, outcome, nodes });
  }
  tree.kind.forEach((kind, node) => {
    if (kind === 'end') inputs.push({ what: 'payoff', node });
  });
  tree.toll.forEach((toll, node) => {
    if (toll !== 0) inputs.push({ what: 'cost', node });
  });
  return inputs;
}

/** The tree with an input at another value; the other outcomes of an event share what is left in the proportions they have. */
export function withInput(tree: ValueTree, input: Input, value: number): ValueTree {
  if (input.what !== 'probability')
    return input.what === 'payoff'
      ? { ...tree, payoff: tree.payoff.with(input.node, value) }
      : { ...tree, toll: tree.toll.with(input.node, -tree.better * value) };
  const probability = tree.probability.slice();
  for (const node of input.nodes) {
    const { branches } = input.event.nodes.find((one) => one.node === node)!;
    const varied = branches[input.outcome]!;
    const others = branches.filter((branch) => branch !== varied);
    const rest = others.reduce((sum, branch) => sum + tree.probability[branch]!, 0);
    probability[varied] = value;
    for (const branch of others)
      probability[branch] = rest > 0 ? (tree.probability[branch]! / rest) * (1 - value) : (1 - value) / others.length;
  }
  return { ...tree, probability };
}

/** The choices of the best plan, as one word: two trees with the same word are decided alike. */
function planOf(tree: ValueTree): string {
  const rolled = rollBack(tree);
  const reached = bestPlan(tree, rolled);
  return Array.from(rolled.best)
    .filter((branch, i) => branch >= 0 && reached[i] === 1)
    .join(' ');
}

/** Points at which a range is looked at for a change of the best choice. */
const looks = 64;
/** Halvings of the range between two of them. */
const halvings = 60;

/** Where in a range the best choice changes, from low to high: to the last digits by halving between neighbouring points that are decided differently. */
export function crossings(tree: ValueTree, input: Input, low: number, high: number): number[] {
  const plan = (x: number) => planOf(withInput(tree, input, x));
  const found: number[] = [];
  const between = (a: number, b: number, planA: string, planB: string, depth: number): void => {
    if (planA === planB) return;
    const middle = (a + b) / 2;
    if (depth === halvings || middle <= a || middle >= b) {
      if (found.length === 0 || Math.abs(middle - found.at(-1)!) > Math.abs(high - low) * 1e-9) found.push(middle);
      return;
    }
    const at = plan(middle);
    between(a, middle, planA, at, depth + 1);
    between(middle, b, at, planB, depth + 1);
  };
  let before = plan(low);
  for (let k = 1; k <= looks; k++) {
    const [a, b] = [low + ((high - low) * (k - 1)) / looks, low + ((high - low) * k) / looks];
    const next = plan(b);
    between(a, b, before, next, 0);
    before = next;
  }
  return found;
}

/** The value of the first tree, and of each branch of its first node where that is a decision, as an input goes through a range. */
export function sweep(
  tree: ValueTree,
  input: Input,
  low: number,
  high: number,
  points: number,
): { readonly x: number; readonly value: number; readonly options: readonly number[] }[] {
  const { first, count, kind } = tree;
  return Array.from({ length: points }, (_, k) => {
    const x = low + ((high - low) * k) / Math.max(1, points - 1);
    const varied = withInput(tree, input, x);
    const { value } = rollBack(varied);
    const options =
      kind[0] === 'decision'
        ? Array.from({ length: count[0]! }, (__, c) => value[first[0]! + c]! + varied.toll[first[0]! + c]!)
        : [];
    return { x, value: value[0] ?? 0, options };
  });
}

/** The range of an input by a share of what it is: of a probability between 0 and 1; of an amount of 0, by a share of the largest payoff. */
export function rangeOf(tree: ValueTree, input: Input, share: number): readonly [low: number, high: number] {
  const now = valueOf(tree, input);
  if (input.what === 'probability') {
    const reach = share * Math.max(now, 1 - now, 0);
    return [Math.max(0, now - reach), Math.min(1, now + reach)];
  }
  const largest = tree.payoff.reduce((most, payoff) => Math.max(most, Math.abs(payoff)), 0) || 1;
  const reach = share * (now === 0 ? largest : Math.abs(now));
  return [now - reach, now + reach];
}

export interface Swing {
  readonly input: Input;
  readonly low: number;
  readonly high: number;
  /** The value of the first tree at the low and at the high end. */
  readonly atLow: number;
  readonly atHigh: number;
  /** Whether another choice is best at one of the ends. */
  readonly changes: boolean;
}

/** How far each input, moved by a share of what it is, moves the value: the strongest first. O(inputs × entries). */
export function swings(tree: ValueTree, inputs: readonly Input[], share: number): Swing[] {
  if (tree.kind.length === 0) return [];
  const now = planOf(tree);
  return inputs
    .map((input): Swing => {
      const [low, high] = rangeOf(tree, input, share);
      const [a, b] = [withInput(tree, input, low), withInput(tree, input, high)];
      return {
        ...{ input, low, high },
        atLow: rollBack(a).value[0]!,
        atHigh: rollBack(b).value[0]!,
        changes: planOf(a) !== now || planOf(b) !== now,
      };
    })
    .sort((a, b) => Math.abs(b.atHigh - b.atLow) - Math.abs(a.atHigh - a.atLow));
}
