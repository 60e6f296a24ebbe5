import {
  draw,
  kindQuestion,
  nearKinds,
  tokensOf,
  type AnyKind,
  type Diagram,
  type KindReading,
} from '../src/core/diagram';
import type { Finding } from '../src/core/model';
import { bodyOf, ColumnEvidence, type Reading } from '../src/core/read';

/** What was read of a list: as which kind, and how all kinds read it where the list was left to tell. */
export interface Told {
  readonly kind: AnyKind;
  /** Null where nothing could be read. */
  readonly read: Reading | null;
  /** Best first; empty where the kind was asked for. */
  readonly all: readonly KindReading[];
}

/** Where a line of the list went. */
type Went = 'entry' | 'heading' | 'tray' | 'link' | 'question' | 'with another line';

/** All that is known of a list once it is read and drawn: structure and columns with their evidence, the kinds beside the one taken, entries, links, questions, where each line went. */
export function reportOf(
  diagram: Diagram,
  { kind, read, all }: Told,
  text: string | null,
  findings: readonly Finding[],
) {
  const { structure } = draw(diagram);
  const lines = new Map(read?.entries.map((entry) => [entry.id, entry.line]));
  const [best, second] = all;
  return {
    kind: diagram.kind,
    understood: {
      structure: read?.structure ?? 'none',
      told: read ? kind.told(read) : '',
      header: read?.header ?? false,
      emptyLines: read?.emptyLines ?? 0,
      columns: read && text !== null ? columnsOf(read, text) : [],
      // How sure the kind is, from 0 to 1, and what speaks for it and against.
      strength: best?.strength ?? null,
      because: best?.fit?.because ?? '',
      against: best?.fit?.against ?? '',
    },
    runnerUp: second?.fit ? { kind: second.kind.id, strength: second.strength, because: second.fit.because } : null,
    margin: best?.fit && second?.fit ? best.bits - second.bits : null,
    entries: Array.from(structure.outline, (i) => {
      const { id, name, details, fields, role, parent } = diagram.entries[structure.ids[i]!]!;
      return { id, name, details, fields, role, parent, tier: structure.tier[i]!, line: lines.get(id) ?? null };
    }),
    links: Object.values(diagram.links).map(({ from, to, phrase, kind }) => ({ from, to, phrase, kind })),
    unions: [],
    sets: [],
    ...(read ? kind.reported(read) : {}),
    notPlaced: read?.notPlaced ?? [],
    questions: [...kindAsked(all), ...(read?.questions ?? [])],
    findings,
    lines: read && text !== null ? wentTo(read, text) : [],
    figures: kind.figure(diagram, structure),
  };
}

/** The question which kind is meant, where a second one reads the list nearly as well. */
function kindAsked(all: readonly KindReading[]) {
  const near = nearKinds(all);
  if (near.length < 2) return [];
  const options = near.map(({ kind }) => ({ value: kind.id, words: kind.holds }));
  return [
    {
      id: 'kind',
      line: 1,
      text: kindQuestion(near),
      guess: near[0]!.kind.id,
      candidates: [],
      answered: false,
      options,
    },
  ];
}

function columnsOf(read: Reading, text: string) {
  const evidence = new ColumnEvidence(bodyOf(tokensOf(text), read)).of(read.columns);
  return read.columns.map((column, i) => ({ ...column, evidence: evidence[i] }));
}

/** Each line with anything in it, by its number, with where it went. */
function wentTo(read: Reading, text: string): { line: number; went: Went }[] {
  const tokens = tokensOf(text);
  const went = new Map<number, Went>();
  const heading = read.header ? tokens.table?.rows[0]?.line : undefined;
  for (const { line } of read.links) went.set(line, 'link');
  for (const { line } of read.questions) went.set(line, 'question');
  for (const { line } of read.notPlaced) went.set(line, 'tray');
  for (const { line } of read.entries) went.set(line, 'entry');
  if (heading !== undefined) went.set(heading, 'heading');
  return tokens.filled.map(({ line }) => ({ line, went: went.get(line) ?? 'with another line' }));
}
