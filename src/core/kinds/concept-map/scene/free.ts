import { evenPlaces, freeLinks, onRings, pushApart, untangledOrder, type Polyline } from '../../../arrange/graph';
import type { Nudge } from '../../../model';
import type { Rect } from '../../../scene';
import type { MapListing } from '../structure';
import { extentOf, type DrawnLink, type DrawnMap, type LinkToDraw, type Sizes } from './drawn';

export interface Places {
  readonly x: Float64Array;
  readonly y: Float64Array;
}

/** Places are spread by this step until links and words stand clear, at most so often. */
const spread = 1.14;
const mostSpreads = 9;

export interface FreeMap extends DrawnMap {
  /** Words without a clear place, and lines that run through a box. */
  readonly conflicts: number;
}

/** How ideas stand that were placed by hand: by index, how far from the computed place. */
export type Pins = ReadonlyMap<number, Nudge>;

/** Each rank on a circle around the focus. `order`: in which ideas follow each other around, as they do in rows. */
export function ringPlaces(
  { tier, ids }: MapListing,
  links: readonly LinkToDraw[],
  { width, height, gaps }: Sizes,
  order: ArrayLike<number>,
): Places {
  const n = ids.length;
  const starts = ids.flatMap((_, i) => (tier[i] === 1 ? [i] : []));
  // Several islands stand around an empty middle.
  const single = starts.length === 1;
  const at = (i: number) => (single ? i : i + 1);
  const parent = new Int32Array(single ? n : n + 1).fill(-1);
  const ring = new Int32Array(parent.length);
  for (let i = 0; i < n; i++) ring[at(i)] = tier[i]! - (single ? 1 : 0);
  for (const { from, to } of links) {
    const [a, b] = tier[from]! < tier[to]! ? [from, to] : [to, from];
    if (tier[a] === tier[b]) continue;
    const known = parent[at(b)]!;
    if (known < 0 || ring[known]! < ring[at(a)]!) parent[at(b)] = at(a);
  }
  const middle = single ? starts[0]! : 0;
  for (let v = 0; v < parent.length; v++) if (parent[v]! < 0 && v !== middle) parent[v] = middle;
  const words = links.reduce((most, one) => Math.max(most, one.words.height), 0);
  const sized = (of: Float64Array) => (single ? of : Float64Array.from([0, ...of]));
  const placed = onRings({
    ...{ parent, ring, words },
    width: sized(width),
    height: sized(height),
    order: untangledOrder(
      parent,
      ring,
      single ? order : [0, ...Array.from(order)],
      links.map(({ from, to }) => ({ from: at(from), to: at(to) })),
    ),
    gap: gaps.rows * 1.4,
  });
  return single ? placed : { x: placed.x.slice(1), y: placed.y.slice(1) };
}

/** Links of much the same length, as long as their words need; begun from places that are given, and stretched sideways as sheets and words are. */
export function evenMap(links: readonly LinkToDraw[], { width, height, gaps }: Sizes, start: Places): Places {
  const placed = evenPlaces({
    ...{ width, height },
    links: links.map(({ from, to, words }) => ({ from, to, length: gaps.rows * 1.6 + words.width * 0.8 })),
    gap: gaps.ideas,
    x: start.x,
    y: start.y,
  });
  return { x: placed.x.map((at) => at * sideways), y: placed.y };
}

const sideways = 1.2;

/**
 * Ideas in places that are given, moved apart where they overlap (those that stand by hand stay), with straight links between them, bent where something is
 * in the way. Places are spread until all words stand clear, which larger distances always help; by hand placed ones are not.
 */
export function freeMap(
  places: Places,
  links: readonly LinkToDraw[],
  { width, height, gaps }: Sizes,
  pins: Pins,
): FreeMap {
  const sized = links.map(({ from, to, words: { width: wide, height: high } }) => ({
    from,
    to,
    width: wide,
    height: high,
  }));
  let best: { boxes: Rect[]; links: DrawnLink[]; conflicts: number } | null = null;
  for (let turn = 0, by = 1; turn < mostSpreads; turn++, by *= spread) {
    const x = places.x.map((at) => at * by);
    const y = places.y.map((at) => at * by);
    const fixed = new Uint8Array(x.length);
    for (const [i, nudge] of pins) {
      fixed[i] = 1;
      x[i]! += nudge.x;
      y[i]! += nudge.y;
    }
    pushApart(x, y, { width, height, gap: gaps.ideas, fixed }, 60);
    const boxes = Array.from(x, (middle, i) => ({
      x: middle - width[i]! / 2,
      y: y[i]! - height[i]! / 2,
      width: width[i]!,
      height: height[i]!,
    }));
    const made = freeLinks(boxes, sized);
    if (best && made.conflicts >= best.conflicts) continue;
    const drawn = links.map((one, k): DrawnLink => {
      const { points, words } = made.lines[k]!;
      return { ...one, lines: [points], course: points, place: words, wordsOf: k };
    });
    best = { boxes, links: drawn, conflicts: made.conflicts };
    if (made.conflicts === 0) break;
  }
  const { boxes, links: drawn } = best!;
  return { ...fromOrigin(boxes, drawn), rows: null, conflicts: best!.conflicts };
}

/** The same drawing, its upper left corner at 0, 0, as all drawings have it. */
function fromOrigin(boxes: readonly Rect[], links: readonly DrawnLink[]): Pick<DrawnMap, 'boxes' | 'links' | 'extent'> {
  const { x: left, y: top, width, height } = extentOf(boxes, links);
  const rect = (one: Rect): Rect => ({ ...one, x: one.x - left, y: one.y - top });
  const line = (points: Polyline): Polyline => points.map((at, p) => at - (p % 2 === 0 ? left : top));
  return {
    boxes: boxes.map(rect),
    links: links.map((one) => ({
      ...one,
      lines: one.lines.map(line),
      course: line(one.course),
      place: one.place && rect(one.place),
    })),
    extent: { x: 0, y: 0, width, height },
  };
}
