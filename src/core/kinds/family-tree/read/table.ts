import { finding, own, type Finding } from '../../../model';
import {
  foldName,
  classOf,
  formsOf,
  namesOf,
  NameIndex,
  nothingRead,
  textsOf,
  asideTrayed,
  fieldsOf,
  onlyCount,
  trayed,
  withinLimits,
  type Column,
  type ListTokens,
  type Question,
  type ReadChoices,
  type ReadEntry,
  type TableTokens,
} from '../../../read';
import { isUnknown, noFacts, type Parentage, type Person } from '../model';
import type { FamilyColumns } from './columns';
import { parentageOf } from './life';
import { FamilyMaker, type FamilyReading } from './result';

const sexes: readonly (readonly [RegExp, Person['sex']])[] = [
  [/^(f|female|woman|girl|w|weiblich|fille|femme)$/i, 'female'],
  [/^(m|male|man|boy|mannlich|männlich|garçon|homme)$/i, 'male'],
  [/^(x|other|diverse?)$/i, 'other'],
];
/** "adopted; step of 4": how a child belongs to its parents, and to one of them otherwise, who is named. */
function parentageIn(text: string): Pick<Row, 'parentage' | 'otherwise'> {
  const parts = text.split(';').map((part) => part.trim());
  const told = parts.map((part) => /^(\p{L}+)\s+of\s+(\S.*)$/u.exec(part));
  const at = told.findIndex((one) => one !== null);
  const kind = at < 0 ? null : parentageOf(told[at]![1]!);
  const plain = parts.find((_, k) => k !== at) ?? '';
  if (kind === null || kind === 'household') return { parentage: parentageOf(text), otherwise: null };
  return { parentage: parentageOf(plain), otherwise: { kind, named: told[at]![2]! } };
}

interface Row {
  readonly entry: ReadEntry;
  readonly ownId: string;
  readonly parents: readonly string[];
  readonly partners: readonly string[];
  readonly married: string;
  readonly parentage: Parentage['kind'] | null;
  readonly otherwise: { readonly kind: NonNullable<Parentage['otherwise']>['kind']; readonly named: string } | null;
}

