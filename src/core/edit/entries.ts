import { forgetShape, Id, keepShape, limits, own, type DiagramCommon, type Entries, type Entry } from '../model';
import { commonBelongings, type AddEntries, type CommandOf } from './command';
import type { KindEdits } from './kind-edits';
import { done, refused, within, without, type Outcome, type Refused } from './outcome';
import type { Workspace } from './workspace';

const gone = (what: string): Refused => refused(`${what} is no longer in the list.`);
const called = (entry: Entry): string => (entry.name === '' ? 'An entry without a name' : `“${entry.name}”`);

/** True where `id` is `ancestor` itself or stands anywhere under it. */
export function isUnder(entries: Entries, id: string | null, ancestor: string): boolean {
  for (let at = id; at !== null; at = own(entries, at)?.parent ?? null) if (at === ancestor) return true;
  return false;
}

/** Nothing that is there already is overwritten, and everything added belongs to the added entries: taking them out takes all of it out. */
export function addEntries<D extends DiagramCommon>(
  diagram: D,
  command: AddEntries,
  work: Workspace,
  kind: KindEdits<D>,
): Outcome<D> {
  const adding = new Set<string>();
  for (const entry of command.entries) {
    if (!Id.safeParse(entry.id).success) return refused(`${called(entry)} has an id that cannot be used.`);
    if (adding.has(entry.id) || own(diagram.entries, entry.id))
      return refused(`${called(entry)} is in the list already.`);
    adding.add(entry.id);
  }
  if (Object.keys(diagram.entries).length + adding.size > limits.entries) {
    return refused(`A diagram holds at most ${limits.entries.toLocaleString('en')} entries.`);
  }
  const isThere = (id: string) => adding.has(id) || own(diagram.entries, id) !== undefined;
  for (const entry of command.entries) {
    if (entry.parent === null) continue;
    if (kind.noneUnderAnother) return refused(kind.noneUnderAnother);
    if (!isThere(entry.parent))
      return refused(`${called(entry)} was to go under an entry that is no longer in the list.`);
  }
  if (Object.keys(command).some((key) => !commonBelongings.includes(key) && !kind.ownKeys.includes(key)))
    return refused('Something of the new entries belongs to another kind of diagram.');
  const problem = brokenBelongings(diagram, command, adding, isThere);
  if (problem) return refused(problem);
  const added = new Map(command.entries.map((entry) => [entry.id, entry]));
  if (loops((id) => added.get(id) ?? own(diagram.entries, id), adding))
    return refused('The new entries would stand under themselves.');
  const withOwn = kind.putBack(diagram, command, adding, work);
  if (!withOwn.ok) return withOwn;
  const entries = work.copyOf(diagram.entries);
  for (const entry of command.entries) entries[entry.id] = entry;
  forgetShape(entries);
  const { styles } = diagram;
  const branches = merged(styles.branches, command.branches, work);
  const only = merged(styles.only, command.only, work);
  const onlyLinks = merged(styles.onlyLinks, command.onlyLinks ?? {}, work);
  const same = branches === styles.branches && only === styles.only && onlyLinks === styles.onlyLinks;
  return done(
    {
      ...withOwn.diagram,
      entries,
      links: merged(diagram.links, Object.fromEntries(command.links.map((link) => [link.id, link])), work),
      styles: same ? styles : { ...styles, branches, only, onlyLinks },
      nudges: merged(diagram.nudges, command.nudges ?? {}, work),
    },
    { kind: 'removeEntries', ids: [...adding] } satisfies CommandOf<'removeEntries'>,
  );
}

/** Why what comes with the entries cannot come with them; null where it can. */
function brokenBelongings(
  diagram: DiagramCommon,
  command: AddEntries,
  adding: ReadonlySet<string>,
  isThere: (id: string) => boolean,
): string | null {
  const linked = new Set<string>();
  for (const link of command.links) {
    if (linked.has(link.id) || own(diagram.links, link.id)) return 'A link of the new entries is there already.';
    linked.add(link.id);
    if (link.from === link.to) return 'A link needs two different entries.';
    if (!isThere(link.from) || !isThere(link.to))
      return 'A link of the new entries leads to an entry that is no longer in the list.';
    if (!adding.has(link.from) && !adding.has(link.to)) return 'A link of the new entries leads to none of them.';
  }
  for (const id of Object.keys(command.onlyLinks ?? {}))
    if (!linked.has(id)) return 'A styled link is none of the new ones.';
  for (const id of [...Object.keys(command.branches), ...Object.keys(command.only)])
    if (!adding.has(id)) return 'A styled entry is none of the new ones.';
  for (const id of Object.keys(command.nudges ?? {}))
    if (!adding.has(id)) return 'A nudged entry is none of the new ones.';
  return null;
}

