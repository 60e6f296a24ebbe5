/** Generated Venn diagrams and commands for property tests. */
import fc from 'fast-check';
import { type Command, createDiagram, type Scope } from '../diagram';
import { createEntry, evenKeys } from '../model';
import { type Venn, regionKey } from '../kinds/venn';

export const setNames = ['mudflat', 'saltmarsh', 'open water', 'creek', 'dune'] as const;

/** A Venn diagram from memberships: the i-th number has a bit for each set that the i-th entry is in. */
export function vennOf(
  sets: number,
  masks: readonly number[],
  nameOf: (i: number) => string = (i) => `Bird ${i}`,
  manner: Partial<Venn['venn']['manner']> = {},
): Venn {
  const base = createDiagram('venn', 'Generated') as Venn;
  const keys = evenKeys(masks.length);
  const setKeys = evenKeys(sets);
  const entries = masks.map((_, i) => createEntry({ id: `e${i}`, name: nameOf(i), order: keys[i]! }));
  const setIds = Array.from({ length: sets }, (_, i) => `s${i}`);
  return {
    ...base,
    entries: Object.fromEntries(entries.map((entry) => [entry.id, entry])),
    venn: {
      ...base.venn,
      sets: Object.fromEntries(
        setIds.map((id, i) => [id, { id, name: setNames[i]!, order: setKeys[i]!, colour: null }]),
      ),
      members: Object.fromEntries(
        masks.flatMap((mask, i) => {
          const own = setIds.filter((_, k) => (mask >> k) & 1);
          return own.length > 0 ? [[`e${i}`, regionKey(own).split(',')]] : [];
        }),
      ),
      manner: { ...base.venn.manner, ...manner },
    },
  };
}

/** Names of 2 to 40 characters, of one or several words. */
export const itemName: fc.Arbitrary<string> = fc
  .array(fc.stringMatching(/^[A-Za-zÀ-ž]{1,11}$/), { minLength: 1, maxLength: 4 })
  .map((words) => words.join(' ').slice(0, 40).padEnd(2, 'o'));

export const venns = (least: number, most: number): fc.Arbitrary<Venn> =>
  fc
    .record({
      sets: fc.integer({ min: 2, max: 5 }),
      draws: fc.array(fc.nat({ max: 31 }), { minLength: least, maxLength: most }),
      names: fc.array(itemName, { minLength: most, maxLength: most }),
    })
    .map(({ sets, draws, names }) =>
      vennOf(
        sets,
        draws.map((draw) => draw % (1 << sets)),
        (i) => names[i]!,
      ),
    );

const entry = fc.nat({ max: 13 }).map((n) => `e${n}`);
const set = fc.nat({ max: 6 }).map((n) => `s${n}`);
const region = fc.uniqueArray(set, { maxLength: 3 }).map(regionKey);
const scope: fc.Arbitrary<Scope> = fc.oneof(
  fc.constant<Scope>({ kind: 'everything' }),
  fc.nat({ max: 4 }).map((tier): Scope => ({ kind: 'tier', tier })),
  region.map((one): Scope => ({ kind: 'region', region: one })),
  set.map((one): Scope => ({ kind: 'set', set: one })),
  entry.map((one): Scope => ({ kind: 'this', entry: one })),
);
const image = { id: '0123456789abcdef0123456789abcdef', width: 40, height: 30 };

/** What can be done to a Venn diagram, much of it to what is not there. */
export const vennCommands: fc.Arbitrary<Command> = fc.oneof(
  fc.record({ kind: fc.constant('setMembers' as const), entry, sets: fc.uniqueArray(set, { maxLength: 4 }) }),
  fc.record({ id: set, members: fc.uniqueArray(entry, { maxLength: 3 }) }).map(({ id, members }): Command => ({
    kind: 'putSet',
    set: { id, name: id, order: 'k', colour: null },
    members,
    regions: {},
  })),
  set.map((id): Command => ({ kind: 'dropSet', id })),
  fc.record({
    kind: fc.constant('changeSet' as const),
    id: set,
    patch: fc.record(
      {
        name: fc.string({ maxLength: 8 }),
        order: fc.constantFrom('A', 'm'),
        colour: fc.constantFrom(null, '#3366aa'),
        seeThrough: fc.constantFrom(null, 0, 40),
      },
      { requiredKeys: [] },
    ),
  }),
  fc.record({
    kind: fc.constant('setManner' as const),
    patch: fc.record(
      {
        shape: fc.constantFrom('equal' as const, 'scaled-circles' as const, 'scaled-ellipses' as const),
        content: fc.constantFrom('names' as const, 'counts' as const, 'blank' as const),
        frame: fc.boolean(),
        seeThrough: fc.constantFrom(null, 0, 70),
      },
      { requiredKeys: [] },
    ),
  }),
  fc.record({
    kind: fc.constant('titleRegion' as const),
    region,
    title: fc.option(fc.string({ minLength: 1, maxLength: 9 })),
  }),
  fc.record({
    kind: fc.constant('setStyle' as const),
    scope,
    property: fc.constantFrom('fill' as const, 'border' as const, 'text' as const),
    value: fc.constantFrom('#aabbcc', null),
  }),
  fc.record({ kind: fc.constant('setImage' as const), id: entry, image: fc.constantFrom(image, null) }),
  fc.uniqueArray(entry, { minLength: 1, maxLength: 3 }).map((ids): Command => ({ kind: 'removeEntries', ids })),
  fc.record({ kind: fc.constant('rename' as const), id: entry, name: fc.string({ maxLength: 9 }) }),
);
