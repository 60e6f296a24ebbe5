import type { Point } from '../arrange';
import type { Rect } from './scene';

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
    const cost = 1e4 * crossed(points, near) + lengthOf(points);
    if (cost < least) [best, least] = [points, cost];
  };
  for (const points of plain) {
    if (crossed(points, near) === 0) return points;
    take(points);
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

const crossed = (points: readonly number[], boxes: readonly Rect[]): number => {
  let count = 0;
  for (const box of boxes) for (let k = 0; k + 3 < points.length; k += 2) if (passes(box, points, k)) count++;
  return count;
};

/** Whether the line from point k to the next meets the inside of a box: the stretch of it that each pair of sides leaves (Liang–Barsky). */
function passes({ x, y, width, height }: Rect, points: readonly number[], k: number): boolean {
  const [x1, y1] = [points[k]!, points[k + 1]!];
  const [dx, dy] = [points[k + 2]! - x1, points[k + 3]! - y1];
  let [enter, leave] = [0, 1];
  for (const [delta, toLow, toHigh] of [
    [dx, x - x1, x + width - x1],
    [dy, y - y1, y + height - y1],
  ] as const) {
    if (delta === 0) {
      if (toLow >= 0 || toHigh <= 0) return false;
      continue;
    }
    const [a, b] = [toLow / delta, toHigh / delta];
    enter = Math.max(enter, Math.min(a, b));
    leave = Math.min(leave, Math.max(a, b));
  }
  return leave - enter > 1e-9;
}
