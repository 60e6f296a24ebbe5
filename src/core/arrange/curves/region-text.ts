import type { Point } from './ellipse';

/** Text to be set in a region: one word or line that is never broken. CSS px. */
export interface Item {
  readonly width: number;
  readonly height: number;
}

/** Where the top left of each item stands. */
export type Places = readonly Point[];

/** A place for text: loops of points, the inside left by even–odd. `margin` is kept to every edge. */
export class Shape {
  private readonly edges: Float64Array;
  readonly top: number;
  readonly bottom: number;
  readonly left: number;
  readonly right: number;

  constructor(
    loops: readonly (readonly Point[])[],
    readonly margin: number,
  ) {
    const count = loops.reduce((sum, loop) => sum + loop.length, 0);
    this.edges = new Float64Array(count * 4);
    let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
    let at = 0;
    for (const loop of loops) {
      loop.forEach((a, i) => {
        const b = loop[(i + 1) % loop.length]!;
        this.edges.set([a.x, a.y, b.x, b.y], at);
        at += 4;
        left = Math.min(left, a.x);
        right = Math.max(right, a.x);
        top = Math.min(top, a.y);
        bottom = Math.max(bottom, a.y);
      });
    }
    this.left = left;
    this.top = top;
    this.right = right;
    this.bottom = bottom;
  }

  /**
   * The stretches of x, rising, in which a box from y = `top` to `bottom` lies inside with the margin kept: what is inside at the
   * band's middle, less what any edge covers within the band. O(edges log edges).
   */
  free(top: number, bottom: number): [number, number][] {
    const { edges, margin } = this;
    const middle = (top + bottom) / 2;
    const low = top - margin;
    const high = bottom + margin;
    const crossings: number[] = [];
    const covered: [number, number][] = [];
    for (let i = 0; i < edges.length; i += 4) {
      const ay = edges[i + 1]!;
      const by = edges[i + 3]!;
      if (ay < by ? by < low || ay > high : ay < low || by > high) continue;
      const ax = edges[i]!;
      const bx = edges[i + 2]!;
      const slope = ay === by ? 0 : (bx - ax) / (by - ay);
      if (ay < middle !== by < middle) crossings.push(ax + (middle - ay) * slope);
      const from = ay < low ? ax + (low - ay) * slope : ay > high ? ax + (high - ay) * slope : ax;
      const to = by < low ? ax + (low - ay) * slope : by > high ? ax + (high - ay) * slope : bx;
      if (from < to) covered.push([from - margin, to + margin]);
      else covered.push([to - margin, from + margin]);
    }
    if (crossings.length === 0) return [];
    crossings.sort((a, b) => a - b);
    covered.sort((a, b) => a[0] - b[0]);
    const found: [number, number][] = [];
    let next = 0;
    for (let i = 0; i + 1 < crossings.length; i += 2) {
      let at = crossings[i]!;
      const end = crossings[i + 1]!;
      while (next < covered.length && covered[next]![0] < end) {
        const from = covered[next]![0];
        const to = covered[next]![1];
        if (from > at) found.push([at, from]);
        at = Math.max(at, to);
        if (to > end) break;
        next++;
      }
      if (at < end) found.push([at, end]);
    }
    return found;
  }

  /** A point far from all edges: the middle of the largest box of the given proportions on a grid of bands. */
  middle(proportion = 2): Point & { readonly room: number } {
    let best = { x: (this.left + this.right) / 2, y: (this.top + this.bottom) / 2, room: 0 };
    const bands = 24;
    const step = (this.bottom - this.top) / bands;
    for (let size = 1; size <= bands; size++) {
      let found = false;
      for (let i = 0; i + size <= bands; i++) {
        const top = this.top + i * step;
        const bottom = top + size * step;
        for (const [from, to] of this.free(top, bottom)) {
          const room = Math.min(to - from, size * step * proportion);
          if (room <= best.room) continue;
          best = { x: (from + to) / 2, y: (top + bottom) / 2, room };
          found = true;
        }
      }
      if (!found && size > 3) break;
    }
    return best;
  }
}

const widest = (stretches: readonly [number, number][], x: number): [number, number] | null => {
  let best: [number, number] | null = null;
  let most = -Infinity;
  for (const stretch of stretches) {
    // Of stretches that could serve, the one around the wanted middle is liked better than a somewhat wider one.
    const merit = stretch[1] - stretch[0] + (stretch[0] <= x && x <= stretch[1] ? 1e3 : 0);
    if (merit > most) [best, most] = [stretch, merit];
  }
  return best;
};

/**
 * Sets items one below the other, each as near to the middle `about` as its row allows, the whole block as near to it as can be.
 * Null where they do not fit. `gap` is between rows.
 */
export function setInLines(shape: Shape, items: readonly Item[], gap: number, about: Point): Places | null {
  if (items.length === 0) return [];
  const total = items.reduce((sum, item) => sum + item.height + gap, -gap);
  const [first, last] = [shape.top + shape.margin, shape.bottom - shape.margin - total];
  if (last < first) return null;
  const step = Math.max(2, items[0]!.height / 4);
  const wanted = Math.min(last, Math.max(first, about.y - total / 2));
  const tries = Math.ceil(Math.max(wanted - first, last - wanted) / step);
  let best: Places | null = null;
  let bestLean = Infinity;
  for (let i = 0; i <= 2 * tries; i++) {
    const y = wanted + (i % 2 === 0 ? 1 : -1) * Math.ceil(i / 2) * step;
    if (y < first - 1e-9 || y > last + 1e-9) continue;
    const places = linesFrom(shape, items, gap, about.x, y);
    if (!places) continue;
    const lean = leanOf(places, items);
    if (lean < bestLean - 0.5) [best, bestLean] = [places, lean];
    // A straight block is taken at once; a crooked one only when none is found near by.
    if (bestLean < 0.5 || (best && Math.abs(y - wanted) > total / 2)) break;
  }
  return best;
}

