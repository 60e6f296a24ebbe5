import { entryChanges, matchEntries } from '../../hierarchy';
import { changesTold, directions, listedStyles, trayChanges, type Kind } from '../../kind';
import { emptyCommon, own } from '../../model';
import { commonSigns, foldName, ListTokens, takenFrom } from '../../read';
import type { Scene } from '../../scene';
import { checkFamily } from './check';
import { familyColumns } from './columns';
import { applyFamily, familyBelongings, familyCommands, familyEdits, type FamilyCommand } from './commands';
import { figureFamily, type FamilyFigures } from './figures/figures';
import { addChild, addParent, addPartner, addSibling } from './gestures';
import {
  brokenFamily,
  emptyFamily,
  FamilyTree,
  noFacts,
  personOf,
  type FamilyManner,
  type Parentage,
  type Person,
  type Union,
} from './model';
import { splitPerson } from './read/outline';
import { readFamily } from './read/read';
import type { FamilyReading } from './read/result';
import { familyScene } from './scene/scene';
import { largerWay, readably } from './scene/turned';
import { familySet } from './scene/set';
import { familyStructure, withKin, withRelations, type FamilyListing } from './structure';
import { familyHeadings, familyRoleList, familyRoles } from './words';
import { familyGedcom } from './write/gedcom';
import { familyCsv } from './write/table';

/** From this many entries on, arranging takes longer than a frame. */
const longFrom = 80;

interface FamilyTypes {
  readonly diagram: FamilyTree;
  readonly listing: FamilyListing;
  readonly reading: FamilyReading;
  readonly scene: Scene;
  readonly figures: FamilyFigures;
  readonly command: FamilyCommand;
  readonly scope: never;
  readonly belongings: {
    readonly family?: {
      people: Record<string, Person>;
      unions: Record<string, Union>;
      parentage: Record<string, Parentage[]>;
      of: string | null;
    };
  };
}

const mannered = (patch: Partial<FamilyManner>): readonly FamilyCommand[] => [{ kind: 'setFamily', patch }];

/** Whether many couples are with somebody of three or more, and nobody has parents: such are rather what others have in common. */
function hasPartnersInCommon({ unions, parentage }: FamilyReading, nameOf: ReadonlyMap<string, string>): boolean {
  const keyOf = (id: string) => foldName(nameOf.get(id) ?? id);
  const times = new Map<string, number>();
  for (const { partners } of unions) for (const id of partners) times.set(keyOf(id), (times.get(keyOf(id)) ?? 0) + 1);
  const shared = unions.filter(({ partners }) => partners.some((id) => times.get(keyOf(id))! > 2)).length;
  return Object.keys(parentage).length === 0 && shared > unions.length * 0.3;
}

