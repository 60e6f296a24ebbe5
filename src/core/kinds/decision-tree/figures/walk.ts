import type { Hierarchy } from '../../../hierarchy';
import { own } from '../../../model';
import { factsOf, type DecisionTree } from '../model';

/** Where somebody stands who goes through a key: the question, or the result, and the way there. */
export interface Step {
  readonly id: string;
  readonly words: string;
  readonly details: readonly string[];
  /** The answers, each with the node it leads to; none at a result. */
  readonly answers: readonly { readonly id: string; readonly words: string }[];
  /** What was asked and answered on the way. */
  readonly way: readonly { readonly id: string; readonly question: string; readonly answer: string }[];
}

/** A step of a walk through the key. `at`: the node that was reached; the first question where it is no longer there. Null for an empty key. */
export function stepAt(diagram: DecisionTree, structure: Hierarchy, at: string | null): Step | null {
  const { ids, index, parent, first, count } = structure;
  if (ids.length === 0) return null;
  const i = (at === null ? undefined : index.get(at)) ?? 0;
  const entry = own(diagram.entries, ids[i]!)!;
  const named = (k: number) => own(diagram.entries, ids[k]!)!.name;
  const answerTo = (k: number) => factsOf(diagram, ids[k]!).label || named(k) || 'An answer without words';
  const way: Step['way'][number][] = [];
  for (let k = i; parent[k]! >= 0; k = parent[k]!)
    way.unshift({ id: ids[parent[k]!]!, question: named(parent[k]!), answer: answerTo(k) });
  return {
    id: entry.id,
    words: entry.name || (count[i]! > 0 ? 'A question without words' : 'A result without words'),
    details: entry.details.filter((detail) => detail !== ''),
    answers: Array.from({ length: count[i]! }, (_, k) => ({ id: ids[first[i]! + k]!, words: answerTo(first[i]! + k) })),
    way,
  };
}
