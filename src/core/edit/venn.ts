import { keyOfMask, mostSets, regionKey, setsInOrder, type Diagram, type Venn, type VennPart, own } from '../model';
import type { CommandOf } from './command';
import { done, formerValues, refused, without, type Outcome } from './outcome';
import type { Workspace } from './workspace';

const noVenn = refused('Sets belong to Venn diagrams only.');
const setGone = refused('That set is no longer there.');

/** Applies a change to the Venn diagram's own part, or refuses it for other kinds. */
function onVenn(diagram: Diagram, change: (part: VennPart, whole: Venn) => Outcome): Outcome {
  return diagram.kind === 'venn' ? change(diagram.venn, diagram) : noVenn;
}

/** Sets of an entry as they are kept: each once, ids rising. */
export const setsInKeeping = (sets: readonly string[]): string[] => regionKey(new Set(sets)).split(',').filter(Boolean);

export function putSet(diagram: Diagram, command: CommandOf<'putSet'>): Outcome {
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
export function dropSet(diagram: Diagram, { id }: CommandOf<'dropSet'>): Outcome {
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

export function changeSet(diagram: Diagram, command: CommandOf<'changeSet'>): Outcome {
  return onVenn(diagram, (part, whole) => {
    const set = own(part.sets, command.id);
    if (!set) return setGone;
    const sets = { ...part.sets, [command.id]: { ...set, ...command.patch } };
    return done({ ...whole, venn: { ...part, sets } }, { ...command, patch: formerValues(set, command.patch) });
  });
}

export function setMembers(diagram: Diagram, command: CommandOf<'setMembers'>, work: Workspace): Outcome {
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

export function setManner(diagram: Diagram, command: CommandOf<'setManner'>): Outcome {
  return onVenn(diagram, (part, whole) =>
    done(
      { ...whole, venn: { ...part, manner: { ...part.manner, ...command.patch } } },
      { ...command, patch: formerValues(part.manner, command.patch) },
    ),
  );
}

const plain = { title: null, style: {} };

/** What is kept of a region; a region with nothing of its own is not kept. */
export function withRegion(part: VennPart, key: string, patch: Partial<VennPart['regions'][string]>): VennPart {
  const next = { ...(own(part.regions, key) ?? plain), ...patch };
  const empty = next.title === null && Object.keys(next.style).length === 0;
  return {
    ...part,
    regions: empty ? without(part.regions, [key]) : { ...part.regions, [key]: next },
  };
}

/** True where every set of the region is there. */
export function hasRegion(part: VennPart, key: string): boolean {
  const sets = setsInOrder(part);
  return Array.from({ length: 1 << sets.length }, (_, mask) => keyOfMask(sets, mask)).includes(key);
}

export function titleRegion(diagram: Diagram, command: CommandOf<'titleRegion'>): Outcome {
  return onVenn(diagram, (part, whole) => {
    if (!hasRegion(part, command.region)) return refused('That region is no longer there.');
    return done(
      { ...whole, venn: withRegion(part, command.region, { title: command.title }) },
      { ...command, title: own(part.regions, command.region)?.title ?? null },
    );
  });
}

/** Its fill is the set's colour; everything else is a style of its curve and name, kept only where there is any. */
export function styleSet(diagram: Diagram, command: CommandOf<'setStyle'>, id: string): Outcome {
  return onVenn(diagram, (part, whole) => {
    const set = own(part.sets, id);
    if (!set) return setGone;
    const { style = {}, ...rest } = set;
    const { property, value } = command;
    const former = property === 'fill' ? set.colour : (style[property] ?? null);
    const patch =
      property === 'fill' ? style : value === null ? without(style, [property]) : { ...style, [property]: value };
    const next = {
      ...rest,
      ...(property === 'fill' ? { colour: value as string | null } : {}),
      ...(Object.keys(patch).length > 0 ? { style: patch } : {}),
    };
    return done({ ...whole, venn: { ...part, sets: { ...part.sets, [id]: next } } }, { ...command, value: former });
  });
}
