import { own, type DiagramCommon } from '../model';
import type { CommonCommand } from './command';
import { done, formerValues, refused, type Outcome, type Refused } from './outcome';
import type { Workspace } from './workspace';

/** What a diagram keeps by id, each put, changed and dropped in the same way. */
type Shelf = 'enclosures' | 'notes' | 'roles';
type Kept = DiagramCommon[Shelf][string];

const words = { enclosures: 'enclosure', notes: 'note', roles: 'role' } as const;
const gone = (shelf: Shelf): Refused => refused(`The ${words[shelf]} is no longer there.`);

/** Why something cannot be kept: an entry stands among its members twice. Null where it can. */
function doubled(shelf: Shelf, one: object): Refused | null {
  const { members = [] } = one as { readonly members?: readonly string[] };
  if (new Set(members).size === members.length) return null;
  return refused(shelf === 'roles' ? 'A role has an entry once.' : 'An enclosure holds an entry once.');
}

const withShelf = <D extends DiagramCommon>(diagram: D, shelf: Shelf, kept: Readonly<Record<string, Kept>>): D => ({
  ...diagram,
  [shelf]: kept,
});
const shelfOf = (diagram: DiagramCommon, shelf: Shelf): Readonly<Record<string, Kept>> => diagram[shelf];

/** `inverse`: the command that drops it again. */
export function putOn<D extends DiagramCommon>(
  diagram: D,
  shelf: Shelf,
  one: Kept,
  { inverse, work }: { readonly inverse: CommonCommand; readonly work: Workspace },
): Outcome<D> {
  const all = shelfOf(diagram, shelf);
  if (own(all, one.id)) return refused(`That ${words[shelf]} is there already.`);
  return doubled(shelf, one) ?? done(withShelf(diagram, shelf, work.put(all, one.id, one)), inverse);
}

export function changeOn<D extends DiagramCommon>(
  diagram: D,
  shelf: Shelf,
  command: Extract<CommonCommand, { kind: 'changeEnclosure' | 'changeNote' | 'changeRole' }>,
  work: Workspace,
): Outcome<D> {
  const all = shelfOf(diagram, shelf);
  const former = own(all, command.id);
  if (!former) return gone(shelf);
  const problem = doubled(shelf, command.patch);
  if (problem) return problem;
  const next = { ...former, ...command.patch } as Kept;
  return done(withShelf(diagram, shelf, work.put(all, command.id, next)), {
    ...command,
    patch: formerValues<object>(former, command.patch),
  });
}

/** `inverse`: the command that puts it back. */
export function dropFrom<D extends DiagramCommon, S extends Shelf>(
  diagram: D,
  shelf: S,
  id: string,
  { inverse, work }: { inverse(one: DiagramCommon[S][string]): CommonCommand; readonly work: Workspace },
): Outcome<D> {
  const all = shelfOf(diagram, shelf);
  const one = own(all, id);
  if (!one) return gone(shelf);
  return done(withShelf(diagram, shelf, work.drop(all, id)), inverse(one as DiagramCommon[S][string]));
}
