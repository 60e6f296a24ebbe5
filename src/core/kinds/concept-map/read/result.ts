import { finding, limits, own, type Finding } from '../../../model';
import {
  fieldsOf,
  foldName,
  NameIndex,
  nothingRead,
  withinLimits,
  type Question,
  type ReadChoices,
  type ReadCode,
  type ReadEntry,
  type Reading,
  type ReadLink,
} from '../../../read';
import { proposition } from '../model';

/** What is read of a concept map: ideas as entries, propositions as links. */
export interface MapReading extends Reading {
  readonly structure:
    | 'none'
    | 'arrows'
    | 'adjacency'
    | 'sentences'
    | 'propositions'
    | 'phrase-outline'
    | 'indent'
    | 'graphml'
    | 'dot'
    | 'flat';
  /** The focus question; empty where the list has none. */
  readonly question: string;
  /** Of plain sentences, by what share they are shorter to write down than their letters. */
  readonly saved?: number;
  /** The name of a graph that was read; left out or empty where it has none. */
  readonly graph?: string;
  /** The id of the idea that the list names for its focus; null where it names none. */
  readonly focus: string | null;
}

/** What the readers of concept maps can find beyond what every reader can. */
export type MapReadCode =
  | Extract<ReadCode, 'ragged-row' | 'too-long' | 'too-many' | 'open-quote' | 'empty'>
  | 'own-end'
  | 'said-twice'
  | 'no-propositions'
  | 'unsure-words'
  | 'bad-graph';
export const mapFinding = finding<MapReadCode>;

/** The shortest names that are asked about when they differ by one slip of the pen. */
const shortestAsked = 5;
const phraseLength = 200;

/** Details and fields of one idea, from wherever the list tells them. Each telling costs its own length. */
class ToldMore {
  private readonly details: string[] = [];
  private readonly known = new Set<string>();
  /** By heading and value: a second value under one heading is a field of its own. */
  private readonly fields = new Map<string, readonly [heading: string, value: string]>();

  constructor(first: Pick<ReadEntry, 'details' | 'fields'>) {
    this.add(first);
  }

  /** Details that were told before are not told again; those of one telling are kept as they are. */
  add({ details = [], fields = {} }: Partial<Pick<ReadEntry, 'details' | 'fields'>>): void {
    for (const one of details) if (!this.known.has(one)) this.details.push(one);
    for (const one of details) this.known.add(one);
    for (const field of Object.entries(fields)) this.fields.set(JSON.stringify(field), field);
  }

  get all(): Pick<ReadEntry, 'details' | 'fields'> {
    return { details: this.details, fields: fieldsOf([...this.fields.values()]) };
  }
}

/** Puts a map together while it is read: ideas once a name, propositions once. */
export class MapMaker {
  readonly entries: ReadEntry[] = [];
  readonly links: ReadLink[] = [];
  readonly notPlaced: Reading['notPlaced'][number][] = [];
  readonly questions: Question[] = [];
  readonly findings: Finding[] = [];
  question = '';
  graph = '';
  focus: string | null = null;
  private readonly byName = new Map<string, string>();
  private readonly at = new Map<string, number>();
  private readonly said = new Set<string>();
  private readonly spellings = new NameIndex(1);
  private readonly spelled: string[] = [];
  private readonly told = new Map<string, ToldMore>();
  private leftOut = 0;

  constructor(private readonly choices: ReadChoices = {}) {}

  /** The idea of a name, made where there is none of it yet; near spellings are asked about. */
  idea(name: string, line: number): string | null {
    const told = name.trim();
    if (told === '') return null;
    const key = foldName(told);
    const known = this.byName.get(key);
    if (known !== undefined) return known;
    const near = this.nearTo(key);
    if (near !== null) {
      const before = this.entries[this.at.get(near)!]!;
      const id = `same:${line}:${told}`;
      const answer = own(this.choices.answers ?? {}, id);
      this.questions.push({
        id,
        line,
        entry: before.id,
        wanted: told,
        text: `is “${told}” the same idea as “${before.name}” (line ${before.line})?`,
        guess: null,
        candidates: [],
        answered: answer !== undefined,
        options: [
          { value: 'same', words: 'The same' },
          { value: 'another', words: 'Another idea' },
        ],
      });
      if (answer === 'same') {
        this.byName.set(key, near);
        return near;
      }
    }
    const made = this.add({ name: told, line });
    if (made === null) return null;
    this.byName.set(key, made);
    this.spellings.add(key);
    this.spelled.push(made);
    return made;
  }

