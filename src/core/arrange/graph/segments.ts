import { insideOf, type Extent, type Polyline } from './polyline';

/** Whether a straight stretch runs through a rectangle; touching its edge does not count. O(1). */
export function runsThrough(x0: number, y0: number, x1: number, y1: number, box: Extent): boolean {
  const { x, y, width, height } = box;
  if (Math.max(x0, x1) <= x || Math.min(x0, x1) >= x + width || Math.max(y0, y1) <= y || Math.min(y0, y1) >= y + height)
    return false;
  const [from, to] = insideOf(x0, y0, x1 - x0, y1 - y0, box);
  return to - from > 1e-9;
}

export function lineRunsThrough(points: Polyline, box: Extent): boolean {
  for (let p = 2; p < points.length; p += 2)
    if (runsThrough(points[p - 2]!, points[p - 1]!, points[p]!, points[p + 1]!, box)) return true;
  return false;
}

/** Whether two rectangles share more than an edge. */
export const overlap = (a: Extent, b: Extent): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;

/** The rectangle with so much more on every side. */
export const grown = ({ x, y, width, height }: Extent, by: number): Extent => ({
  x: x - by,
  y: y - by,
  width: width + 2 * by,
  height: height + 2 * by,
});

/** How often two lines cross, not counting where they meet at their ends. O(legs of one × legs of the other). */
export function crossingsBetween(a: Polyline, b: Polyline): number {
  let crossings = 0;
  for (let p = 2; p < a.length; p += 2) for (let q = 2; q < b.length; q += 2) if (cross(a, p, b, q)) crossings++;
  return crossings;
}

/** How often lines cross each other. O(lines² × legs²). */
export function crossingsAmong(lines: readonly Polyline[]): number {
  let crossings = 0;
  lines.forEach((line, k) => {
    for (let other = k + 1; other < lines.length; other++) crossings += crossingsBetween(line, lines[other]!);
  });
  return crossings;
}

function cross(a: Polyline, p: number, b: Polyline, q: number): boolean {
  const side = (l: Polyline, i: number, x: number, y: number) =>
    (l[i]! - l[i - 2]!) * (y - l[i - 1]!) - (l[i + 1]! - l[i - 1]!) * (x - l[i - 2]!);
  return (
    side(a, p, b[q - 2]!, b[q - 1]!) * side(a, p, b[q]!, b[q + 1]!) < -1e-6 &&
    side(b, q, a[p - 2]!, a[p - 1]!) * side(b, q, a[p]!, a[p + 1]!) < -1e-6
  );
}
