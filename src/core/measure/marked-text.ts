import type { BoxStyle, Typeface } from '../model';
import { faceOf, type Face } from './face';
import { runsOf, widthOf, widthOfRuns, type Run } from './measure';

/** A stretch of text in one manner. */
interface Span {
  readonly text: string;
  readonly bold: boolean;
  readonly italic: boolean;
  readonly shift: 'none' | 'up' | 'down';
}

/** A piece of a set line: runs of one size, `x` from the left end of the line, `rise` above its baseline. CSS px. */
export interface MarkedPiece {
  readonly x: number;
  readonly rise: number;
  readonly size: number;
  readonly runs: readonly Run[];
}

export interface MarkedLine {
  readonly pieces: readonly MarkedPiece[];
  readonly width: number;
  /** Where it begins; lists are set in. CSS px. */
  readonly indent: number;
}

/** How small letters above and below the line are, and how far they stand off it, as shares of the size. */
const small = 0.66;
const shifts = { none: 0, up: 0.36, down: -0.16 } as const;
const bullet = '•';

const item = /^\s*[-–•]\s+/u;

/** Whether a line of a text is one of a list, and so begins with a dot. */
export const isItem = (line: string): boolean => item.test(line);

/** Whether a text has anything that is set in another manner. */
export const isMarked = (text: string): boolean => /[*{]/.test(text) && spansOf(text, plain).some(isSet);

/** The text without the signs that tell its manner, as it is read out. */
export const unmarked = (text: string): string =>
  spansOf(text, plain)
    .map((span) => span.text)
    .join('');

type Manner = Omit<Span, 'text'>;
const plain: Manner = { bold: false, italic: false, shift: 'none' };

const isSet = ({ bold, italic, shift }: Span): boolean => bold || italic || shift !== 'none';

/** `**bold**`, `*slanted*`, `^{above}` and `_{below}`, one within the other; signs that close nothing stand for themselves. O(length). */
function spansOf(text: string, manner: Manner): Span[] {
  const spans: Span[] = [];
  const closes = closesIn(text);
  let begun = 0;
  for (let at = 0; at < text.length;) {
    const sign = opened(text, at).find((one) => closes[one][closesFrom(text, at, one)]! >= 0);
    if (!sign) {
      at++;
      continue;
    }
    const close = closes[sign][closesFrom(text, at, sign)]!;
    if (at > begun) spans.push({ text: text.slice(begun, at), ...manner });
    const inside = text.slice(at + sign.length, close);
    if (sign === '**') spans.push(...spansOf(inside, { ...manner, bold: true }));
    else if (sign === '*') spans.push(...spansOf(inside, { ...manner, italic: true }));
    else spans.push({ text: inside, ...manner, shift: sign === '_{' ? 'down' : 'up' });
    at = begun = close + (sign === '**' ? 2 : 1);
  }
  if (begun < text.length) spans.push({ text: text.slice(begun), ...manner });
  return spans;
}

type Sign = '**' | '*' | '^{' | '_{';

/** The signs that may open something at a place, the longer one first. */
function opened(text: string, at: number): readonly Sign[] {
  const sign = text[at];
  if (sign === '*') {
    if (!isLetter(text[at + 1])) return [];
    return text[at + 1] === '*' && isLetter(text[at + 2]) ? ['**', '*'] : ['*'];
  }
  return text[at + 1] === '{' ? (sign === '^' ? ['^{'] : sign === '_' ? ['_{'] : []) : [];
}
const isLetter = (sign: string | undefined): boolean => sign !== undefined && /\S/.test(sign);

/** From which place on it may be closed: between stars stands at least one letter. */
const closesFrom = (text: string, at: number, sign: Sign): number =>
  Math.min(text.length, at + sign.length + (sign === '*' || sign === '**' ? 1 : 0));

/** For each place, where what may have been opened before it is next closed; -1 for nowhere. */
function closesIn(text: string): Readonly<Record<Sign, Int32Array>> {
  const n = text.length;
  const [bold, italic, braces] = [new Int32Array(n + 1), new Int32Array(n + 1), new Int32Array(n + 1)];
  bold[n] = italic[n] = braces[n] = -1;
  for (let at = n - 1; at >= 0; at--) {
    // Stars close on their line.
    const ends = /[\n\r\u2028\u2029]/.test(text[at]!);
    const star = text[at] === '*' && isLetter(text[at - 1]);
    bold[at] = ends ? -1 : star && text[at + 1] === '*' && text[at + 2] !== '*' ? at : bold[at + 1]!;
    italic[at] = ends ? -1 : star ? at : italic[at + 1]!;
    // Braces have no others within, and something.
    braces[at] = text[at] === '}' && text[at - 1] !== '{' ? at : /[{}]/.test(text[at]!) ? -1 : braces[at + 1]!;
  }
  return { '**': bold, '*': italic, '^{': braces, '_{': braces };
}

interface Setting {
  readonly typeface: Typeface;
  readonly size: number;
  /** Of plain words; bold ones are bold. */
  readonly weight: BoxStyle['nameWeight'];
  /** Of plain words; among slanted ones those marked stand upright. Left out: upright. */
  readonly slant?: BoxStyle['nameSlant'];
}

/** A word with the blank after it, in parts of one manner. */
type Word = Span[];

/** Words keep together across manners: "*half*way" is one word. */
function wordsOf(spans: readonly Span[]): Word[] {
  const words: Word[] = [[]];
  for (const span of spans)
    for (const part of span.text.match(/\S+\s*|\s+/gu) ?? []) {
      words.at(-1)!.push({ ...span, text: part });
      if (/\s$/u.test(part)) words.push([]);
    }
  return words.filter((word) => word.length > 0);
}

const faceOfSpan = ({ bold, italic }: Span, { typeface, weight, slant = 'upright' }: Setting): Face =>
  faceOf(typeface, { weight: bold ? 700 : weight, slant: italic === (slant === 'italic') ? 'upright' : 'italic' });
const sizeOfSpan = ({ shift }: Span, { size }: Setting): number => (shift === 'none' ? size : size * small);
const widthOfSpan = (span: Span, setting: Setting): number =>
  widthOf(span.text, faceOfSpan(span, setting), sizeOfSpan(span, setting));

/** Sets a text with its lines broken at `width` CSS px; lines of the text stay lines, those that begin with a hyphen get a dot. O(characters). */
export function setMarked(text: string, setting: Setting, width: number): MarkedLine[] {
  return text.split('\n').flatMap((line) => {
    const dot = item.exec(line);
    const indent = dot ? setting.size * 1.1 : 0;
    const words = wordsOf(spansOf(dot ? line.slice(dot[0].length) : line, plain));
    const rows: Word[][] = [[]];
    let taken = 0;
    for (const word of words) {
      const bare = word.map((span, k) => (k === word.length - 1 ? { ...span, text: span.text.trimEnd() } : span));
      const wide = bare.reduce((sum, span) => sum + widthOfSpan(span, setting), 0);
      if (taken > 0 && taken + wide > width - indent) {
        rows.push([]);
        taken = 0;
      }
      rows.at(-1)!.push(word);
      taken += word.reduce((sum, span) => sum + widthOfSpan(span, setting), 0);
    }
    return rows.map((row, k) => lineOf(row.flat(), setting, indent, dot !== null && k === 0));
  });
}

/** A text with its lines broken, told by its lines as they stand and as they are set. */
export interface MarkedWay {
  readonly lines: readonly MarkedLine[];
  readonly width: number;
}

/** So many widths are tried for a number of lines. */
const widthsTried = 24;

/** The ways to set a text on one line, two, and so on up to `mostLines`, each about as narrow as its number of lines allows; see `foldsOf`. */
export function markedFolds(text: string, setting: Setting, mostLines: number): MarkedWay[] {
  const set = (width: number): MarkedWay => {
    const lines = setMarked(text, setting, width);
    return { lines, width: Math.max(0, ...lines.map((line) => line.width)) };
  };
  const ways = [set(Infinity)];
  const { width } = ways[0]!;
  const least = ways[0]!.lines.length;
  for (let lines = least + 1; lines <= mostLines; lines++)
    for (let k = 0; k <= widthsTried; k++) {
      const way = set((width / lines) * (1 + ((lines - 1) * k) / widthsTried));
      if (way.lines.length > lines) continue;
      if (way.width < ways.at(-1)!.width - 0.01) ways.push(way);
      break;
    }
  return ways;
}

/** Neighbours of one manner as one stretch, so that they are set and found as one. */
function merged(spans: readonly Span[]): Span[] {
  const all: Span[] = [];
  for (const span of spans) {
    const last = all.at(-1);
    if (last && last.bold === span.bold && last.italic === span.italic && last.shift === span.shift)
      all[all.length - 1] = { ...last, text: last.text + span.text };
    else all.push(span);
  }
  return all;
}

function lineOf(spans: readonly Span[], setting: Setting, indent: number, first: boolean): MarkedLine {
  const pieces: MarkedPiece[] = [];
  if (first)
    pieces.push({
      x: -indent,
      rise: 0,
      size: setting.size,
      runs: runsOf(bullet, faceOf(setting.typeface, { weight: 400, slant: 'upright' }), setting.size),
    });
  let x = 0;
  const parts = merged(spans);
  parts.forEach((span, k) => {
    const text = k === parts.length - 1 ? span.text.trimEnd() : span.text;
    if (text === '') return;
    const size = sizeOfSpan(span, setting);
    const runs = runsOf(text, faceOfSpan(span, setting), size);
    pieces.push({ x, rise: shifts[span.shift] * setting.size, size, runs });
    x += widthOfRuns(runs);
  });
  return { pieces, width: x + indent, indent };
}
