import { z } from 'zod';
import { byOrder, Colour, commonShape, Id, OrderKey, own, StylePatch, text } from '../../model';

/** Sets a Venn diagram can draw with every region in sight. */
export const mostSets = 5;

/** More sets than this cannot be drawn to scale in any way that reads. */
export const mostToScale = 3;

/** Ids of sets in rising order, joined with commas; empty for "in none". */
export const RegionKey = z
  .string()
  .max(400)
  .regex(/^$|^[A-Za-z0-9][A-Za-z0-9_-]*(,[A-Za-z0-9][A-Za-z0-9_-]*)*$/, 'a region is told by the ids of its sets');

/** How much of what is below shows through a set's fill, in percent. */
export const SeeThrough = z.number().min(0).max(95);

export const VennSet = z.strictObject({
  id: Id,
  name: text(200),
  /** Place among the sets, which is also its place in the drawing. */
  order: OrderKey,
  /** Null: the look's own. */
  colour: Colour.nullable(),
  /** Of its curve and its name; left out where there is none. */
  style: StylePatch.optional(),
  /** Left out: as all sets. */
  seeThrough: SeeThrough.optional(),
});
export type VennSet = z.infer<typeof VennSet>;

/** How a Venn diagram is drawn. */
export const VennManner = z.strictObject({
  /** What all the sets are taken from: "Birds of the estuary". Empty for no name. */
  universe: text(200),
  shape: z.enum(['equal', 'scaled-circles', 'scaled-ellipses']),
  content: z.enum(['names', 'scattered', 'counts', 'blank']),
  outline: z.enum(['none', 'thin', 'strong']),
  frame: z.boolean(),
  /** The names to sort, in a box beside the drawing. */
  wordBank: z.boolean(),
  /** Of all sets; left out: by rule, a colour picked by hand as it was picked. */
  seeThrough: SeeThrough.optional(),
});
export type VennManner = z.infer<typeof VennManner>;

/** What is kept of a region beyond what is computed. */
export const RegionSettings = z.strictObject({ title: text(200).nullable(), style: StylePatch });
export type RegionSettings = z.infer<typeof RegionSettings>;

/** The Venn diagram's own part. `members`: ids of the sets each entry is in, in the order of ids; absent for none. */
export const VennPart = z.strictObject({
  sets: z.record(Id, VennSet),
  members: z.record(Id, z.array(Id).min(1).max(mostSets)),
  /** By region: the ids of its sets in rising order, joined with commas; the empty key is "in none". */
  regions: z.record(RegionKey, RegionSettings),
  manner: VennManner,
});
export type VennPart = z.infer<typeof VennPart>;

export const Venn = z.strictObject({ kind: z.literal('venn'), ...commonShape, venn: VennPart });
export type Venn = z.infer<typeof Venn>;

/** Scopes that only a Venn diagram knows. */
export const vennScopes = [
  /** A region, by its key. */
  z.strictObject({ kind: z.literal('region'), region: z.string().max(400) }),
  /** A set: its colour, its curve and its name. */
  z.strictObject({ kind: z.literal('set'), set: Id }),
] as const;
export type VennScope = z.infer<(typeof vennScopes)[number]>;

/** A scope as one of a Venn diagram's own; null for any other. */
export const vennScope = (scope: { readonly kind: string }): VennScope | null =>
  scope.kind === 'region' || scope.kind === 'set' ? (scope as VennScope) : null;

export const emptyVenn: VennPart = {
  sets: {},
  members: {},
  regions: {},
  manner: {
    universe: '',
    shape: 'equal',
    content: 'names',
    outline: 'thin',
    frame: true,
    wordBank: false,
  },
};

const ordered = new WeakMap<VennPart['sets'], readonly VennSet[]>();

/** The sets in their order; bit i of a region's mask stands for the i-th. The same object for the same sets. */
export function setsInOrder({ sets }: VennPart): readonly VennSet[] {
  let found = ordered.get(sets);
  if (!found) ordered.set(sets, (found = Object.values(sets).sort(byOrder)));
  return found;
}

/** The key under which a region is kept. */
export const regionKey = (sets: Iterable<string>): string => [...sets].sort().join(',');

/** The sets in which bits are set. */
export const setsOfMask = (sets: readonly VennSet[], mask: number): VennSet[] => sets.filter((_, i) => (mask >> i) & 1);

const keys = new WeakMap<readonly VennSet[], string[]>();

export function keyOfMask(sets: readonly VennSet[], mask: number): string {
  let known = keys.get(sets);
  if (!known) keys.set(sets, (known = []));
  return (known[mask] ??= regionKey(setsOfMask(sets, mask).map((set) => set.id)));
}

/** Bits of the sets an entry is in. */
export function maskOf(part: VennPart, sets: readonly VennSet[], entry: string): number {
  const members = own(part.members, entry);
  if (!members) return 0;
  return sets.reduce((mask, set, i) => (members.includes(set.id) ? mask | (1 << i) : mask), 0);
}

/** What must hold in a Venn diagram beyond what holds in every diagram, in words where it does not. */
export function brokenVenn({ entries, venn }: Venn): string[] {
  const broken: string[] = [];
  if (Object.keys(venn.sets).length > mostSets) broken.push(`there are more than ${mostSets} sets`);
  for (const [id, entry] of Object.entries(entries))
    if (entry.parent !== null) broken.push(`entry ${id} of a Venn diagram stands under another`);
  for (const [id, set] of Object.entries(venn.sets))
    if (set.id !== id) broken.push(`set ${id} is kept under the id of ${set.id}`);
  for (const [id, sets] of Object.entries(venn.members)) {
    if (!own(entries, id)) broken.push(`memberships are kept for ${id}, which is not there`);
    for (const set of sets) if (!own(venn.sets, set)) broken.push(`entry ${id} is in set ${set}, which is not there`);
    if (regionKey(new Set(sets)) !== sets.join(',')) broken.push(`the sets of ${id} are not each once and in order`);
  }
  for (const key of Object.keys(venn.regions)) {
    const sets = key === '' ? [] : key.split(',');
    if (regionKey(new Set(sets)) !== key) broken.push(`the sets of region ${key} are not each once and in order`);
    for (const set of sets)
      if (!own(venn.sets, set)) broken.push(`a region is kept for set ${set}, which is not there`);
  }
  return broken;
}
