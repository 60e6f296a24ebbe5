import { finding, own, type Finding } from '../../../model';
import { nothingRead, withinLimits, type ReadEntry } from '../../../read';
import { isUnknown, noFacts, type Parentage, type Person, type Union } from '../model';
import { gedcomNodes, oneParentTag, rawText, type GedcomNode } from './gedcom-lines';
import { FamilyMaker, type FamilyReading } from './result';

const kindsOfParentage: Readonly<Record<string, Parentage['kind']>> = {
  birth: 'birth',
  adopted: 'adopted',
  foster: 'foster',
  step: 'step',
  donor: 'donor',
  other: 'unknown',
  household: 'household',
};

/** What of a person's record is understood here; all else is kept as it came. */
const ofPerson = new Set(['NAME', 'SEX', 'BIRT', 'DEAT', 'FAMS', 'FAMC', 'NOTE']);
const ofFamily = new Set(['HUSB', 'WIFE', 'CHIL', 'MARR', 'DIV']);

const first = (node: GedcomNode, tag: string): GedcomNode | undefined => node.children.find((one) => one.tag === tag);
const valueOf = (node: GedcomNode | undefined, tag: string): string => (node ? (first(node, tag)?.value ?? '') : '');
const pointed = (value: string): string | null => /^@([^@]+)@$/.exec(value.trim())?.[1] ?? null;

/** "Ada /Quill/ Jr" to "Ada Quill Jr". */
const plainName = (value: string): string => value.replaceAll('/', ' ').replace(/\s+/g, ' ').trim();

/** A GEDCOM file, 5.5.1 or 7.0. Faults are told with their line; what is not understood is kept and written back. O(characters). */
export function readGedcom(text: string): FamilyReading {
  const { nodes, faults } = gedcomNodes(text);
  const findings: Finding[] = faults
    .slice(0, mostFaults)
    .map(({ line, message }) => finding('gedcom-line', 'warning', message, { line }));
  if (faults.length > mostFaults)
    findings.push(finding('gedcom-line', 'warning', `${faults.length - mostFaults} more lines are no GEDCOM lines.`));
  const maker = new FamilyMaker();
  const entries: ReadEntry[] = [];
  const rest: string[] = [];
  const ids = new Map<string, string>();
  const spouses = new Map<string, string[]>();
  const persons = nodes.filter(({ tag }) => tag === 'INDI');
  persons.forEach((node, k) => {
    const id = `p${k + 1}`;
    if (node.pointer) {
      if (ids.has(node.pointer))
        findings.push(
          finding(
            'gedcom-twice',
            'warning',
            `Line ${node.line}: @${node.pointer}@ stands twice; the second was kept as another person.`,
            { line: node.line },
          ),
        );
      else ids.set(node.pointer, id);
    }
    const { entry, person } = personFrom(node, id);
    entries.push(entry);
    if (!isUnknown(person)) maker.people[id] = person;
  });
  const families = nodes.filter(({ tag }) => tag === 'FAM');
  const familyOf = new Map<string, Union>();
  const lost = (node: GedcomNode, what: string) =>
    findings.push(
      finding('gedcom-pointer', 'warning', `Line ${node.line}: ${what} is in no record of the file.`, {
        line: node.line,
      }),
    );
  for (const node of families) {
    const partners = node.children
      .filter(({ tag }) => tag === 'HUSB' || tag === 'WIFE')
      .flatMap((one) => {
        const id = ids.get(pointed(one.value) ?? '');
        if (id === undefined) lost(one, one.value || 'a partner');
        return id === undefined ? [] : [id];
      });
    const distinct = [...new Set(partners)];
    if (distinct.length > 2) {
      findings.push(
        finding(
          'gedcom-partners',
          'warning',
          `Line ${node.line}: a family with ${distinct.length} partners; the first two were taken.`,
          { line: node.line },
        ),
      );
      distinct.length = 2;
    }
    const children = node.children.filter(({ tag }) => tag === 'CHIL');
    if (distinct.length === 0) {
      if (children.length > 0) lost(node, 'every parent of this family');
      rest.push(rawText(node, 0));
      continue;
    }
    const married = first(node, 'MARR');
    const parted = first(node, 'DIV');
    const id = `u${familyOf.size + 1}`;
    const union: Union = {
      id,
      partners: distinct,
      kind: parted ? 'parted' : married ? 'married' : 'unknown',
      from: valueOf(married, 'DATE').slice(0, 80),
      to: valueOf(parted, 'DATE').slice(0, 80),
      extra: kept(
        node.children
          .filter(({ tag }) => !ofFamily.has(tag))
          .concat(details(married, ['DATE'], 'MARR'), details(parted, ['DATE'], 'DIV')),
      ),
    };
    maker.unions.push(union);
    if (node.pointer) familyOf.set(node.pointer, union);
    else familyOf.set(`#${node.line}`, union);
    for (const one of children) {
      const child = ids.get(pointed(one.value) ?? '');
      if (child === undefined) lost(one, one.value || 'a child');
      else maker.child(child, union, 'birth');
    }
    for (const partner of distinct) spouses.set(partner, [...(spouses.get(partner) ?? []), id]);
  }
  // How a child belongs to its parents stands with the child.
  persons.forEach((node, k) => {
    for (const link of node.children.filter(({ tag }) => tag === 'FAMC')) {
      const union = familyOf.get(pointed(link.value) ?? '');
      const kind = own(kindsOfParentage, valueOf(link, 'PEDI').trim().toLowerCase());
      if (!union) lost(link, link.value || 'a family');
      else {
        const child = `p${k + 1}`;
        maker.child(child, union, kind ?? 'birth');
        const links = own(maker.parentage, child);
        const at = links?.findIndex((one) => one.union === union.id) ?? -1;
        const one = link.children.find(({ tag }) => tag === oneParentTag);
        const parent = one && ids.get(pointed(one.value) ?? '');
        const otherwise = one && own(kindsOfParentage, valueOf(one, 'PEDI').trim().toLowerCase());
        if (links && at >= 0 && (kind || otherwise))
          links[at] = {
            union: union.id,
            kind: kind ?? 'birth',
            ...(parent !== undefined &&
              otherwise &&
              otherwise !== 'household' && { otherwise: { parent, kind: otherwise } }),
          };
      }
    }
  });
  for (const node of nodes)
    if (node.tag !== 'INDI' && node.tag !== 'FAM' && node.tag !== 'TRLR') rest.push(rawText(node, 0));
  const { people, unions, parentage } = maker;
  return withinLimits({
    ...nothingRead,
    structure: 'gedcom',
    entries,
    findings,
    ...{ people, unions, parentage, rest: rest.join('\n').slice(0, 2_000_000) },
  });
}
const mostFaults = 50;

