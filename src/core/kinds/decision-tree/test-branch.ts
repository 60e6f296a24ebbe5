import type { CommonCommand } from '../../edit';
import { hierarchyOf, placeAt, withBranches } from '../../hierarchy';
import { createEntry, evenKeys, own, type Entry } from '../../model';
import { afterTest } from './figures/bayes';
import { branchName } from './figures/figures';
import { chanceEvents, type ChanceEvent } from './figures/information';
import { valueTreeOf } from './figures/value-tree';
import type { DecisionCommand } from './commands';
import { factsOf, noFacts, type BranchFacts, type DecisionTree } from './model';
import { roundedProbability } from './numbers';

/** A test that can be made before deciding. */
export interface TestGiven {
  readonly name: string;
  readonly cost: number | null;
  /** Names of its results. */
  readonly results: readonly string[];
  /** How likely each outcome of the event is, in the order of its outcomes. */
  readonly prior: readonly number[];
  /** `likelihood[r][s]`: how likely result r is when outcome s holds. */
  readonly likelihood: readonly (readonly number[])[];
}

/**
 * The gesture that adds a test to a decision as a further choice: its results with their chances, and after each result the same choices as without the
 * test, the event's probabilities as they are after that result. Null where the decision has no choice that the event follows.
 */
export function testBranch(
  diagram: DecisionTree,
  decision: string,
  event: ChanceEvent,
  given: TestGiven,
  newId: () => string,
): readonly (CommonCommand | DecisionCommand)[] | null {
  const structure = hierarchyOf(diagram.entries);
  const at = structure.index.get(decision);
  if (at === undefined || structure.count[at] === 0) return null;
  const options = structure.ids.slice(structure.first[at], structure.first[at]! + structure.count[at]!);
  const outcomeOf = new Map<string, number>();
  for (const { branches } of event.nodes)
    branches.forEach((branch, outcome) => outcomeOf.set(structure.ids[branch]!, outcome));
  const { results, posterior } = afterTest(given.prior, given.likelihood);
  const entries: Entry[] = [];
  const facts: Record<string, BranchFacts> = {};
  const add = (entry: Entry, own: BranchFacts) => {
    entries.push(entry);
    if (JSON.stringify(own) !== JSON.stringify(noFacts)) facts[entry.id] = own;
  };
  const { orders, rewrites } = placeAt(diagram, decision, options.length);
  const test = createEntry({ id: newId(), name: given.name, parent: decision, order: orders[0]!, role: 'chance' });
  add(test, { ...noFacts, cost: given.cost });
  const places = evenKeys(given.results.length);
  given.results.forEach((name, r) => {
    const result = createEntry({ id: newId(), name, parent: test.id, order: places[r]!, role: 'decision' });
    add(result, { ...noFacts, probability: roundedProbability(results[r]!) });
    for (const option of options) {
      const copies = new Map<string, string>();
      for (const id of withBranches(diagram, [option])) copies.set(id, newId());
      for (const [id, copy] of copies) {
        const entry = own(diagram.entries, id)!;
        const known = factsOf(diagram, id);
        const outcome = outcomeOf.get(id);
        add(
          { ...entry, id: copy, parent: copies.get(entry.parent ?? '') ?? result.id },
          outcome === undefined ? known : { ...known, probability: roundedProbability(posterior[r]![outcome]!) },
        );
      }
    }
  });
  return [
    ...rewrites,
    {
      kind: 'addEntries',
      entries,
      links: [],
      branches: {},
      only: {},
      ...(Object.keys(facts).length > 0 ? { facts } : {}),
    } as CommonCommand,
  ];
}

/** The events that a decision rests on, with how likely their outcomes are before any test; those alone that follow one of its choices at once. */
export function testableEvents(
  diagram: DecisionTree,
  decision: string,
): { readonly event: ChanceEvent; readonly prior: readonly number[] }[] {
  const structure = hierarchyOf(diagram.entries);
  const at = structure.index.get(decision);
  if (at === undefined) return [];
  const tree = valueTreeOf(diagram, structure);
  return chanceEvents(tree, (i) => branchName(diagram, structure.ids[i]!)).flatMap((event) => {
    const node = event.nodes.find((one) => tree.parent[one.node] === at);
    return node ? [{ event, prior: node.branches.map((branch) => tree.probability[branch]!) }] : [];
  });
}
