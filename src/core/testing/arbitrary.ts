/** Generated diagrams and commands for property tests. */
import { enclosureCommands } from './arbitrary-enclosure';
import fc from 'fast-check';
import { type Command, createDiagram, type Scope } from '../diagram';
import type { OrgChart } from '../kinds/org-chart';
import { createEntry, evenKeys } from '../model';

const names = [
  'Ada Quill',
  'Bo Lin',
  'Ćwikła Żółw',
  'Óengus Mac an tSaoir',
  'Noor van der Veen',
  'Vacant',
  '',
  'Maëlle Adeyemi-Fox',
  'Ruta Jankauskaitė',
  'X',
];
const name = fc.oneof(fc.constantFrom(...names), fc.string({ maxLength: 20 }));

/** Parents by index: entry i belongs to an earlier one, or to nobody. */
export const parents = (most: number): fc.Arbitrary<number[]> =>
  fc
    .array(fc.nat({ max: 1_000_000 }), { maxLength: most })
    .map((draws) => draws.map((draw, i) => (i === 0 || draw % 9 === 0 ? -1 : draw % i)));

export function diagramFromParents(
  list: readonly number[],
  nameOf: (i: number) => string = (i) => `Person ${i}`,
): OrgChart {
  const keys = evenKeys(list.length);
  const entries = list.map((parent, i) =>
    createEntry({ id: `e${i}`, name: nameOf(i), parent: parent < 0 ? null : `e${parent}`, order: keys[i]! }),
  );
  return {
    ...createDiagram('org-chart', 'Generated'),
    entries: Object.fromEntries(entries.map((entry) => [entry.id, entry])),
  };
}

export const diagrams: fc.Arbitrary<OrgChart> = fc
  .record({
    list: parents(25),
    names: fc.array(name, { minLength: 25, maxLength: 25 }),
    roles: fc.array(fc.constantFrom(null, null, 'assistant', 'vacancy'), { minLength: 25, maxLength: 25 }),
  })
  .map(({ list, names: drawn, roles }) => {
    const diagram = diagramFromParents(list, (i) => drawn[i]!);
    const entries = Object.fromEntries(
      Object.values(diagram.entries).map((entry, i) => [
        entry.id,
        { ...entry, role: roles[i]!, details: i % 3 === 0 ? ['Warden', 'Reserve'] : [] },
      ]),
    );
    return { ...diagram, entries };
  });

/** Ids of entries that mostly exist. */
const id = fc.nat({ max: 27 }).map((n) => `e${n}`);
const scope: fc.Arbitrary<Scope> = fc.oneof(
  fc.constant<Scope>({ kind: 'everything' }),
  fc.integer({ min: 1, max: 5 }).map((tier): Scope => ({ kind: 'tier', tier })),
  fc.constantFrom('manager', 'vacancy').map((role): Scope => ({ kind: 'role', role })),
  fc.constantFrom('x', 'y').map((enclosure): Scope => ({ kind: 'enclosure', enclosure })),
  id.map((entry): Scope => ({ kind: 'branch', entry })),
  id.map((entry): Scope => ({ kind: 'this', entry })),
);
const order = fc.constantFrom('1', 'A', 'V', 'Vz', 'k', 'z5');

