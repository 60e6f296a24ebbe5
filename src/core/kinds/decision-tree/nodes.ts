import type { Hierarchy } from '../../hierarchy';
import { own } from '../../model';
import type { DecisionTree } from './model';

export type NodeKind = 'question' | 'result' | 'decision' | 'chance' | 'end';

const told = new WeakMap<
  DecisionTree['decision'],
  { entries: object; structure: Hierarchy; kinds: readonly NodeKind[] }
>();

/**
 * What each node is. In a key: a question where something follows, else a result. In an analysis: an end where nothing follows; else what was set by hand;
 * else a chance where any of its branches has a probability, and a decision where none has. O(entries), kept per diagram.
 */
export function kindsOfNodes(diagram: DecisionTree, structure: Hierarchy): readonly NodeKind[] {
  const { decision, entries } = diagram;
  const known = told.get(decision);
  if (known && known.entries === entries && known.structure === structure) return known.kinds;
  const { ids, first, count } = structure;
  const key = decision.manner.manner === 'key';
  const kinds = ids.map((id, i): NodeKind => {
    if (key) return count[i]! > 0 ? 'question' : 'result';
    if (count[i] === 0) return 'end';
    const { role } = own(entries, id)!;
    if (role === 'decision' || role === 'chance') return role;
    for (let c = first[i]!, end = c + count[i]!; c < end; c++)
      if ((own(decision.facts, ids[c]!)?.probability ?? null) !== null) return 'chance';
    return 'decision';
  });
  told.set(decision, { entries, structure, kinds });
  return kinds;
}
