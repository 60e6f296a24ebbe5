/** Generated words, names and commands that reach the odd corners: what every object inherits, what looks like a sign, what cannot be kept. */
import fc from 'fast-check';
import type { Command, Diagram, Scope } from '../diagram';
import { createEntry, type Link } from '../model';
import { vennOf } from './arbitrary-venn';
import { diagramFromParents } from './arbitrary';
import { hostileName } from './hostile-names';
import { decisionFrom } from './arbitrary-decision';
import { familyOf } from './arbitrary-family';

/** Ids that every object answers to, and some plain ones. */
const oddIds = ['constructor', 'valueOf', 'toString', 'hasOwnProperty', 'isPrototypeOf', '__proto__', '', 'a b', 'ü'];
const entryId = fc.oneof(
  { weight: 3, arbitrary: fc.nat({ max: 9 }).map((n) => `e${n}`) },
  { weight: 1, arbitrary: fc.constantFrom(...oddIds) },
);
const setId = fc.oneof(
  fc.nat({ max: 4 }).map((n) => `s${n}`),
  fc.constantFrom(...oddIds),
);
const linkId = fc.oneof(
  fc.nat({ max: 3 }).map((n) => `l${n}`),
  fc.constantFrom(...oddIds),
);

const factsOf = {
  label: fc.constantFrom('', 'Yes', 'constructor'),
  probability: fc.constantFrom(null, 0.3, -1),
  cost: fc.constantFrom(null, 400),
  payoff: fc.constantFrom(null, -18000, 0),
};
const branchFacts = fc.record(factsOf);

const unionId = fc.oneof(
  fc.nat({ max: 3 }).map((n) => `u${n}`),
  fc.constantFrom('constructor', '__proto__', 'x y'),
);
const parentage = fc.array(
  fc.record({ union: unionId, kind: fc.constantFrom('birth' as const, 'adopted' as const, 'step' as const) }),
  { minLength: 1, maxLength: 3 },
);
const union = fc.record({
  id: unionId,
  partners: fc.array(entryId, { minLength: 1, maxLength: 2 }),
  kind: fc.constantFrom('married' as const, 'unknown' as const),
  from: fc.constantFrom('', '1900'),
  to: fc.constant(''),
  extra: fc.constant(''),
});
const personFacts = {
  born: fc.constantFrom('', '1900', 'about 1850'),
  died: fc.constantFrom('', '1980'),
  birthPlace: fc.constant(''),
  deathPlace: fc.constantFrom('', 'Quay'),
  sex: fc.constantFrom(null, 'female' as const),
  extra: fc.constant(''),
};
const familyBelongings = fc.record({
  people: fc.dictionary(entryId, fc.record(personFacts), { maxKeys: 1 }),
  unions: fc.dictionary(unionId, union, { maxKeys: 1 }),
  parentage: fc.dictionary(entryId, parentage, { maxKeys: 1 }),
  of: fc.option(entryId),
});
const familyCommands: fc.Arbitrary<Command> = fc.oneof(
  fc
    .record({ id: entryId, patch: fc.record(personFacts, { requiredKeys: [] }) })
    .map((one): Command => ({ kind: 'setPerson', ...one })),
  union.map((one): Command => ({ kind: 'putUnion', union: one })),
  unionId.map((id): Command => ({ kind: 'dropUnion', id })),
  fc
    .record({ id: unionId, partners: fc.array(entryId, { minLength: 1, maxLength: 2 }) })
    .map(({ id, partners }): Command => ({ kind: 'changeUnion', id, patch: { partners } })),
  fc
    .record({ child: entryId, of: fc.option(parentage) })
    .map(({ child, of }): Command => ({ kind: 'setParentage', child, of: of ?? [] })),
  fc.record({ of: fc.option(entryId) }).map((patch): Command => ({ kind: 'setFamily', patch })),
);

