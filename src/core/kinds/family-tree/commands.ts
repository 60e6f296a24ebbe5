import { z } from 'zod';
import {
  done,
  formerValues,
  plainEdits,
  refused,
  without,
  type KindEdits,
  type Outcome,
  type Workspace,
} from '../../edit';
import { Id, own } from '../../model';
import { FamilyManner, isUnknown, Parentage, Person, personOf, Union, type FamilyPart, type FamilyTree } from './model';

const Children = z.record(Id, z.array(Parentage).min(1).max(8));

/** What was known of persons, their partnerships and whose children they are, and of whom else that changes. */
export const familyBelongings = {
  family: z
    .strictObject({ people: z.record(Id, Person), unions: z.record(Id, Union), parentage: Children, of: Id.nullable() })
    .optional(),
};
interface Belongings {
  readonly people: Record<string, Person>;
  readonly unions: Record<string, Union>;
  readonly parentage: Record<string, Parentage[]>;
  readonly of: string | null;
}

/** Commands that only a family tree knows. */
export const familyCommands = [
  z.strictObject({ kind: z.literal('setPerson'), id: Id, patch: Person.partial() }),
  z.strictObject({ kind: z.literal('putUnion'), union: Union }),
  z.strictObject({ kind: z.literal('changeUnion'), id: Id, patch: Union.omit({ id: true }).partial() }),
  /** Only one that has no children. */
  z.strictObject({ kind: z.literal('dropUnion'), id: Id }),
  z.strictObject({ kind: z.literal('setParentage'), child: Id, of: z.array(Parentage).max(8) }),
  z.strictObject({ kind: z.literal('setFamily'), patch: FamilyManner.partial() }),
  z.strictObject({ kind: z.literal('setFamilyRest'), rest: z.string().max(2_000_000) }),
] as const;
export type FamilyCommand = z.infer<(typeof familyCommands)[number]>;
type CommandOf<K extends FamilyCommand['kind']> = Extract<FamilyCommand, { kind: K }>;

const gone = refused('The partnership is no longer there.');
const nobody = refused('Somebody of the partnership is no longer in the list.');
const with_ = (diagram: FamilyTree, patch: Partial<FamilyPart>): FamilyTree => ({
  ...diagram,
  family: { ...diagram.family, ...patch },
});

export function applyFamily(diagram: FamilyTree, command: FamilyCommand, work: Workspace): Outcome<FamilyTree> {
  const { family, entries } = diagram;
  switch (command.kind) {
    case 'setPerson': {
      if (!own(entries, command.id)) return refused('The person who was changed is no longer in the list.');
      const former = personOf(diagram, command.id);
      const next = { ...former, ...command.patch };
      const people = isUnknown(next) ? work.drop(family.people, command.id) : work.put(family.people, command.id, next);
      return done(with_(diagram, { people }), {
        ...command,
        patch: formerValues<Partial<Person>>(former, command.patch),
      });
    }
    case 'putUnion': {
      if (own(family.unions, command.union.id)) return refused('That partnership is there already.');
      const problem = brokenPartners(diagram, command.union.partners);
      if (problem) return problem;
      return done(with_(diagram, { unions: work.put(family.unions, command.union.id, command.union) }), {
        kind: 'dropUnion',
        id: command.union.id,
      } satisfies CommandOf<'dropUnion'>);
    }
    case 'changeUnion': {
      const union = own(family.unions, command.id);
      if (!union) return gone;
      const next = { ...union, ...command.patch };
      const problem = brokenPartners(diagram, next.partners);
      if (problem) return problem;
      return done(with_(diagram, { unions: work.put(family.unions, union.id, next) }), {
        ...command,
        patch: formerValues<typeof command.patch>(union, command.patch),
      });
    }
    case 'dropUnion': {
      const union = own(family.unions, command.id);
      if (!union) return gone;
      if (Object.values(family.parentage).some((links) => links.some((one) => one.union === union.id)))
        return refused('The partnership has children; say first whose they are.');
      return done(with_(diagram, { unions: work.drop(family.unions, union.id) }), {
        kind: 'putUnion',
        union,
      } satisfies CommandOf<'putUnion'>);
    }
    case 'setParentage': {
      if (!own(entries, command.child)) return refused('The child is no longer in the list.');
      if (command.of.some(({ union }) => !own(family.unions, union))) return gone;
      if (new Set(command.of.map(({ union }) => union)).size < command.of.length)
        return refused('A child belongs to a partnership once.');
      const parentage =
        command.of.length === 0
          ? work.drop(family.parentage, command.child)
          : work.put(family.parentage, command.child, command.of);
      return done(with_(diagram, { parentage }), { ...command, of: own(family.parentage, command.child) ?? [] });
    }
    case 'setFamily': {
      const next = { ...family.manner, ...command.patch };
      if (next.of !== null && !own(entries, next.of)) return refused('The person chosen is no longer in the list.');
      return done(with_(diagram, { manner: next }), { ...command, patch: formerValues(family.manner, command.patch) });
    }
    case 'setFamilyRest':
      return done(with_(diagram, { rest: command.rest }), { ...command, rest: family.rest });
  }
}

