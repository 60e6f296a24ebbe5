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
  const sides = lanesOf(boxes, links);
  let conflicts = 0;
  const lines = links.map((link, k) => lineOf(boxes, link, sides[k]!));
  const around = lines.map((points) => grown(extentOfLines([points]), 1));
  lines.forEach((points, k) => {
    const { from, to } = links[k]!;
    const meets = (box: Extent, i: number) =>
      i !== from && i !== to && overlap(box, around[k]!) && lineRunsThrough(points, grown(box, 1));
    if (boxes.some(meets)) conflicts++;
  });
  const words: (Extent | null)[] = links.map(() => null);
  const order = links.map((_, k) => k).filter((k) => links[k]!.width > 0);
  order.sort((a, b) => lengthOf(lines[a]!) - lengthOf(lines[b]!) || a - b);
  for (const k of order) {
    // All that words on this line could meet.
    const { width, height } = links[k]!;
    const { x, y, width: wide, height: high } = around[k]!;
    const reach = { x: x - width, y: y - height - width, width: wide + 2 * width, height: high + 2 * (height + width) };
    const nearBoxes = boxes.filter((box) => overlap(box, reach));
    const nearWords = words.filter((other) => other !== null && overlap(other, reach)) as Extent[];
    const nearLines = lines.filter((_, other) => other !== k && overlap(around[other]!, reach));
    const found = placeWords(lines[k]!, links[k]!, (place) => {
      const room = grown(place, wordsClear);
      return (
        !nearBoxes.some((box) => overlap(box, room)) &&
        !nearWords.some((other) => overlap(other, room)) &&
        !nearLines.some((line) => lineRunsThrough(line, room))
      );
    });
    words[k] = found.place;
    if (!found.isClear) conflicts++;
  }
  return { lines: lines.map((points, k) => ({ points, words: words[k]! })), conflicts };
}

/**
 * For links of the same two boxes, how far the middle of each stands beside the line between the middles of the boxes, so that the words of one keep clear
 * of the others. CSS px, by link.
 */
function lanesOf(boxes: readonly Extent[], links: readonly FreeLink[]): number[] {
  const seen = new Map<string, number[]>();
  links.forEach(({ from, to }, k) => {
    const key = from < to ? `${from} ${to}` : `${to} ${from}`;
    const known = seen.get(key);
    if (known) known.push(k);
    else seen.set(key, [k]);
  });
  const sides = links.map(() => 0);
  for (const all of seen.values()) {
    if (all.length < 2) continue;
    const { from, to } = links[all[0]!]!;
    const [[ax, ay], [bx, by]] = [middleOf(boxes[Math.min(from, to)]!), middleOf(boxes[Math.max(from, to)]!)];
    const length = Math.hypot(bx - ax, by - ay) || 1;
    const room = all.map((k) => {
      const { width, height } = links[k]!;
      return Math.max(lane, (Math.abs(by - ay) * width + Math.abs(bx - ax) * height) / length + lane);
    });
    let at = -room.reduce((sum, one) => sum + one, 0) / 2;
    all.forEach((k, i) => {
      const side = at + room[i]! / 2;
      at += room[i]!;
      sides[k] = links[k]!.from < links[k]!.to ? side : -side;
    });
  }
  return sides;
}

const holds = ({ x, y, width, height }: Extent, px: number, py: number): boolean =>
  px > x - 1 && px < x + width + 1 && py > y - 1 && py < y + height + 1;

const middleOf = ({ x, y, width, height }: Extent): [number, number] => [x + width / 2, y + height / 2];

function lineOf(boxes: readonly Extent[], { from, to }: FreeLink, side: number): Polyline {
  const [a, b] = [boxes[from]!, boxes[to]!];
  const [ax, ay] = middleOf(a);
  const [bx, by] = middleOf(b);
  if (side !== 0) {
    // Beside others of the same two boxes: straight beside them for the middle half, so that words have a place.
    const length = Math.hypot(bx - ax, by - ay) || 1;
    const [nx, ny] = [(-(by - ay) / length) * side, ((bx - ax) / length) * side];
    const at = (share: number): [number, number] => [ax + (bx - ax) * share + nx, ay + (by - ay) * share + ny];
    const outside = [at(0.35), at(0.65)].filter(([x, y]) => !holds(a, x, y) && !holds(b, x, y));
    return trimmed([ax, ay, ...outside.flat(), bx, by], a, b);
  }
  return trimmed(wayAround(boxes, [ax, ay], [bx, by], [from, to]), a, b);
}

/** The shortest way between two points around boxes, but for those at its ends, by their indices. */
export function wayAround(
  boxes: readonly Extent[],
  a: readonly [number, number],
  b: readonly [number, number],
  ends: readonly number[],
): number[] {
  const inTheWay = (x0: number, y0: number, x1: number, y1: number): number[] =>
    boxes.flatMap((box, i) => (!ends.includes(i) && runsThrough(x0, y0, x1, y1, grown(box, clear)) ? [i] : []));
  const first = inTheWay(...a, ...b);
  return first.length === 0 ? [...a, ...b] : bent(boxes, a, b, first, inTheWay);
}

