import { lengthOf, type Extent, type Polyline } from './polyline';

/** Between the words on a line and the line's ends beside them. CSS px. */
const clearance = 3;

export interface LabelPlace {
  readonly box: Extent;
  /** How much of it meets something that is to be avoided, px². */
  readonly met: number;
}

/**
 * Where words of a size stand upright on a line, so that they meet none of what is to be avoided: on the legs of the line, at the middle first and
 * then towards the ends, a level leg that is long enough before an upright one; or as near to the start or the end as can be. Where every place meets
 * something, the one that meets least of it.
 * O(places × what is near the line).
 */
export function labelPlace(
  points: Polyline,
  size: { width: number; height: number },
  avoid: readonly Extent[],
  at: 'start' | 'middle' | 'end' = 'middle',
): LabelPlace {
  let best: { box: Extent; cost: number; met: number } | null = null;
  const whole = at === 'middle' ? 0 : lengthOf(points);
  let before = 0;
  for (let p = 2; p < points.length; p += 2) {
    const [x0, y0, x1, y1] = points.slice(p - 2, p + 2) as [number, number, number, number];
    const length = Math.hypot(x1 - x0, y1 - y0);
    if (length === 0) continue;
    const level = Math.abs(y1 - y0) <= Math.abs(x1 - x0);
    const needed = (level ? size.width : size.height) + 2 * clearance;
    const lacking = Math.max(0, needed - length);
    for (const share of [0.5, 0.4, 0.6, 0.3, 0.7, 0.2, 0.8, 0.12, 0.88]) {
      const middle = { x: x0 + (x1 - x0) * share, y: y0 + (y1 - y0) * share };
      const box = boxAround(middle, size);
      const met = avoid.reduce((sum, other) => sum + common(box, other), 0);
      const overEnd = Math.max(0, needed / 2 - length * Math.min(share, 1 - share));
      const along = before + length * share;
      const wished =
        at === 'middle'
          ? (level ? 0 : 20) + Math.abs(share - 0.5) * 10 - length * 0.02
          : ((at === 'start' ? along : whole - along) * 60) / whole;
      const cost = met * 100 + lacking * 4 + overEnd + wished;
      if (!best || cost < best.cost) best = { box, cost, met };
    }
    before += length;
  }
  return best ?? { box: boxAround({ x: points[0] ?? 0, y: points[1] ?? 0 }, size), met: 0 };
}

/** The place alone. */
export const placeLabel = (...told: Parameters<typeof labelPlace>): Extent => labelPlace(...told).box;

/** The room of words of a size around a point, with what is free around them. */
export const boxAround = (
  middle: { x: number; y: number },
  { width, height }: { width: number; height: number },
): Extent => ({
  x: middle.x - width / 2 - clearance,
  y: middle.y - height / 2 - clearance / 2,
  width: width + 2 * clearance,
  height: height + clearance,
});

/** Area that two rectangles share. */
function common(a: Extent, b: Extent): number {
  const width = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x);
  const height = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y);
  return width > 0 && height > 0 ? width * height : 0;
}
