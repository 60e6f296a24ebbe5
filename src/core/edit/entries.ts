import type { Diagram, Entry } from '../model';
import { limits } from '../model';
import { keepStructure } from '../tiers';
import type { CommandOf } from './command';
import { done, refused, without, type Outcome } from './outcome';

const gone = (what: string): Outcome => refused(`${what} is no longer in the list.`);
const called = (entry: Entry): string => (entry.name === '' ? 'An entry without a name' : `“${entry.name}”`);

/** True where `id` is `ancestor` itself or stands anywhere under it. */
export function isUnder(entries: Diagram['entries'], id: string | null, ancestor: string): boolean {
  for (let at = id; at !== null; at = entries[at]?.parent ?? null) if (at === ancestor) return true;
  return false;
}

export function addEntries(diagram: Diagram, command: CommandOf<'addEntries'>): Outcome {
  const entries = { ...diagram.entries };
  for (const entry of command.entries) {
    if (entries[entry.id]) return refused(`${called(entry)} is in the list already.`);
    entries[entry.id] = entry;
  }
  if (Object.keys(entries).length > limits.entries) {
    return refused(`A diagram holds at most ${limits.entries.toLocaleString('en')} entries.`);
  }
  for (const entry of command.entries) {
    if (entry.parent !== null && !entries[entry.parent])
      return refused(`${called(entry)} was to go under an entry that is no longer in the list.`);
  }
  if (loops(entries, command.entries)) return refused('The new entries would stand under themselves.');
  const links = { ...diagram.links };
  for (const link of command.links) {
    if (!entries[link.from] || !entries[link.to])
      return refused('A link of the new entries leads to an entry that is no longer in the list.');
    links[link.id] = link;
  }
  for (const id of [...Object.keys(command.branches), ...Object.keys(command.only)]) {
    if (!entries[id]) return gone('A styled entry');
  }
  const belonging = command.members ?? {};
  if (Object.keys(belonging).length > 0) {
    if (diagram.kind !== 'venn') return refused('Sets belong to Venn diagrams only.');
    for (const [id, sets] of Object.entries(belonging)) {
      if (!entries[id]) return gone('A sorted entry');
      if (sets.some((set) => !diagram.venn.sets[set])) return refused('A set of the new entries is no longer there.');
    }
  }
  return done(
    {
      ...withMembers(diagram, belonging),
      entries,
      links: command.links.length > 0 ? links : diagram.links,
      styles: withStyles(diagram, command),
    },
    { kind: 'removeEntries', ids: command.entries.map((entry) => entry.id) },
  );
}

function withMembers(diagram: Diagram, members: Record<string, string[]>): Diagram {
  if (diagram.kind !== 'venn' || Object.keys(members).length === 0) return diagram;
  return { ...diagram, venn: { ...diagram.venn, members: { ...diagram.venn.members, ...members } } };
}

function withStyles(diagram: Diagram, command: CommandOf<'addEntries'>): Diagram['styles'] {
  const { styles } = diagram;
  const merged = <T>(to: Record<string, T>, from: Record<string, T>) =>
    Object.keys(from).length > 0 ? { ...to, ...from } : to;
  const branches = merged(styles.branches, command.branches);
  const only = merged(styles.only, command.only);
  return branches === styles.branches && only === styles.only ? styles : { ...styles, branches, only };
}

/** Each entry is walked upward at most once: linear. */
function loops(entries: Diagram['entries'], added: readonly Entry[]): boolean {
  const settled = new Set<string>();
  for (const entry of added) {
    const path = new Set<string>();
    for (let at: string | null = entry.id; at !== null && !settled.has(at); at = entries[at]?.parent ?? null) {
      if (path.has(at)) return true;
      path.add(at);
    }
    for (const id of path) settled.add(id);
  }
  return false;
}

