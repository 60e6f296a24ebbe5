import type { CommonCommand } from '../../edit';
import type { Hierarchy } from '../../hierarchy';
import type { Finding } from '../../model';
import type { DecisionCommand } from './commands';
import { factsOf, type DecisionTree } from './model';
import { roundedProbability } from './numbers';

/** What mends a finding, in words and as a gesture; null where it cannot be mended without asking. */
export function decisionFix(
  diagram: DecisionTree,
  { index, ids, first, count }: Hierarchy,
  { code, entries }: Finding,
): { readonly words: string; readonly gesture: readonly (CommonCommand | DecisionCommand)[] } | null {
  const node = index.get(entries[0] ?? '');
  if (node === undefined || count[node] === 0) return null;
  const branches = ids.slice(first[node], first[node]! + count[node]!);
  const chance = (id: string) => factsOf(diagram, id).probability;
  const given = branches.reduce((sum, id) => sum + (chance(id) ?? 0), 0);
  if (code === 'no-chance' && branches.some((id) => chance(id) === null)) {
    const missing = branches.filter((id) => chance(id) === null);
    const share = (1 - given) / missing.length;
    if (share < 0) return null;
    return {
      words: missing.length === 1 ? 'Give it the rest' : 'Spread the rest over them',
      gesture: missing.map((id) => ({ kind: 'setFacts', id, patch: { probability: roundedProbability(share) } })),
    };
  }
  if (code === 'sum-of-chances' && given > 0 && branches.every((id) => chance(id)! >= 0))
    return {
      words: 'Keep their proportions and make them 1',
      gesture: branches.map((id) => ({
        kind: 'setFacts',
        id,
        patch: { probability: roundedProbability(chance(id)! / given) },
      })),
    };
  return null;
}