/** Of more boxes than these the corners are not tried. */
const mostAround = 12;

/**
 * The shortest way over corners of the boxes that are in the way, also of those that are in the way of that; straight where none is found (E. W. Dijkstra 1959
 * on the lines of sight between corners, each looked at when it is come to). O(corners² × boxes).
 */
function bent(
  boxes: readonly Extent[],
  [ax, ay]: readonly [number, number],
  [bx, by]: readonly [number, number],
  first: readonly number[],
  inTheWay: (x0: number, y0: number, x1: number, y1: number) => number[],
): number[] {
  const known = new Set<number>();
  const points: [number, number][] = [
    [ax, ay],
    [bx, by],
  ];
  const length: number[] = [0, Infinity];
  const before: number[] = [-1, -1];
  const done: boolean[] = [false, false];
  const take = (more: readonly number[]): void => {
    for (const i of more) {
      if (known.has(i) || known.size >= mostAround) continue;
      known.add(i);
      const { x, y, width, height } = grown(boxes[i]!, clear + 2);
      for (const [u, v] of [
        [x, y],
        [x + width, y],
        [x, y + height],
        [x + width, y + height],
      ] as const) {
        points.push([u, v]);
        length.push(Infinity);
        before.push(-1);
        done.push(false);
      }
      // Corners that came later may be nearer from what was passed already.
      done.fill(false);
    }
  };
  take(first);
  for (;;) {
    let at = -1;
    points.forEach((_, p) => {
      if (!done[p] && length[p]! < Infinity && (at < 0 || length[p]! < length[at]!)) at = p;
    });
    if (at < 0) return [ax, ay, bx, by];
    if (at === 1) break;
    done[at] = true;
    const [x, y] = points[at]!;
    for (let p = 1; p < points.length; p++) {
      if (p === at) continue;
      const [u, v] = points[p]!;
      const far = length[at]! + Math.hypot(u - x, v - y) + bendCost;
      if (far >= length[p]! - 1e-6) continue;
      const blocked = inTheWay(x, y, u, v);
      if (blocked.length > 0) {
        take(blocked);
        continue;
      }
      length[p] = far;
      before[p] = at;
      done[p] = false;
    }
  }
  const way: number[] = [];
  for (let p = 1; p >= 0; p = before[p]!) way.unshift(...points[p]!);
  return way;
}

/** A bend is worth so much of a detour. CSS px. */
const bendCost = 12;

/** The line from the edge of its first box to that of its last. */
function trimmed(way: readonly number[], a: Extent, b: Extent): number[] {
  const [sx, sy] = edgePoint(way[0]!, way[1]!, way[2]!, way[3]!, a);
  const n = way.length;
  const [ex, ey] = edgePoint(way[n - 2]!, way[n - 1]!, way[n - 4]!, way[n - 3]!, b);
  return [sx, sy, ...way.slice(2, n - 2), ex, ey];
}

/** Where the stretch from a point within a box towards another leaves it. */
export function edgePoint(x: number, y: number, tx: number, ty: number, box: Extent): [number, number] {
  const [dx, dy] = [tx - x, ty - y];
  const across = dx > 0 ? (box.x + box.width - x) / dx : dx < 0 ? (box.x - x) / dx : Infinity;
  const along = dy > 0 ? (box.y + box.height - y) / dy : dy < 0 ? (box.y - y) / dy : Infinity;
  const share = Math.max(0, Math.min(1, across, along));
  return [x + dx * share, y + dy * share];
}

/** A clear place on the line, as near to its middle as there is one, else right beside the line; the middle where there is none. */
function placeWords(
  points: Polyline,
  { width, height }: FreeLink,
  isClear: (place: Extent) => boolean,
): { readonly place: Extent; readonly isClear: boolean } {
  const at = (share: number, side: number): Extent => {
    const [x, y] = pointAt(points, share);
    const [[ax, ay], [bx, by]] = [
      pointAt(points, Math.max(0, share - 0.02)),
      pointAt(points, Math.min(1, share + 0.02)),
    ];
    const length = Math.hypot(bx - ax, by - ay) || 1;
    const [nx, ny] = [-(by - ay) / length, (bx - ax) / length];
    const off = side * ((Math.abs(nx) * width + Math.abs(ny) * height) / 2 + wordsClear);
    return { x: x + nx * off - width / 2, y: y + ny * off - height / 2, width, height };
  };
  for (const side of [0, 1, -1])
    for (const share of shares) {
      const place = at(share, side);
      if (isClear(place)) return { place, isClear: true };
    }
  return { place: at(0.5, 0), isClear: false };
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