function merged<T>(to: Record<string, T>, from: Record<string, T>, work: Workspace): Record<string, T> {
  const all = Object.entries(from);
  if (all.length === 0) return to;
  const copy = work.copyOf(to);
  for (const [key, value] of all) copy[key] = value;
  return copy;
}

/** Each entry is walked upward at most once: linear. */
function loops(entryOf: (id: string) => Entry | undefined, from: Iterable<string>): boolean {
  const settled = new Set<string>();
  for (const id of from) {
    const path = new Set<string>();
    for (let at: string | null = id; at !== null && !settled.has(at); at = entryOf(at)?.parent ?? null) {
      if (path.has(at)) return true;
      path.add(at);
    }
    for (const step of path) settled.add(step);
  }
  return false;
}

/** Refused while an entry that stays stands under one that goes: what is below must be moved or named too. */
export function removeEntries<D extends DiagramCommon>(
  diagram: D,
  command: CommandOf<'removeEntries'>,
  kind: KindEdits<D>,
): Outcome<D> {
  const going = new Set(command.ids);
  for (const id of going) if (!own(diagram.entries, id)) return gone('One of the entries');
  for (const entry of Object.values(diagram.entries)) {
    if (entry.parent !== null && going.has(entry.parent) && !going.has(entry.id)) {
      return refused(`${called(entry)} has come to stand under an entry that was to be removed.`);
    }
  }
  const links = Object.values(diagram.links).filter((link) => going.has(link.from) || going.has(link.to));
  const unlinked = new Set(links.map((link) => link.id));
  const { styles } = diagram;
  const branches = within(styles.branches, going);
  const only = within(styles.only, going);
  const onlyLinks = within(styles.onlyLinks, unlinked);
  const { rest, own: kept } = kind.takeOut(diagram, going);
  const nudges = within(diagram.nudges, going);
  const nudged = Object.keys(nudges).length > 0;
  const linksStyled = Object.keys(onlyLinks).length > 0;
  const styled = linksStyled || Object.keys(branches).length + Object.keys(only).length > 0;
  return done(
    {
      ...rest,
      entries: without(diagram.entries, going),
      links: links.length > 0 ? without(diagram.links, unlinked) : diagram.links,
      styles: styled
        ? {
            ...styles,
            branches: without(styles.branches, going),
            only: without(styles.only, going),
            onlyLinks: without(styles.onlyLinks, unlinked),
          }
        : styles,
      nudges: nudged ? without(diagram.nudges, going) : diagram.nudges,
    },
    {
      kind: 'addEntries',
      entries: [...going].map((id) => own(diagram.entries, id)!),
      links,
      branches,
      only,
      ...(linksStyled ? { onlyLinks } : {}),
      ...(nudged ? { nudges } : {}),
      ...kept,
    } satisfies AddEntries,
  );
}

/** With one entry changed. Where its place stays, the structure that is known stays known. */
function changed<D extends DiagramCommon>(diagram: D, entry: Entry, work: Workspace): D {
  const before = own(diagram.entries, entry.id);
  const entries = work.put(diagram.entries, entry.id, entry);
  const stays = before?.parent === entry.parent && before.order === entry.order;
  if (!stays) forgetShape(entries);
  else if (entries !== diagram.entries) keepShape(diagram.entries, entries);
  return { ...diagram, entries };
}

export function rename<D extends DiagramCommon>(diagram: D, command: CommandOf<'rename'>, work: Workspace): Outcome<D> {
  const entry = own(diagram.entries, command.id);
  if (!entry) return gone('The entry to rename');
  return done(changed(diagram, { ...entry, name: command.name }, work), { ...command, name: entry.name });
}

