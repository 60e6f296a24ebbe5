import { finding, own, type Finding } from '../../../model';
import { nothingRead, withinLimits, type ReadEntry } from '../../../read';
import { isUnknown, noFacts, type Parentage, type Person, type Union } from '../model';
import { gedcomNodes, oneParentTag, type GedcomNode } from './gedcom-lines';
import { firstOf, keptText, partnerTags, pointed, Taken, toldName } from './gedcom-rest';
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

const limits = { date: 80, place: 200, extra: 100_000, rest: 2_000_000 };

/** A GEDCOM file, 5.5.1 or 7.0. Faults are told with their line; what is not understood is kept and written back. O(characters). */
export function readGedcom(text: string): FamilyReading {
  const { nodes, faults } = gedcomNodes(text);
  const reader = new GedcomReader(nodes);
  for (const { line, message } of faults.slice(0, mostFaults)) reader.told('gedcom-line', line, message);
  if (faults.length > mostFaults)
    reader.findings.push(
      finding('gedcom-line', 'warning', `${faults.length - mostFaults} more lines are no GEDCOM lines.`),
    );
  return reader.read();
}
const mostFaults = 50;

class GedcomReader {
  readonly findings: Finding[] = [];
  private readonly maker = new FamilyMaker();
  private readonly taken = new Taken();
  private readonly entries: ReadEntry[] = [];
  /** Ids of ours by the pointers of the file. */
  private readonly ids = new Map<string, string>();
  private readonly families = new Map<string, Union>();
  private readonly rest: GedcomNode[] = [];

  constructor(private readonly nodes: readonly GedcomNode[]) {}

  told(code: string, line: number, message: string): void {
    this.findings.push(finding(code, 'warning', message, { line }));
  }

  read(): FamilyReading {
    const persons = this.nodes.filter(({ tag }) => tag === 'INDI');
    persons.forEach((node, k) => this.person(node, `p${k + 1}`));
    const unions = this.nodes
      .filter(({ tag }) => tag === 'FAM')
      .flatMap((node) => {
        const union = this.family(node);
        return union ? [{ node, union }] : [];
      });
    // How a child belongs to its parents stands with the child.
    persons.forEach((node, k) => this.childIn(node, `p${k + 1}`));
    persons.forEach((node, k) => {
      const id = `p${k + 1}`;
      const extra = this.kept(this.taken.rest(node), node.line);
      const person = { ...(own(this.maker.people, id) ?? noFacts), extra };
      if (!isUnknown(person)) this.maker.people[id] = person;
    });
    unions.forEach(({ node, union }, i) => {
      const extra = this.kept(this.restOfFamily(node, union), node.line);
      this.maker.unions[i] = { ...union, extra };
    });
    for (const node of this.nodes) {
      if (node.tag === 'INDI' || node.tag === 'FAM') continue;
      if (node.tag !== 'TRLR') this.rest.push(node);
      // What stands after the end of a file is a note to it.
      else if (node.value !== '') this.rest.push({ ...node, tag: 'NOTE', children: [] });
      if (node.tag === 'TRLR') this.rest.push(...node.children.map((child) => ({ ...child, pointer: '' })));
    }
    const rest = this.textOf(this.rest, 0);
    if (rest.length > limits.rest) this.cut(this.nodes[0]?.line ?? 1);
    const { people, unions: all, parentage } = this.maker;
    return withinLimits({
      ...nothingRead,
      structure: 'gedcom',
      entries: this.entries,
      findings: this.findings,
      ...{ people, unions: all, parentage, rest: rest.slice(0, limits.rest) },
    });
  }

  private textOf(nodes: readonly GedcomNode[], level: number): string {
    return keptText(nodes, level, (pointer) => this.ids.get(pointer) ?? this.families.get(pointer)?.id);
  }

  private kept(nodes: readonly GedcomNode[], line: number): string {
    const text = this.textOf(nodes, 1);
    if (text.length <= limits.extra) return text;
    this.cut(line);
    return text.slice(0, text.lastIndexOf('\n', limits.extra));
  }

  private cut(line: number): void {
    this.told(
      'gedcom-cut',
      line,
      `Line ${line}: this record holds more that is not understood here than can be kept; the end of it is left out.`,
    );
  }

  private person(node: GedcomNode, id: string): void {
    if (node.pointer) {
      if (this.ids.has(node.pointer))
        this.told(
          'gedcom-twice',
          node.line,
          `Line ${node.line}: @${node.pointer}@ stands twice; the second was kept as another person.`,
        );
      else this.ids.set(node.pointer, id);
    }
    const { taken } = this;
    const names = node.children.filter(({ tag }) => tag === 'NAME');
    const [name] = names;
    // One with parts, or with its surname marked, is kept as it came.
    if (name && names.length === 1 && name.children.length === 0 && !name.value.includes('/')) taken.whole(name);
    const sex = own(sexes, (firstOf(node, 'SEX')?.value ?? '').trim().toUpperCase()) ?? null;
    if (sex) taken.whole(firstOf(node, 'SEX')!);
    const [birth, death] = [taken.event(node, 'BIRT'), taken.event(node, 'DEAT')];
    const person: Person = {
      ...noFacts,
      born: taken.value(birth, 'DATE', limits.date),
      died: taken.value(death, 'DATE', limits.date),
      birthPlace: taken.value(birth, 'PLAC', limits.place),
      deathPlace: taken.value(death, 'PLAC', limits.place),
      sex,
    };
    const notes = node.children.filter(({ tag, value }) => tag === 'NOTE' && value !== '' && pointed(value) === null);
    for (const note of notes) taken.whole(note);
    const details = [node.value, ...notes.map(({ value }) => value)]
      .flatMap((value) => value.split('\n'))
      .map((line) => line.trim())
      .filter(Boolean);
    const told = name ? toldName(name) : '';
    this.entries.push({ id, line: node.line, name: told, details, fields: {}, role: null, parent: null });
    if (!isUnknown(person)) this.maker.people[id] = person;
  }

