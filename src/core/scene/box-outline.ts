import { short } from '../arrange/graph';
import type { BoxPrimitive } from './scene';

/** Circle quadrants as cubic curves are off by 0.03 % at most with this handle length. */
const handle = 0.5522847498;

/** The outline of a box as SVG path data (absolute M, L, C, Z), for every writer alike. */
export function boxOutline({ shape, corner, x, y, width, height }: BoxPrimitive): string {
  const most = Math.min(width, height) / 2;
  const r = shape === 'pill' ? most : shape === 'square' ? 0 : Math.min(corner, most);
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
