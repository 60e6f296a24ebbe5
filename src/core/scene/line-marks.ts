import { short } from '../arrange/graph';
import type { LinkStyle } from '../model';

/** Size of an end mark of a line in a style, CSS px. */
export const markSize = ({ lineWidth }: LinkStyle): number => 5 + lineWidth * 2;

/** A filled mark whose tip stands on the first point and which looks away from the second. */
export function markPath(mark: LinkStyle['endMark'], [x, y, bx, by]: readonly number[], size: number): string | null {
  if (mark === 'none' || x === undefined || y === undefined || bx === undefined || by === undefined) return null;
  const length = Math.hypot(x - bx, y - by) || 1;
  const [ux, uy] = [(x - bx) / length, (y - by) / length];
  if (mark === 'dot') {
    const r = size / 3;
    const k = r * 0.5522847498;
    const at = (dx: number, dy: number) => `${short(x + dx)} ${short(y + dy)}`;
    return `M${at(r, 0)}C${at(r, k)} ${at(k, r)} ${at(0, r)}C${at(-k, r)} ${at(-r, k)} ${at(-r, 0)}C${at(-r, -k)} ${at(-k, -r)} ${at(0, -r)}C${at(k, -r)} ${at(r, -k)} ${at(r, 0)}Z`;
  }
  const [mx, my] = [x - ux * size, y - uy * size];
  const half = size * 0.36;
  return `M${short(x)} ${short(y)}L${short(mx - uy * half)} ${short(my + ux * half)}L${short(mx + uy * half)} ${short(my - ux * half)}Z`;
}
