import { branches, bullet, dotted, heading, isDrawn, letter, number, onlyDrawn, repeated } from './line-parts';

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
  /** What the sign may be: a bullet as it is with 0; the manner of a number or letter ("1.", "a)", "(i)") and what it counts, a letter as a Roman numeral too. */
  readonly marks: readonly Mark[];
}

export interface Mark {
  readonly style: string;
  readonly count: number;
}

const tabWidth = 4;
/** A small o as a bullet, where several lines begin so, or nearly all others begin with a bullet. */
const ring = /^o\s+(?=\S)/;
const leastRings = 0.15;
const nearlyAll = 0.8;
/** Where this share of lines counts, letters that begin to count are signs everywhere. */
const mostlyCounting = 0.5;
/** A line below a heading that only underlines it. */
const underline = /^(?:={3,}|-{3,}|~{3,})$/;

interface Found extends OutlineLine {
  readonly pointed: boolean;
  /** A number such as 1.2 without its end; empty for none. */
  readonly path: string;
}

/**
 * The lines of an outline that have text. A number or letter before a name is a sign only where it counts: in a run such as 1. 2. 3. or a) b), or
 * as 1.2.3 where most lines have one; "24 Hour Desk" and "A. Okoro" are names. O(characters).
 */
export function outlineLines(source: readonly string[]): OutlineLine[] {
  const drawn = source.filter(isDrawn).length >= 2;
  const rings = source.filter((line) => ring.test(line.trimStart())).length;
  const signed = source.filter((line) => bullet.test(line.trimStart())).length;
  const filled = source.filter((line) => line.trim() !== '').length;
  const hasRings =
    rings >= Math.max(2, source.length * leastRings) || (signed >= 2 && signed + rings >= filled * nearlyAll);
  const found = withUnderlined(
    source
      .map((line, i) => measure(line, i, hasRings))
      .filter((each) => each.whole !== '' && !(drawn && onlyDrawn.test(each.whole))),
  );
  const numbered = found.filter((each) => each.sign === 'number');
  const byLevels = numbered.some((each) => each.levels > 1) && numbered.length >= found.length * 0.6;
  const counting = runs(found);
  // 1 before 1.1 counts, whatever stands after it.
  const begun = new Set(
    numbered.flatMap(({ path }) => (path.includes('.') ? [path.slice(0, path.lastIndexOf('.'))] : [])),
  );
  // A manner of counting that counts somewhere is one wherever it begins: (i) below a).
  const styles = new Set(
    [...counting].flatMap((i) => found[i]!.marks.map(({ style }) => style)).filter((style) => style.includes(')')),
  );
  const most = counting.size >= found.length * mostlyCounting;
  return found.map((each, i): OutlineLine => {
    const { line, indent, sign, levels, text, whole, marks } = each;
    const begins = marks.some(({ count }) => count === 1);
    const isSign =
      sign === 'bullet' ||
      sign === 'heading' ||
      (sign !== null && (counting.has(i) || marks.some(({ style }) => styles.has(style)))) ||
      (sign === 'letter' && begins && (most || marks[0]!.style.startsWith('('))) ||
      (sign === 'number' && (byLevels || begun.has(each.path) || (each.pointed && begins)));
    return isSign
      ? { line, indent, sign, levels, text, whole, marks }
      : { line, indent, sign: null, levels: 0, text: whole, whole, marks: [] };
  });
}

