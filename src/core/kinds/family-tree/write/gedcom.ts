import { own } from '../../../model';
import { personOf, type FamilyTree, type Parentage, type Person, type Union } from '../model';
import { gedcomNodes, gedcomText, oneParentTag, rawText, type GedcomNode } from '../read/gedcom-lines';
import { idOfPointer, partnerTags, pointed, toldName } from '../read/gedcom-rest';
import { relatedStructure } from '../structure';
import { markedSurname } from './surname';

const pedigree: Partial<Record<Parentage['kind'], string>> = {
  adopted: 'adopted',
  foster: 'foster',
  step: 'step',
  donor: 'donor',
  unknown: 'other',
  household: 'household',
};
const sexes = { female: 'F', male: 'M', other: 'X' } as const;

/** The tree as GEDCOM 5.5.1 in UTF-8, with what came from another file and is not understood here in its place. O(characters). */
export function familyGedcom(diagram: FamilyTree): string {
  const { family } = diagram;
  const { outline, ids, relations } = relatedStructure(diagram);
  const rest = gedcomNodes(family.rest).nodes;
  const extras = new Map<Person | Union, readonly GedcomNode[]>(
    [...Object.values(family.people), ...Object.values(family.unions)].map((one) => [
      one,
      gedcomNodes(lowered(one.extra)).nodes,
    ]),
  );
  const numbers = numbered(
    Array.from(outline, (i) => ids[i]!),
    Object.keys(family.unions),
    [...rest, ...[...extras.values()].flat()],
  );
  const extraOf = (one: Person | Union): GedcomNode[] =>
    (extras.get(one) ?? []).map((node) => repointed(node, numbers));
  const { head, sender } = headOf(rest);
  const records = [head];
  for (const i of outline) {
    const id = ids[i]!;
    const person = personOf(diagram, id);
    const extra = extraOf(person);
    const [at, used] = [byPointer(extra), new Set<GedcomNode>()];
    const lines = [`0 ${numbers.get(id)!} INDI`, ...nameLines(own(diagram.entries, id)!.name, extra, used)];
    if (person.sex) lines.push(...withBelow(1, 'SEX', sexes[person.sex], extra, used));
    for (const [tag, date, place] of [
      ['BIRT', person.born, person.birthPlace],
      ['DEAT', person.died, person.deathPlace],
    ] as const)
      lines.push(
        ...eventLines(
          tag,
          [
            ['DATE', date, 80],
            ['PLAC', place, 200],
          ],
          extra,
          used,
        ),
      );
    for (const { union, kind, otherwise } of relations.parentsOf(id)) {
      const way = pedigree[kind];
      lines.push(`1 FAMC ${numbers.get(union.id)!}`, ...(way ? [`2 PEDI ${way}`] : []));
      // GEDCOM tells it of both parents alike; a tag of our own tells of one.
      if (otherwise && union.partners.includes(otherwise.parent))
        lines.push(
          `2 ${oneParentTag} ${numbers.get(otherwise.parent)!}`,
          `3 PEDI ${pedigree[otherwise.kind] ?? 'birth'}`,
        );
      lines.push(...below(at.get(`FAMC ${numbers.get(union.id)!}`), used, way ? ['PEDI'] : []));
    }
    for (const union of relations.unionsOf(id))
      lines.push(`1 FAMS ${numbers.get(union.id)!}`, ...below(at.get(`FAMS ${numbers.get(union.id)!}`), used));
    const details = own(diagram.entries, id)!.details.filter((detail) => detail.trim() !== '');
    if (details.length > 0) lines.push(...withBelow(1, 'NOTE', details.join('\n'), extra, used));
    records.push([...lines, ...others(extra, used)].join('\n'));
  }
  for (const union of Object.values(family.unions)) {
    const extra = extraOf(union);
    const [at, used] = [byPointer(extra), new Set<GedcomNode>()];
    const lines = [`0 ${numbers.get(union.id)!} FAM`];
    const pointers = union.partners.map((id) => numbers.get(id)!);
    const told = pointers.map((pointer) => at.get(`partner ${pointer}`)?.tag);
    const usual = partnerTags(union.partners.map((id) => personOf(diagram, id).sex));
    pointers.forEach((pointer, k) => {
      const tag = told.every(Boolean) ? told[k]! : usual[k]!;
      lines.push(`1 ${tag} ${pointer}`, ...below(at.get(`partner ${pointer}`), used));
    });
    for (const { id } of relations.childrenOf(union.id))
      lines.push(`1 CHIL ${numbers.get(id)!}`, ...below(at.get(`CHIL ${numbers.get(id)!}`), used));
    const isMarried = union.kind === 'married' || union.kind === 'parted';
    if (isMarried || union.from) lines.push(...eventLines('MARR', [['DATE', union.from, 80]], extra, used, isMarried));
    if (union.kind === 'parted') lines.push(...eventLines('DIV', [['DATE', union.to, 80]], extra, used, true));
    records.push([...lines, ...others(extra, used)].join('\n'));
  }
  records.push(
    ...rest.filter(({ tag }) => tag !== 'HEAD').map((node) => rawText(repointed(node, numbers), 0)),
    ...sender,
    '0 TRLR',
  );
  return `${records.join('\n')}\n`;
}

