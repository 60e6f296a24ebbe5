import { remember } from '../model';
import { mayTurn, mirrored, stretchesOf, type Base } from './bidi';
import { isOfScript, isShaped, notoFace, scriptFace, type EastAsian, type Face } from './face';
import { asksEastAsian, eastAsianOrder, scriptOf } from './scripts';
import { joinedWidth, syllablesWidth } from './shaped';
import { tableOf, type Table } from './tables';

/** Text in one face. Widths and places are CSS px. */
export interface Run {
  readonly face: Face;
  readonly text: string;
  readonly width: number;
  /** Set from right to left; left out where it is not. The text is in the order of reading all the same. */
  readonly rtl?: true;
}

const has = (face: Face, point: number): boolean => !Number.isNaN(advanceIn(tableOf(face), point));

/** The face that draws a code point of a text, asking that of its script and then Noto Sans; null where no shipped font has it. */
export function faceFor(face: Face, point: number, text: string): Face | null {
  if (has(face, point)) return face;
  const script = scriptOf(point);
  if (script !== null) {
    const asked = asksEastAsian(script) ? eastAsianOf(text) : [script];
    for (const one of asked) if (has(scriptFace(one, face), point)) return scriptFace(one, face);
  }
  return has(notoFace(face), point) ? notoFace(face) : null;
}
/** Told once a text, of which every character may ask. */
const eastAsianOf = remember(
  500,
  (text: string) => text,
  (text): readonly EastAsian[] => eastAsianOrder(text, (script, point) => has(scriptFace(script, 'sans400'), point)),
);

/** Characters of a text that no shipped font has, each once. Control characters and joiners are not drawn and do not count. */
export function missingCharacters(text: string): string[] {
  const missing = new Set<string>();
  for (const character of text) {
    const point = character.codePointAt(0)!;
    if (!isSilent(point) && faceFor('sans400', point, text) === null) missing.add(character);
  }
  return [...missing];
}

const isSilent = (point: number): boolean =>
  point < 0x20 ||
  point === 0x061c ||
  (point >= 0x200b && point <= 0x200f) ||
  (point >= 0x202a && point <= 0x202e) ||
  (point >= 0x2066 && point <= 0x2069) ||
  point === 0xfeff ||
  (point >= 0xfe00 && point <= 0xfe0f);

/**
 * Splits a line into runs of one face and direction each, from left to right as they are seen. Pair kerning counts within a run. A character that no
 * font has takes half an em of the wanted face. `base`: the direction of the paragraph that the line is of; that of the line itself where it is left
 * out. O(characters).
 */
export function runsOf(text: string, face: Face, size: number, base?: Base): Run[] {
  if (!mayTurn(text)) return runsOneWay(text, face, size, text);
  return stretchesOf(text, base).flatMap(({ text: stretch, rtl }) => {
    const runs = runsOneWay(stretch, face, size, text);
    if (!rtl) return runs;
    return runs
      .reverse()
      .map((run): Run => (isShaped(run.face) ? { ...run, rtl: true } : { ...run, text: mirrored(run.text) }));
  });
}

/** The runs of a stretch of one direction, in the order of reading; `whole`: the text that it is of. */
function runsOneWay(text: string, face: Face, size: number, whole: string): Run[] {
  const runs: Run[] = [];
  let current: Face | null = null;
  let start = 0;
  let units = 0;
  let table = tableOf(face);
  let kerned: ReadonlyMap<number, number> | undefined;
  const close = (end: number) => {
    if (current !== null && end > start) {
      const part = text.slice(start, end);
      const taken = isShaped(current) ? shapedUnits(part, table) : units;
      runs.push({ face: current, text: part, width: (taken * size) / table.unitsPerEm });
    }
    start = end;
    units = 0;
    kerned = undefined;
  };
  for (let i = 0; i < text.length;) {
    const point = text.codePointAt(i)!;
    let advance = advanceIn(table, point);
    // Within a word a fallback goes on as long as it can, so that a word is not a patchwork.
    const stays: boolean =
      current !== null &&
      ((!Number.isNaN(advance) && (current === face || point > 0x7f)) || (isSilent(point) && isOfScript(current)));
    if (!stays) {
      const wanted: Face = faceFor(face, point, whole) ?? current ?? face;
      if (wanted !== current) {
        close(i);
        current = wanted;
        table = tableOf(wanted);
        advance = advanceIn(table, point);
      }
    }
    units += takenBy(point, advance, table);
    if (kerned && point <= 0xffff) units += kerned.get(point) ?? 0;
    kerned = point <= 0xffff ? table.kern.get(point) : undefined;
    i += point > 0xffff ? 2 : 1;
  }
  close(text.length);
  return runs;
}

/** What the table of a face says of a character; NaN where it has none. */
const advanceIn = ({ advance }: Table, point: number): number => (point <= 0xffff ? advance[point]! : NaN);

/** The room of a character, in font units: half an em where no font has it, none for what is not drawn. */
const takenBy = (point: number, advance: number, { unitsPerEm }: Table): number =>
  Number.isNaN(advance) ? (isSilent(point) ? 0 : unitsPerEm / 2) : advance;

/** Width of a run in its script's own forms, in font units. */
function shapedUnits(text: string, table: Table): number {
  const own = (point: number): number => takenBy(point, advanceIn(table, point), table);
  if (table.joining) return joinedWidth(text, table.joining, own);
  if (table.syllables) return syllablesWidth(text, table.syllables, own);
  let width = 0;
  let last: number | null = null;
  for (const character of text) {
    const point = character.codePointAt(0)!;
    width += own(point);
    // Points within and below letters keep none of them apart.
    if (/\p{M}/u.test(character)) continue;
    if (last !== null) width += table.kern.get(last)?.get(point) ?? 0;
    last = point;
  }
  return width;
}

/**
 * How far each character of a run moves on, kerning with the next one included, in units of an em; null where the face's own tables do not tell, as for
 * combining marks and characters beyond the first plane. O(characters).
 */
export function advancesOf(text: string, face: Face): number[] | null {
  if (isShaped(face) || /[\p{M}\p{Cf}\p{Cs}]/u.test(text)) return null;
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
