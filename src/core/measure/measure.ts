import { fallbackOf, type Face } from './face';
import tables from './tables.generated.json';

interface Table {
  /** All in font units. */
  readonly unitsPerEm: number;
  readonly ascent: number;
  readonly descent: number;
  readonly capHeight: number;
  readonly advance: Float64Array;
  /** By left, then by right code point. */
  readonly kern: ReadonlyMap<number, ReadonlyMap<number, number>>;
}

type Stored = Record<Face, Omit<Table, 'advance' | 'kern'> & { runs: [number, number[]][]; kerns: number[][] }>;

/** NaN stands where the face has no glyph. */
function unpack({ runs, kerns, ...metrics }: Stored[Face]): Table {
  const advance = new Float64Array(0x10000).fill(NaN);
  for (const [start, widths] of runs) advance.set(widths, start);
  const kern = new Map<number, Map<number, number>>();
  for (const row of kerns) {
    const pairs = kern.get(row[0]!) ?? new Map<number, number>();
    for (let i = 1; i < row.length; i += 2) pairs.set(row[i]!, row[i + 1]!);
    kern.set(row[0]!, pairs);
  }
  return { ...metrics, advance, kern };
}

const opened = new Map<Face, Table>();
function tableOf(face: Face): Table {
  let table = opened.get(face);
  if (!table) {
    table = unpack((tables as unknown as Stored)[face]);
    opened.set(face, table);
  }
  return table;
}

/** Text in one face. Widths and places are CSS px. */
export interface Run {
  readonly face: Face;
  readonly text: string;
  readonly width: number;
}

const has = (face: Face, point: number): boolean => point <= 0xffff && !Number.isNaN(tableOf(face).advance[point]!);

/** The face that draws a code point, asking fallbacks; null where no shipped font has it. */
export function faceFor(face: Face, point: number): Face | null {
  if (has(face, point)) return face;
  const next = fallbackOf(face);
  return next !== null && has(next, point) ? next : null;
}

/** Characters of a text that no shipped font has, each once. Control characters and joiners are not drawn and do not count. */
export function missingCharacters(text: string): string[] {
  const missing = new Set<string>();
  for (const character of text) {
    const point = character.codePointAt(0)!;
    if (!isSilent(point) && faceFor('sans400', point) === null) missing.add(character);
  }
  return [...missing];
}

const isSilent = (point: number): boolean =>
  point < 0x20 || point === 0x200b || point === 0x200d || point === 0xfeff || (point >= 0xfe00 && point <= 0xfe0f);

/**
 * Splits a line into runs of one face each. Pair kerning counts within a run. A character that no font has takes half an em
 * of the wanted face. O(characters).
 */
export function runsOf(text: string, face: Face, size: number): Run[] {
  const runs: Run[] = [];
  let current: Face | null = null;
  let start = 0;
  let units = 0;
  let table = tableOf(face);
  let kerned: ReadonlyMap<number, number> | undefined;
  const close = (end: number) => {
    if (current !== null && end > start)
      runs.push({ face: current, text: text.slice(start, end), width: (units * size) / table.unitsPerEm });
    start = end;
    units = 0;
    kerned = undefined;
  };
  for (let i = 0; i < text.length;) {
    const point = text.codePointAt(i)!;
    let advance = point <= 0xffff ? table.advance[point]! : NaN;
    // Within a word a fallback goes on as long as it can, so that a word is not a patchwork.
    const stays: boolean = current !== null && !Number.isNaN(advance) && (current === face || point > 0x7f);
    if (!stays) {
      const wanted: Face = faceFor(face, point) ?? current ?? face;
      if (wanted !== current) {
        close(i);
        current = wanted;
        table = tableOf(wanted);
        advance = point <= 0xffff ? table.advance[point]! : NaN;
      }
    }
    units += Number.isNaN(advance) ? (isSilent(point) ? 0 : table.unitsPerEm / 2) : advance;
    if (kerned && point <= 0xffff) units += kerned.get(point) ?? 0;
    kerned = point <= 0xffff ? table.kern.get(point) : undefined;
    i += point > 0xffff ? 2 : 1;
  }
  close(text.length);
  return runs;
}

/**
 * How far each character of a run moves on, kerning with the next one included, in units of an em; null where the face's own tables do not tell, as for
 * combining marks and characters beyond the first plane. O(characters).
 */
export function advancesOf(text: string, face: Face): number[] | null {
  if (/[\p{M}\p{Cf}\p{Cs}]/u.test(text)) return null;
  const { advance, kern, unitsPerEm } = tableOf(face);
  const moves: number[] = [];
  for (let i = 0; i < text.length; i++) {
    const point = text.charCodeAt(i);
    const own = advance[point]!;
    if (Number.isNaN(own) || (point >= 0xd800 && point <= 0xdfff)) return null;
    moves.push((own + (kern.get(point)?.get(text.charCodeAt(i + 1)) ?? 0)) / unitsPerEm);
  }
  return moves;
}

/** Width of a line in CSS px at a size in CSS px. */
export const widthOf = (text: string, face: Face, size: number): number => widthOfRuns(runsOf(text, face, size));

/** Width of the runs of a line, in CSS px. */
export function widthOfRuns(runs: readonly Run[]): number {
  let width = 0;
  for (const run of runs) width += run.width;
  return width;
}

/** Height of a capital letter, for setting lines optically in the middle. CSS px. */
export const capHeightOf = (face: Face, size: number): number =>
  (tableOf(face).capHeight * size) / tableOf(face).unitsPerEm;