const isPartner = (tag: string): boolean => tag === 'HUSB' || tag === 'WIFE';

/** Pointers of persons and families by their ids: none that stands for something else in what was kept of a file. O(characters kept). */
function numbered(
  persons: readonly string[],
  unions: readonly string[],
  kept: readonly GedcomNode[],
): ReadonlyMap<string, string> {
  const taken = new Set<string>();
  const look = ({ pointer, value, children }: GedcomNode): void => {
    taken.add(pointer);
    const to = pointed(value);
    if (to !== null) taken.add(to);
    children.forEach(look);
  };
  kept.forEach(look);
  const numbers = new Map<string, string>();
  for (const [letter, ids] of [
    ['I', persons],
    ['F', unions],
  ] as const) {
    let next = 1;
    for (const id of ids) {
      while (taken.has(`${letter}${next}`)) next++;
      numbers.set(id, `@${letter}${next++}@`);
    }
  }
  return numbers;
}

/** A kept structure with the pointers of this file; what is no longer there is told as void (GEDCOM 7.0). */
function repointed(node: GedcomNode, numbers: ReadonlyMap<string, string>): GedcomNode {
  const id = idOfPointer(node.value);
  const children = node.children.map((child) => repointed(child, numbers));
  return { ...node, children, value: id === null ? node.value : (numbers.get(id) ?? '@VOID@') };
}

/** Kept lines begin on level 1; as a text of their own they begin on level 0. */
const lowered = (extra: string): string =>
  extra.replace(/^[ \t]*(\d+)/gm, (_, level: string) => String(Math.max(0, Number(level) - 1)));

const ours = [
  ...['0 HEAD', '1 SOUR DENDROTAX', '2 NAME Dendrotax'],
  ...['1 GEDC', '2 VERS 5.5.1', '2 FORM LINEAGE-LINKED', '1 CHAR UTF-8'],
];
/** What of a head is ours to tell; what was told there of the file that came stays under tags of our own. */
const ofHead = new Set(['SOUR', 'GEDC', 'CHAR', 'DEST', 'FILE']);

const usual: Readonly<Record<string, RegExp>> = { VERS: /^[\d.]+$/, FORM: /^lineage[-_ ]linked$/i };

/** Whether a structure of a head says nothing but what is told anew: what ours says, or a version and form of the file. */
function isToldAnew(node: GedcomNode): boolean {
  if (node.tag === 'CHAR') return node.children.length === 0;
  if (node.tag === 'GEDC')
    return (
      node.value === '' &&
      node.children.every((one) => one.children.length === 0 && own(usual, one.tag)?.test(one.value))
    );
  return rawText(node, 1) === ours.slice(1, 3).join('\n');
}