function brokenPartners({ entries }: FamilyTree, partners: readonly string[]) {
  if (partners.some((id) => !own(entries, id))) return nobody;
  return new Set(partners).size < partners.length ? refused('A partnership needs two different persons.') : null;
}

/** The family without some persons: partnerships that have nobody left go, and with them whose children others were. */
function without_(family: FamilyPart, going: ReadonlySet<string>): { rest: FamilyPart; taken: Belongings } {
  const taken: Belongings = { people: {}, unions: {}, parentage: {}, of: null };
  const unions: Record<string, Union> = {};
  const dropped = new Set<string>();
  for (const [id, union] of Object.entries(family.unions)) {
    const left = union.partners.filter((partner) => !going.has(partner));
    if (left.length < union.partners.length) taken.unions[id] = union;
    if (left.length === 0) dropped.add(id);
    else unions[id] = left.length < union.partners.length ? { ...union, partners: left } : union;
  }
  const parentage: Record<string, Parentage[]> = {};
  for (const [child, links] of Object.entries(family.parentage)) {
    const left = going.has(child) ? [] : links.filter(({ union }) => !dropped.has(union));
    if (left.length < links.length) taken.parentage[child] = links;
    if (left.length > 0) parentage[child] = left.length < links.length ? left : links;
  }
  for (const id of going) {
    const person = own(family.people, id);
    if (person) taken.people[id] = person;
  }
  const lost = family.manner.of !== null && going.has(family.manner.of);
  return {
    rest: {
      ...family,
      people: without(family.people, going),
      unions,
      parentage,
      manner: lost ? { ...family.manner, of: null } : family.manner,
    },
    taken: { ...taken, of: lost ? family.manner.of : null },
  };
}

const touches = (family: FamilyPart, going: ReadonlySet<string>): boolean =>
  (family.manner.of !== null && going.has(family.manner.of)) ||
  [...going].some((id) => own(family.people, id) ?? own(family.parentage, id)) ||
  Object.values(family.unions).some(({ partners }) => partners.some((partner) => going.has(partner)));

export const familyEdits: KindEdits<FamilyTree> = {
  ...plainEdits<FamilyTree>(),
  ownKeys: Object.keys(familyBelongings),
  noneUnderAnother: 'In a family tree nobody stands under another; say whose child somebody is.',
  takeOut(diagram, going) {
    if (!touches(diagram.family, going)) return { rest: diagram, own: {} };
    const { rest, taken } = without_(diagram.family, going);
    return { rest: { ...diagram, family: rest }, own: { family: taken } };
  },
  putBack(diagram, command, adding) {
    const brought = (command as { family?: Belongings }).family;
    if (!brought) return { ok: true, diagram };
    const { family } = diagram;
    const next: FamilyPart = {
      ...family,
      people: { ...family.people, ...brought.people },
      unions: { ...family.unions, ...brought.unions },
      parentage: { ...family.parentage, ...brought.parentage },
      manner: brought.of === null ? family.manner : { ...family.manner, of: brought.of },
    };
    // What comes back must be just what would go with the new persons, so that nothing else is overwritten.
    const there = (id: string) => adding.has(id) || own(diagram.entries, id) !== undefined;
    const sound =
      Object.keys(brought.people).every((id) => adding.has(id) && !isUnknown(own(brought.people, id)!)) &&
      Object.entries(brought.unions).every(
        ([id, union]) =>
          union.id === id && union.partners.every(there) && new Set(union.partners).size === union.partners.length,
      ) &&
      Object.entries(brought.parentage).every(
        ([child, links]) =>
          there(child) &&
          links.every(({ union }) => own(next.unions, union)) &&
          new Set(links.map(({ union }) => union)).size === links.length,
      ) &&
      isSame(without_(next, adding).rest, family);
    if (!sound) return refused('The family has changed meanwhile, so that the new persons have no such place in it.');
    return { ok: true, diagram: { ...diagram, family: next } };
  },
};

const isSame = (a: FamilyPart, b: FamilyPart): boolean => canonical(a) === canonical(b);
const canonical = ({ people, unions, parentage, manner }: FamilyPart): string =>
  JSON.stringify(
    [people, unions, parentage].map((record) => Object.entries(record).sort(([a], [b]) => (a < b ? -1 : 1))),
  ) + manner.of;