function measure(source: string, i: number, hasRings: boolean): Found {
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
  const plain = {
    ...{ line: i + 1, indent, whole, text: whole, sign: null, levels: 0 },
    ...{ marks: [], pointed: false, path: '' },
  };
  const after = (sign: RegExpExecArray) => whole.slice(sign[0].length).trim();
  const head = heading.exec(whole);
  if (head)
    return { ...plain, sign: 'heading', levels: head[1]!.length, text: after(head), marks: [{ style: '#', count: 0 }] };
  const dots = dotted.exec(whole);
  if (dots) return { ...plain, indent: indent + dots[0].length, text: after(dots), whole: after(dots) };
  const several = repeated.exec(whole);
  if (several) {
    const deeper = several[0].trim().length - 1;
    return {
      ...plain,
      sign: 'bullet',
      indent: indent + deeper,
      text: after(several),
      marks: [{ style: whole[0]!, count: 0 }],
    };
  }
  const dot = bullet.exec(whole) ?? (hasRings ? ring.exec(whole) : null);
  if (dot) return { ...plain, sign: 'bullet', text: after(dot), marks: [{ style: whole[0]!, count: 0 }] };
  const count = number.exec(whole);
  if (count) {
    const steps = count[1]!.split('.');
    const marks = [{ style: count[0].trim().replace(/\d+(?:\.\d+)*/, '1'), count: Number(steps.at(-1)) }];
    return {
      ...plain,
      sign: 'number',
      levels: steps.length,
      text: after(count),
      pointed: count[2] !== '',
      path: count[1]!,
      marks,
    };
  }
  const sign = letter.exec(whole);
  if (!sign) return plain;
  const mark = sign[0].trim();
  return { ...plain, sign: 'letter', text: after(sign), pointed: true, marks: letterMarks(mark, sign[1]!) };
}

/** Lines that are underlined by a line of their own are headings, the stronger line the higher. */
function withUnderlined(lines: readonly Found[]): Found[] {
  const strokes = new Set(lines.flatMap(({ whole }) => (underline.test(whole) ? [whole[0]!] : [])));
  if (strokes.size === 0) return [...lines];
  const level = ['=', '-', '~'].filter((stroke) => strokes.has(stroke));
  return lines.flatMap((each, i): Found[] => {
    if (underline.test(each.whole) && i > 0 && lines[i - 1]!.line === each.line - 1) return [];
    const below = lines[i + 1];
    const isHeading = below?.line === each.line + 1 && underline.test(below.whole) && each.sign === null;
    return [
      isHeading
        ? { ...each, sign: 'heading', marks: [{ style: '#', count: 0 }], levels: level.indexOf(below.whole[0]!) + 1 }
        : each,
    ];
  });
}

const romans = new Map(
  ['i', 'ii', 'iii', 'iv', 'v', 'vi', 'vii', 'viii', 'ix', 'x', 'xi', 'xii'].map((sign, i) => [sign, i + 1]),
);
function letterMarks(mark: string, letters: string): Mark[] {
  const small = letters.toLowerCase();
  const isSmall = letters === small;
  const roman = romans.get(small);
  const manner = (alpha: string, numeral: string) => mark.replace(letters, isSmall ? alpha : numeral);
  return [
    ...(letters.length === 1 ? [{ style: manner('a', 'A'), count: small.charCodeAt(0) - 96 }] : []),
    ...(roman === undefined ? [] : [{ style: manner('i', 'I'), count: roman }]),
  ];
}

/** Indices of lines whose sign counts on from the last of its manner on the same indent, or is counted on from. */
function runs(lines: readonly Found[]): Set<number> {
  const counting = new Set<number>();
  const stack: { indent: number; last: Map<string, { count: number; at: number }> }[] = [];
  lines.forEach((each, at) => {
    while (stack.length > 0 && stack.at(-1)!.indent > each.indent) stack.pop();
    if (stack.at(-1)?.indent !== each.indent) stack.push({ indent: each.indent, last: new Map() });
    const { last } = stack.at(-1)!;
    for (const { style, count } of each.marks) {
      const before = last.get(style);
      if (before?.count === count - 1 && count > 1) counting.add(before.at).add(at);
    }
    // What stands plain between two signs ends a run of letters, which may be initials.
    if (each.sign === null) last.clear();
    for (const { style, count } of each.marks) last.set(style, { count, at });
  });
  return counting;
}
