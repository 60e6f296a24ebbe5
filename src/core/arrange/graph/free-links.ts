import { extentOfLines, lengthOf, type Extent, type Polyline } from './polyline';
import { grown, lineRunsThrough, overlap, runsThrough } from './segments';

/** A link between two boxes, by their indices, with the size of its words; 0 for none. */
export interface FreeLink {
  readonly from: number;
  readonly to: number;
  readonly width: number;
  readonly height: number;
}

export interface FreeLine {
  readonly points: Polyline;
  /** Where its words stand; null without words. */
  readonly words: Extent | null;
}

export interface FreeLinks {
  readonly lines: readonly FreeLine[];
  /** Words without a clear place, and lines that run through a box; 0 where all is well. */
  readonly conflicts: number;
}

/** A line keeps so far from the boxes it passes, and words from all else. CSS px. */
const clear = 5;
const wordsClear = 3;
/** Between two links of the same two boxes. */
const lane = 14;
const shares = [0.5, 0.44, 0.56, 0.38, 0.62, 0.32, 0.68, 0.26, 0.74, 0.2, 0.8, 0.15, 0.85];

/**
 * Straight links between boxes that stand where they stand, bent round the boxes that are in the way, with their words upright on them where nothing else
 * is. What cannot be drawn clear is counted. O(links × boxes + places of words × lines near them).
 */
export function freeLinks(boxes: readonly Extent[], links: readonly FreeLink[]): FreeLinks {
  const sides = lanesOf(links);
  let conflicts = 0;
  const lines = links.map((link, k) => {
    const points = lineOf(boxes, link, sides[k]!);
    if (boxes.some((box, i) => i !== link.from && i !== link.to && lineRunsThrough(points, grown(box, 1)))) conflicts++;
    return points;
  });
  const around = lines.map((points) => grown(extentOfLines([points]), 1));
  const words: (Extent | null)[] = links.map(() => null);
  const order = links.map((_, k) => k).filter((k) => links[k]!.width > 0);
  order.sort((a, b) => lengthOf(lines[a]!) - lengthOf(lines[b]!) || a - b);
  for (const k of order) {
    const found = placeWords(lines[k]!, links[k]!, (place) => {
      const room = grown(place, wordsClear);
      return (
        !boxes.some((box) => overlap(box, room)) &&
        !words.some((other) => other !== null && overlap(other, room)) &&
        !lines.some((line, other) => other !== k && overlap(around[other]!, room) && lineRunsThrough(line, room))
      );
    });
    words[k] = found.place;
    if (!found.isClear) conflicts++;
  }
  return { lines: lines.map((points, k) => ({ points, words: words[k]! })), conflicts };
}

/** For links of the same two boxes, how far each stands beside the line between their middles, CSS px. */
function lanesOf(links: readonly FreeLink[]): number[] {
  const seen = new Map<string, number[]>();
  links.forEach(({ from, to }, k) => {
    const key = from < to ? `${from} ${to}` : `${to} ${from}`;
    const known = seen.get(key);
    if (known) known.push(k);
    else seen.set(key, [k]);
  });
  const sides = links.map(() => 0);
  for (const all of seen.values())
    all.forEach((k, i) => {
      const side = (i - (all.length - 1) / 2) * lane;
      sides[k] = links[k]!.from < links[k]!.to ? side : -side;
    });
  return sides;
}

const middleOf = ({ x, y, width, height }: Extent): [number, number] => [x + width / 2, y + height / 2];

function lineOf(boxes: readonly Extent[], { from, to }: FreeLink, side: number): Polyline {
  const [a, b] = [boxes[from]!, boxes[to]!];
  let [ax, ay] = middleOf(a);
  let [bx, by] = middleOf(b);
  const length = Math.hypot(bx - ax, by - ay) || 1;
  const most = Math.min(a.height, b.height, a.width, b.width) / 2 - 3;
  const shift = Math.max(-most, Math.min(most, side));
  const [nx, ny] = [(-(by - ay) / length) * shift, ((bx - ax) / length) * shift];
  [ax, ay, bx, by] = [ax + nx, ay + ny, bx + nx, by + ny];
  const inTheWay = (x0: number, y0: number, x1: number, y1: number): number[] =>
    boxes.flatMap((box, i) => (i !== from && i !== to && runsThrough(x0, y0, x1, y1, grown(box, clear)) ? [i] : []));
  const first = inTheWay(ax, ay, bx, by);
  const way = first.length === 0 ? [ax, ay, bx, by] : bent(boxes, [ax, ay], [bx, by], first, inTheWay);
  return trimmed(way, a, b);
}

