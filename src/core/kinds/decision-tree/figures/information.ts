import { foldName } from '../../../read';
import { rollBack } from './roll-back';
import { withProbabilities, type ValueTree } from './value-tree';

/** Chances that are one and the same uncertainty: they have the same outcomes by name. */
export interface ChanceEvent {
  /** Names of its outcomes, as they are first written. */
  readonly outcomes: readonly string[];
  /** The chance nodes, by index; their branches stand in the order of `outcomes`. */
  readonly nodes: readonly { readonly node: number; readonly branches: readonly number[] }[];
}

/** The uncertainties of a tree. `nameOf`: what stands on the branch to a node. O(entries). */
export function chanceEvents({ kind, first, count }: ValueTree, nameOf: (node: number) => string): ChanceEvent[] {
  const events = new Map<string, { outcomes: string[]; nodes: ChanceEvent['nodes'][number][] }>();
  kind.forEach((what, node) => {
    if (what !== 'chance' || count[node] === 0) return;
    const branches = Array.from({ length: count[node]! }, (_, k) => first[node]! + k);
    const named = branches.map((branch) => ({ branch, name: foldName(nameOf(branch)) }));
    const sorted = [...named].sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : a.branch - b.branch));
    // Outcomes without names are no known ones: such a chance stands alone.
    const alone = named.some(({ name }) => name === '') || new Set(named.map(({ name }) => name)).size < named.length;
    const key = alone ? `#${node}` : JSON.stringify(sorted.map(({ name }) => name));
    let event = events.get(key);
    if (!event) events.set(key, (event = { outcomes: branches.map(nameOf), nodes: [] }));
    const order = alone ? [] : event.outcomes.map((outcome) => foldName(outcome));
    event.nodes.push({
      node,
      branches: alone ? branches : order.map((name) => named.find((one) => one.name === name)!.branch),
    });
  });
  return [...events.values()];
}

/**
 * What is believed of an outcome of an event at each node, from what stands below it: at the event's own chances their probability, above those what their
 * chances give together. NaN where nothing below a node speaks of the event. O(entries).
 */
function beliefs({ kind, first, count, probability }: ValueTree, event: ChanceEvent, outcome: number): Float64Array {
  const n = kind.length;
  const belief = new Float64Array(n).fill(NaN);
  const own = new Map(event.nodes.map(({ node, branches }) => [node, branches[outcome]!]));
  for (let i = n - 1; i >= 0; i--) {
    const branch = own.get(i);
    if (branch !== undefined) {
      belief[i] = probability[branch]!;
      continue;
    }
    let [sum, weight] = [0, 0];
    for (let c = first[i]!, end = c + count[i]!; c < end; c++) {
      if (Number.isNaN(belief[c]!)) continue;
      if (kind[i] !== 'chance') {
        [sum, weight] = [belief[c]!, 1];
        break;
      }
      sum += probability[c]! * belief[c]!;
      weight += probability[c]!;
    }
    if (weight > 0) belief[i] = sum / weight;
  }
  return belief;
}

/**
 * The tree once it is known that an event turns out so: its chances are certain, and what hints at it is as likely as that makes it (Bayes' rule).
 * `probability`: how likely that is at the beginning of the first tree; null where the event cannot come up in it.
 */
export function knowing(
  tree: ValueTree,
  event: ChanceEvent,
  outcome: number,
): { tree: ValueTree; probability: number | null } {
  const { kind, first, count, probability } = tree;
  const belief = beliefs(tree, event, outcome);
  const known = probability.slice();
  const own = new Map(event.nodes.map(({ node, branches }) => [node, branches[outcome]!]));
  for (let i = 0; i < kind.length; i++) {
    if (kind[i] !== 'chance') continue;
    const certain = own.get(i);
    const prior = belief[i]!;
    for (let c = first[i]!, end = c + count[i]!; c < end; c++) {
      if (certain !== undefined) known[c] = c === certain ? 1 : 0;
      else if (!Number.isNaN(prior) && prior > 0 && !Number.isNaN(belief[c]!))
        known[c] = (probability[c]! * belief[c]!) / prior;
    }
  }
  return { tree: withProbabilities(tree, known), probability: Number.isNaN(belief[0]!) ? null : belief[0]! };
}

/**
 * Expected value of perfect information about one event: what the first tree is worth when the event is known before anything is decided, against what it
 * is worth now; never less than 0. By definition (H. Raiffa 1968).
 */
export function valueOfKnowing(tree: ValueTree, event: ChanceEvent): number {
  if (tree.kind.length === 0) return 0;
  if (knowing(tree, event, 0).probability === null) return 0;
  let informed = 0;
  event.outcomes.forEach((_, outcome) => {
    const { tree: known, probability } = knowing(tree, event, outcome);
    if (probability) informed += probability * rollBack(known).value[0]!;
  });
  return Math.max(0, tree.better * (informed - rollBack(tree).value[0]!));
}

/** Joint outcomes of all events beyond which knowing everything is not worked out. */
const mostJoint = 4096;

/** As `valueOfKnowing` for all events together; null where there are too many joint outcomes to work out. */
export function valueOfKnowingAll(tree: ValueTree, events: readonly ChanceEvent[]): number | null {
  if (tree.kind.length === 0) return 0;
  const joint = events.reduce((product, { outcomes }) => product * outcomes.length, 1);
  if (joint * tree.kind.length > mostJoint * 250 || joint > mostJoint) return null;
  const informed = (now: ValueTree, at: number): number => {
    const event = events[at];
    if (!event) return rollBack(now).value[0]!;
    if (knowing(now, event, 0).probability === null) return informed(now, at + 1);
    let sum = 0;
    event.outcomes.forEach((_, outcome) => {
      const { tree: known, probability } = knowing(now, event, outcome);
      if (probability) sum += probability * informed(known, at + 1);
    });
    return sum;
  };
  return Math.max(0, tree.better * (informed(tree, 0) - rollBack(tree).value[0]!));
}
