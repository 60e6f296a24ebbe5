import { branches, bullet, heading, letter, number, repeated } from './line-parts';

export interface OutlineLine {
  readonly line: number;
  /** Columns of leading white space. */
  readonly indent: number;
  /** Without indent and without the sign before the name. */
  readonly text: string;
  /** With that sign. */
  readonly whole: string;
  readonly sign: 'bullet' | 'number' | 'letter' | 'heading' | null;
  /** Levels told by a number such as 1.2.3, or by the signs of a heading; 0 for none. */
  readonly levels: number;
}

const tabWidth = 4;
/** A small o as a bullet, where several lines begin so. */
const ring = /^o\s+(?=\S)/;

interface Found extends OutlineLine {
  /** What the sign counts: 3 for "3." and "c)"; a letter may count as a Roman numeral too. */
  readonly counts: readonly number[];
  readonly pointed: boolean;
}

/**
 * The lines of an outline that have text. A number or letter before a name is a sign only where it counts: in a run such as 1. 2. 3. or a) b), or
 * as 1.2.3 where most lines have one; "24 Hour Desk" and "A. Okoro" are names. O(characters).
 */
export function outlineLines(source: readonly string[]): OutlineLine[] {
  const isRing = source.filter((line) => ring.test(line.trimStart())).length >= Math.max(2, source.length * 0.15);
  const found = source.map((line, i) => measure(line, i, isRing)).filter((each) => each.whole !== '');
  const numbered = found.filter((each) => each.sign === 'number');
  const byLevels = numbered.some((each) => each.levels > 1) && numbered.length >= found.length * 0.6;
  const counting = runs(found);
  return found.map((each, i): OutlineLine => {
    const isSign =
      each.sign === 'bullet' ||
      each.sign === 'heading' ||
      (each.sign !== null && counting.has(i)) ||
      (each.sign === 'number' && (byLevels || (each.pointed && each.counts[0] === 1)));
    const { line, indent, sign, levels, text, whole } = each;
    return isSign
      ? { line, indent, sign, levels, text, whole }
      : { line, indent, sign: null, levels: 0, text: whole, whole };
  });
}

function measure(source: string, i: number, isRing: boolean): Found {
  let indent = 0;
  let at = 0;
  // Lines drawn before names, as listings of folders have them, are indents.
  const drawn = branches.exec(source);
  if (drawn) at = indent = drawn[0].length;
  for (; at < source.length; at++) {
    if (source[at] === '\t') indent += tabWidth - (indent % tabWidth);
    else if (source[at] === ' ' || source[at] === '\u00a0' || source[at] === '\u3000') indent++;
    else break;
  }
  const whole = source.slice(at).trim();
  const plain = { line: i + 1, indent, whole, text: whole, sign: null, levels: 0, counts: [], pointed: false };
  const after = (sign: RegExpExecArray) => whole.slice(sign[0].length).trim();
  const head = heading.exec(whole);
  if (head) return { ...plain, sign: 'heading', levels: head[1]!.length, text: after(head) };
  const several = repeated.exec(whole);
  if (several) return { ...plain, sign: 'bullet', indent: indent + several[0].trim().length - 1, text: after(several) };
  const dot = bullet.exec(whole) ?? (isRing ? ring.exec(whole) : null);
  if (dot) return { ...plain, sign: 'bullet', text: after(dot) };
  const count = number.exec(whole);
  if (count) {
    const steps = count[1]!.split('.');
    const counts = [Number(steps.at(-1))];
    return { ...plain, sign: 'number', levels: steps.length, text: after(count), counts, pointed: count[2] !== '' };
  }
  const sign = letter.exec(whole);
  if (sign)
    return { ...plain, sign: 'letter', text: after(sign), counts: letterCounts(sign[1]!.toLowerCase()), pointed: true };
  return plain;
}

const romans = new Map(
  ['i', 'ii', 'iii', 'iv', 'v', 'vi', 'vii', 'viii', 'ix', 'x', 'xi', 'xii'].map((sign, i) => [sign, i + 1]),
);
function letterCounts(sign: string): number[] {
  const roman = romans.get(sign);
  return [...(sign.length === 1 ? [sign.charCodeAt(0) - 96] : []), ...(roman === undefined ? [] : [roman])];
}

/** Indices of lines whose sign counts on from the one before on the same indent, or is counted on from. */
function runs(lines: readonly Found[]): Set<number> {
  const counting = new Set<number>();
  const stack: { indent: number; at: number }[] = [];
  lines.forEach((each, at) => {
    while (stack.length > 0 && stack.at(-1)!.indent > each.indent) stack.pop();
    const before = stack.at(-1);
    if (before?.indent === each.indent) {
      const last = lines[before.at]!;
      if (last.sign === each.sign && last.counts.some((count) => each.counts.includes(count + 1)))
        counting.add(before.at).add(at);
      before.at = at;
    } else {
      stack.push({ indent: each.indent, at });
    }
  });
  return counting;
}
