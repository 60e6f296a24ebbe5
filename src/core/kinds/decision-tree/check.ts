import { nameOf, someNames, tray, treeDrawingChecks, type TreeDrawingFinding } from '../../check';
import type { Hierarchy } from '../../hierarchy';
import { finding, own, type BoxStyle, type Finding } from '../../model';
import { foldName } from '../../read';
import type { Scene } from '../../scene';
import { branchName } from './figures/figures';
import { bestPlan, rollBack } from './figures/roll-back';
import { valueTreeOf } from './figures/value-tree';
import { factsOf, type DecisionTree } from './model';
import { kindsOfNodes } from './nodes';
import { formatProbability } from './numbers';

/** All that a check of a decision tree can find. */
export type DecisionFindingCode =
  | 'not-placed'
  | 'no-words'
  | TreeDrawingFinding
  | 'one-answer'
  | 'same-answer'
  | 'no-answer'
  | 'endless'
  | 'sum-of-chances'
  | 'negative-chance'
  | 'no-chance'
  | 'no-payoff'
  | 'one-choice'
  | 'idle-cost';
type Found = Finding<DecisionFindingCode>[];

/** Probabilities of a chance may be off 1 by this much, as those that were rounded are. */
const rounding = 1e-6;

/** What a decision tree is tested against. Findings come in the order of how much they matter. O(entries log entries). */
export function checkDecision(
  diagram: DecisionTree,
  structure: Hierarchy,
  styles: readonly BoxStyle[],
  scene: Scene,
): Found {
  const key = diagram.decision.manner.manner === 'key';
  return [
    ...tray(diagram),
    ...(key ? checkKey(diagram, structure) : checkAnalysis(diagram, structure)),
    ...treeDrawingChecks(
      diagram,
      structure,
      styles,
      scene,
      'Take a larger sheet, shorten the words on the branches, or hand it out as a set.',
    ),
  ];
}

function checkKey(diagram: DecisionTree, structure: Hierarchy): Found {
  const { ids, first, count, parent } = structure;
  const found: Found = [];
  const unnamed = ids.filter((id) => nameless(diagram, id));
  if (unnamed.length > 0)
    found.push(
      finding(
        'no-words',
        'warning',
        `${unnamed.length} ${unnamed.length === 1 ? 'question or result has' : 'questions or results have'} no words.`,
        {
          entries: unnamed,
        },
      ),
    );
  const silent = ids.filter((id, i) => parent[i]! >= 0 && factsOf(diagram, id).label.trim() === '');
  if (silent.length > 0)
    found.push(
      finding(
        'no-answer',
        'warning',
        `${silent.length} ${silent.length === 1 ? 'answer has' : 'answers have'} no words: what leads to ${someNames(diagram, silent)}.`,
        { entries: silent },
      ),
    );
  ids.forEach((id, i) => {
    const below = ids.slice(first[i], first[i]! + count[i]!);
    if (count[i] === 1)
      found.push(
        finding(
          'one-answer',
          'warning',
          `“${nameOf(diagram, id)}” has one answer only; a question needs two at least.`,
          {
            entries: [id],
          },
        ),
      );
    found.push(...sameAnswers(diagram, id, below));
    if (count[i] === 0 && /\?\s*$/.test(nameOf(diagram, id)))
      found.push(
        finding(
          'endless',
          'warning',
          `“${nameOf(diagram, id)}” asks something, but no answer leads on: the key does not end there.`,
          {
            entries: [id],
          },
        ),
      );
  });
  return found;
}

const nameless = (diagram: DecisionTree, id: string): boolean => own(diagram.entries, id)!.name.trim() === '';

function sameAnswers(diagram: DecisionTree, id: string, below: readonly string[]): Found {
  const seen = new Map<string, string>();
  return below.flatMap((child): Found => {
    const answer = foldName(branchName(diagram, child));
    const before = answer === '' ? undefined : seen.get(answer);
    if (before === undefined) {
      seen.set(answer, child);
      return [];
    }
    const message = `“${branchName(diagram, child)}” stands twice after “${nameOf(diagram, id)}”: the second is never taken, nor what follows it reached.`;
    return [finding('same-answer', 'warning', message, { entries: [before, child] })];
  });
}

