import type { Polyline } from './polyline';

/** The leg of a line that a bend by hand moves: the longest between two turns, else the longest; its number from 0. */
function legToBend(points: Polyline): number {
  const legs = points.length / 2 - 1;
  let [best, length] = [0, -1];
  const [from, to] = legs >= 3 ? [1, legs - 1] : [0, legs];
  for (let k = from; k < to; k++) {
    const long = Math.hypot(points[2 * k + 2]! - points[2 * k]!, points[2 * k + 3]! - points[2 * k + 1]!);
    if (long > length) [best, length] = [k, long];
  }
  return best;
}

interface Place {
  readonly x: number;
  readonly y: number;
}

/** Along which axis what stands between two places is moved: the one that is more across their line. */
export const bendAcross = (a: Place, b: Place): 'x' | 'y' => (Math.abs(b.x - a.x) >= Math.abs(b.y - a.y) ? 'y' : 'x');

/** Along which axis a bend by hand moves a line: across the leg that moves. */
export function bendAxis(points: Polyline): 'x' | 'y' {
  const k = legToBend(points);
  const [dx, dy] = [points[2 * k + 2]! - points[2 * k]!, points[2 * k + 3]! - points[2 * k + 1]!];
  return Math.abs(dx) >= Math.abs(dy) ? 'y' : 'x';
}

/**
 * A line with a leg moved across itself by `by` px, down or to the right where that is positive; both ends stay. A line with fewer than two turns gets
 * a step of its own in the middle third.
 */
export function bentBy(points: Polyline, by: number): Polyline {
  if (by === 0 || points.length < 4) return points;
  const k = legToBend(points);
  const [x0, y0, x1, y1] = points.slice(2 * k, 2 * k + 4) as [number, number, number, number];
  const axis = bendAxis(points);
  const moved = (x: number, y: number): [number, number] => (axis === 'y' ? [x, y + by] : [x + by, y]);
  if (points.length / 2 - 1 >= 3)
    return [...points.slice(0, 2 * k), ...moved(x0, y0), ...moved(x1, y1), ...points.slice(2 * k + 4)];
  const at = (share: number): [number, number] => [x0 + (x1 - x0) * share, y0 + (y1 - y0) * share];
  const [a, b] = [at(1 / 3), at(2 / 3)];
  return [...points.slice(0, 2 * k + 2), ...a, ...moved(...a), ...moved(...b), ...b, ...points.slice(2 * k + 2)];
}
