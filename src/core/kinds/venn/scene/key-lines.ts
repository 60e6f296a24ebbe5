import { widthOf } from '../../../measure';
import type { Rect } from '../../../scene';
import {
  besideFrame,
  betweenParts,
  headingFace,
  headingSize,
  heightOf,
  numberSize,
  type KeyPart,
  type KeyRoom,
  type PartSet,
  type Plan,
} from './key-plan';
import { leaders, type LeaderEnds, type Leaders } from './leader';

/** Numbers may come nearer to curves than words, by this on both sides together; the room is also half as high as it is wide. */
const besideDigits = 8;
const leastRoom = 2;
/** Stands in a region that has no room for its numbers. */
export const dotRadius = 2;

/** A side of the key with everything in its place. */
interface LaidSide {
  readonly x: number;
  readonly sets: readonly PartSet[];
  readonly tops: readonly number[];
  readonly marks: readonly Mark[];
  readonly lines: Leaders;
}

function laidOut({ sides, width }: Plan, { frame, avoid }: KeyRoom): LaidSide[] {
  const all = marksIn(sides.flat().map(({ part }) => part));
  return sides.map((sets, s) => {
    const left = s === 0;
    const x = left ? frame.x - besideFrame - width : frame.x + frame.width + besideFrame;
    const tops = topsOf(sets, frame);
    const marks = left ? all.slice(0, sets.length) : all.slice(sides[0].length);
    const elsewhere = all.flatMap((mark) => (mark.box && !marks.includes(mark) ? [mark.box] : []));
    const ends = marks.flatMap((mark, i) => endsOf(mark, { x, y: tops[i]!, width, left }) ?? []);
    return { x, sets, tops, marks, lines: leaders(ends, besideFrame + 4, [...avoid, ...elsewhere]) };
  });
}

/** How often neighbours in the key are tried the other way round. */
const mostSwaps = 6;

/** Both sides of the key with everything in its place. Neighbours whose lines cross change places where fewer lines meet anything then. */
export function uncrossed(plan: Plan, room: KeyRoom): readonly LaidSide[] {
  let best = plan;
  let laid = laidOut(plan, room);
  const tried = new Set<string>();
  for (let swap = 0; swap < mostSwaps; swap++) {
    const found = laid.flatMap(({ sets, lines }, s) =>
      lines.overNext
        .map((i) => ({ s, upper: sets.filter(({ part }) => part.from)[i]! }))
        .filter(({ upper }) => !tried.has(`${upper.part.mask}`)),
    )[0];
    if (!found) break;
    tried.add(`${found.upper.part.mask}`);
    const sides = best.sides.map((side, s) => (s === found.s ? swapped(side, found.upper) : side));
    const other = { ...best, sides: [sides[0]!, sides[1]!] as const };
    const after = laidOut(other, room);
    if (offencesOf(after) < offencesOf(laid)) [best, laid] = [other, after];
  }
  return laid;
}

const offencesOf = (laid: readonly LaidSide[]): number => laid.reduce((sum, { lines }) => sum + lines.offences, 0);

/** A side with one set and the next in each other's place. */
function swapped(side: readonly PartSet[], upper: PartSet): PartSet[] {
  const at = side.indexOf(upper);
  return [...side.slice(0, at), ...side.slice(at + 1, at + 2), upper, ...side.slice(at + 2)];
}

/** Each part at the height of its region as nearly as the parts above and below allow, within the frame where they fit there. */
function topsOf(side: readonly PartSet[], frame: Rect): number[] {
  const bottom = frame.y + Math.max(frame.height, heightOf(side));
  const tops: number[] = [];
  let next = frame.y;
  for (const { part, height } of side) {
    tops.push(Math.max(next, part.from ? part.from.y - height / 2 : next));
    next = tops.at(-1)! + height + betweenParts;
  }
  let limit = bottom;
  for (let i = side.length - 1; i >= 0; i--) {
    tops[i] = Math.min(tops[i]!, limit - side[i]!.height);
    limit = tops[i]! - betweenParts;
  }
  return tops;
}

/** The ends of the line of a part whose place in the key is `column`; null for a part whose region is not there. */
function endsOf(
  { part, half, fits, box }: Mark,
  column: { readonly x: number; readonly y: number; readonly width: number; readonly left: boolean },
): LeaderEnds | null {
  if (!part.from) return null;
  const reach = fits ? half + 3 : dotRadius;
  return {
    from: { x: part.from.x + (column.left ? -reach : reach), y: part.from.y },
    to: { x: column.left ? column.x + column.width + 8 : column.x - 7, y: column.y + headingSize * 0.6 },
    own: box,
  };
}

/** What stands in the region of a part: the numbers of its entries, or a dot. */
export interface Mark {
  readonly part: KeyPart;
  /** Number of its first entry. */
  readonly first: number;
  readonly words: string;
  /** Half the width of the words. */
  readonly half: number;
  readonly fits: boolean;
  readonly box: Rect | null;
}

/** Numbers run through all parts, in the order in which they stand in the key. */
function marksIn(parts: readonly KeyPart[]): Mark[] {
  let next = 1;
  return parts.map((part) => {
    const first = next;
    next += part.entries.length;
    const words = numbersOf(first, part.entries.length);
    const half = widthOf(words, headingFace, numberSize) / 2;
    const { from } = part;
    const fits = from !== null && half > 0 && 2 * half <= from.room + besideDigits && from.room >= leastRoom;
    const [w, h] = fits ? [half + 2, numberSize / 2] : [dotRadius + 2, dotRadius + 2];
    return {
      part,
      first,
      words,
      half,
      fits,
      box: from && { x: from.x - w, y: from.y - h, width: 2 * w, height: 2 * h },
    };
  });
}

/** "3", or "3–9". */
const numbersOf = (first: number, count: number): string =>
  count === 0 ? '' : count === 1 ? String(first) : `${first}–${first + count - 1}`;
