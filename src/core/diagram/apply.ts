import {
  applyCommon,
  isCommon,
  patchOf as patchOfScope,
  refused,
  settingsByHand as settingsOfDiagram,
  type HandSetting,
  Workspace,
  type Outcome,
} from '../edit';
import { withArticle } from '../kind';
import { capital, type AnyScope, type LinkPatch, type StylePatch } from '../model';
import type { Command, Gesture } from './command';
import { kindOf, type Diagram } from './diagram';

export type CommandOutcome =
  | { readonly ok: true; readonly diagram: Diagram; readonly inverse: Command }
  | { readonly ok: false; readonly reason: string };

/**
 * The one way to change a Diagram. Pure: the given Diagram stays as it is, unchanged parts keep their identity.
 *   apply(apply(d, c).diagram, apply(d, c).inverse).diagram equals d
 * A command that no longer applies is refused with a reason for people; it never throws.
 */
export const applyCommand = (diagram: Diagram, command: Command): CommandOutcome =>
  apply(diagram, command, new Workspace());

function apply(diagram: Diagram, command: Command, work: Workspace): CommandOutcome {
  const kind = kindOf(diagram.kind);
  const outcome: Outcome<Diagram> = isCommon(command)
    ? applyCommon(diagram, command, work, kind.edits)
    : kind.schemas.commands.some((one) => kindOfCommand(one) === command.kind)
      ? kind.apply(diagram, command, work)
      : refused(`${capital(withArticle(kind))} knows no such change.`);
  // What a kind gives back is one of its own commands or a common one.
  return outcome as CommandOutcome;
}

const kindOfCommand = (schema: unknown): string => (schema as { shape: { kind: { value: string } } }).shape.kind.value;

export type GestureOutcome =
  | { readonly ok: true; readonly diagram: Diagram; readonly inverse: Gesture }
  | { readonly ok: false; readonly reason: string };

/** All commands of a gesture, or none of them. Each record that it changes is copied once, however many commands there are. */
export function applyGesture(diagram: Diagram, gesture: Gesture): GestureOutcome {
  const inverse: Command[] = [];
  const work = new Workspace();
  let next = diagram;
  for (const command of gesture) {
    const outcome = apply(next, command, work);
    if (!outcome.ok) return outcome;
    next = outcome.diagram;
    inverse.push(outcome.inverse);
  }
  return { ok: true, diagram: next, inverse: inverse.reverse() };
}

/** What a scope itself sets, without what it takes from wider scopes. */
export const patchOf = (diagram: Diagram, scope: AnyScope): StylePatch | LinkPatch =>
  patchOfScope(diagram, scope, kindOf(diagram.kind).edits);

/** All that was set by hand in a diagram, on any scope. */
export const settingsByHand = (diagram: Diagram): HandSetting[] =>
  settingsOfDiagram(diagram, kindOf(diagram.kind).edits);