export const familyTree: Kind<FamilyTypes> = {
  id: 'family-tree',
  name: 'Family tree',
  nameInSentence: 'family tree',
  entryNoun: ['person', 'persons'],
  holds: 'Persons, their parents and partners',
  schemas: { diagram: FamilyTree, commands: familyCommands, scopes: [], belongings: familyBelongings },
  empty: (common) => ({
    kind: 'family-tree',
    ...common,
    sheet: { ...common.sheet, orientation: 'open' },
    arrangement: { ...common.arrangement, tiers: 'bands', lowest: 'row' },
    family: emptyFamily,
  }),
  broken: brokenFamily,
  edits: familyEdits,
  apply: applyFamily,
  partTyped: splitPerson,
  adds(diagram, where, at, newId) {
    const made = { id: newId(), union: newId() };
    const gesture =
      at === null || where === 'next'
        ? addSibling(diagram, at, made)
        : { under: addChild, above: addParent, beside: addPartner }[where](diagram, at, made);
    return gesture && { added: made.id, gesture };
  },

  headings: familyHeadings,
  columnUses: [
    { use: 'name', words: 'the name' },
    { use: 'born', words: 'when born' },
    { use: 'died', words: 'when died' },
    { use: 'father', words: 'the father, or a parent' },
    { use: 'mother', words: 'the mother, or the other parent' },
    { use: 'parents', words: 'both parents' },
    { use: 'partner', words: 'partners' },
    { use: 'married', words: 'when married' },
    { use: 'parentage', words: 'how they are a child' },
    { use: 'sex', words: 'the sex' },
    { use: 'birthPlace', words: 'where born' },
    { use: 'deathPlace', words: 'where died' },
    { use: 'id', words: 'an id' },
    { use: 'role', words: 'pet or guest' },
    { use: 'detail', words: 'a detail line' },
    { use: 'field', words: 'kept, not drawn' },
    { use: 'leftOut', words: 'left out' },
  ],
  columns: familyColumns,
  read: readFamily,
  told(read) {
    if (read.structure === 'gedcom') return 'A GEDCOM file tells persons and families.';
    if (read.structure === 'parent-columns') return 'Columns name parents and partners.';
    if (read.unions.length > 0) return 'Indents tell whose children they are, + and & who are partners.';
    return 'Nothing tells parents or partners yet.';
  },
  fits(read) {
    if (read.entries.length === 0) return null;
    const nameOf = new Map(read.entries.map(({ id, name }) => [id, name]));
    // "Food & stalls" is no couple: names of persons begin large, where a script has large letters.
    // Nor is one with several names in it.
    const isNamed = (id: string): boolean => !/^\p{Ll}|[;|]|,.*,|\s\/\s/u.test(nameOf.get(id) ?? '');
    const couples = read.unions.filter(({ partners }) => partners.length === 2 && partners.every(isNamed)).length;
    const dated = Object.keys(read.people).length / read.entries.length;
    const hasCouples = couples > 0 && !hasPartnersInCommon(read, nameOf);
    const related = hasCouples || read.structure !== 'indent';
    return {
      words: related
        ? `${read.unions.length} ${read.unions.length === 1 ? 'family' : 'families'}`
        : 'no partners are told',
      signs: {
        ...commonSigns(read),
        ...(read.structure === 'gedcom' && { odd: 0 }),
        couples: Number(couples > 0),
        'of couples': read.unions.length === 0 ? 0 : couples / read.unions.length,
        'in couples': Math.min(1, (2 * couples) / read.entries.length),
        'in common': Number(couples > 0 && !hasCouples),
        dated: Math.min(1, dated),
        children: Object.keys(read.parentage).length / read.entries.length,
      },
      because: familyTree.told(read),
      against: related ? '' : 'No line names two partners.',
    };
  },
  make(read, title) {
    const base = familyTree.empty(emptyCommon(title));
    const taken = takenFrom({ ...read, links: [] });
    const there = (id: string) => own(taken.entries, id) !== undefined;
    const unions = read.unions.filter(({ partners }) => partners.every(there));
    const known = new Set(unions.map(({ id }) => id));
    const parentage = Object.entries(read.parentage).flatMap(([child, links]): [string, Parentage[]][] => {
      const kept = links.filter(({ union }) => known.has(union));
      return there(child) && kept.length > 0 ? [[child, kept]] : [];
    });
    return readably({
      ...base,
      ...taken,
      family: {
        ...base.family,
        people: Object.fromEntries(Object.entries(read.people).filter(([id]) => there(id))),
        unions: Object.fromEntries(unions.map((union) => [union.id, union])),
        parentage: Object.fromEntries(parentage),
        rest: read.rest,
      },
    });
  },
  titleIn: () => '',
  reported: (read) => ({
    unions: read.unions.map(({ id, partners }) => ({
      id,
      partners,
      children: Object.entries(read.parentage).flatMap(([child, links]) => {
        const link = links.find(({ union }) => union === id);
        return link ? [{ id: child, parentage: link.kind }] : [];
      }),
    })),
  }),
  csv: familyCsv,
  text: familyCsv,
  writes: { ged: familyGedcom },
  says(diagram) {
    const name = (id: string) => own(diagram.entries, id)?.name ?? '';
    const { unions, parentage } = diagram.family;
    const couples = Object.values(unions).flatMap(({ partners: [a, b] }) =>
      a !== undefined && b !== undefined ? [{ from: name(a), phrase: 'is with', to: name(b) }] : [],
    );
    const children = Object.entries(parentage).flatMap(([child, links]) =>
      links.flatMap(({ union, kind }) =>
        (own(unions, union)?.partners ?? []).map((id) => ({
          from: name(id),
          phrase: kind === 'household' ? 'keeps' : 'is a parent of',
          to: name(child),
        })),
      ),
    );
    return [...couples, ...children];
  },
  lineTold:
    'One line a person, with columns for parents and partners by their numbers in the first column; cells parted by commas.',
  indents: false,
  update: (diagram, text, newId) =>
    changesTold(
      text,
      familyCsv(diagram),
      (now) => readFamily(new ListTokens(now, familyHeadings)),
      (read) => familyChanges(diagram, read, matchEntries(diagram, read.entries, newId), newId),
    ),

  options: [
    directions,
    {
      name: 'dates',
      choices: {
        years: mannered({ dates: 'years' }),
        full: mannered({ dates: 'full' }),
        none: mannered({ dates: 'none' }),
      },
    },
  ],
  roles: familyRoleList,
  settableRoles: ['pet', 'guest'],
  linkKinds: [],
  structure: familyStructure,
  ...listedStyles(familyRoles),
  takesLong: (diagram) => Object.keys(diagram.entries).length >= longFrom,
  scene: (diagram, structure, styles) => familyScene(diagram, withRelations(diagram, structure), styles),
  legend: ['tiers', 'roles', 'lines'],
  sheetOpen: true,
  set: (diagram, structure, styles, least) => familySet(diagram, withRelations(diagram, structure), styles, least),
  sheets: {},
  check: (diagram, structure, styles, scene) => checkFamily(diagram, withKin(diagram, structure), styles, scene),
  fix(diagram, _, { code }) {
    const larger = code === 'small-print' ? largerWay(diagram) : null;
    if (!larger) return null;
    const { direction, points } = larger;
    const way = direction === 'right' ? 'from left to right' : 'from the top down';
    return {
      words: `Draw it ${way}, at ${points.toFixed(1)} pt`,
      gesture: [{ kind: 'setArrangement', patch: { direction } }],
    };
  },
  figure: (diagram, structure) => figureFamily(diagram, withKin(diagram, structure)),
};

