import { z } from 'zod';
import {
  done,
  formerValues,
  plainEdits,
  refused,
  within,
  without,
  type KindEdits,
  type Outcome,
  type Workspace,
} from '../../edit';
import { Id, own } from '../../model';
import { BranchFacts, DecisionManner, factsOf, isPlain, type DecisionTree } from './model';

/** Facts of the entries that an adding command brings. */
export const decisionBelongings = { facts: z.record(Id, BranchFacts).optional() };

/** Commands that only a decision tree knows. */
export const decisionCommands = [
  z.strictObject({ kind: z.literal('setFacts'), id: Id, patch: BranchFacts.partial() }),
  z.strictObject({ kind: z.literal('setDecision'), patch: DecisionManner.partial() }),
] as const;
export type DecisionCommand = z.infer<(typeof decisionCommands)[number]>;

export function applyDecision(diagram: DecisionTree, command: DecisionCommand, work: Workspace): Outcome<DecisionTree> {
  const { decision } = diagram;
  if (command.kind === 'setDecision')
    return done(
      { ...diagram, decision: { ...decision, manner: { ...decision.manner, ...command.patch } } },
      { ...command, patch: formerValues(decision.manner, command.patch) },
    );
  const { id, patch } = command;
  if (!own(diagram.entries, id)) return refused('The entry whose branch was changed is no longer in the list.');
  const former = factsOf(diagram, id);
  const next = { ...former, ...patch };
  const facts = isPlain(next) ? work.drop(decision.facts, id) : work.put(decision.facts, id, next);
  return done(
    { ...diagram, decision: { ...decision, facts } },
    { ...command, patch: formerValues<Partial<BranchFacts>>(former, patch) },
  );
}

export const decisionEdits: KindEdits<DecisionTree> = {
  ...plainEdits<DecisionTree>(),
  ownKeys: Object.keys(decisionBelongings),
  takeOut(diagram, going) {
    const { facts } = diagram.decision;
    const taken = within(facts, going);
    if (Object.keys(taken).length === 0) return { rest: diagram, own: {} };
    return {
      rest: { ...diagram, decision: { ...diagram.decision, facts: without(facts, going) } },
      own: { facts: taken },
    };
  },
  putBack(diagram, command, adding, work) {
    const brought = (command as { facts?: Record<string, BranchFacts> }).facts ?? {};
    const ids = Object.keys(brought);
    if (ids.length === 0) return { ok: true, diagram };
    if (ids.some((id) => !adding.has(id))) return refused('A branch of the new entries leads to none of them.');
    if (ids.some((id) => isPlain(own(brought, id)!)))
      return refused('A branch of the new entries has nothing to keep.');
    const facts = work.copyOf(diagram.decision.facts);
    for (const id of ids) facts[id] = own(brought, id)!;
    return { ok: true, diagram: { ...diagram, decision: { ...diagram.decision, facts } } };
  },
};
