import { z } from 'zod';
import {
  done,
  formerValues,
  refused,
  within,
  without,
  withValue,
  type AddEntries,
  type KindEdits,
  type Outcome,
  type SetStyle,
  type Workspace,
} from '../../edit';
import { Id, limits, own, text, type StylePatch } from '../../model';
import {
  keyOfMask,
  mostSets,
  RegionKey,
  regionKey,
  RegionSettings,
  SeeThrough,
  setsInOrder,
  VennManner,
  VennSet,
  vennScope,
  type Venn,
  type VennPart,
} from './model';

/** Sets of the entries that an adding command brings. */
export const vennBelongings = {
  members: z.record(Id, z.array(Id).min(1).max(mostSets)).optional(),
};

/** Null hands it back to what all sets have, or to the rule. */
const seeThroughOrRule = { seeThrough: SeeThrough.nullable().optional() };

/** Commands that only a Venn diagram knows. */
export const vennCommands = [
  z.strictObject({
    kind: z.literal('putSet'),
    set: VennSet,
    members: z.array(Id).max(limits.entries),
    regions: z.record(RegionKey, RegionSettings),
  }),
  z.strictObject({ kind: z.literal('dropSet'), id: Id }),
  z.strictObject({
    kind: z.literal('changeSet'),
    id: Id,
    patch: VennSet.pick({ name: true, order: true, colour: true }).partial().extend(seeThroughOrRule),
  }),
  z.strictObject({ kind: z.literal('setMembers'), entry: Id, sets: z.array(Id).max(mostSets) }),
  z.strictObject({ kind: z.literal('setManner'), patch: VennManner.partial().extend(seeThroughOrRule) }),
  z.strictObject({ kind: z.literal('titleRegion'), region: RegionKey, title: text(200).nullable() }),
] as const;
export type VennCommand = z.infer<(typeof vennCommands)[number]>;
type CommandOf<K extends VennCommand['kind']> = Extract<VennCommand, { kind: K }>;

const setGone = refused('That set is no longer there.');
const regionGone = refused('That region is no longer there.');

/** Applies a change to the Venn diagram's own part. */
const onVenn = (diagram: Venn, change: (part: VennPart, whole: Venn) => Outcome<Venn>): Outcome<Venn> =>
  change(diagram.venn, diagram);

/** Applies one of the commands that only a Venn diagram knows. */
export function applyVenn(diagram: Venn, command: VennCommand, work: Workspace): Outcome<Venn> {
  switch (command.kind) {
    case 'putSet':
      return putSet(diagram, command);
    case 'dropSet':
      return dropSet(diagram, command);
    case 'changeSet':
      return changeSet(diagram, command);
    case 'setMembers':
      return setMembers(diagram, command, work);
    case 'setManner':
      return setManner(diagram, command);
    case 'titleRegion':
      return titleRegion(diagram, command);
  }
}

