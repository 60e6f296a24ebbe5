import { own, type DiagramCommon, type Enclosure } from '../model';
import type { CommandOf } from './command';
import { done, formerValues, refused, type Outcome } from './outcome';
import type { Workspace } from './workspace';

const gone = refused('The enclosure is no longer there.');
const twice = refused('An enclosure holds an entry once.');
const holdsTwice = ({ members = [] }: Partial<Enclosure>): boolean => new Set(members).size < members.length;

export function putEnclosure<D extends DiagramCommon>(
  diagram: D,
  { enclosure }: CommandOf<'putEnclosure'>,
  work: Workspace,
): Outcome<D> {
  if (own(diagram.enclosures, enclosure.id)) return refused('That enclosure is there already.');
  if (holdsTwice(enclosure)) return twice;
  return done({ ...diagram, enclosures: work.put(diagram.enclosures, enclosure.id, enclosure) }, {
    kind: 'dropEnclosure',
    id: enclosure.id,
  } satisfies CommandOf<'dropEnclosure'>);
}

export function changeEnclosure<D extends DiagramCommon>(
  diagram: D,
  command: CommandOf<'changeEnclosure'>,
  work: Workspace,
): Outcome<D> {
  const former = own(diagram.enclosures, command.id);
  if (!former) return gone;
  if (holdsTwice(command.patch)) return twice;
  const enclosures = work.put(diagram.enclosures, command.id, { ...former, ...command.patch });
  return done({ ...diagram, enclosures }, { ...command, patch: formerValues(former, command.patch) });
}

export function dropEnclosure<D extends DiagramCommon>(
  diagram: D,
  { id }: CommandOf<'dropEnclosure'>,
  work: Workspace,
): Outcome<D> {
  const enclosure = own(diagram.enclosures, id);
  if (!enclosure) return gone;
  return done({ ...diagram, enclosures: work.drop(diagram.enclosures, id) }, {
    kind: 'putEnclosure',
    enclosure,
  } satisfies CommandOf<'putEnclosure'>);
}