/** The head, and a record of who sends the file where there is none. */
function headOf(rest: readonly GedcomNode[]): { readonly head: string; readonly sender: readonly string[] } {
  const head = rest.find(({ tag }) => tag === 'HEAD');
  const told = head?.children.find(({ tag, children }) => tag === 'SUBM' && children.length === 0);
  const isThere = told && rest.some(({ pointer }) => pointer !== '' && pointer === pointed(told.value));
  const more = (head?.children ?? [])
    .filter(
      (node) => (node !== told || !(isThere || told.value === '@SUBM@')) && !(ofHead.has(node.tag) && isToldAnew(node)),
    )
    .map((node) => rawText({ ...node, tag: ofHead.has(node.tag) ? `_${node.tag}` : node.tag }, 1));
  const known = isThere || rest.some(({ pointer }) => pointer === 'SUBM');
  return {
    head: [...ours, `1 SUBM ${isThere ? told.value : '@SUBM@'}`, ...more].join('\n'),
    sender: known ? [] : ['0 @SUBM@ SUBM\n1 NAME Unknown'],
  };
}

const namePieces = ['NPFX', 'GIVN', 'NICK', 'SPFX', 'SURN', 'NSFX'];

/** The name as it came where it is still that name; else with its surname marked, and what was kept of it but for its pieces. */
function nameLines(name: string, extra: readonly GedcomNode[], used: Set<GedcomNode>): string[] {
  const came = extra.find(({ tag }) => tag === 'NAME');
  if (!came) return [gedcomText(1, 'NAME', markedSurname(name))];
  used.add(came);
  if (toldName(came) === name) return [rawText(came, 1)];
  const children = came.children.filter(({ tag }) => !namePieces.includes(tag));
  return [rawText({ ...came, value: markedSurname(name), children }, 1)];
}

/** A line with what was kept below such a line when its value was taken. */
function withBelow(
  level: number,
  tag: string,
  value: string,
  kept: readonly GedcomNode[],
  used: Set<GedcomNode>,
): string[] {
  const under = kept.find((one) => one.tag === tag && one.value === '' && one.children.length > 0 && !used.has(one));
  if (under) used.add(under);
  return [gedcomText(level, tag, value), ...(under?.children ?? []).map((one) => rawText(one, level + 1))];
}

/** Kept structures by their tag and the pointer that they are; the first of each. */
function byPointer(extra: readonly GedcomNode[]): ReadonlyMap<string, GedcomNode> {
  const found = new Map<string, GedcomNode>();
  for (const node of extra) {
    const key = `${isPartner(node.tag) ? 'partner' : node.tag} ${node.value}`;
    if (pointed(node.value) !== null && !found.has(key)) found.set(key, node);
  }
  return found;
}

/** What was kept below a pointer. */
function below(kept: GedcomNode | undefined, used: Set<GedcomNode>, without: readonly string[] = []): string[] {
  if (!kept) return [];
  used.add(kept);
  return kept.children
    .filter(({ tag, children }) => !without.includes(tag) || children.length > 0)
    .map((one) => rawText(one, 2));
}

/** An event with what is told of it, each with the longest that is told here, and what was kept of it. */
function eventLines(
  tag: string,
  told: readonly (readonly [tag: string, value: string, longest: number])[],
  extra: readonly GedcomNode[],
  used: Set<GedcomNode>,
  always = false,
): string[] {
  const kept = extra.find((one) => one.tag === tag);
  if (kept) used.add(kept);
  const known = told.filter(([, value]) => value !== '');
  if (known.length === 0 && !kept && !always) return [];
  const isWhole = ([one, value, longest]: (typeof told)[number]): boolean =>
    kept?.children.some(
      (child) => child.tag === one && child.value.length > longest && child.value.startsWith(value),
    ) ?? false;
  const lines = known
    .filter((one) => !isWhole(one))
    .flatMap(([one, value]) => withBelow(2, one, value, kept?.children ?? [], used));
  const yes = known.length === 0 && (!kept || kept.children.length === 0) ? 'Y' : '';
  return [gedcomText(1, tag, kept?.value || yes), ...lines, ...others(kept?.children ?? [], used, 2)];
}

const others = (nodes: readonly GedcomNode[], used: ReadonlySet<GedcomNode>, level = 1): string[] =>
  nodes.filter((node) => !used.has(node)).map((node) => rawText(node, level));
