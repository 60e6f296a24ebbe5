import { distanceTo, reversed, type Polyline } from '../arrange/graph';
import { remember, type BoxStyle } from '../model';
import { boxOutline } from './box-outline';
import { flattenPath } from './outline-points';
import type { Rect } from './scene';

type Shaped = Pick<BoxStyle, 'shape' | 'corner'>;

/** Shapes that fill their box to its edges, and those of which words are a part, which reach as far as the box. */
const fillsBox = new Set<BoxStyle['shape']>(['square', 'block', 'rule', 'dot', 'triangle', 'gable']);

/** Whether the outline of a shape stands back from the edges of its box somewhere. */
export const standsBack = ({ shape, corner }: Shaped): boolean =>
  !fillsBox.has(shape) && (shape !== 'rounded' || corner > 0);

/** The outline of a shape of a size, around 0, 0; each once. */
const outlineOf = remember(
  400,
  ({ shape, corner }: Shaped, width: number, height: number) => `${shape} ${corner} ${width} ${height}`,
  ({ shape, corner }, width, height) => flattenPath(boxOutline({ shape, corner, x: 0, y: 0, width, height })),
);

/** What of a line's end lies at most beside the edge of its box, CSS px. */
const near = 0.5;

const isOnEdge = ({ x, y, width, height }: Rect, px: number, py: number): boolean =>
  px >= x - near &&
  px <= x + width + near &&
  py >= y - near &&
  py <= y + height + near &&
  (Math.abs(px - x) <= near ||
    Math.abs(px - x - width) <= near ||
    Math.abs(py - y) <= near ||
    Math.abs(py - y - height) <= near);

/** How far along a ray the first side of a closed outline is met; Infinity for none. */
function firstMet(
  outline: readonly (readonly [number, number])[],
  [x, y]: readonly [number, number],
  [ux, uy]: readonly [number, number],
): number {
  let least = Infinity;
  outline.forEach(([ax, ay], i) => {
    const [bx, by] = outline[(i + 1) % outline.length]!;
    const turn = ux * (by - ay) - uy * (bx - ax);
    if (Math.abs(turn) < 1e-12) return;
    const along = ((ax - x) * (by - ay) - (ay - y) * (bx - ax)) / turn;
    const share = ((ax - x) * uy - (ay - y) * ux) / turn;
    if (along > -near && share >= -1e-9 && share <= 1 + 1e-9) least = Math.min(least, along);
  });
  return least;
}

/**
 * A line that ends on the edge of a box, led on in its direction to where it meets the shape within the box. The same line where it meets it already,
 * or ends elsewhere. O(sides of the outline).
 */
export function endingAtShape(points: Polyline, box: Rect, style: Shaped): Polyline {
  const n = points.length;
  if (n < 4 || !standsBack(style)) return points;
  const [px, py, x, y] = points.slice(n - 4) as [number, number, number, number];
  const length = Math.hypot(x - px, y - py);
  if (length === 0 || !isOnEdge(box, x, y)) return points;
  const [ux, uy] = [(x - px) / length, (y - py) / length];
  const by = firstMet(outlineOf(style, box.width, box.height), [x - box.x, y - box.y], [ux, uy]);
  if (by < 0.01 || by > Math.hypot(box.width, box.height)) return points;
  return [...points.slice(0, n - 2), x + ux * by, y + uy * by];
}

/** The same at the beginning of a line. */
export function beginningAtShape(points: Polyline, box: Rect, style: Shaped): Polyline {
  if (points.length < 4 || !standsBack(style)) return points;
  const back = reversed(points);
  const met = endingAtShape(back, box, style);
  return met === back ? points : reversed(met);
}

/** How far a point lies from the outline of a shape in its box; of a shape that fills its box, from the edge of that. CSS px. */
export function distanceToShape([x, y]: readonly [number, number], box: Rect, style: Shaped): number {
  const { width, height } = box;
  const outline: readonly (readonly [number, number])[] = standsBack(style)
    ? outlineOf(style, width, height)
    : [
        [0, 0],
        [width, 0],
        [width, height],
        [0, height],
      ];
  return distanceTo([...outline, outline[0]!].flat(), x - box.x, y - box.y);
}
