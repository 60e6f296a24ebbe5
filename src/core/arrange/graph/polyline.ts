/** Points of a line: x and y by turns, CSS px. */
export type Polyline = readonly number[];

export interface Extent {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** The smallest upright rectangle around others, of which there is one at least. */
export function extentOfBoxes(boxes: readonly Extent[]): Extent {
  return extentOfLines(boxes.map(({ x, y, width, height }) => [x, y, x + width, y + height]));
}

/** The smallest upright rectangle around lines. */
export function extentOfLines(lines: readonly Polyline[]): Extent {
  let left = Infinity;
  let top = Infinity;
  let right = -Infinity;
  let bottom = -Infinity;
  for (const points of lines) {
    for (let p = 0; p < points.length; p += 2) {
      const x = points[p]!;
      const y = points[p + 1]!;
      if (x < left) left = x;
      if (x > right) right = x;
      if (y < top) top = y;
      if (y > bottom) bottom = y;
    }
  }
  return { x: left, y: top, width: right - left, height: bottom - top };
}

export function lengthOf(points: Polyline): number {
  let sum = 0;
  for (let p = 2; p < points.length; p += 2)
    sum += Math.hypot(points[p]! - points[p - 2]!, points[p + 1]! - points[p - 1]!);
  return sum;
}

/** The line without a length at each end; at least a third of it is left. */
export function shortened(points: Polyline, atStart: number, atEnd: number): Polyline {
  if (atStart === 0 && atEnd === 0) return points;
  const all = lengthOf(points);
  const spare = Math.min(1, (all * 2) / 3 / Math.max(atStart + atEnd, 1e-9));
  const cut = withoutStart(points, atStart * spare);
  return reversed(withoutStart(reversed(cut), atEnd * spare));
}

function withoutStart(points: Polyline, length: number): number[] {
  let left = length;
  for (let p = 2; p < points.length; p += 2) {
    const x0 = points[p - 2]!;
    const y0 = points[p - 1]!;
    const dx = points[p]! - x0;
    const dy = points[p + 1]! - y0;
    const leg = Math.hypot(dx, dy);
    if (leg > left) {
      const share = left / leg;
      const rest = points.slice(p - 2);
      rest[0] = x0 + dx * share;
      rest[1] = y0 + dy * share;
      return rest;
    }
    left -= leg;
  }
  return points.slice(-2);
}

export function reversed(points: Polyline): number[] {
  const back: number[] = [];
  for (let p = points.length - 2; p >= 0; p -= 2) back.push(points[p]!, points[p + 1]!);
  return back;
}

const nowhere = [1, 0] as const;

/** What of a line lies outside a rectangle, as lines of their own. */
export function outside(points: Polyline, box: Extent): number[][] {
  const lines: number[][] = [];
  let line: number[] = [];
  const end = () => {
    if (line.length >= 4) lines.push(line);
    line = [];
  };
  for (let p = 2; p < points.length; p += 2) {
    const x0 = points[p - 2]!;
    const y0 = points[p - 1]!;
    const x1 = points[p]!;
    const y1 = points[p + 1]!;
    // Most legs are far from it.
    const apart =
      Math.max(x0, x1) <= box.x ||
      Math.min(x0, x1) >= box.x + box.width ||
      Math.max(y0, y1) <= box.y ||
      Math.min(y0, y1) >= box.y + box.height;
    const [from, to] = apart ? nowhere : insideOf(x0, y0, x1 - x0, y1 - y0, box);
    const at = (share: number): [number, number] => [x0 + (x1 - x0) * share, y0 + (y1 - y0) * share];
    if (to <= from) {
      if (line.length === 0) line.push(x0, y0);
      line.push(x1, y1);
      continue;
    }
    if (from > 0) {
      if (line.length === 0) line.push(x0, y0);
      line.push(...at(from));
    }
    end();
    if (to < 1) line.push(...at(to), x1, y1);
  }
  end();
  return lines;
}

/** The stretch of a leg that lies inside a rectangle, as shares of its length; empty where none does (Liang and Barsky 1984). */
export function insideOf(x0: number, y0: number, dx: number, dy: number, box: Extent): [from: number, to: number] {
  let from = 0;
  let to = 1;
  for (let side = 0; side < 4; side++) {
    const towards = side === 0 ? -dx : side === 1 ? dx : side === 2 ? -dy : dy;
    const room =
      side === 0 ? x0 - box.x : side === 1 ? box.x + box.width - x0 : side === 2 ? y0 - box.y : box.y + box.height - y0;
    if (towards === 0) {
      if (room <= 0) return [1, 0];
      continue;
    }
    const share = room / towards;
    if (towards < 0) from = Math.max(from, share);
    else to = Math.min(to, share);
  }
  return [from, to];
}

/** Distance of a point from a line. */
export function distanceTo(points: Polyline, x: number, y: number): number {
  let least = Infinity;
  for (let p = 2; p < points.length; p += 2) {
    const [x0, y0, x1, y1] = [points[p - 2]!, points[p - 1]!, points[p]!, points[p + 1]!];
    const square = (x1 - x0) ** 2 + (y1 - y0) ** 2;
    const share = square === 0 ? 0 : Math.max(0, Math.min(1, ((x - x0) * (x1 - x0) + (y - y0) * (y1 - y0)) / square));
    least = Math.min(least, Math.hypot(x - x0 - (x1 - x0) * share, y - y0 - (y1 - y0) * share));
  }
  return least;
}