function checkAnalysis(diagram: DecisionTree, structure: Hierarchy): Found {
  const { ids, first, count, parent } = structure;
  const kinds = kindsOfNodes(diagram, structure);
  const found: Found = [];
  const chance = (id: string) => factsOf(diagram, id).probability;
  ids.forEach((id, i) => {
    const below = ids.slice(first[i], first[i]! + count[i]!);
    const name = branchName(diagram, id) || nameOf(diagram, id);
    if (kinds[i] === 'chance') {
      const missing = below.filter((child) => chance(child) === null);
      const sum = below.reduce((total, child) => total + (chance(child) ?? 0), 0);
      if (missing.length > 0)
        found.push(
          finding(
            'no-chance',
            'error',
            `After “${name}”, ${missing.length} ${missing.length === 1 ? 'branch has' : 'branches have'} no probability: ${someNames(diagram, missing)}. The others make ${formatProbability(sum)}.`,
            {
              entries: [id, ...missing],
            },
          ),
        );
      else if (Math.abs(sum - 1) > rounding)
        found.push(
          finding(
            'sum-of-chances',
            'error',
            `The probabilities after “${name}” make ${formatProbability(sum)}, not 1.`,
            {
              entries: [id, ...below],
            },
          ),
        );
    }
    if (kinds[i] === 'decision' && count[i] === 1)
      found.push(finding('one-choice', 'warning', `“${name}” is a decision with one choice only.`, { entries: [id] }));
    if (kinds[i] === 'decision') found.push(...sameAnswers(diagram, id, below));
    const own = chance(id);
    if (own !== null && (own < 0 || own > 1))
      found.push(
        finding(
          'negative-chance',
          'error',
          `The probability of “${name}” is ${formatProbability(own)}; it has to be between 0 and 1.`,
          {
            entries: [id],
          },
        ),
      );
    if (own !== null && parent[i]! >= 0 && kinds[parent[i]!] === 'decision')
      found.push(
        finding(
          'no-chance',
          'note',
          `“${name}” has a probability, but stands after a decision, where it counts for nothing.`,
          {
            entries: [id],
          },
        ),
      );
  });
  const unpaid = ids.filter((id, i) => count[i] === 0 && factsOf(diagram, id).payoff === null);
  if (unpaid.length > 0)
    found.push(
      finding(
        'no-payoff',
        'error',
        `${unpaid.length} ${unpaid.length === 1 ? 'end has' : 'ends have'} no payoff and ${unpaid.length === 1 ? 'counts' : 'count'} as 0: ${someNames(diagram, unpaid)}.`,
        {
          entries: unpaid,
        },
      ),
    );
  return [...found, ...idle(diagram, structure)];
}

/** Costs on branches that can never be part of the best plan, by dominance: what they lead to is worse at its best than another choice at its worst. */
function idle(diagram: DecisionTree, structure: Hierarchy): Found {
  const tree = valueTreeOf(diagram, structure);
  const n = tree.kind.length;
  if (n === 0) return [];
  const [least, most] = [new Float64Array(n), new Float64Array(n)];
  for (let i = n - 1; i >= 0; i--) {
    if (tree.count[i] === 0) {
      least[i] = most[i] = tree.payoff[i]!;
      continue;
    }
    const children = Array.from({ length: tree.count[i]! }, (_, k) => tree.first[i]! + k);
    least[i] = Math.min(...children.map((c) => least[c]! + tree.toll[c]!));
    most[i] = Math.max(...children.map((c) => most[c]! + tree.toll[c]!));
  }
  const reached = bestPlan(tree, rollBack(tree));
  const ids: string[] = [];
  for (let i = 0; i < n; i++) {
    const above = tree.parent[i]!;
    if (tree.toll[i] === 0 || reached[i] === 1 || above < 0 || tree.kind[above] !== 'decision') continue;
    // Even without its cost it could not become the choice.
    const bestCase = tree.better === 1 ? most[i]! : -least[i]!;
    const beaten = Array.from({ length: tree.count[above]! }, (_, k) => tree.first[above]! + k).some(
      (c) => c !== i && (tree.better === 1 ? least[c]! + tree.toll[c]! : -(most[c]! + tree.toll[c]!)) > bestCase,
    );
    if (beaten) ids.push(structure.ids[i]!);
  }
  if (ids.length === 0) return [];
  const message = `${ids.length === 1 ? 'A cost never matters' : `${ids.length} costs never matter`}: ${ids
    .slice(0, 3)
    .map((id) => branchName(diagram, id))
    .join(', ')}. Even without it another choice is better, however things turn out.`;
  return [finding('idle-cost', 'note', message, { entries: ids })];
}
