import { short } from './short';

/** SVG path data of a polyline with rounded joins. `radius` is shortened where a leg is too short for it. CSS px. */
export function roundedPath(points: readonly number[], radius: number): string {
  const last = points.length - 2;
  let d = `M${short(points[0]!)} ${short(points[1]!)}`;
  for (let p = 2; p < last; p += 2) {
    const x0 = points[p - 2]!;
    const y0 = points[p - 1]!;
    const x1 = points[p]!;
    const y1 = points[p + 1]!;
    const x2 = points[p + 2]!;
    const y2 = points[p + 3]!;
    if (radius < 0.01) {
      d += `L${short(x1)} ${short(y1)}`;
      continue;
    }
    const before = Math.hypot(x1 - x0, y1 - y0);
    const after = Math.hypot(x2 - x1, y2 - y1);
    const r = Math.min(radius, before / 2, after / 2);
    if (r < 0.01) {
      d += `L${short(x1)} ${short(y1)}`;
      continue;
    }
    d += `L${short(x1 - ((x1 - x0) / before) * r)} ${short(y1 - ((y1 - y0) / before) * r)}`;
    d += `Q${short(x1)} ${short(y1)} ${short(x1 + ((x2 - x1) / after) * r)} ${short(y1 + ((y2 - y1) / after) * r)}`;
  }
  return `${d}L${short(points[last]!)} ${short(points[last + 1]!)}`;
}