/** Refused while an entry that stays stands under one that goes: what is below must be moved or named too. */
export function removeEntries(diagram: Diagram, command: CommandOf<'removeEntries'>): Outcome {
  const going = new Set(command.ids);
  for (const id of going) if (!diagram.entries[id]) return gone('One of the entries');
  for (const entry of Object.values(diagram.entries)) {
    if (entry.parent !== null && going.has(entry.parent) && !going.has(entry.id)) {
      return refused(`${called(entry)} has come to stand under an entry that was to be removed.`);
    }
  }
  const links = Object.values(diagram.links).filter((link) => going.has(link.from) || going.has(link.to));
  const pick = <T>(record: Record<string, T>) =>
    Object.fromEntries(Object.entries(record).filter(([id]) => going.has(id)));
  const { styles } = diagram;
  const branches = pick(styles.branches);
  const only = pick(styles.only);
  const members = diagram.kind === 'venn' ? pick(diagram.venn.members) : {};
  const sorted = Object.keys(members).length > 0;
  const rest =
    diagram.kind === 'venn' && sorted
      ? { ...diagram, venn: { ...diagram.venn, members: without(diagram.venn.members, going) } }
      : diagram;
  const styled = Object.keys(branches).length + Object.keys(only).length > 0;
  return done(
    {
      ...rest,
      entries: without(diagram.entries, going),
      links:
        links.length > 0
          ? without(
              diagram.links,
              links.map((link) => link.id),
            )
          : diagram.links,
      styles: styled
        ? { ...styles, branches: without(styles.branches, going), only: without(styles.only, going) }
        : styles,
    },
    {
      kind: 'addEntries',
      entries: [...going].map((id) => diagram.entries[id]!),
      links,
      branches,
      only,
      ...(sorted ? { members } : {}),
    },
  );
}

function changed(diagram: Diagram, entry: Entry): Diagram {
  const before = diagram.entries[entry.id];
  const entries = { ...diagram.entries, [entry.id]: entry };
  if (before?.parent === entry.parent && before.order === entry.order) keepStructure(diagram.entries, entries);
  return { ...diagram, entries };
}

export function rename(diagram: Diagram, command: CommandOf<'rename'>): Outcome {
  const entry = diagram.entries[command.id];
  if (!entry) return gone('The entry to rename');
  return done(changed(diagram, { ...entry, name: command.name }), { ...command, name: entry.name });
}

export function setDetails(diagram: Diagram, command: CommandOf<'setDetails'>): Outcome {
  const entry = diagram.entries[command.id];
  if (!entry) return gone('The entry whose details were changed');
  return done(changed(diagram, { ...entry, details: command.details }), { ...command, details: entry.details });
}

export function setField(diagram: Diagram, command: CommandOf<'setField'>): Outcome {
  const entry = diagram.entries[command.id];
  if (!entry) return gone('The entry whose details were changed');
  const fields =
    command.value === null
      ? without(entry.fields, [command.field])
      : { ...entry.fields, [command.field]: command.value };
  return done(changed(diagram, { ...entry, fields }), { ...command, value: entry.fields[command.field] ?? null });
}

/** An entry without a picture does not keep the property at all. */
export function setImage(diagram: Diagram, command: CommandOf<'setImage'>): Outcome {
  const entry = diagram.entries[command.id];
  if (!entry) return gone('The entry whose picture was changed');
  const { image, ...rest } = entry;
  return done(changed(diagram, command.image ? { ...rest, image: command.image } : rest), {
    ...command,
    image: image ?? null,
  });
}

export function setRole(diagram: Diagram, command: CommandOf<'setRole'>): Outcome {
  const entry = diagram.entries[command.id];
  if (!entry) return gone('The entry whose role was changed');
  return done(changed(diagram, { ...entry, role: command.role }), { ...command, role: entry.role });
}

export function moveBranch(diagram: Diagram, command: CommandOf<'moveBranch'>): Outcome {
  const entry = diagram.entries[command.id];
  if (!entry) return gone('The entry to move');
  if (command.parent !== null && diagram.kind === 'venn')
    return refused('The items of a Venn diagram have no tiers under each other.');
  if (command.parent !== null) {
    const parent = diagram.entries[command.parent];
    if (!parent) return refused(`${called(entry)} was to go under an entry that is no longer in the list.`);
    if (isUnder(diagram.entries, command.parent, command.id)) {
      return refused(`${called(entry)} cannot go under ${called(parent)}, who stands under it.`);
    }
  }
  return done(changed(diagram, { ...entry, parent: command.parent, order: command.order }), {
    ...command,
    parent: entry.parent,
    order: entry.order,
  });
}

export function addLink(diagram: Diagram, { link }: CommandOf<'addLink'>): Outcome {
  if (diagram.links[link.id]) return refused('That link is there already.');
  if (!diagram.entries[link.from] || !diagram.entries[link.to]) return gone('One end of the link');
  if (link.from === link.to) return refused('A link needs two different entries.');
  return done({ ...diagram, links: { ...diagram.links, [link.id]: link } }, { kind: 'removeLink', id: link.id });
}

export function removeLink(diagram: Diagram, { id }: CommandOf<'removeLink'>): Outcome {
  const link = diagram.links[id];
  if (!link) return gone('The link');
  return done({ ...diagram, links: without(diagram.links, [id]) }, { kind: 'addLink', link });
}
