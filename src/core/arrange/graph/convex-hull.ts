import type { Polyline } from './polyline';

/** The corners of the smallest outline without dents around points, clockwise on a sheet (A. M. Andrew 1979). O(n log n). */
export function convexHull(points: Polyline): number[] {
  const sorted: [number, number][] = [];
  for (let p = 0; p < points.length; p += 2) sorted.push([points[p]!, points[p + 1]!]);
  sorted.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  if (sorted.length < 3) return sorted.flat();
  const half = (of: readonly [number, number][]): [number, number][] => {
    const hull: [number, number][] = [];
    for (const point of of) {
      while (hull.length > 1 && turn(hull.at(-2)!, hull.at(-1)!, point) <= 0) hull.pop();
      hull.push(point);
    }
    return hull.slice(0, -1);
  };
  return [...half(sorted), ...half([...sorted].reverse())].flat();
}

const turn = (a: readonly [number, number], b: readonly [number, number], c: readonly [number, number]): number =>
  (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
