import { detailColumn, type ListColumn } from '../../kind';
import { KeptFor } from '../../model';
import { factsOf, type BranchFacts, type DecisionTree } from './model';
import { parseAmount, parseProbability, plainNumber } from './numbers';

type Read = (typed: string) => { readonly value: BranchFacts[keyof BranchFacts] } | { readonly reason: string };

/** A column for one of the facts of a branch. */
const factColumn = (
  { id, name, type, width }: Pick<ListColumn, 'id' | 'name' | 'type' | 'width'>,
  fact: keyof BranchFacts,
  read: Read,
): ListColumn => ({
  ...{ id, name, type, width },
  show(diagram, entry) {
    const value = factsOf(diagram as DecisionTree, entry)[fact];
    return value === null ? '' : typeof value === 'number' ? plainNumber(value) : value;
  },
  write(_, entry, typed) {
    const told = read(typed);
    if ('reason' in told) return { ok: false, reason: told.reason };
    return { ok: true, gesture: [{ kind: 'setFacts', id: entry, patch: { [fact]: told.value } }] };
  },
});

const amount: Read = (typed) => {
  if (typed.trim() === '') return { value: null };
  const told = parseAmount(typed);
  return told && Math.abs(told.value) <= 1e15
    ? { value: told.value }
    : { reason: `“${typed}” is no amount. Write it like -18,000 or 250.50.` };
};

const answerColumn = factColumn({ id: 'answer', name: 'Answer', type: 'text', width: 0.9 }, 'label', (typed) =>
  typed.length <= 200 ? { value: typed } : { reason: 'An answer may have 200 characters.' },
);
const probabilityColumn = factColumn(
  { id: 'probability', name: 'Chance', type: 'probability', width: 0.7 },
  'probability',
  (typed) => {
    if (typed.trim() === '') return { value: null };
    const value = parseProbability(typed);
    return value !== null && Math.abs(value) <= 1000
      ? { value }
      : { reason: `“${typed}” is no probability. Write it like 0.3, 30 % or 3/10.` };
  },
);
const costColumn = factColumn({ id: 'cost', name: 'Cost', type: 'money', width: 0.7 }, 'cost', amount);
const payoffColumn = factColumn({ id: 'payoff', name: 'Payoff', type: 'money', width: 0.8 }, 'payoff', amount);

const note = detailColumn(0, 'Note');
export const decisionColumns: readonly ListColumn[] = [answerColumn, probabilityColumn, costColumn, payoffColumn, note];
const ofKey: readonly ListColumn[] = [answerColumn, note];
const ofAnalysis: readonly ListColumn[] = [probabilityColumn, costColumn, payoffColumn];
const withAnswers: readonly ListColumn[] = [answerColumn, ...ofAnalysis];

const answered = new KeptFor<DecisionTree['decision']['facts'], { readonly any: boolean }>();

/** Whether any branch has words of its own; looked for once, as the list asks at every change. */
function anyAnswered(facts: DecisionTree['decision']['facts']): boolean {
  const before = answered.get(facts);
  if (before) return before.any;
  const any = Object.values(facts).some(({ label }) => label !== '');
  answered.set(facts, { any });
  return any;
}

/** A key has answers; an analysis has numbers, and words on its branches only where some have them. */
export function columnsShown({ decision: { manner, facts } }: DecisionTree): readonly ListColumn[] {
  if (manner.manner === 'key') return ofKey;
  return anyAnswered(facts) ? withAnswers : ofAnalysis;
}
