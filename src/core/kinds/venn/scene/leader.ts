import type { Point } from '../../../arrange/curves';
import type { Rect } from '../../../scene';

/** How far a line may go out of its way to run level between rows of text, and in what steps. CSS px. */
const farthest = 160;
const step = 3;

/**
 * Points of a line from a number in a region to the side of the key, x and y by turns: straight or bent once where that meets no text;
 * else level between two rows of text; of those that meet least text the shortest. `gutter`: free of text before the key.
 */
export function leader(from: Point, to: Point, gutter: number, avoid: readonly Rect[]): number[] {
  const way = to.x > from.x ? 1 : -1;
  const stub = to.x - way * 14;
  const plain = [0.5, 0, -8, 8, -18, 18, -32, 32].map((bend) =>
    bend === 0.5
      ? [from.x, from.y, stub, to.y, to.x, to.y]
      : [from.x, from.y, from.x + way * 16, from.y + bend, stub, to.y, to.x, to.y],
  );
  const [left, right] = [Math.min(from.x, to.x), Math.max(from.x, to.x)];
  const near = avoid.filter(({ x, width }) => x < right && x + width > left);
  let best = plain[0]!;
  let least = Infinity;
  const take = (points: number[]): void => {
    const length = lengthOf(points);
    if (length >= least) return;
    const cost = 1e4 * crossed(points, near, Math.ceil((least - length) / 1e4)) + length;
    if (cost < least) [best, least] = [points, cost];
  };
  for (const points of plain) {
    const times = crossed(points, near);
    if (times === 0) return points;
    const cost = 1e4 * times + lengthOf(points);
    if (cost < least) [best, least] = [points, cost];
  }
  for (let out = 0; out <= farthest; out += step) {
    for (const level of out === 0 ? [from.y] : [from.y - out, from.y + out])
      take([
        from.x,
        from.y,
        from.x + way * Math.min(14, out),
        level,
        to.x - way * gutter,
        level,
        stub,
        to.y,
        to.x,
        to.y,
      ]);
    // Whatever lies farther out is longer.
    if (least < 2 * out) break;
  }
  return best;
}

const lengthOf = (points: readonly number[]): number => {
  let sum = 0;
  for (let k = 2; k < points.length; k += 2)
    sum += Math.hypot(points[k]! - points[k - 2]!, points[k + 1]! - points[k - 1]!);
  return sum;
};

/** How many times a line passes through boxes, up to `most`. */
const crossed = (points: readonly number[], boxes: readonly Rect[], most = Infinity): number => {
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