  /** A new idea, also where one of its name is there. Null where the list has more than a diagram holds. */
  add({ name, line, ...more }: Pick<ReadEntry, 'name' | 'line'> & Partial<ReadEntry>): string | null {
    if (this.entries.length >= limits.entries) {
      this.leftOut++;
      return null;
    }
    const id = `i${this.entries.length + 1}`;
    this.at.set(id, this.entries.length);
    this.entries.push({ details: [], fields: {}, role: null, ...more, parent: null, id, name, line });
    return id;
  }

  /** Something more about an idea that is there. */
  tell(id: string, patch: Partial<Pick<ReadEntry, 'details' | 'fields' | 'role'>>): void {
    const at = this.at.get(id)!;
    const entry = this.entries[at]!;
    if (patch.role) this.entries[at] = { ...entry, role: patch.role };
    let told = this.told.get(id);
    if (!told) this.told.set(id, (told = new ToldMore(entry)));
    told.add(patch);
  }

  link(from: string | null, to: string | null, phrase: string, line: number): void {
    if (from === null || to === null) return;
    const name = (id: string) => this.entries[this.at.get(id)!]!.name;
    if (from === to) {
      const message = `Line ${line}: “${name(from)}” cannot be linked to itself; the line is kept in the tray.`;
      this.findings.push(mapFinding('own-end', 'warning', message, { line, entries: [from] }));
      this.notPlaced.push({ line, text: `${name(from)} --${phrase}--> ${name(to)}`, reason: message });
      return;
    }
    const key = `${from} ${to} ${foldName(phrase)}`;
    if (this.said.has(key)) {
      const message = `Line ${line} says again: “${name(from)} ${phrase || '…'} ${name(to)}”. It is drawn once.`;
      this.findings.push(mapFinding('said-twice', 'note', message, { line, entries: [from, to] }));
      return;
    }
    this.said.add(key);
    let told = phrase.trim();
    if (told.length > phraseLength) {
      const message = `Line ${line}: a linking phrase may have ${phraseLength} characters. It was shortened; the whole is kept in the tray.`;
      this.findings.push(mapFinding('too-long', 'warning', message, { line }));
      this.notPlaced.push({ line, text: told, reason: message });
      told = told.slice(0, phraseLength - 1).replace(/\p{Cs}$/u, '');
    }
    this.links.push({ from, to, line, kind: proposition, phrase: told });
  }

  done(structure: MapReading['structure'], rest: Partial<MapReading> = {}): MapReading {
    if (this.leftOut > 0)
      this.findings.push(
        mapFinding(
          'too-many',
          'error',
          `The list has ${this.leftOut.toLocaleString('en')} ideas more than the ${limits.entries.toLocaleString('en')} that a diagram holds. They were left out; split the list.`,
        ),
      );
    return withinLimits({
      ...nothingRead,
      entries: this.entries.map((entry) => ({ ...entry, ...this.told.get(entry.id)?.all })),
      links: this.links,
      notPlaced: this.notPlaced,
      questions: this.questions,
      findings: this.findings,
      question: this.question,
      focus: this.focus,
      ...(this.graph && { graph: this.graph }),
      ...rest,
      structure,
    });
  }

  private nearTo(key: string): string | null {
    if (key.length < shortestAsked) return null;
    const found = this.spellings.near(key, 1).map((at) => this.spelled[at]!);
    return found.find((id) => foldName(this.entries[this.at.get(id)!]!.name).length >= shortestAsked) ?? null;
  }
}

export const noMapRead: MapReading = { ...nothingRead, structure: 'none', question: '', focus: null };