/** What makes a family what was read: persons first, then partnerships by their partners, then whose children they are. */
function familyChanges(
  diagram: FamilyTree,
  read: FamilyReading,
  idOf: ReadonlyMap<string, string>,
  newId: () => string,
): Kind<FamilyTypes>['update'] extends (...given: never) => { gesture: infer G } ? G : never {
  const { family } = diagram;
  const key = (partners: readonly string[]) => [...partners].sort().join(' ');
  const known = new Map(Object.values(family.unions).map((union) => [key(union.partners), union]));
  const unionOf = new Map<string, string>();
  const made: FamilyCommand[] = [];
  for (const union of read.unions) {
    const partners = union.partners.map((id) => idOf.get(id)!);
    const before = known.get(key(partners));
    unionOf.set(union.id, before?.id ?? newId());
    if (!before) made.push({ kind: 'putUnion', union: { ...union, id: unionOf.get(union.id)!, partners } });
  }
  const children: FamilyCommand[] = [];
  const facts: FamilyCommand[] = [];
  for (const entry of read.entries) {
    const id = idOf.get(entry.id)!;
    const before = own(family.parentage, id) ?? [];
    const now = (own(read.parentage, entry.id) ?? []).map(({ union, kind, otherwise }): Parentage => ({
      union: unionOf.get(union)!,
      kind,
      ...(otherwise && { otherwise: { ...otherwise, parent: idOf.get(otherwise.parent)! } }),
    }));
    // A table tells one partnership a child; further ones stay.
    const rest = before.slice(1).filter(({ union }) => !now.some((one) => one.union === union));
    const next = [...now, ...rest];
    if (JSON.stringify(before) !== JSON.stringify(next)) children.push({ kind: 'setParentage', child: id, of: next });
    const [was, is] = [personOf(diagram, id), own(read.people, entry.id) ?? noFacts];
    const patch = Object.fromEntries(
      (['born', 'died', 'birthPlace', 'deathPlace', 'sex'] as const)
        .filter((one) => was[one] !== is[one])
        .map((one) => [one, is[one]]),
    );
    if (Object.keys(patch).length > 0) facts.push({ kind: 'setPerson', id, patch });
  }
  const used = new Set(unionOf.values());
  const staying = new Set(idOf.values());
  const dropped = Object.values(family.unions)
    .filter(({ id, partners }) => !used.has(id) && partners.some((one) => staying.has(one)))
    .filter(
      ({ id }) =>
        !Object.entries(family.parentage).some(
          ([child, links]) => staying.has(child) && links.slice(1).some(({ union }) => union === id),
        ),
    )
    .map(({ id }): FamilyCommand => ({ kind: 'dropUnion', id }));
  const entries = entryChanges(diagram, read.entries, idOf);
  const removed = entries.filter(({ kind }) => kind === 'removeEntries');
  return [
    ...entries.filter(({ kind }) => kind !== 'removeEntries'),
    ...made,
    ...children,
    ...dropped,
    ...facts,
    ...removed,
    ...trayChanges(diagram, read, newId),
  ];
}
