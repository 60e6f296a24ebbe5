import { own } from '../../../model';
import { personOf, type FamilyTree, type Parentage } from '../model';
import { gedcomNodes, gedcomText, oneParentTag, rawText, type GedcomNode } from '../read/gedcom-lines';
import { relatedStructure } from '../structure';

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
  const { family, entries } = diagram;
  const { outline, ids, relations } = relatedStructure(diagram);
  const order = Array.from(outline, (i) => ids[i]!);
  const number = new Map(order.map((id, k) => [id, `I${k + 1}`]));
  const familyNumber = new Map(Object.keys(family.unions).map((id, k) => [id, `F${k + 1}`]));
  const rest = gedcomNodes(family.rest).nodes;
  const head = rest.find(({ tag }) => tag === 'HEAD');
  const records = [headOf(head)];
  for (const id of order) {
    const person = personOf(diagram, id);
    const entry = own(entries, id)!;
    const extra = gedcomNodes(lowered(person.extra)).nodes;
    const lines = [`0 @${number.get(id)!}@ INDI`, ...nameLines(entry.name, extra)];
    if (person.sex) lines.push(`1 SEX ${sexes[person.sex]}`);
    lines.push(
      ...eventLines(
        'BIRT',
        [
          ['DATE', person.born],
          ['PLAC', person.birthPlace],
        ],
        extra,
      ),
    );
    lines.push(
      ...eventLines(
        'DEAT',
        [
          ['DATE', person.died],
          ['PLAC', person.deathPlace],
        ],
        extra,
      ),
    );
    for (const { union, kind, otherwise } of relations.parentsOf(id)) {
      lines.push(`1 FAMC @${familyNumber.get(union.id)!}@`);
      if (pedigree[kind]) lines.push(`2 PEDI ${pedigree[kind]}`);
      // GEDCOM tells it of both parents alike; a tag of our own tells of one.
      if (otherwise && union.partners.includes(otherwise.parent))
        lines.push(
          `2 ${oneParentTag} @${number.get(otherwise.parent)!}@`,
          `3 PEDI ${pedigree[otherwise.kind] ?? 'birth'}`,
        );
    }
    for (const union of relations.unionsOf(id)) lines.push(`1 FAMS @${familyNumber.get(union.id)!}@`);
    const details = entry.details.filter((detail) => detail.trim() !== '');
    if (details.length > 0) lines.push(gedcomText(1, 'NOTE', details.join('\n')));
    lines.push(...others(extra, ['NAME', 'BIRT', 'DEAT']));
    records.push(lines.join('\n'));
  }
  for (const union of Object.values(family.unions)) {
    const extra = gedcomNodes(lowered(union.extra)).nodes;
    const lines = [`0 @${familyNumber.get(union.id)!}@ FAM`];
    union.partners.forEach((partner, k) => {
      const { sex } = personOf(diagram, partner);
      const wife = sex === 'female' || (sex !== 'male' && k === 1);
      // One of each where it can be, as older readers know no others.
      const tag =
        union.partners.length === 2
          ? tagOfFirst(diagram, union.partners) === 'WIFE'
            ? ['WIFE', 'HUSB'][k]!
            : ['HUSB', 'WIFE'][k]!
          : wife
            ? 'WIFE'
            : 'HUSB';
      lines.push(`1 ${tag} @${number.get(partner)!}@`);
    });
    for (const { id } of relations.childrenOf(union.id)) lines.push(`1 CHIL @${number.get(id)!}@`);
    if (union.kind === 'married' || union.kind === 'parted' || union.from)
      lines.push(
        ...eventLines('MARR', [['DATE', union.from]], extra, union.kind !== 'unknown' && union.kind !== 'partners'),
      );
    if (union.kind === 'parted') lines.push(...eventLines('DIV', [['DATE', union.to]], extra, true));
    lines.push(...others(extra, ['MARR', 'DIV']));
    records.push(lines.join('\n'));
  }
  records.push(
    ...rest.filter((node) => node.tag !== 'HEAD' && node.tag !== 'TRLR').map((node) => rawText(node, 0)),
    '0 TRLR',
  );
  return `${records.join('\n')}\n`;
}

const tagOfFirst = (diagram: FamilyTree, [a, b]: readonly string[]): 'HUSB' | 'WIFE' => {
  const [one, other] = [personOf(diagram, a!).sex, personOf(diagram, b!).sex];
  return one === 'female' || (one === null && other === 'male') ? 'WIFE' : 'HUSB';
};

/** Kept lines begin on level 1; as a text of their own they begin on level 0. */
const lowered = (extra: string): string =>
  extra.replace(/^[ \t]*(\d+)/gm, (_, level: string) => String(Math.max(0, Number(level) - 1)));

function headOf(head: GedcomNode | undefined): string {
  const ours = [
    '0 HEAD',
    '1 SOUR DENDROTAX',
    '2 NAME Dendrotax',
    '1 GEDC',
    '2 VERS 5.5.1',
    '2 FORM LINEAGE-LINKED',
    '1 CHAR UTF-8',
    '1 SUBM @SUBM@',
  ];
  const others_ = head ? others(head.children, ['SOUR', 'GEDC', 'CHAR', 'DEST', 'FILE', 'SUBM']) : [];
  return [...ours, ...others_, ...(head ? [] : ['0 @SUBM@ SUBM', '1 NAME Unknown'])].join('\n');
}

/** The name with its surname marked as it came, where it is still that name. */
function nameLines(name: string, extra: readonly GedcomNode[]): string[] {
  const known = extra.filter(({ tag }) => tag === 'NAME');
  const same = known.find(({ value }) => value.replaceAll('/', ' ').replace(/\s+/g, ' ').trim() === name);
  const more = known.filter((one) => one !== same).map((one) => rawText(one, 1));
  return [same ? rawText(same, 1) : gedcomText(1, 'NAME', name), ...more];
}

function eventLines(
  tag: string,
  told: readonly (readonly [tag: string, value: string])[],
  extra: readonly GedcomNode[],
  always = false,
): string[] {
  const kept = extra.find((one) => one.tag === tag);
  const known = told.filter(([, value]) => value !== '');
  if (known.length === 0 && !kept && !always) return [];
  return [
    gedcomText(1, tag, kept?.value ?? (known.length === 0 ? 'Y' : '')),
    ...known.map(([one, value]) => gedcomText(2, one, value)),
    ...(kept?.children ?? []).map((one) => rawText(one, 2)),
  ];
}

const others = (nodes: readonly GedcomNode[], understood: readonly string[]): string[] =>
  nodes.filter(({ tag }) => !understood.includes(tag)).map((node) => rawText(node, 1));