/** The shortest way with one bend or two at corners of what is in the way; straight where there is none. */
function bent(
  boxes: readonly Extent[],
  [ax, ay]: readonly [number, number],
  [bx, by]: readonly [number, number],
  first: readonly number[],
  inTheWay: (x0: number, y0: number, x1: number, y1: number) => number[],
): number[] {
  const cornersOf = (of: readonly number[]): [number, number][] =>
    of.slice(0, 6).flatMap((i) => {
      const { x, y, width, height } = grown(boxes[i]!, clear + 2);
      return [
        [x, y],
        [x + width, y],
        [x, y + height],
        [x + width, y + height],
      ] as [number, number][];
    });
  let best: { way: number[]; length: number } | null = null;
  const keep = (way: number[]): void => {
    const length = lengthOf(way);
    if (!best || length < best.length - 1e-6) best = { way, length };
  };
  const seen = new Set(first);
  const all = cornersOf(first);
  const open: [number, number][] = [];
  for (const [x, y] of all) {
    const [before, after] = [inTheWay(ax, ay, x, y), inTheWay(x, y, bx, by)];
    for (const i of [...before, ...after]) seen.add(i);
    if (before.length > 0) continue;
    open.push([x, y]);
    if (after.length === 0) keep([ax, ay, x, y, bx, by]);
  }
  if (best) return (best as { way: number[] }).way;
  for (const [x, y] of open)
    for (const [u, v] of cornersOf([...seen])) {
      if (inTheWay(u, v, bx, by).length > 0 || inTheWay(x, y, u, v).length > 0) continue;
      keep([ax, ay, x, y, u, v, bx, by]);
    }
  return best ? (best as { way: number[] }).way : [ax, ay, bx, by];
}

/** The line from the edge of its first box to that of its last. */
function trimmed(way: readonly number[], a: Extent, b: Extent): number[] {
  const [sx, sy] = edgePoint(way[0]!, way[1]!, way[2]!, way[3]!, a);
  const n = way.length;
  const [ex, ey] = edgePoint(way[n - 2]!, way[n - 1]!, way[n - 4]!, way[n - 3]!, b);
  return [sx, sy, ...way.slice(2, n - 2), ex, ey];
}

/** Where the stretch from a point within a box towards another leaves it. */
function edgePoint(x: number, y: number, tx: number, ty: number, box: Extent): [number, number] {
  const [dx, dy] = [tx - x, ty - y];
  const across = dx > 0 ? (box.x + box.width - x) / dx : dx < 0 ? (box.x - x) / dx : Infinity;
  const along = dy > 0 ? (box.y + box.height - y) / dy : dy < 0 ? (box.y - y) / dy : Infinity;
  const share = Math.max(0, Math.min(1, across, along));
  return [x + dx * share, y + dy * share];
}

/** A clear place on the line, as near to its middle as there is one; the middle where there is none. */
function placeWords(
  points: Polyline,
  { width, height }: FreeLink,
  isClear: (place: Extent) => boolean,
): { readonly place: Extent; readonly isClear: boolean } {
  const at = (share: number): Extent => {
    const [x, y] = pointAt(points, share);
    return { x: x - width / 2, y: y - height / 2, width, height };
  };
  for (const share of shares) {
    const place = at(share);
    if (isClear(place)) return { place, isClear: true };
  }
  return { place: at(0.5), isClear: false };
}

/** The point at a share of the length of a line. */
export function pointAt(points: Polyline, share: number): [number, number] {
  let left = lengthOf(points) * share;
  for (let p = 2; p < points.length; p += 2) {
    const leg = Math.hypot(points[p]! - points[p - 2]!, points[p + 1]! - points[p - 1]!);
    if (leg >= left || p === points.length - 2) {
      const t = leg === 0 ? 0 : Math.min(1, left / leg);
      return [
        points[p - 2]! + (points[p]! - points[p - 2]!) * t,
        points[p - 1]! + (points[p + 1]! - points[p - 1]!) * t,
      ];
    }
    left -= leg;
  }
  return [points[0]!, points[1]!];
}