function personFrom(node: GedcomNode, id: string): { entry: ReadEntry; person: Person } {
  const names = node.children.filter(({ tag }) => tag === 'NAME');
  const [birth, death] = [first(node, 'BIRT'), first(node, 'DEAT')];
  const notes = node.children.filter(({ tag, value }) => tag === 'NOTE' && !pointed(value));
  const sex = valueOf(node, 'SEX').trim().toUpperCase();
  const pieces = names[0]?.value ? [] : [valueOf(names[0], 'GIVN'), valueOf(names[0], 'SURN')].filter(Boolean);
  const name = plainName(names[0]?.value ?? '') || pieces.join(' ');
  const given = names[0] ? [{ ...names[0], value: names[0].value }] : [];
  const person: Person = {
    ...noFacts,
    born: valueOf(birth, 'DATE').slice(0, 80),
    died: valueOf(death, 'DATE').slice(0, 80),
    birthPlace: valueOf(birth, 'PLAC').slice(0, 200),
    deathPlace: valueOf(death, 'PLAC').slice(0, 200),
    sex: sex === 'F' ? 'female' : sex === 'M' ? 'male' : sex === 'X' ? 'other' : null,
    extra: kept(
      node.children
        .filter(
          (one) =>
            !ofPerson.has(one.tag) ||
            (one.tag === 'NOTE' && pointed(one.value)) ||
            (one.tag === 'NAME' && one !== names[0]),
        )
        .concat(
          // The parts of the first name, and how its surname is marked, are kept beside it.
          given
            .filter((one) => one.children.length > 0 || one.value.includes('/'))
            .map((one) => ({ ...one, tag: 'NAME' })),
          details(birth, ['DATE', 'PLAC'], 'BIRT'),
          details(death, ['DATE', 'PLAC'], 'DEAT'),
        ),
    ),
  };
  const details_ = notes
    .flatMap(({ value }) => value.split('\n'))
    .map((line) => line.trim())
    .filter(Boolean);
  return {
    entry: { id, line: node.line, name, details: details_, fields: {}, role: null, parent: null },
    person,
  };
}

/** What of an event is not understood here, under a tag of its own level, so that it goes back into its place. */
function details(node: GedcomNode | undefined, understood: readonly string[], tag: string): GedcomNode[] {
  if (!node) return [];
  const children = node.children.filter((one) => !understood.includes(one.tag));
  const bare = understood.every((one) => valueOf(node, one) === '');
  return children.length > 0 || node.value !== '' || (bare && tag !== 'BIRT') ? [{ ...node, tag, children }] : [];
}

const kept = (nodes: readonly GedcomNode[]): string =>
  nodes
    .map((node) => rawText(node, 1))
    .join('\n')
    .slice(0, 100_000);
