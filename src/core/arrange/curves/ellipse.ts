/** Half axes in any unit, `turn` of the first axis in radians. With equal axes, a circle. */
export interface Ellipse {
  readonly cx: number;
  readonly cy: number;
  readonly rx: number;
  readonly ry: number;
  readonly turn: number;
}

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** The point at parameter t; with y down, t rises clockwise as seen. */
export function pointAt({ cx, cy, rx, ry, turn }: Ellipse, t: number): Point {
  const u = rx * Math.cos(t);
  const v = ry * Math.sin(t);
  if (turn === 0) return { x: cx + u, y: cy + v };
  const c = Math.cos(turn);
  const s = Math.sin(turn);
  return { x: cx + u * c - v * s, y: cy + u * s + v * c };
}

/** Below 0 inside, 0 on the outline, above 0 outside. */
export function outsideness({ cx, cy, rx, ry, turn }: Ellipse, x: number, y: number): number {
  const c = turn === 0 ? 1 : Math.cos(turn);
  const s = turn === 0 ? 0 : Math.sin(turn);
  const u = ((x - cx) * c + (y - cy) * s) / rx;
  const v = ((y - cy) * c - (x - cx) * s) / ry;
  return u * u + v * v - 1;
}

/** Parameter of the point of the outline that lies in the direction of (x, y) in the ellipse's own frame. */
export function parameterOf({ cx, cy, rx, ry, turn }: Ellipse, x: number, y: number): number {
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  return Math.atan2(((y - cy) * c - (x - cx) * s) / ry, ((x - cx) * c + (y - cy) * s) / rx);
}

export const scaled = (e: Ellipse, by: number): Ellipse => ({
  cx: e.cx * by,
  cy: e.cy * by,
  rx: e.rx * by,
  ry: e.ry * by,
  turn: e.turn,
});

export const moved = (e: Ellipse, dx: number, dy: number): Ellipse => ({ ...e, cx: e.cx + dx, cy: e.cy + dy });

/** An ellipse of a plane that is stretched sideways by a factor: an ellipse again, its axes those of the symmetric matrix M·Mᵀ. */
export function stretched(e: Ellipse, by: number): Ellipse {
  const [c, s] = [Math.cos(e.turn), Math.sin(e.turn)];
  const xx = by * by * ((c * e.rx) ** 2 + (s * e.ry) ** 2);
  const yy = (s * e.rx) ** 2 + (c * e.ry) ** 2;
  const xy = by * c * s * (e.rx * e.rx - e.ry * e.ry);
  const [middle, reach] = [(xx + yy) / 2, Math.hypot((xx - yy) / 2, xy)];
  return {
    cx: by * e.cx,
    cy: e.cy,
    rx: Math.sqrt(middle + reach),
    ry: Math.sqrt(Math.max(0, middle - reach)),
    turn: Math.atan2(2 * xy, xx - yy) / 2,
  };
}

/** Half the width and half the height of the box around a turned ellipse. */
export function halfExtent({ rx, ry, turn }: Ellipse): { x: number; y: number } {
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  return { x: Math.hypot(rx * c, ry * s), y: Math.hypot(rx * s, ry * c) };
}

/** The box around some ellipses. */
export function extentOf(ellipses: readonly Ellipse[]): { left: number; top: number; right: number; bottom: number } {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const e of ellipses) {
    const half = halfExtent(e);
    left = Math.min(left, e.cx - half.x);
    right = Math.max(right, e.cx + half.x);
    top = Math.min(top, e.cy - half.y);
    bottom = Math.max(bottom, e.cy + half.y);
  }
  return ellipses.length > 0 ? { left, top, right, bottom } : { left: 0, top: 0, right: 0, bottom: 0 };
}