/** How far the middles of the rows lie apart. */
function leanOf(places: Places, items: readonly Item[]): number {
  const middles = places.map(({ x }, i) => x + items[i]!.width / 2);
  return Math.max(...middles) - Math.min(...middles);
}

function linesFrom(shape: Shape, items: readonly Item[], gap: number, x: number, top: number): Places | null {
  const rows: { y: number; from: number; to: number }[] = [];
  // Where the middle of all rows may stand when they are set one straight below the other.
  let least = -Infinity;
  let most = Infinity;
  let y = top;
  for (const { width, height } of items) {
    const stretches = shape.free(y, y + height).filter(([from, to]) => to - from >= width);
    const stretch = widest(stretches, x);
    if (!stretch) return null;
    const [from, to] = stretch;
    rows.push({ y, from, to });
    least = Math.max(least, from + width / 2);
    most = Math.min(most, to - width / 2);
    y += height + gap;
  }
  const middle = least <= most ? Math.min(most, Math.max(least, x)) : x;
  return rows.map(({ y: rowTop, from, to }, i) => {
    const { width } = items[i]!;
    return { x: Math.min(to - width, Math.max(from, middle - width / 2)), y: rowTop };
  });
}

/**
 * Fills rows with as many items as go in, `apart` from each other, rows as near to the middle as can be. Null where they do not fit.
 * All items are taken to have the height of the highest.
 */
export function setInRows(
  shape: Shape,
  items: readonly Item[],
  gap: number,
  apart: number,
  about: Point,
): Places | null {
  if (items.length === 0) return [];
  const height = Math.max(...items.map((item) => item.height));
  const pitch = height + gap;
  const [first, last] = [shape.top + shape.margin, shape.bottom - shape.margin - height];
  if (last < first) return null;
  for (const shift of [0, pitch / 2, pitch / 4, (3 * pitch) / 4]) {
    const rows: { y: number; stretches: [number, number][] }[] = [];
    const start = first + ((((about.y - height / 2 - first + shift) % pitch) + pitch) % pitch);
    for (let y = start; y <= last + 1e-9; y += pitch) rows.push({ y, stretches: shape.free(y, y + height) });
    // From the middle outwards, more rows are taken until all items find room.
    const byNearness = rows.map((_, i) => i).sort((a, b) => distance(a) - distance(b));
    for (let used = 1; used <= rows.length; used++) {
      const taken = byNearness.slice(0, used).sort((a, b) => a - b);
      const places = filled(
        taken.map((i) => rows[i]!),
        items,
        apart,
      );
      if (places) return places;
    }
    function distance(i: number): number {
      return Math.abs(rows[i]!.y + height / 2 - about.y);
    }
  }
  return null;
}

function filled(
  rows: readonly { y: number; stretches: [number, number][] }[],
  items: readonly Item[],
  apart: number,
): Places | null {
  const places: Point[] = [];
  for (const { y, stretches } of rows) {
    for (const [from, to] of stretches) {
      const begun = places.length;
      let width = -apart;
      while (places.length < items.length && width + apart + items[places.length]!.width <= to - from) {
        width += apart + items[places.length]!.width;
        places.push({ x: 0, y });
      }
      let x = (from + to - width) / 2;
      for (let i = begun; i < places.length; i++) {
        places[i] = { x, y };
        x += items[i]!.width + apart;
      }
    }
  }
  return places.length === items.length ? places : null;
}

/** Share of a region's height that scattered names take, where they need not take more. */
const mostSpread = 0.72;

/** Spreads items over the region, alternately left and right of the middle, rows as far apart as the room allows. Null where they do not fit. */
export function setScattered(shape: Shape, items: readonly Item[], gap: number, about: Point): Places | null {
  const closest = setInLines(shape, items, gap, about) ?? setInRows(shape, items, gap, gap * 3, about);
  if (!closest || items.length < 2) return closest;
  const pitch = items.reduce((sum, item) => sum + item.height, 0) / items.length;
  for (const factor of [3.2, 2.4, 1.7, 1.2, 0.7, 0.3]) {
    const spread = setInLines(shape, items, gap + pitch * factor, about);
    if (!spread) continue;
    // Not up against the ends of the region, where the curves are narrow.
    const reach = spread.at(-1)!.y + items.at(-1)!.height - spread[0]!.y;
    if (reach > mostSpread * (shape.bottom - shape.top)) continue;
    return spread.map(({ x, y }, i) => {
      const { width, height } = items[i]!;
      const stretch = shape.free(y, y + height).find(([from, to]) => from <= x + 1e-6 && to >= x + width - 1e-6);
      if (!stretch) return { x, y };
      const share = [0.2, 0.75, 0.4, 0.9, 0.1, 0.6][i % 6]!;
      return { x: stretch[0] + (stretch[1] - stretch[0] - width) * share, y };
    });
  }
  return closest;
}