/** What a Venn diagram keeps of entries, and what its own scopes style. */
export const vennEdits: KindEdits<Venn> = {
  ownKeys: Object.keys(vennBelongings),
  noneUnderAnother: 'The items of a Venn diagram have no tiers under each other.',
  takeOut(diagram, going) {
    const members = within(diagram.venn.members, going);
    if (Object.keys(members).length === 0) return { rest: diagram, own: {} };
    return {
      rest: { ...diagram, venn: { ...diagram.venn, members: without(diagram.venn.members, going) } },
      own: { members },
    };
  },
  putBack(diagram, command, adding, work) {
    const { members = {} } = command as AddEntries & { members?: Record<string, string[]> };
    for (const [id, sets] of Object.entries(members)) {
      if (!adding.has(id)) return refused('A sorted entry is none of the new ones.');
      if (sets.some((set) => !own(diagram.venn.sets, set)))
        return refused('A set of the new entries is no longer there.');
    }
    if (Object.keys(members).length === 0) return { ok: true, diagram };
    const copy = work.copyOf(diagram.venn.members);
    for (const [id, sets] of Object.entries(members)) copy[id] = setsInKeeping(sets);
    return { ok: true, diagram: { ...diagram, venn: { ...diagram.venn, members: copy } } };
  },
  ownScopes: ({ venn }) => [
    ...Object.keys(venn.sets).map((set) => ({ kind: 'set', set })),
    ...Object.keys(venn.regions).map((region) => ({ kind: 'region', region })),
  ],
  patchOf(diagram, scope) {
    const told = vennScope(scope);
    if (told?.kind === 'region') return own(diagram.venn.regions, told.region)?.style ?? {};
    const set = told ? own(diagram.venn.sets, told.set) : undefined;
    return set ? { ...set.style, ...(set.colour ? { fill: set.colour } : {}) } : {};
  },
  setStyle(diagram, command) {
    const scope = vennScope(command.scope);
    if (scope?.kind === 'set') return styleSet(diagram, command, scope.set);
    if (!scope || !hasRegion(diagram.venn, scope.region)) return regionGone;
    const before: StylePatch = own(diagram.venn.regions, scope.region)?.style ?? {};
    const former = own(before as Record<string, SetStyle['value']>, command.property) ?? null;
    const style = withValue(before, command.property, command.value);
    return done({ ...diagram, venn: withRegion(diagram.venn, scope.region, { style }) }, {
      ...command,
      value: former,
    } satisfies SetStyle);
  },
};

/** Sets of an entry as they are kept: each once, ids rising. */
const setsInKeeping = (sets: readonly string[]): string[] => regionKey(new Set(sets)).split(',').filter(Boolean);

function putSet(diagram: Venn, command: CommandOf<'putSet'>): Outcome<Venn> {
  return onVenn(diagram, (part, whole) => {
    const { set, members, regions } = command;
    if (own(part.sets, set.id)) return refused(`The set “${set.name}” is there already.`);
    if (Object.keys(part.sets).length >= mostSets) return refused(`A Venn diagram holds at most ${mostSets} sets.`);
    const sets = { ...part.sets, [set.id]: set };
    const next = { ...part.members };
    for (const id of members) {
      if (!own(diagram.entries, id)) return refused('An entry of the set is no longer in the list.');
      next[id] = setsInKeeping([...(own(next, id) ?? []), set.id]);
    }
    for (const key of Object.keys(regions)) {
      const ids = key.split(',');
      if (!ids.includes(set.id) || regionKey(new Set(ids)) !== key)
        return refused('A region of the set is none of it.');
      if (ids.some((id) => !own(sets, id))) return refused('A region of the set no longer exists.');
    }
    return done(
      { ...whole, venn: { ...part, sets, members: next, regions: { ...part.regions, ...regions } } },
      { kind: 'dropSet', id: set.id },
    );
  });
}

/** Its entries stay and are in one set less; what was kept for its regions goes and comes back with it. */
function dropSet(diagram: Venn, { id }: CommandOf<'dropSet'>): Outcome<Venn> {
  return onVenn(diagram, (part, whole) => {
    const set = own(part.sets, id);
    if (!set) return setGone;
    const inside = Object.keys(part.members).filter((entry) => own(part.members, entry)!.includes(id));
    const members = Object.fromEntries(
      Object.entries(part.members)
        .map(([entry, sets]) => [entry, sets.filter((other) => other !== id)] as const)
        .filter(([, sets]) => sets.length > 0),
    );
    const regions = Object.fromEntries(Object.entries(part.regions).filter(([key]) => key.split(',').includes(id)));
    return done(
      {
        ...whole,
        venn: {
          ...part,
          sets: without(part.sets, [id]),
          members,
          regions: without(part.regions, Object.keys(regions)),
        },
      },
      { kind: 'putSet', set, members: inside, regions },
    );
  });
}

function changeSet(diagram: Venn, command: CommandOf<'changeSet'>): Outcome<Venn> {
  return onVenn(diagram, (part, whole) => {
    const set = own(part.sets, command.id);
    if (!set) return setGone;
    const { changed, former } = withSeeThrough(set, command.patch);
    const sets = { ...part.sets, [command.id]: changed };
    return done({ ...whole, venn: { ...part, sets } }, { ...command, patch: former });
  });
}