/** A table of persons with their parents and partners by id or by name. Who is named only so is added; near spellings are asked about. O(cells). */
export function readFamilyTable(
  tokens: ListTokens,
  table: TableTokens,
  told: FamilyColumns,
  choices: ReadChoices,
): FamilyReading {
  const { columns, header } = told;
  const body = header ? table.rows.slice(1) : table.rows;
  const numbers = columns.find(({ use }) => use === 'id');
  const counts = numbers !== undefined && onlyCount(body.map(({ cells }) => cells[numbers.index] ?? ''));
  const known = knownIn(body, columns);
  const several = (cell: string): string[] => {
    // What we wrote ourselves stands in quotes where it has to.
    if (cell.startsWith('"')) return severalIn(cell);
    const parts = namesOf(cell, (part) => formsOf(part).some((form) => known.has(form)));
    return parts.length > 1 || formsOf(cell).some((form) => known.has(form)) ? parts : severalIn(cell);
  };
  const maker = new FamilyMaker();
  const findings: Finding[] = [];
  const notPlaced = asideTrayed(table.aside);
  const rows: Row[] = [];
  for (const { cells, line } of body) {
    /** Columns whose cell of this row was made something of; the others are kept as fields. */
    const used = new Set<number>();
    const under = (use: string) => columns.filter((column) => column.use === use);
    const cellOf = ({ index }: Column) => (cells[index] ?? '').trim();
    const of = (use: string) =>
      under(use).map((column) => {
        used.add(column.index);
        return cellOf(column);
      });
    const one = (use: string, most = Infinity) => {
      const column = under(use).find((each) => cellOf(each) !== '');
      if (!column) return '';
      if (cellOf(column).length <= most) used.add(column.index);
      return cellOf(column).slice(0, most);
    };
    const tray = one('tray');
    if (tray !== '' && cells.filter((cell) => cell !== '').length === 1) {
      notPlaced.push({ line, text: tray, reason: 'It had no place before.' });
      continue;
    }
    for (const { index } of under('tray')) used.delete(index);
    const name = one('name');
    const ownId = one('id');
    if (!counts && numbers) used.delete(numbers.index);
    if (name === '' && ownId === '') {
      notPlaced.push(trayed({ cells, line }, `Line ${line} has no name.`));
      continue;
    }
    const id = `p${line}`;
    const person: Person = {
      ...noFacts,
      born: one('born', 80),
      died: one('died', 80),
      birthPlace: one('birthPlace', 200),
      deathPlace: one('deathPlace', 200),
      sex: sexes.find(([word]) => under('sex').some((column) => word.test(cellOf(column))))?.[1] ?? null,
    };
    if (person.sex !== null) of('sex');
    if (!isUnknown(person)) maker.people[id] = person;
    const details = [...of('detail'), ...cells.slice(columns.length).map((cell) => cell.trim())];
    while (details.length > 0 && details.at(-1) === '') details.pop();
    const asked = under('role').map((column) => cellOf(column).toLowerCase());
    const role = asked.find((word) => word === 'pet' || word === 'guest') ?? null;
    if (role !== null) of('role');
    const parents = [...of('father'), ...of('mother'), ...of('parents').flatMap(several)].filter((cell) => cell !== '');
    const partners = of('partner')
      .flatMap(several)
      .filter((cell) => cell !== '');
    const parentage = parentageIn(under('parentage').map(cellOf).find(Boolean) ?? '');
    if (parents.length > 0 && (parentage.parentage !== null || parentage.otherwise !== null)) one('parentage');
    const married = partners.length > 0 ? one('married', 80) : '';
    const fields = fieldsOf(
      columns.flatMap((column): [string, string][] => {
        const value = cells[column.index] ?? '';
        return value.trim() !== '' && !used.has(column.index) && column.use !== 'leftOut'
          ? [[column.header, value]]
          : [];
      }),
    );
    rows.push({
      entry: {
        id,
        line,
        name,
        details,
        fields,
        role,
        parent: null,
      },
      ownId,
      parents,
      partners,
      married,
      ...parentage,
    });
  }
  const people = new Finder(rows, choices, findings);
  const otherwise = new Map<string, string>();
  for (const row of rows) {
    const parents = [...new Set(row.parents.map((named) => people.find(named, row.entry)))].filter(
      (id) => id !== row.entry.id,
    );
    if (parents.length > 2)
      findings.push(
        finding(
          'many-parents',
          'warning',
          `Line ${row.entry.line}: ${parents.length} parents; the first two were taken, not ${row.parents.slice(2).join(', ')}.`,
          { line: row.entry.line, entries: [row.entry.id] },
        ),
      );
    if (parents.length > 0) {
      const kind = row.parentage ?? (row.entry.role === null ? 'birth' : 'household');
      const other = row.otherwise && people.find(row.otherwise.named, row.entry);
      const isParent = other !== null && parents.slice(0, 2).includes(other);
      if (other !== null && !isParent)
        findings.push(
          finding(
            'no-such-parent',
            'warning',
            `Line ${row.entry.line}: “${row.otherwise!.named}” is told to be a parent in another way, but is no parent in that line; that was left out.`,
            { line: row.entry.line, entries: [row.entry.id] },
          ),
        );
      maker.child(
        row.entry.id,
        maker.union(parents.slice(0, 2)),
        kind,
        isParent ? { parent: other, kind: row.otherwise!.kind } : undefined,
      );
    }
    for (const named of row.partners) {
      const partner = people.find(named, row.entry);
      const union =
        partner === row.entry.id
          ? null
          : maker.union([row.entry.id, partner], { kind: row.married ? 'married' : 'unknown', from: row.married });
      // Told otherwise in another line: what this one says is kept with it.
      if (row.married !== '' && union?.from !== row.married) otherwise.set(row.entry.id, row.married);
    }
  }
  // Parents named in two columns are partners of each other; their place in the drawing needs no more.
  const { unions, parentage } = maker;
  return withinLimits({
    ...nothingRead,
    structure: 'parent-columns',
    columns,
    header,
    emptyLines: tokens.emptyLines(table.all.length),
    entries: [
      ...rows.map(({ entry }) =>
        otherwise.has(entry.id)
          ? { ...entry, fields: fieldsOf([...Object.entries(entry.fields), ['Married', otherwise.get(entry.id)!]]) }
          : entry,
      ),
      ...people.added,
    ],
    notPlaced,
    questions: people.questions,
    findings: [...findings, ...people.findingsOfAdded()],
    ...{ people: maker.people, unions, parentage, rest: '' },
  });
}

/** All ways to name the persons of a table. */
function knownIn(body: TableTokens['rows'], columns: readonly Column[]): ReadonlySet<string> {
  const keys = columns.filter(({ use }) => use === 'name' || use === 'id').map(({ index }) => index);
  const known = new Set(body.flatMap(({ cells }) => keys.flatMap((index) => formsOf(cells[index] ?? ''))));
  known.delete('');
  return known;
}

