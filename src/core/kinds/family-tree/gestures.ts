import type { CommonCommand } from '../../edit';
import { addNext } from '../../hierarchy';
import { own } from '../../model';
import { foldName } from '../../read';
import type { FamilyCommand } from './commands';
import type { FamilyTree, Parentage, Union } from './model';
import { keptLink, relationsOf } from './relations';

type Told = readonly (CommonCommand | FamilyCommand)[] | null;
/** Who is added: the first id is the person's, the second that of a partnership where one is needed. */
export interface Made {
  readonly id: string;
  readonly union: string;
}

const union = (id: string, partners: string[]): FamilyCommand => ({
  kind: 'putUnion',
  union: { id, partners, kind: 'unknown', from: '', to: '', extra: '' },
});

export function addPartner(diagram: FamilyTree, to: string, made: Made): Told {
  if (!own(diagram.entries, to)) return null;
  const added = addNext(diagram, to, { id: made.id });
  // A single parent becomes a couple, with the children that are there.
  const single = relationsOf(diagram)
    .unionsOf(to)
    .find(({ partners }) => partners.length === 1);
  const tie: FamilyCommand = single
    ? { kind: 'changeUnion', id: single.id, patch: { partners: [to, made.id] } }
    : union(made.union, [to, made.id]);
  return [...added, tie];
}

/** A child of the last partnership of somebody, or of the one that is named. */
export function addChild(diagram: FamilyTree, to: string, made: Made, of: string | null = null): Told {
  if (!own(diagram.entries, to)) return null;
  const relations = relationsOf(diagram);
  const found = relations.unionsOf(to).find(({ id }) => id === of) ?? relations.unionsOf(to).at(-1);
  const last = found ? relations.childrenOf(found.id).at(-1)?.id : undefined;
  const added = addNext(diagram, last ?? to, { id: made.id });
  return [
    ...added,
    ...(found ? [] : [union(made.union, [to])]),
    { kind: 'setParentage', child: made.id, of: [{ union: found?.id ?? made.union, kind: 'birth' }] },
  ];
}

/** A parent: the first, or the second beside the one who is known. Null where both are. */
export function addParent(diagram: FamilyTree, to: string, made: Made): Told {
  const entry = own(diagram.entries, to);
  if (!entry) return null;
  const known = relationsOf(diagram).parentsOf(to)[0];
  const added = addNext(diagram, known?.union.partners[0] ?? null, { id: made.id });
  if (known && known.union.partners.length > 1) return null;
  if (known)
    return [
      ...added,
      { kind: 'changeUnion', id: known.union.id, patch: { partners: [...known.union.partners, made.id] } },
    ];
  return [
    ...added,
    union(made.union, [made.id]),
    { kind: 'setParentage', child: to, of: [{ union: made.union, kind: 'birth' }] },
  ];
}

/** A sibling, a child of the same parents; somebody on their own where they are not known. */
export function addSibling(diagram: FamilyTree, to: string | null, made: Made): Told {
  const added = addNext(diagram, to, { id: made.id });
  const known = to === null ? undefined : relationsOf(diagram).parentsOf(to)[0];
  return [
    ...added,
    ...(known
      ? [{ kind: 'setParentage' as const, child: made.id, of: [{ union: known.union.id, kind: 'birth' as const }] }]
      : []),
  ];
}

/** Makes somebody a pet or guest, who belongs to the household of whom they were a child of, or a person of the family again. */
export function roleGiven(
  { family }: FamilyTree,
  id: string,
  role: string | null,
): readonly (CommonCommand | FamilyCommand)[] {
  const links = own(family.parentage, id) ?? [];
  const of = links.map(({ union: one, kind }): Parentage => ({
    union: one,
    kind:
      role !== null
        ? kind === 'birth' || kind === 'unknown'
          ? 'household'
          : kind
        : kind === 'household'
          ? 'birth'
          : kind,
  }));
  const moved = links.some(({ kind }, k) => kind !== of[k]!.kind);
  return [{ kind: 'setRole', id, role }, ...(moved ? [{ kind: 'setParentage' as const, child: id, of }] : [])];
}

type Written =
  | { readonly ok: true; readonly gesture: readonly (CommonCommand | FamilyCommand)[] }
  | { readonly ok: false; readonly reason: string };

/** Persons by the names in a cell, parted by ; & or +. */
function named(diagram: FamilyTree, typed: string): { ids: string[] } | { reason: string } {
  const ids: string[] = [];
  for (const name of typed
    .split(/[;&+]/)
    .map((one) => one.trim())
    .filter(Boolean)) {
    const found = Object.values(diagram.entries).filter((entry) => foldName(entry.name) === foldName(name));
    if (found.length === 0) return { reason: `Nobody in the list is called “${name}”.` };
    if (found.length > 1)
      return { reason: `${found.length} persons are called “${name}”; tell them apart by their names first.` };
    ids.push(found[0]!.id);
  }
  return { ids };
}

/** The gesture that makes the persons named the parents of somebody. `newId`: of a partnership that is not there yet. */
export function parentsWritten(diagram: FamilyTree, child: string, typed: string, newId: () => string): Written {
  const told = named(diagram, typed);
  if ('reason' in told) return { ok: false, reason: told.reason };
  const relations = relationsOf(diagram);
  const rest = relations.parentsOf(child).slice(1).map(keptLink);
  if (told.ids.length === 0) return { ok: true, gesture: [{ kind: 'setParentage', child, of: rest }] };
  if (told.ids.length > 2)
    return {
      ok: false,
      reason: 'A child has two parents here at most; further ones are told on the drawing’s own panel.',
    };
  if (told.ids.includes(child)) return { ok: false, reason: 'Nobody is their own parent.' };
  const found = sameUnion(diagram, told.ids);
  const id = found?.id ?? newId();
  const { kind = 'birth', otherwise } = relations.parentsOf(child)[0] ?? {};
  const link: Parentage = { union: id, kind, ...(otherwise && told.ids.includes(otherwise.parent) && { otherwise }) };
  return {
    ok: true,
    gesture: [
      ...(found ? [] : [union(id, told.ids)]),
      { kind: 'setParentage', child, of: [link, ...rest.filter((one) => one.union !== id)] },
    ],
  };
}

/** The gesture that makes the persons named the partners of somebody; partnerships with children stay. */
export function partnersWritten(diagram: FamilyTree, of: string, typed: string, newId: () => string): Written {
  const told = named(diagram, typed);
  if ('reason' in told) return { ok: false, reason: told.reason };
  if (told.ids.includes(of)) return { ok: false, reason: 'Nobody is their own partner.' };
  const relations = relationsOf(diagram);
  const pairs = relations.unionsOf(of).filter(({ partners }) => partners.length === 2);
  const gone = pairs.filter(({ partners }) => !told.ids.some((id) => partners.includes(id)));
  const kept = gone.find(({ id }) => relations.childrenOf(id).length > 0);
  if (kept)
    return { ok: false, reason: 'A partner with whom there are children stays; say first whose children they are.' };
  const added = told.ids.filter((id) => !pairs.some(({ partners }) => partners.includes(id)));
  return {
    ok: true,
    gesture: [
      ...gone.map(({ id }): FamilyCommand => ({ kind: 'dropUnion', id })),
      ...added.map((id) => union(newId(), [of, id])),
    ],
  };
}

const sameUnion = ({ family }: FamilyTree, ids: readonly string[]): Union | undefined =>
  Object.values(family.unions).find(
    ({ partners }) => partners.length === ids.length && ids.every((id) => partners.includes(id)),
  );