/** An org chart whose names, details, fields and side links are hostile. */
export const hostileCharts: fc.Arbitrary<Diagram> = fc
  .record({
    parents: fc.array(fc.nat({ max: 1000 }), { minLength: 1, maxLength: 10 }),
    names: fc.array(hostileName, { minLength: 10, maxLength: 10 }),
    details: fc.array(fc.array(hostileName, { maxLength: 3 }), { minLength: 10, maxLength: 10 }),
    roles: fc.array(fc.constantFrom(null, null, 'assistant', 'vacancy'), { minLength: 10, maxLength: 10 }),
    fields: fc.array(
      fc.option(fc.tuple(fc.constantFrom('Room', 'Name', 'constructor', 'Id', 'Detail 9', ' x '), hostileName)),
      {
        minLength: 10,
        maxLength: 10,
      },
    ),
    phrases: fc.array(fc.oneof(fc.constant(''), hostileName), { minLength: 3, maxLength: 3 }),
    tray: fc.array(
      hostileName.filter((text) => text.trim() === text && text !== '' && !/[\r\n]/.test(text)),
      { maxLength: 2 },
    ),
    links: fc.uniqueArray(fc.tuple(fc.nat({ max: 9 }), fc.nat({ max: 9 })), {
      maxLength: 3,
      selector: ([a, b]) => `${a}-${b}`,
    }),
  })
  .map(({ parents, names, details, roles, fields, links, phrases, tray }) => {
    const list = parents.map((draw, i) => (i === 0 || draw % 5 === 0 ? -1 : draw % i));
    const chart = diagramFromParents(list, (i) => names[i]!);
    const n = list.length;
    return {
      ...chart,
      entries: Object.fromEntries(
        Object.values(chart.entries).map((entry, i) => [
          entry.id,
          {
            ...entry,
            details: details[i]!,
            role: roles[i]!,
            fields: fields[i] && fields[i][1] !== '' ? { [fields[i][0]]: fields[i][1] } : {},
          },
        ]),
      ),
      links: Object.fromEntries(
        links
          .filter(([a, b]) => a < n && b < n && a !== b)
          .map(([a, b], i): [string, Link] => [
            `l${i}`,
            { id: `l${i}`, from: `e${a}`, to: `e${b}`, kind: 'side', phrase: phrases[i]! },
          ]),
      ),
      notPlaced: tray.map((text, i) => ({ id: `t${i}`, line: i + 1, text, reason: 'No place' })),
    };
  });

const name = hostileName;
const order = fc.constantFrom('1', 'A', 'V', 'Vz', 'k', 'z5');
const link: fc.Arbitrary<Link> = fc.record({
  id: linkId,
  from: entryId,
  to: entryId,
  kind: fc.constant('side' as const),
  phrase: fc.oneof(fc.constant(''), hostileName),
});
const region = fc.uniqueArray(setId, { maxLength: 3 }).map((ids) => ids.sort().join(','));
const scope: fc.Arbitrary<Scope> = fc.oneof(
  fc.constant<Scope>({ kind: 'everything' }),
  fc.nat({ max: 4 }).map((tier): Scope => ({ kind: 'tier', tier })),
  fc.constantFrom('vacancy', 'constructor').map((role): Scope => ({ kind: 'role', role })),
  entryId.map((entry): Scope => ({ kind: 'branch', entry })),
  entryId.map((entry): Scope => ({ kind: 'this', entry })),
  region.map((one): Scope => ({ kind: 'region', region: one })),
  setId.map((set): Scope => ({ kind: 'set', set })),
);
const styled = fc.dictionary(entryId, fc.constant({ fill: '#112233' }), { maxKeys: 2 });