const severalIn = (cell: string): string[] =>
  (/^"|;/.test(cell) ? textsOf(cell) : cell.split(/\s(?:&|\+|and)\s|[;+&]/)).map((one) => one.trim());

/** Finds who is named: by id, by name, by a near spelling that is asked about; else somebody who is added. */
class Finder {
  readonly added: ReadEntry[] = [];
  readonly questions: Question[] = [];
  private readonly byId = new Map<string, string>();
  private readonly forms = new Map<string, string>();
  private readonly byName = new Map<string, string[]>();
  private readonly index = new NameIndex(1);
  private readonly answered = new Map<string, string>();
  private readonly names: string[] = [];

  constructor(
    private readonly rows: readonly Row[],
    private readonly choices: ReadChoices,
    findings: Finding[],
  ) {
    const same = new Map<string, number>();
    for (const { entry, ownId } of rows) {
      if (ownId !== '') {
        if (this.byId.has(ownId))
          findings.push(
            finding(
              'same-id',
              'warning',
              `Line ${entry.line}: the id “${ownId}” stands twice; the first was taken where it is named.`,
              { line: entry.line, entries: [entry.id] },
            ),
          );
        else this.byId.set(ownId, entry.id);
      }
      const name = foldName(entry.name);
      this.byName.set(name, [...(this.byName.get(name) ?? []), entry.id]);
      same.set(name, (same.get(name) ?? 0) + 1);
      this.index.add(name);
      this.names.push(name);
    }
  }

  find(named: string, from: ReadEntry): string {
    const byId = this.byId.get(named) ?? (this.byId.size > 0 ? this.byForm(named) : undefined);
    if (byId !== undefined) return byId;
    const folded = foldName(named);
    const known = this.byName.get(folded);
    if (known) {
      if (known.length === 1) return known[0]!;
      return this.ask(
        named,
        from,
        known,
        known.find((id) => id !== from.id) ?? known[0]!,
        `Which “${named}” is meant in line ${from.line}?`,
      );
    }
    const near = [...new Set([...this.index.near(folded, 1), ...this.index.standingFor(folded)])].map(
      (at) => this.rows[at]!.entry,
    );
    if (near.length > 0) {
      const guess = near[0]!;
      return this.ask(
        named,
        from,
        near.map(({ id }) => id),
        guess.id,
        `Is “${named}” in line ${from.line} ${guess.name}, line ${guess.line}?`,
      );
    }
    if (this.byId.size > 0 && ['number', 'code'].includes(classOf(named))) return this.unknownNumber(named, from);
    return this.add(named, from);
  }

  private ask(named: string, from: ReadEntry, candidates: readonly string[], guess: string, text: string): string {
    const id = `named-${foldName(named)}`;
    const before = this.answered.get(id);
    if (before !== undefined) return before;
    const answer = own(this.choices.answers ?? {}, id);
    const all = new Map(this.rows.map(({ entry }) => [entry.id, entry]));
    this.questions.push({
      ...{ id, line: from.line, entry: from.id, wanted: named, text, guess },
      candidates: candidates
        .slice(0, 12)
        .map((one) => ({ id: one, name: all.get(one)!.name, line: all.get(one)!.line })),
      answered: answer !== undefined,
    });
    const taken =
      answer === 'add' || answer === 'top'
        ? this.add(named, from)
        : answer !== undefined && all.has(answer)
          ? answer
          : guess;
    this.answered.set(id, taken);
    return taken;
  }

  /** Who has an id that is written with other zeros or another sign before it. */
  private byForm(named: string): string | undefined {
    if (this.forms.size === 0)
      for (const [id, entry] of this.byId)
        for (const form of formsOf(id)) if (!this.forms.has(form)) this.forms.set(form, entry);
    return formsOf(named)
      .map((form) => this.forms.get(form))
      .find((one) => one !== undefined);
  }

  /** A number that nobody has is no name: it is asked who is meant, and nobody is added meanwhile. */
  private unknownNumber(named: string, from: ReadEntry): string {
    const id = `named-${foldName(named)}`;
    const before = this.answered.get(id);
    if (before !== undefined) return before;
    const answer = own(this.choices.answers ?? {}, id);
    const answered = answer !== undefined;
    const text = `Line ${from.line}: ${from.name} names “${named}”, a number that nobody in the list has. Who is meant?`;
    this.questions.push({
      id,
      line: from.line,
      entry: from.id,
      wanted: named,
      text,
      guess: null,
      candidates: [],
      answered,
    });
    const taken =
      answer === 'add' ? this.add(named, from) : this.rows.some(({ entry }) => entry.id === answer) ? answer! : from.id;
    if (answered) this.answered.set(id, taken);
    return taken;
  }

  private add(named: string, from: ReadEntry): string {
    const folded = foldName(named);
    const id = `n${this.added.length + 1}`;
    this.added.push({
      id,
      line: from.line,
      name: named.slice(0, 400),
      details: [],
      fields: {},
      role: null,
      parent: null,
    });
    this.byName.set(folded, [id]);
    return id;
  }

  findingsOfAdded(): Finding[] {
    if (this.added.length === 0) return [];
    const some = this.added
      .slice(0, 4)
      .map(({ name }) => name)
      .join(', ');
    const message = `${this.added.length} ${this.added.length === 1 ? 'person is' : 'persons are'} named only as a parent or partner and ${this.added.length === 1 ? 'was' : 'were'} added: ${some}${this.added.length > 4 ? ' …' : ''}.`;
    return [finding('added-person', 'note', message, { entries: this.added.map(({ id }) => id) })];
  }
}