function setMembers(diagram: Venn, command: CommandOf<'setMembers'>, work: Workspace): Outcome<Venn> {
  return onVenn(diagram, (part, whole) => {
    if (!own(diagram.entries, command.entry)) return refused('The entry to sort is no longer in the list.');
    if (command.sets.some((id) => !own(part.sets, id))) return setGone;
    const sets = setsInKeeping(command.sets);
    const former = [...(own(part.members, command.entry) ?? [])];
    const members =
      sets.length > 0 ? work.put(part.members, command.entry, sets) : work.drop(part.members, command.entry);
    return done({ ...whole, venn: { ...part, members } }, { ...command, sets: former });
  });
}

function setManner(diagram: Venn, command: CommandOf<'setManner'>): Outcome<Venn> {
  return onVenn(diagram, (part, whole) => {
    const { changed, former } = withSeeThrough(part.manner, command.patch);
    return done({ ...whole, venn: { ...part, manner: changed } }, { ...command, patch: former });
  });
}

interface SeenThrough {
  readonly seeThrough?: number | undefined;
}
type SeenThroughPatch<T> = Partial<Omit<T, 'seeThrough'>> & { readonly seeThrough?: number | null | undefined };

/** A set or manner with a patch, and the patch that takes it back; how much shows through is kept only where it is told. */
function withSeeThrough<T extends SeenThrough>(
  record: T,
  patch: SeenThroughPatch<T>,
): { changed: T; former: SeenThroughPatch<T> } {
  const { seeThrough, ...rest } = patch;
  if (seeThrough === undefined)
    return { changed: { ...record, ...rest } as T, former: formerValues(record, rest as Partial<T>) };
  const { seeThrough: before, ...others } = record;
  const former = { ...formerValues(record, rest as Partial<T>), seeThrough: before ?? null };
  const changed = { ...others, ...rest, ...(seeThrough === null ? {} : { seeThrough }) };
  return { changed: changed as unknown as T, former };
}

const plain = { title: null, style: {} };

/** What is kept of a region; a region with nothing of its own is not kept. */
function withRegion(part: VennPart, key: string, patch: Partial<VennPart['regions'][string]>): VennPart {
  const next = { ...(own(part.regions, key) ?? plain), ...patch };
  const empty = next.title === null && Object.keys(next.style).length === 0;
  return {
    ...part,
    regions: empty ? without(part.regions, [key]) : { ...part.regions, [key]: next },
  };
}

/** True where every set of the region is there. */
function hasRegion(part: VennPart, key: string): boolean {
  const sets = setsInOrder(part);
  return Array.from({ length: 1 << sets.length }, (_, mask) => keyOfMask(sets, mask)).includes(key);
}

function titleRegion(diagram: Venn, command: CommandOf<'titleRegion'>): Outcome<Venn> {
  return onVenn(diagram, (part, whole) => {
    if (!hasRegion(part, command.region)) return regionGone;
    return done(
      { ...whole, venn: withRegion(part, command.region, { title: command.title }) },
      { ...command, title: own(part.regions, command.region)?.title ?? null },
    );
  });
}

/** Its fill is the set's colour; everything else is a style of its curve and name, kept only where there is any. */
function styleSet(diagram: Venn, command: SetStyle, id: string): Outcome<Venn> {
  return onVenn(diagram, (part, whole) => {
    const set = own(part.sets, id);
    if (!set) return setGone;
    const { style = {}, ...rest } = set;
    const { property, value } = command;
    const former =
      property === 'fill' ? set.colour : (own(style as Record<string, SetStyle['value']>, property) ?? null);
    const patch = property === 'fill' ? style : withValue(style, property, value);
    const next = {
      ...rest,
      ...(property === 'fill' ? { colour: value as string | null } : {}),
      ...(Object.keys(patch).length > 0 ? { style: patch } : {}),
    };
    return done({ ...whole, venn: { ...part, sets: { ...part.sets, [id]: next } } }, { ...command, value: former });
  });
}
