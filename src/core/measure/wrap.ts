import type { MarkedLine } from './marked-text';
import LineBreaker from 'linebreak';
import { baseOf, type Base } from './bidi';
import type { Face } from './face';
import { widthOf } from './measure';

/** Letters of scripts with signs above and below them. */
const signed = /[\u0590-\u08ff\u0900-\u097f\ufb1d-\ufdff\ufe70-\ufefc]/;

export interface Wrapped {
  readonly lines: readonly string[];
  /** Width of the widest line, CSS px. */
  readonly width: number;
  /** The direction of the whole text, of which each line is a part. */
  readonly base: Base;
  /** Whether its letters have signs above or below them, so that lines need more room. */
  readonly tall: boolean;
  /** The lines as they are set, where parts of them are set in another manner. */
  readonly marked?: readonly MarkedLine[];
}

/** The pieces of a text between its Unicode line-break opportunities (UAX #14), spaces kept at their ends. */
function pieces(text: string): string[] {
  const breaker = new LineBreaker(text);
  const found: string[] = [];
  let start = 0;
  for (let next = breaker.nextBreak(); next; next = breaker.nextBreak()) {
    // A sign stays with its number, whatever stands between them.
    if (/(^|\s)[−+-]$/.test(text.slice(start, next.position))) continue;
    found.push(text.slice(start, next.position));
    start = next.position;
  }
  if (start < text.length) found.push(text.slice(start));
  return found;
}

/** Parts of a name that stay with what follows: particles, titles before a name, initials. */
const leads =
  /^(van|vander|der|den|des|de|del|della|di|da|do|dos|das|du|la|le|les|el|al|von|vom|zu|zum|zur|ten|ter|mac|mc|ó|ní|ap|bin|ibn|ben|af|av|y|e|dr|prof|mr|mrs|ms|st|sir|dame|\p{Lu})\.?$/iu;
/** Parts that stay with what comes before: numbers and numerals after a name, "Jr". */
const trails = /^(\d{1,4}|[IVX]{1,4}|[js]r\.?)$/iu;

/** The pieces of a name: particles stay with it, and a double name is parted at its hyphen only where it is wider than `most` CSS px. */
function namePieces(name: string, face: Face, size: number, most: number): string[] {
  const parts: string[] = [];
  let open = false;
  for (const piece of pieces(name)) {
    const last = parts.at(-1);
    const bare = piece.trim();
    const joins =
      last !== undefined &&
      (open || trails.test(bare) || (/\p{L}-$/u.test(last) && widthOf(last + bare, face, size) <= most));
    if (joins) parts[parts.length - 1] = last + piece;
    else parts.push(piece);
    open = leads.test(bare);
  }
  return parts;
}

/**
 * Breaks a text so that it is at most `wanted` CSS px wide where that takes no more than `mostLines` lines; where it would take
 * more, the lines grow wider instead: nothing is ever cut. Lines are as even as the words allow.
 */
export function wrap(text: string, face: Face, size: number, wanted: number, mostLines: number): Wrapped {
  const ways = foldsOf(text, face, size, mostLines);
  return foldWithin(ways, wanted);
}

/** The first of some folds, from few lines to many, that is at most `wanted` CSS px wide; else the narrowest. */
export function foldWithin(ways: readonly Wrapped[], wanted: number): Wrapped {
  for (const way of ways) if (way.width <= wanted) return way;
  return ways.at(-1)!;
}

/**
 * The ways to set a text on one line, two, and so on up to `mostLines`, each as narrow as its number of lines allows; a further line is left out where it
 * makes nothing narrower. `name`: the widest double name that is not parted, in CSS px; left out for what is no name.
 */
export function foldsOf(
  text: string,
  face: Face,
  size: number,
  mostLines: number,
  name: { readonly widestDouble: number } | null = null,
): Wrapped[] {
  const whole = text.trim();
  const base = baseOf(whole);
  const tall = signed.test(whole);
  const ways: Wrapped[] = [{ lines: [whole], width: widthOf(whole, face, size), base, tall }];
  const parts = name ? namePieces(whole, face, size, name.widestDouble) : pieces(whole);
  for (let lines = 2; lines <= Math.min(mostLines, parts.length); lines++) {
    const way = narrowest(parts, face, size, lines);
    if (way.width < ways.at(-1)!.width - 0.01) ways.push({ ...way, base, tall });
  }
  return ways;
}

/** The narrowest setting of pieces on `count` lines: the least of the widest lines, by dynamic programming over the breaks. O(pieces² · lines). */
function narrowest(parts: readonly string[], face: Face, size: number, count: number): Omit<Wrapped, 'base' | 'tall'> {
  const n = parts.length;
  const widths = parts.map((part) => widthOf(part, face, size));
  const bare = parts.map((part, i) => (part.endsWith(' ') ? widthOf(part.trimEnd(), face, size) : widths[i]!));
  const before = new Float64Array(n + 1);
  for (let i = 0; i < n; i++) before[i + 1] = before[i]! + widths[i]!;
  const line = (from: number, to: number): number => before[to - 1]! - before[from]! + bare[to - 1]!;
  let best = Float64Array.from({ length: n + 1 }, (_, to) => (to === 0 ? 0 : line(0, to)));
  const breaks: Int32Array[] = [];
  for (let l = 1; l < count; l++) {
    const next = new Float64Array(n + 1).fill(Infinity);
    const at = new Int32Array(n + 1);
    for (let to = l + 1; to <= n; to++)
      for (let from = to - 1; from >= l; from--) {
        const width = line(from, to);
        if (width >= next[to]!) break;
        const widest = Math.max(best[from]!, width);
        if (widest < next[to]!) {
          next[to] = widest;
          at[to] = from;
        }
      }
    breaks.push(at);
    best = next;
  }
  const lines: string[] = [];
  let to = n;
  for (let l = breaks.length - 1; l >= 0; l--) {
    const from = breaks[l]![to]!;
    lines.unshift(parts.slice(from, to).join('').trimEnd());
    to = from;
  }
  lines.unshift(parts.slice(0, to).join('').trimEnd());
  return { lines, width: Math.max(...lines.map((each) => widthOf(each, face, size))) };
}

/** Breaks a text into as many lines as it takes to be no wider than `width` CSS px; a word that is wider is broken between its letters. */
export function wrapWithin(text: string, face: Face, size: number, width: number): string[] {
  const lines: string[] = [];
  let line = '';
  for (const piece of pieces(text.trim()).flatMap((one) => lettersWithin(one, face, size, width))) {
    if (line !== '' && widthOf((line + piece).trimEnd(), face, size) > width) {
      lines.push(line.trimEnd());
      line = '';
    }
    line += piece;
  }
  if (line.trim() !== '') lines.push(line.trimEnd());
  return lines;
}

function lettersWithin(piece: string, face: Face, size: number, width: number): string[] {
  if (widthOf(piece.trimEnd(), face, size) <= width) return [piece];
  const parts: string[] = [];
  let part = '';
  for (const letter of piece) {
    if (part !== '' && widthOf(part + letter, face, size) > width) {
      parts.push(part);
      part = '';
    }
    part += letter;
  }
  return [...parts, part];
}