  /** Null where none of its partners is known. */
  private family(node: GedcomNode): Union | null {
    const { taken } = this;
    const idOf = (one: GedcomNode): string | undefined => this.ids.get(pointed(one.value) ?? '');
    const told = node.children.filter(({ tag }) => tag === 'HUSB' || tag === 'WIFE');
    for (const one of told) if (idOf(one) === undefined) this.lost(one, one.value || 'a partner');
    const partners = [...new Set(told.flatMap((one) => idOf(one) ?? []))];
    if (partners.length > 2)
      this.told(
        'gedcom-partners',
        node.line,
        `Line ${node.line}: a family with ${partners.length} partners; the first two were taken.`,
      );
    partners.length = Math.min(2, partners.length);
    const children = node.children.filter(({ tag }) => tag === 'CHIL');
    if (partners.length === 0) {
      if (children.length > 0) this.lost(node, 'every parent of this family');
      this.rest.push(node);
      return null;
    }
    for (const one of told) if (partners.includes(idOf(one) ?? '')) taken.whole(one, 'pointer');
    const [married, parted] = [taken.event(node, 'MARR'), taken.event(node, 'DIV')];
    const union: Union = {
      id: `u${this.maker.unions.length + 1}`,
      partners,
      kind: parted ? 'parted' : married ? 'married' : 'unknown',
      from: taken.value(married, 'DATE', limits.date),
      to: taken.value(parted, 'DATE', limits.date),
      extra: '',
    };
    this.maker.unions.push(union);
    if (node.pointer && !this.families.has(node.pointer)) this.families.set(node.pointer, union);
    for (const one of children) {
      const child = idOf(one);
      if (child === undefined) this.lost(one, one.value || 'a child');
      else if (this.maker.child(child, union, 'birth')) taken.whole(one, 'pointer');
    }
    return union;
  }

  /** What of a family was not taken, and who is told as husband or wife where that does not follow from their sex. */
  private restOfFamily(node: GedcomNode, { partners }: Union): GedcomNode[] {
    const rest = this.taken.rest(node);
    const tagged = partners.map((id) => node.children.find((one) => this.ids.get(pointed(one.value) ?? '') === id)!);
    const usual = partnerTags(partners.map((id) => own(this.maker.people, id)?.sex ?? null));
    const marks = tagged.every(({ tag }, k) => tag === usual[k])
      ? []
      : tagged.filter(({ value }) => !rest.some((one) => one.value === value && isPartner(one)));
    const note = node.value === '' ? [] : [{ ...node, tag: 'NOTE', pointer: '', children: [] }];
    return [...marks.map((one) => ({ ...one, children: [] })), ...rest, ...note];
  }

  private childIn(node: GedcomNode, child: string): void {
    const { taken, maker } = this;
    const order: string[] = [];
    for (const one of node.children) {
      const union = this.families.get(pointed(one.value) ?? '');
      if (one.tag === 'FAMS' && union?.partners.includes(child)) taken.whole(one, 'pointer');
      if (one.tag !== 'FAMC') continue;
      if (!union) {
        this.lost(one, one.value || 'a family');
        continue;
      }
      const told = firstOf(one, 'PEDI');
      const kind = told && own(kindsOfParentage, told.value.trim().toLowerCase());
      maker.child(child, union, kind ?? 'birth');
      const links = own(maker.parentage, child);
      const at = links?.findIndex((link) => link.union === union.id) ?? -1;
      if (!links || at < 0) continue;
      order.push(union.id);
      taken.whole(one, 'pointer');
      if (kind) taken.whole(told!);
      const apart = firstOf(one, oneParentTag);
      const parent = apart && this.ids.get(pointed(apart.value) ?? '');
      const way = apart && firstOf(apart, 'PEDI');
      const otherwise = way && own(kindsOfParentage, way.value.trim().toLowerCase());
      const isTaken = parent !== undefined && otherwise && otherwise !== 'household';
      if (isTaken) for (const used of [apart, way]) taken.whole(used!);
      if (kind || isTaken)
        links[at] = {
          union: union.id,
          kind: kind ?? 'birth',
          ...(isTaken && { otherwise: { parent, kind: otherwise } }),
        };
    }
    // In the order in which the child tells them, then those that only the families tell.
    const rank = ({ union }: Parentage): number => (order.includes(union) ? order.indexOf(union) : order.length);
    own(maker.parentage, child)?.sort((a, b) => rank(a) - rank(b));
  }

  private lost(node: GedcomNode, what: string): void {
    this.told('gedcom-pointer', node.line, `Line ${node.line}: ${what} is in no record of the file.`);
  }
}

const sexes: Readonly<Record<string, Person['sex']>> = { F: 'female', M: 'male', X: 'other' };

const isPartner = ({ tag }: GedcomNode): boolean => tag === 'HUSB' || tag === 'WIFE';
