import type { Diagram } from '../model';
import type { Command } from './command';
import * as entries from './entries';
import { type Outcome } from './outcome';
import * as settings from './settings';
import * as venn from './venn';
import { Workspace } from './workspace';

/**
 * The one way to change a Diagram. Pure: the given Diagram stays as it is, unchanged parts keep their identity.
 *   apply(apply(d, c).diagram, apply(d, c).inverse).diagram equals d
 * A command that no longer applies is refused with a reason for people; it never throws.
 */
export const applyCommand = (diagram: Diagram, command: Command): Outcome => apply(diagram, command, new Workspace());

function apply(diagram: Diagram, command: Command, work: Workspace): Outcome {
  switch (command.kind) {
    case 'addEntries':
      return entries.addEntries(diagram, command, work);
    case 'removeEntries':
      return entries.removeEntries(diagram, command);
    case 'rename':
      return entries.rename(diagram, command, work);
    case 'setDetails':
      return entries.setDetails(diagram, command, work);
    case 'setField':
      return entries.setField(diagram, command, work);
    case 'setImage':
      return entries.setImage(diagram, command, work);
    case 'setRole':
      return entries.setRole(diagram, command, work);
    case 'moveBranch':
      return entries.moveBranch(diagram, command, work);
    case 'moveEntries':
      return entries.moveEntries(diagram, command, work);
    case 'addLink':
      return entries.addLink(diagram, command);
    case 'removeLink':
      return entries.removeLink(diagram, command);
    case 'setTitle':
      return settings.setTitle(diagram, command);
    case 'setTitleBlock':
      return settings.setTitleBlock(diagram, command);
    case 'setStyle':
      return settings.setStyle(diagram, command);
    case 'setTier':
      return settings.setTier(diagram, command);
    case 'setLook':
      return settings.setLook(diagram, command);
    case 'setArrangement':
      return settings.setArrangement(diagram, command);
    case 'setSheet':
      return settings.setSheet(diagram, command);
    case 'putInTray':
      return settings.putInTray(diagram, command);
    case 'takeFromTray':
      return settings.takeFromTray(diagram, command);
    case 'putSet':
      return venn.putSet(diagram, command);
    case 'dropSet':
      return venn.dropSet(diagram, command);
    case 'changeSet':
      return venn.changeSet(diagram, command);
    case 'setMembers':
      return venn.setMembers(diagram, command, work);
    case 'setManner':
      return venn.setManner(diagram, command);
    case 'titleRegion':
      return venn.titleRegion(diagram, command);
    default:
      return command satisfies never;
  }
}

/** The commands of one gesture: undone, redone, sent and refused as one. */
export type Gesture = readonly Command[];

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
