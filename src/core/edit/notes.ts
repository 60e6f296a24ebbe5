import { own, type DiagramCommon } from '../model';
import type { CommandOf } from './command';
import { done, formerValues, refused, type Outcome } from './outcome';
import type { Workspace } from './workspace';

const gone = refused('The note is no longer there.');

export function putNote<D extends DiagramCommon>(
  diagram: D,
  { note }: CommandOf<'putNote'>,
  work: Workspace,
): Outcome<D> {
  if (own(diagram.notes, note.id)) return refused('That note is there already.');
  return done({ ...diagram, notes: work.put(diagram.notes, note.id, note) }, {
    kind: 'dropNote',
    id: note.id,
  } satisfies CommandOf<'dropNote'>);
}

export function changeNote<D extends DiagramCommon>(
  diagram: D,
  command: CommandOf<'changeNote'>,
  work: Workspace,
): Outcome<D> {
  const former = own(diagram.notes, command.id);
  if (!former) return gone;
  const notes = work.put(diagram.notes, command.id, { ...former, ...command.patch });
  return done({ ...diagram, notes }, { ...command, patch: formerValues(former, command.patch) });
}

export function dropNote<D extends DiagramCommon>(
  diagram: D,
  { id }: CommandOf<'dropNote'>,
  work: Workspace,
): Outcome<D> {
  const note = own(diagram.notes, id);
  if (!note) return gone;
  return done({ ...diagram, notes: work.drop(diagram.notes, id) }, {
    kind: 'putNote',
    note,
  } satisfies CommandOf<'putNote'>);
}
