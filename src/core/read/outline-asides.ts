import { depthsOf } from './outline-depths';
import type { OutlineLine } from './outline-lines';
import { traits } from './table-parts';

/** What a line beside an outline is. */
export type AsideOfOutline = 'title' | 'remark';

/** Bits that make a line a remark: it has what hardly another line has; no sign where others have one; nothing below it where all others as far out have, more where that is but one; an empty line before it; nothing but its like after it. */
const bits = { unlike: 5, noSign: 4, leaf: 3, besideOne: 4, blank: 2, end: 1 };
const least = 7;
const fewestLines = 3;
/** A trait is unlike where at most this share of lines has it, and lines have signs where at least this share has. */
const unlikeShare = 0.1;
const signedShare = 0.8;
/** Titles stand on one of the first lines, remarks in so many blocks at the end. */
const mostAbove = 2;

/**
 * Lines that stand around or between the lines of an outline: titles and remarks above, feet of pages, signatures. Only lines that empty lines part from the others can be
 * that. By index. O(lines).
 */
export function asidesOf(
  lines: readonly OutlineLine[],
  isBlankAfter: (line: number) => boolean,
): Map<number, AsideOfOutline> {
  const found = new Map<number, AsideOfOutline>();
  if (lines.length < fewestLines) return found;
  const alone = lines.map(({ line }, i) => ({
    before: i === 0 || isBlankAfter(lines[i - 1]!.line),
    after: i === lines.length - 1 || isBlankAfter(line),
  }));
  const body = lines.filter((_, i) => !(alone[i]!.before && alone[i]!.after));
  if (body.length < 2) return found;
  const isSigned = body.filter(({ sign }) => sign !== null).length >= body.length * signedShare;
  const have = traits.map((trait) => body.filter(({ whole }) => trait(whole)).length);
  const isUnlike = ({ whole }: OutlineLine): boolean =>
    traits.some((trait, k) => trait(whole) && have[k]! <= body.length * unlikeShare);
  const topsLead = leadingTops(body);
  for (let i = lines.length - 1; i > 0; i--) {
    const each = lines[i]!;
    if (!alone[i]!.before || !alone[i]!.after || each.sign !== null || isDeeper(lines[i + 1], each)) continue;
    const end = lines.slice(i + 1).every((_, k) => found.has(i + 1 + k));
    const rated =
      bits.blank +
      (isUnlike(each) ? bits.unlike : 0) +
      (isSigned ? bits.noSign : 0) +
      (topsLead > 0 && each.indent <= lines[0]!.indent ? (topsLead === 1 ? bits.besideOne : bits.leaf) : 0) +
      (end ? bits.end : 0);
    if (rated >= least) found.set(i, 'remark');
  }
  for (let i = 0; i < mostAbove; i++) {
    const each = lines[i];
    if (
      !each ||
      !alone[i]!.after ||
      each.sign !== null ||
      each.indent > lines[i + 1]!.indent ||
      lines.length - i < fewestLines
    )
      break;
    const rest = lines.filter((_, k) => k > i && !found.has(k));
    if (isDeeper(lines[i + 1], each) || !(leadingTops(rest) > 0 || isSigned || isUnlike(each))) break;
    found.set(i, 'title');
  }
  return found;
}

const isDeeper = (next: OutlineLine | undefined, each: OutlineLine): boolean =>
  next !== undefined && next.indent > each.indent;

/** How many lines stand furthest out, where each of them has something below it; 0 where one has not. */
function leadingTops(lines: readonly OutlineLine[]): number {
  if (lines.length < 2) return 0;
  const { of } = depthsOf(lines);
  const top = Math.min(...of.slice(0, 10_000));
  const tops = of.flatMap((depth, i) => (depth > top ? [] : [i]));
  return tops.every((i) => (of[i + 1] ?? top) > of[i]!) ? tops.length : 0;
}
