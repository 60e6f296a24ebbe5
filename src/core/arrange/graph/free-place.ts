import Flatbush from 'flatbush';
import type { Extent } from './polyline';
import { grown, overlap } from './segments';

/** Rectangles that are looked up by place; more may be added. */
export class Places {
  private readonly index: Flatbush | null;
  private readonly added: Extent[] = [];

  constructor(private readonly all: readonly Extent[]) {
    this.index = all.length > 0 ? new Flatbush(all.length) : null;
    for (const { x, y, width, height } of all) this.index?.add(x, y, x + width, y + height);
    this.index?.finish();
  }

  add(one: Extent): void {
    this.added.push(one);
  }

  /** Those that share more than an edge with a rectangle, in the order they came. O(log n + found + added). */
  within(area: Extent): Extent[] {
    const { x, y, width, height } = area;
    const found = this.index?.search(x, y, x + width, y + height).sort((a, b) => a - b) ?? [];
    return [...found.map((i) => this.all[i]!), ...this.added].filter((one) => overlap(one, area));
  }
}

/** Between the places that are tried, CSS px, and how many rings of them around the first. */
const step = 12;
const rings = 30;

/**
 * The middle of the nearest place to a point in which a rectangle of a size meets nothing; null where there is none near. Places are tried in squares
 * around the point, the nearest of the first square with any is taken. O(tried · log n).
 */
export function freePlace(
  { x, y }: { readonly x: number; readonly y: number },
  { width, height }: { readonly width: number; readonly height: number },
  taken: readonly Places[],
): { readonly x: number; readonly y: number } | null {
  const isFree = (px: number, py: number): boolean =>
    taken.every((one) => one.within({ x: px - width / 2, y: py - height / 2, width, height }).length === 0);
  for (let ring = 0; ring <= rings; ring++) {
    const around: [number, number][] = [];
    for (let k = -ring; k <= ring; k++) around.push([k, -ring], [k, ring], [-ring, k], [ring, k]);
    around.sort((a, b) => Math.hypot(...a) - Math.hypot(...b) || a[1] - b[1] || a[0] - b[0]);
    for (const [dx, dy] of around) {
      const [px, py] = [x + dx * step, y + dy * step];
      if (isFree(px, py)) return { x: px, y: py };
    }
  }
  return null;
}

/** Turns of `pushedOut`; what is in the way of more than this stays. */
const mostPushes = 60;

/**
 * The middle of a rectangle moved along an axis, up or down it, until it keeps `clear` of all that it meets; it ends `off` from the last of that.
 * `meets`: something that lies in a rectangle.
 */
export function pushedOut(
  at: { readonly x: number; readonly y: number },
  { width, height }: { readonly width: number; readonly height: number },
  {
    axis,
    sign,
    clear,
    off,
  }: { readonly axis: 'x' | 'y'; readonly sign: number; readonly clear: number; readonly off: number },
  meets: (area: Extent) => Extent | undefined,
): { readonly x: number; readonly y: number } {
  let { x, y } = at;
  for (let turn = 0; turn < mostPushes; turn++) {
    const over = meets(grown({ x: x - width / 2, y: y - height / 2, width, height }, clear));
    if (!over) break;
    if (axis === 'y') y = sign > 0 ? over.y + over.height + off + height / 2 : over.y - off - height / 2;
    else x = sign > 0 ? over.x + over.width + off + width / 2 : over.x - off - width / 2;
  }
  return { x, y };
}
