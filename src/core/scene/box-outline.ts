import { short } from '../arrange/graph';
import { dotSize, hexagonPoint, starDent, starPoints } from './box-shapes';
import type { BoxPrimitive, Rect } from './scene';

/** Circle quadrants as cubic curves are off by 0.03 % at most with this handle length. */
const handle = 0.5522847498;

/** The outline of a box as SVG path data (absolute M, L, C, Z), for every writer alike. */
export function boxOutline({
  shape,
  corner,
  x,
  y,
  width,
  height,
}: Pick<BoxPrimitive, 'shape' | 'corner' | keyof Rect>): string {
  if (shape === 'triangle' || shape === 'gable') return triangle({ shape, x, y, width, height });
  if (shape === 'ellipse') return ellipse(x, y, width, height);
  if (shape === 'hexagon') {
    const point = hexagonPoint(width, height);
    return closed([
      x + point,
      y,
      x + width - point,
      y,
      x + width,
      y + height / 2,
      x + width - point,
      y + height,
      x + point,
      y + height,
      x,
      y + height / 2,
    ]);
  }
  const [middle, centre] = [x + width / 2, y + height / 2];
  if (shape === 'diamond') return closed([middle, y, x + width, centre, middle, y + height, x, centre]);
  if (shape === 'star') return star({ x, y, width, height });
  if (shape === 'dot') return ellipse(x, centre - dotSize / 2, dotSize, dotSize);
  if (shape === 'rule') return `M${short(x)} ${short(y + height)}L${short(x + width)} ${short(y + height)}`;
  const most = Math.min(width, height) / 2;
  const r = shape === 'pill' ? most : shape === 'square' || shape === 'block' ? 0 : Math.min(corner, most);
  const right = x + width;
  const bottom = y + height;
  if (r === 0)
    return `M${short(x)} ${short(y)}L${short(right)} ${short(y)}L${short(right)} ${short(bottom)}L${short(x)} ${short(bottom)}Z`;
  const corners: [number, number, number, number, number, number][] = [
    [right - r, y, right, y, right, y + r],
    [right, bottom - r, right, bottom, right - r, bottom],
    [x + r, bottom, x, bottom, x, bottom - r],
    [x, y + r, x, y, x + r, y],
  ];
  let d = `M${short(x + r)} ${short(y)}`;
  for (const [ax, ay, cx, cy, bx, by] of corners) {
    d += `L${short(ax)} ${short(ay)}`;
    if (shape === 'cut') d += `L${short(bx)} ${short(by)}`;
    else {
      const h = handle;
      d += `C${short(ax + (cx - ax) * h)} ${short(ay + (cy - ay) * h)} ${short(bx + (cx - bx) * h)} ${short(by + (cy - by) * h)} ${short(bx)} ${short(by)}`;
    }
  }
  return `${d}Z`;
}

/** A path along points (x, y by turns) and back to the first. */
function closed(points: readonly number[]): string {
  let d = '';
  for (let p = 0; p < points.length; p += 2) d += `${p === 0 ? 'M' : 'L'}${short(points[p]!)} ${short(points[p + 1]!)}`;
  return `${d}Z`;
}

function star({ x, y, width, height }: Rect): string {
  const points: number[] = [];
  for (let k = 0; k < 2 * starPoints; k++) {
    const turn = (Math.PI * k) / starPoints - Math.PI / 2;
    const reach = k % 2 === 0 ? 1 : starDent;
    points.push(x + (width / 2) * (1 + reach * Math.cos(turn)), y + (height / 2) * (1 + reach * Math.sin(turn)));
  }
  return closed(points);
}

/** Side of the triangle of an end, CSS px. */
export const triangleSide = 15;

/** At the left end of its box with the point to the left, or at the upper end with the point upwards. */
function triangle({
  shape,
  x,
  y,
  width,
  height,
}: Pick<BoxPrimitive, 'shape' | 'x' | 'y' | 'width' | 'height'>): string {
  const half = triangleSide / 2;
  if (shape === 'triangle') {
    const middle = y + height / 2;
    return closed([x, middle, x + triangleSide, middle - half, x + triangleSide, middle + half]);
  }
  const middle = x + width / 2;
  return closed([middle, y, middle + half, y + triangleSide, middle - half, y + triangleSide]);
}

function ellipse(x: number, y: number, width: number, height: number): string {
  const [rx, ry] = [width / 2, height / 2];
  const [cx, cy] = [x + rx, y + ry];
  const [hx, hy] = [rx * handle, ry * handle];
  const at = (px: number, py: number) => `${short(px)} ${short(py)}`;
  return (
    `M${at(cx + rx, cy)}C${at(cx + rx, cy + hy)} ${at(cx + hx, cy + ry)} ${at(cx, cy + ry)}` +
    `C${at(cx - hx, cy + ry)} ${at(cx - rx, cy + hy)} ${at(cx - rx, cy)}` +
    `C${at(cx - rx, cy - hy)} ${at(cx - hx, cy - ry)} ${at(cx, cy - ry)}` +
    `C${at(cx + hx, cy - ry)} ${at(cx + rx, cy - hy)} ${at(cx + rx, cy)}Z`
  );
}