export function setDetails<D extends DiagramCommon>(
  diagram: D,
  command: CommandOf<'setDetails'>,
  work: Workspace,
): Outcome<D> {
  const entry = own(diagram.entries, command.id);
  if (!entry) return gone('The entry whose details were changed');
  return done(changed(diagram, { ...entry, details: command.details }, work), { ...command, details: entry.details });
}

export function setField<D extends DiagramCommon>(
  diagram: D,
  command: CommandOf<'setField'>,
  work: Workspace,
): Outcome<D> {
  const entry = own(diagram.entries, command.id);
  if (!entry) return gone('The entry whose details were changed');
  const fields =
    command.value === null
      ? without(entry.fields, [command.field])
      : { ...entry.fields, [command.field]: command.value };
  return done(changed(diagram, { ...entry, fields }, work), {
    ...command,
    value: own(entry.fields, command.field) ?? null,
  });
}

/** An entry without a picture does not keep the property at all. */
export function setImage<D extends DiagramCommon>(
  diagram: D,
  command: CommandOf<'setImage'>,
  work: Workspace,
): Outcome<D> {
  const entry = own(diagram.entries, command.id);
  if (!entry) return gone('The entry whose picture was changed');
  const { image, ...rest } = entry;
  return done(changed(diagram, command.image ? { ...rest, image: command.image } : rest, work), {
    ...command,
    image: image ?? null,
  });
}

export function setRole<D extends DiagramCommon>(
  diagram: D,
  command: CommandOf<'setRole'>,
  work: Workspace,
): Outcome<D> {
  const entry = own(diagram.entries, command.id);
  if (!entry) return gone('The entry whose role was changed');
  return done(changed(diagram, { ...entry, role: command.role }, work), { ...command, role: entry.role });
}

export function moveBranch<D extends DiagramCommon>(
  diagram: D,
  command: CommandOf<'moveBranch'>,
  work: Workspace,
  kind: KindEdits<D>,
): Outcome<D> {
  const entry = own(diagram.entries, command.id);
  if (!entry) return gone('The entry to move');
  if (command.parent !== null && kind.noneUnderAnother) return refused(kind.noneUnderAnother);
  if (command.parent !== null) {
    const parent = own(diagram.entries, command.parent);
    if (!parent) return refused(`${called(entry)} was to go under an entry that is no longer in the list.`);
    if (isUnder(diagram.entries, command.parent, command.id)) {
      return refused(`${called(entry)} cannot go under ${called(parent)}, who stands under it.`);
    }
  }
  return done(changed(diagram, { ...entry, parent: command.parent, order: command.order }, work), {
    ...command,
    parent: entry.parent,
    order: entry.order,
  });
}

/** Many entries to new places at once; only how they stand afterwards counts. O(entries moved and those above them). */
export function moveEntries<D extends DiagramCommon>(
  diagram: D,
  command: CommandOf<'moveEntries'>,
  work: Workspace,
  kind: KindEdits<D>,
): Outcome<D> {
  const next = new Map<string, Entry>();
  const former: CommandOf<'moveEntries'>['moves'] = [];
  for (const { id, parent, order } of command.moves) {
    const entry = own(diagram.entries, id);
    if (!entry) return gone('An entry to move');
    if (next.has(id)) return refused(`${called(entry)} was to be moved twice.`);
    if (parent !== null) {
      if (kind.noneUnderAnother) return refused(kind.noneUnderAnother);
      if (!own(diagram.entries, parent))
        return refused(`${called(entry)} was to go under an entry that is no longer in the list.`);
    }
    next.set(id, { ...entry, parent, order });
    former.push({ id, parent: entry.parent, order: entry.order });
  }
  if (loops((id) => next.get(id) ?? own(diagram.entries, id), next.keys()))
    return refused('An entry was to go under one that stands under it.');
  const entries = work.copyOf(diagram.entries);
  for (const [id, entry] of next) entries[id] = entry;
  forgetShape(entries);
  return done({ ...diagram, entries }, { kind: 'moveEntries', moves: former } satisfies CommandOf<'moveEntries'>);
}
