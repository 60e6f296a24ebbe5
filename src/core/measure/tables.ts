import type { Face } from './face';
import { clusterKey, pairKey, type Joining, type JoiningLetter, type Syllables } from './shaped';
import stored from './tables.generated.json';

const all = stored as unknown as Record<Face, StoredTable>;

/** What a face is measured by. All in font units. */
export interface Table {
  readonly unitsPerEm: number;
  readonly ascent: number;
  readonly descent: number;
  readonly capHeight: number;
  /** By code point; NaN stands where the face has no glyph. */
  readonly advance: Float64Array;
  /** By left, then by right code point. */
  readonly kern: ReadonlyMap<number, ReadonlyMap<number, number>>;
  /** Only of faces whose letters join. */
  readonly joining?: Joining;
  /** Only of faces whose consonants join within a syllable. */
  readonly syllables?: Syllables;
}

/** A run of code points: its first one, and the width of each, or of all with their number. */
export type StoredRun = [start: number, widths: number[]] | [start: number, width: number, count: number];

/** How `scripts/make-font-tables.ts` writes a table. */
export interface StoredTable {
  unitsPerEm: number;
  ascent: number;
  descent: number;
  capHeight: number;
  /** Or the face whose widths are the same. */
  runs: StoredRun[] | string;
  /** Letters that kern alike, and for each value those that take it after them: [value, right, right …]. */
  kerns: [lefts: number[], values: number[][]][];
  joining?: {
    /** Rows of [code point, joins before (1) and after (2), four widths]. */
    letters: number[][];
    /** Rows of [first, second, joined before (1) and after (2), what they take more]. */
    pairs: number[][];
  };
  /** Rows that end with a width: [consonant, half], [first, second, more], [first, second, third, more], [consonant, sign, more]. */
  syllables?: { half: number[][]; pairs: number[][]; triples: number[][]; signs: number[][] };
}

function unpack({ runs, kerns, joining, syllables, ...metrics }: StoredTable): Table {
  const advance = new Float64Array(0x10000).fill(NaN);
  const told = typeof runs === 'string' ? all[runs as Face].runs : runs;
  for (const [start, widths, count] of told as StoredRun[])
    if (typeof widths === 'number') advance.fill(widths, start, start + count!);
    else advance.set(widths, start);
  const kern = new Map<number, Map<number, number>>();
  for (const [lefts, values] of kerns) {
    const pairs = new Map<number, number>();
    for (const [value, ...rights] of values) for (const right of rights) pairs.set(right, value!);
    for (const left of lefts) kern.set(left, pairs);
  }
  return {
    ...metrics,
    advance,
    kern,
    ...(joining && { joining: joiningOf(joining) }),
    ...(syllables && { syllables: syllablesOf(syllables) }),
  };
}

const joiningOf = ({ letters, pairs }: NonNullable<StoredTable['joining']>): Joining => ({
  letters: new Map(
    letters.map(([point, joins, ...widths]): [number, JoiningLetter] => [
      point!,
      {
        before: (joins! & 1) > 0,
        after: (joins! & 2) > 0,
        widths: widths as unknown as JoiningLetter['widths'],
      },
    ]),
  ),
  pairs: new Map(pairs.map(([a, b, joined, more]) => [pairKey(a!, b!, (joined! & 1) > 0, (joined! & 2) > 0), more!])),
});

const keyed = (rows: readonly number[][]): Map<number, number> =>
  new Map(rows.map((row) => [clusterKey(...row.slice(0, -1)), row.at(-1)!]));

const syllablesOf = ({ half, pairs, triples, signs }: NonNullable<StoredTable['syllables']>): Syllables => ({
  half: new Map(half.map(([point, width]) => [point!, width!])),
  pairs: keyed(pairs),
  triples: keyed(triples),
  signs: keyed(signs),
});

const opened = new Map<Face, Table>();

/** The table of a face. */
export function tableOf(face: Face): Table {
  let table = opened.get(face);
  if (!table) opened.set(face, (table = unpack(all[face])));
  return table;
}
