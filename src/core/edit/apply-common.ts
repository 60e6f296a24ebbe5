import type { DiagramCommon } from '../model';
import { fixedCommands, type CommonCommand, type SetStyle } from './command';
import * as entries from './entries';
import type { KindEdits } from './kind-edits';
import * as links from './links';
import type { AnyCommand, Outcome } from './outcome';
import * as settings from './settings';
import { changeOn, dropFrom, putOn } from './shelves';
import type { Workspace } from './workspace';

/** A common command, or one of a kind that has the same form. */
type Common = Exclude<CommonCommand, { kind: 'setStyle' }> | SetStyle;

const common = new Set<string>(['addEntries', 'setStyle', ...fixedCommands.map((one) => one.shape.kind.value)]);

/** Whether a command is one that every kind has. */
export const isCommon = (command: AnyCommand): command is Common => common.has(command.kind);

/**
 * Applies a command that every kind has. Pure: the given diagram stays as it is, unchanged parts keep their identity. A command that no longer
 * applies is refused with a reason for people; it never throws.
 */
export function applyCommon<D extends DiagramCommon>(
  diagram: D,
  command: Common,
  work: Workspace,
  kind: KindEdits<D>,
): Outcome<D> {
  switch (command.kind) {
    case 'addEntries':
      return entries.addEntries(diagram, command, work, kind);
    case 'removeEntries':
      return entries.removeEntries(diagram, command, kind);
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
      return entries.moveBranch(diagram, command, work, kind);
    case 'moveEntries':
      return entries.moveEntries(diagram, command, work, kind);
    case 'addLink':
      return links.addLink(diagram, command);
    case 'changeLink':
      return links.changeLink(diagram, command);
    case 'removeLink':
      return links.removeLink(diagram, command);
    case 'setTitle':
      return settings.setTitle(diagram, command);
    case 'setTitleBlock':
      return settings.setTitleBlock(diagram, command);
    case 'setLegend':
      return settings.setLegend(diagram, command);
    case 'setStyle':
      return settings.setStyle(diagram, command, kind);
    case 'setTier':
      return settings.setTier(diagram, command);
    case 'putRole':
      return putOn(diagram, 'roles', command.role, { inverse: { kind: 'dropRole', id: command.role.id }, work });
    case 'changeRole':
      return changeOn(diagram, 'roles', command, work);
    case 'dropRole':
      return dropFrom(diagram, 'roles', command.id, { inverse: (role) => ({ kind: 'putRole', role }), work });
    case 'putEnclosure': {
      const { enclosure } = command;
      return putOn(diagram, 'enclosures', enclosure, { inverse: { kind: 'dropEnclosure', id: enclosure.id }, work });
    }
    case 'changeEnclosure':
      return changeOn(diagram, 'enclosures', command, work);
    case 'dropEnclosure':
      return dropFrom(diagram, 'enclosures', command.id, {
        inverse: (enclosure) => ({ kind: 'putEnclosure', enclosure }),
        work,
      });
    case 'putNote':
      return putOn(diagram, 'notes', command.note, { inverse: { kind: 'dropNote', id: command.note.id }, work });
    case 'changeNote':
      return changeOn(diagram, 'notes', command, work);
    case 'dropNote':
      return dropFrom(diagram, 'notes', command.id, { inverse: (note) => ({ kind: 'putNote', note }), work });
    case 'setNudge':
      return settings.setNudge(diagram, command, work);
    case 'setLook':
      return settings.setLook(diagram, command);
    case 'setHouse':
      return settings.setHouse(diagram, command);
    case 'setPalette':
      return settings.setPalette(diagram, command);
    case 'setArrangement':
      return settings.setArrangement(diagram, command);
    case 'setSheet':
      return settings.setSheet(diagram, command);
    case 'putInTray':
      return settings.putInTray(diagram, command);
    case 'takeFromTray':
      return settings.takeFromTray(diagram, command);
  }
}
