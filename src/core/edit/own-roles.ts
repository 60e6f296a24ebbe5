import { own, type DiagramCommon, type OwnRole } from '../model';
import type { CommandOf } from './command';
import { done, formerValues, refused, without, type Outcome } from './outcome';

const gone = refused('The role is no longer there.');
const twice = refused('A role has an entry once.');
const hasTwice = ({ members = [] }: Partial<OwnRole>): boolean => new Set(members).size < members.length;

export function putRole<D extends DiagramCommon>(diagram: D, { role }: CommandOf<'putRole'>): Outcome<D> {
  if (own(diagram.roles, role.id)) return refused('That role is there already.');
  if (hasTwice(role)) return twice;
  return done({ ...diagram, roles: { ...diagram.roles, [role.id]: role } }, {
    kind: 'dropRole',
    id: role.id,
  } satisfies CommandOf<'dropRole'>);
}

export function changeRole<D extends DiagramCommon>(diagram: D, command: CommandOf<'changeRole'>): Outcome<D> {
  const former = own(diagram.roles, command.id);
  if (!former) return gone;
  if (hasTwice(command.patch)) return twice;
  const roles = { ...diagram.roles, [command.id]: { ...former, ...command.patch } };
  return done({ ...diagram, roles }, { ...command, patch: formerValues(former, command.patch) });
}

/** What is styled on it stays, and holds again when it is brought back. */
export function dropRole<D extends DiagramCommon>(diagram: D, { id }: CommandOf<'dropRole'>): Outcome<D> {
  const role = own(diagram.roles, id);
  if (!role) return gone;
  return done({ ...diagram, roles: without(diagram.roles, [id]) }, {
    kind: 'putRole',
    role,
  } satisfies CommandOf<'putRole'>);
}