export const commands: fc.Arbitrary<Command> = fc.oneof(
  fc
    .array(fc.record({ id: fc.nat({ max: 99 }).map((n) => `n${n}`), name, parent: fc.option(id), order }), {
      minLength: 1,
      maxLength: 3,
    })
    .map((list): Command => ({
      kind: 'addEntries',
      entries: [...new Map(list.map((entry) => [entry.id, createEntry(entry)])).values()],
      links: [],
      branches: {},
      only: {},
    })),
  fc.array(id, { minLength: 1, maxLength: 4 }).map((ids): Command => ({ kind: 'removeEntries', ids })),
  fc.record({ kind: fc.constant('rename' as const), id, name }),
  fc.record({
    kind: fc.constant('setDetails' as const),
    id,
    details: fc.array(fc.string({ maxLength: 10 }), { maxLength: 3 }),
  }),
  fc.record({
    kind: fc.constant('setField' as const),
    id,
    field: fc.constantFrom('phone', 'room'),
    value: fc.option(fc.string({ maxLength: 8 })),
  }),
  fc.record({ kind: fc.constant('setRole' as const), id, role: fc.constantFrom(null, 'assistant', 'vacancy') }),
  fc.record({ kind: fc.constant('moveBranch' as const), id, parent: fc.option(id), order }),
  fc.record({ from: id, to: id, n: fc.nat({ max: 3 }) }).map(({ from, to, n }): Command => ({
    kind: 'addLink',
    link: { id: `l${n}`, from, to, kind: 'side', phrase: n === 1 ? 'safety' : '' },
    ...(n === 2 ? { style: { dash: 'dotted' as const } } : {}),
  })),
  fc
    .record({
      n: fc.nat({ max: 3 }),
      patch: fc.record({ from: id, to: id, phrase: fc.string({ maxLength: 8 }) }, { requiredKeys: [] }),
    })
    .map(({ n, patch }): Command => ({ kind: 'changeLink', id: `l${n}`, patch })),
  fc
    .record({
      scope: fc.oneof(
        fc.constant<Scope>({ kind: 'links' }),
        fc.constantFrom(null, 2, 3).map((tier): Scope => ({ kind: 'lines', tier })),
        fc.nat({ max: 3 }).map((n): Scope => ({ kind: 'link', link: `l${n}` })),
      ),
      what: fc.constantFrom<{
        property: Extract<Command, { kind: 'setStyle' }>['property'];
        value: string | number | null;
      }>(
        { property: 'dash', value: 'dotted' },
        { property: 'lineWidth', value: 3 },
        { property: 'dash', value: null },
        { property: 'fill', value: '#aabbcc' },
        { property: 'shape', value: 'star' },
        { property: 'nameFont', value: 'narrow' },
        { property: 'sign', value: 'band' },
      ),
    })
    .map(({ scope: one, what }): Command => ({ kind: 'setStyle', scope: one, ...what })),
  fc.nat({ max: 3 }).map((n): Command => ({ kind: 'removeLink', id: `l${n}` })),
  enclosureCommands(id),
  fc.record({ kind: fc.constant('setTitle' as const), title: fc.string({ maxLength: 20 }) }),
  fc.record({
    kind: fc.constant('setTitleBlock' as const),
    patch: fc.record({ title: fc.string({ maxLength: 9 }), shown: fc.boolean() }, { requiredKeys: [] }),
  }),
  fc.record({
    kind: fc.constant('setLegend' as const),
    patch: fc.record(
      { tiers: fc.constantFrom('open' as const, 'shown' as const, 'hidden' as const), roles: fc.boolean() },
      { requiredKeys: [] },
    ),
  }),
  scope.map((one): Command => ({ kind: 'setStyle', scope: one, property: 'fill', value: '#aabbcc' })),
  scope.map((one): Command => ({ kind: 'setStyle', scope: one, property: 'fill', value: null })),
  fc
    .record({
      hue: fc.constantFrom(null, 0, 217.5),
      colours: fc.constantFrom<string[]>([], ['#123456']),
      ground: fc.constantFrom(null, '#fff7e0'),
    })
    .map((palette): Command => ({ kind: 'setPalette', palette })),
  fc.record({
    kind: fc.constant('setTier' as const),
    tier: fc.integer({ min: 1, max: 5 }),
    patch: fc.record(
      {
        name: fc.option(fc.string({ maxLength: 9 })),
        gap: fc.option(fc.integer({ min: 8, max: 90 })),
        width: fc.constantFrom(null, 90),
      },
      { requiredKeys: [] },
    ),
  }),
  fc
    .record({ id, nudge: fc.option(fc.record({ x: fc.integer({ min: -40, max: 40 }), y: fc.constantFrom(0, 8) })) })
    .map(({ id: nudged, nudge }): Command => ({ kind: 'setNudge', id: nudged, nudge })),
  fc.constantFrom('ledger', 'heather').map((look): Command => ({ kind: 'setLook', look })),
  fc.record({
    kind: fc.constant('setArrangement' as const),
    patch: fc.record(
      { direction: fc.constantFrom('down' as const, 'right' as const), siblingGap: fc.integer({ min: 4, max: 60 }) },
      { requiredKeys: [] },
    ),
  }),
  fc.record({
    kind: fc.constant('setSheet' as const),
    patch: fc.record({ size: fc.constantFrom('A4' as const, 'A3' as const, 'drawing' as const) }, { requiredKeys: [] }),
  }),
  fc
    .nat({ max: 4 })
    .map((n): Command => ({ kind: 'putInTray', item: { id: `t${n}`, line: n, text: 'a line', reason: 'no name' } })),
  fc.nat({ max: 4 }).map((n): Command => ({ kind: 'takeFromTray', id: `t${n}` })),
);

/** The same entries in the opposite order among siblings. */
export function mirrored(diagram: OrgChart): OrgChart {
  const all = Object.values(diagram.entries);
  const keys = [...new Set(all.map((entry) => entry.order))].sort();
  const turned = new Map(keys.map((key, i) => [key, keys[keys.length - 1 - i]!]));
  return {
    ...diagram,
    entries: Object.fromEntries(all.map((entry) => [entry.id, { ...entry, order: turned.get(entry.order)! }])),
  };
}
