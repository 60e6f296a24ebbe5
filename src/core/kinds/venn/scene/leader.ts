import type { Point } from '../../../arrange/curves';
import { remember } from '../../../model';
import type { Rect } from '../../../scene';

/** Where a line begins, beside what stands in its region, and where it ends, beside its part of the key. */
export interface LeaderEnds {
  readonly from: Point;
  readonly to: Point;
  /** What stands in its region, which this line alone may touch; null for nothing. */
  readonly own: Rect | null;
}

/** How far a line may go out of its way to run level between rows of text, and in what steps. CSS px. */
const farthest = 160;
const step = 3;
/** What it costs to pass through a text or over another line, in px of way. */
const offence = 1e4;
/** Lines that run nearer to each other than this are taken to lie on each other. */
const nearest = 3;

/** A line as numbers, x and y by turns. */
type Line = readonly number[];

export interface Leaders {
  readonly lines: readonly Line[];
  /** How many of them meet a text or another line, or several. */
  readonly offences: number;
  /** Those that meet the line after them. */
  readonly overNext: readonly number[];
}

/**
 * The lines from regions to the key on one side, x and y by turns: each straight or bent once where that meets no text and no other line,
 * else level between two rows of text; of those that meet least the shortest. `ends` in the order of the key from the top; `gutter`: free of
 * text before the key. All begin as level lines that bend in the gutter alone, where none crosses another if the regions come in the order of
 * their parts; each is then drawn anew with the others in place, which never lets more of them meet.
 */
export const leaders = remember(
  24,
  (ends: readonly LeaderEnds[], gutter: number, avoid: readonly Rect[]) => JSON.stringify([ends, gutter, avoid]),
  (ends, gutter, avoid): Leaders => {
    const boxes = [...avoid, ...ends.flatMap(({ own }) => own ?? [])];
    const lines: Line[] = ends.map(({ from, to }) => levelLine(from, to, gutter, from.y));
    const isOffence = (i: number): boolean => {
      const { own } = ends[i]!;
      const others = lines.filter((_, k) => k !== i);
      return met(lines[i]!, others) > 0 || boxes.some((box) => box !== own && crossed(lines[i]!, [box], 1) > 0);
    };
    let again = ends.map((_, i) => i);
    for (let round = 0; round < 3 && again.length > 0; round++) {
      for (const i of again) {
        const { from, to, own } = ends[i]!;
        const others = lines.filter((_, k) => k !== i);
        lines[i] = route(from, to, gutter, own ? boxes.filter((box) => box !== own) : boxes, others);
      }
      // Who is in another's way may by now have a way around it.
      again = again.filter(isOffence);
    }
    return {
      lines,
      offences: again.length,
      overNext: again.filter((i) => i + 1 < lines.length && met(lines[i]!, [lines[i + 1]!]) > 0),
    };
  },
);

const wayOf = (from: Point, to: Point): 1 | -1 => (to.x > from.x ? 1 : -1);

/** A line that runs level at `level` up to the gutter, and from there to its end. */
function levelLine(from: Point, to: Point, gutter: number, level: number): Line {
  const way = wayOf(from, to);
  const lead = way * Math.min(14, Math.abs(level - from.y));
  return [from.x, from.y, from.x + lead, level, to.x - way * gutter, level, to.x - way * 14, to.y, to.x, to.y];
}

function route(from: Point, to: Point, gutter: number, avoid: readonly Rect[], others: readonly Line[]): Line {
  const way = wayOf(from, to);
  const stub = to.x - way * 14;
  const [left, right] = [Math.min(from.x, to.x), Math.max(from.x, to.x)];
  const near = avoid.filter(({ x, width }) => x < right && x + width > left);
  let best: Line = [];
  let least = Infinity;
  const take = (line: Line): void => {
    const length = lengthOf(line);
    if (length >= least) return;
    const most = Math.ceil((least - length) / offence);
    const texts = crossed(line, near, most);
    if (texts >= most) return;
    const cost = offence * (texts + met(line, others)) + length;
    if (cost < least) [best, least] = [line, cost];
  };
  for (const bend of [null, 0, -8, 8, -18, 18, -32, 32]) {
    if (bend === null) take([from.x, from.y, stub, to.y, to.x, to.y]);
    else take([from.x, from.y, from.x + way * 16, from.y + bend, stub, to.y, to.x, to.y]);
    if (least < offence) return best;
  }
  for (let out = 0; out <= farthest; out += step) {
    for (const level of out === 0 ? [from.y] : [from.y - out, from.y + out]) take(levelLine(from, to, gutter, level));
    // Whatever lies farther out is longer.
    if (least < 2 * out) break;
  }
  return best;
}

const lengthOf = (points: Line): number => {
  let sum = 0;
  for (let k = 2; k < points.length; k += 2)
    sum += Math.hypot(points[k]! - points[k - 2]!, points[k + 1]! - points[k - 1]!);
  return sum;
};

/** How many times a line passes through boxes, up to `most`. */
const crossed = (points: Line, boxes: readonly Rect[], most: number): number => {
  let count = 0;
  for (let k = 0; k + 3 < points.length; k += 2)
    for (const box of boxes)
      if (passes(box, points[k]!, points[k + 1]!, points[k + 2]!, points[k + 3]!) && ++count >= most) return count;
  return count;
};

/** Whether a stretch meets the inside of a box: what lies between its upper and lower side, then where that is from left to right. */
function passes({ x, y, width, height }: Rect, x1: number, y1: number, x2: number, y2: number): boolean {
  const [right, bottom] = [x + width, y + height];
  if ((x1 <= x && x2 <= x) || (x1 >= right && x2 >= right) || (y1 <= y && y2 <= y) || (y1 >= bottom && y2 >= bottom))
    return false;
  if (y1 === y2) return true;
  const slope = (x2 - x1) / (y2 - y1);
  const [low, high] = y1 < y2 ? [Math.max(y1, y), Math.min(y2, bottom)] : [Math.max(y2, y), Math.min(y1, bottom)];
  const [a, b] = [x1 + (low - y1) * slope, x1 + (high - y1) * slope];
  return Math.max(a, b) > x && Math.min(a, b) < right;
}

/** How many stretches of other lines a line crosses or lies on. */
function met(line: Line, others: readonly Line[]): number {
  let count = 0;
  for (const other of others)
    for (let k = 0; k + 3 < line.length; k += 2)
      for (let m = 0; m + 3 < other.length; m += 2) if (meet(line, k, other, m)) count++;
  return count;
}

/** Whether the stretch of `a` from k on meets that of `b` from m on: they cross, or run level nearer than `nearest`. */
function meet(a: Line, k: number, b: Line, m: number): boolean {
  const [ax, ay, bx, by] = [a[k]!, a[k + 1]!, a[k + 2]!, a[k + 3]!];
  const [cx, cy, dx, dy] = [b[m]!, b[m + 1]!, b[m + 2]!, b[m + 3]!];
  const [left, right] = [Math.max(Math.min(ax, bx), Math.min(cx, dx)), Math.min(Math.max(ax, bx), Math.max(cx, dx))];
  if (left > right) return false;
  if (ay === by && cy === dy) return right > left && Math.abs(ay - cy) < nearest;
  const side = (px: number, py: number, qx: number, qy: number, x: number, y: number): number =>
    Math.sign((qx - px) * (y - py) - (qy - py) * (x - px));
  return (
    side(ax, ay, bx, by, cx, cy) * side(ax, ay, bx, by, dx, dy) <= 0 &&
    side(cx, cy, dx, dy, ax, ay) * side(cx, cy, dx, dy, bx, by) <= 0
  );
}