/** Every command there is, much of it at what is not there or is only inherited. Not checked by the schema. */
export const hostileCommands: fc.Arbitrary<Command> = fc.oneof(
  familyCommands,
  fc
    .record({ id: entryId, patch: fc.record(factsOf, { requiredKeys: [] }) })
    .map(({ id, patch }): Command => ({ kind: 'setFacts', id, patch })),
  fc.constantFrom<Command>(
    { kind: 'setDecision', patch: { manner: 'analysis', unit: '£' } },
    { kind: 'setDecision', patch: { aim: 'least', decimals: 2 } },
    { kind: 'setDecision', patch: {} },
  ),
  fc
    .record({ id: entryId, nudge: fc.constantFrom(null, { x: 4, y: 0 }, { x: 0, y: 0 }) })
    .map((nudged): Command => ({ kind: 'setNudge', ...nudged })),
  fc
    .record({
      entries: fc.array(fc.record({ id: entryId, name, parent: fc.option(entryId), order }), {
        minLength: 1,
        maxLength: 3,
      }),
      links: fc.array(link, { maxLength: 2 }),
      branches: styled,
      only: styled,
      family: fc.option(familyBelongings, { nil: undefined }),
      facts: fc.option(fc.dictionary(entryId, branchFacts, { maxKeys: 2 }), { nil: undefined }),
      nudges: fc.option(fc.dictionary(entryId, fc.constant({ x: 4, y: -4 }), { maxKeys: 2 }), { nil: undefined }),
      members: fc.option(fc.dictionary(entryId, fc.array(setId, { minLength: 1, maxLength: 3 }), { maxKeys: 2 }), {
        nil: undefined,
      }),
    })
    .map(({ entries, ...rest }): Command => ({ kind: 'addEntries', entries: entries.map(createEntry), ...rest })),
  fc.array(entryId, { minLength: 1, maxLength: 4 }).map((ids): Command => ({ kind: 'removeEntries', ids })),
  fc.record({ kind: fc.constant('rename' as const), id: entryId, name }),
  fc.record({ kind: fc.constant('setDetails' as const), id: entryId, details: fc.array(name, { maxLength: 3 }) }),
  fc.record({
    kind: fc.constant('setField' as const),
    id: entryId,
    field: fc.constantFrom('room', 'constructor', 'valueOf'),
    value: fc.option(name),
  }),
  fc.record({
    kind: fc.constant('setRole' as const),
    id: entryId,
    role: fc.constantFrom(null, 'vacancy', 'constructor'),
  }),
  fc.record({
    kind: fc.constant('setImage' as const),
    id: entryId,
    image: fc.constantFrom(null, { id: '0'.repeat(32), width: 3, height: 4 }),
  }),
  fc.record({ kind: fc.constant('moveBranch' as const), id: entryId, parent: fc.option(entryId), order }),
  fc
    .array(fc.record({ id: entryId, parent: fc.option(entryId), order }), { minLength: 1, maxLength: 5 })
    .map((moves): Command => ({ kind: 'moveEntries', moves })),
  link.map((one): Command => ({ kind: 'addLink', link: one })),
  linkId.map((id): Command => ({ kind: 'removeLink', id })),
  fc.record({
    kind: fc.constant('setStyle' as const),
    scope,
    property: fc.constantFrom('fill' as const, 'text' as const),
    value: fc.constantFrom('#aabbcc', null),
  }),
  fc.record({
    kind: fc.constant('setTier' as const),
    tier: fc.integer({ min: 1, max: 4 }),
    patch: fc.constantFrom({ name: 'T' }, { gap: 30 }, { name: null }),
  }),
  fc
    .constantFrom('t1', 'constructor')
    .map((id): Command => ({ kind: 'putInTray', item: { id, line: 1, text: 'a line', reason: 'none' } })),
  fc.constantFrom('t1', 'constructor').map((id): Command => ({ kind: 'takeFromTray', id })),
  fc
    .record({
      id: setId,
      members: fc.array(entryId, { maxLength: 3 }),
      regions: fc.dictionary(region, fc.constant({ title: 'R', style: {} }), { maxKeys: 2 }),
    })
    .map(({ id, members, regions }): Command => ({
      kind: 'putSet',
      set: { id, name: id, order: 'k', colour: null },
      members,
      regions,
    })),
  setId.map((id): Command => ({ kind: 'dropSet', id })),
  fc.record({
    kind: fc.constant('changeSet' as const),
    id: setId,
    patch: fc.constantFrom({ name: 'N' }, { colour: '#3366aa' }, { order: 'm' }),
  }),
  fc.record({ kind: fc.constant('setMembers' as const), entry: entryId, sets: fc.array(setId, { maxLength: 4 }) }),
  fc.record({ kind: fc.constant('titleRegion' as const), region, title: fc.option(fc.constant('Region')) }),
);

/** A small diagram of either kind, some entries of which have ids that every object inherits. */
export const oddDiagrams: fc.Arbitrary<Diagram> = fc
  .record({
    kind: fc.constantFrom('venn', 'decision-tree', 'topic-tree', 'family-tree', 'org-chart'),
    draws: fc.array(fc.nat({ max: 1000 }), { maxLength: 8 }),
    odd: fc.boolean(),
  })
  .map(({ kind, draws, odd }) => {
    const tree = diagramFromParents(draws.map((draw, i) => (i === 0 ? -1 : draw % i)));
    const plain: Diagram =
      kind === 'venn'
        ? vennOf(
            3,
            draws.map((draw) => draw % 8),
          )
        : kind === 'decision-tree'
          ? decisionFrom(tree, draws)
          : kind === 'family-tree'
            ? familyOf(draws)
            : kind === 'topic-tree'
              ? { ...tree, kind: 'topic-tree' }
              : tree;
    if (!odd) return plain;
    const extra = createEntry({ id: 'constructor', name: 'Odd', order: 'z' });
    return { ...plain, entries: { ...plain.entries, constructor: extra } };
  });
