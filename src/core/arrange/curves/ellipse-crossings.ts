import type { Ellipse } from './ellipse';

const fullTurn = 2 * Math.PI;
/** The turn is searched in this many steps; a step that could hold more than one crossing is cut into four, this many times over. */
const steps = 16;
const deepest = 5;

/** k0 + k1 cos t + k2 sin t + k3 cos² t + k4 cos t sin t: how far a point of one ellipse is outside another, over its parameter. */
type Quadratic = readonly [number, number, number, number, number];

function outsidenessAlong(a: Ellipse, b: Ellipse): Quadratic {
  const [dx, dy] = [a.cx - b.cx, a.cy - b.cy];
  const [cb, sb] = [Math.cos(b.turn), Math.sin(b.turn)];
  const [c, s] = [Math.cos(a.turn - b.turn), Math.sin(a.turn - b.turn)];
  // In b's frame, made a unit circle: the point of a at t is u = u0 + u1 cos t + u2 sin t, v likewise.
  const [u0, u1, u2] = [(dx * cb + dy * sb) / b.rx, (a.rx * c) / b.rx, (-a.ry * s) / b.rx];
  const [v0, v1, v2] = [(dy * cb - dx * sb) / b.ry, (a.rx * s) / b.ry, (a.ry * c) / b.ry];
  const sinSquared = u2 * u2 + v2 * v2;
  return [
    u0 * u0 + v0 * v0 - 1 + sinSquared,
    2 * (u0 * u1 + v0 * v1),
    2 * (u0 * u2 + v0 * v2),
    u1 * u1 + v1 * v1 - sinSquared,
    2 * (u1 * u2 + v1 * v2),
  ];
}

const at = (k: Quadratic, c: number, s: number): number => k[0] + c * (k[1] + k[3] * c + k[4] * s) + k[2] * s;
const slopeAt = (k: Quadratic, c: number, s: number): number =>
  -k[1] * s + k[2] * c - 2 * k[3] * c * s + k[4] * (c * c - s * s);

/** −1 inside the other ellipse, 1 outside it. */
type Side = -1 | 1;
const sideOf = (f: number): Side => (f < 0 ? -1 : 1);

/** The zero between two parameters of different sign, the lower of which lies on `side`: Newton's steps, halved into the bracket where they leave it. */
function root(k: Quadratic, low: number, high: number, side: Side): number {
  let a = low;
  let b = high;
  let t = (a + b) / 2;
  for (let i = 0; i < 60; i++) {
    const c = Math.cos(t);
    const s = Math.sin(t);
    const f = at(k, c, s);
    if (sideOf(f) === side) a = t;
    else b = t;
    const newton = t - f / slopeAt(k, c, s);
    const next = newton >= a && newton <= b ? newton : (a + b) / 2;
    if (Math.abs(next - t) < 1e-14) return next;
    t = next;
  }
  return t;
}

/**
 * Parameters of `a`, from 0 to a full turn, at which its outline crosses that of `b`, at most four. How far a point is outside `b` is a
 * trigonometric polynomial of degree two in its parameter, whose slopes are bounded: a step where it stays away from 0 has no crossing,
 * one where it only rises or falls has at most one, any other is cut up. Outlines that touch without crossing have no crossing there.
 */
export function crossingsOf(a: Ellipse, b: Ellipse): number[] {
  if (Math.hypot(a.cx - b.cx, a.cy - b.cy) > Math.max(a.rx, a.ry) + Math.max(b.rx, b.ry)) return [];
  if (a.rx === a.ry && b.rx === b.ry) return crossingsOfCircles(a, b);
  const k = outsidenessAlong(a, b);
  const wave = Math.hypot(k[1], k[2]);
  const doubled = Math.hypot(k[3], k[4]);
  const [steepest, mostBent] = [wave + doubled, wave + 2 * doubled];
  const found: number[] = [];
  const search = (low: number, high: number, atLow: Side, atHigh: Side, depth: number): void => {
    const middle = (low + high) / 2;
    const half = (high - low) / 2;
    const c = Math.cos(middle);
    const s = Math.sin(middle);
    const f = at(k, c, s);
    if (Math.abs(f) > steepest * half) return;
    if (depth === deepest || Math.abs(slopeAt(k, c, s)) > mostBent * half) {
      if (atLow !== atHigh) found.push(root(k, low, high, atLow));
      return;
    }
    let side = atLow;
    for (let i = 0; i < 4; i++) {
      const from = low + (i * half) / 2;
      const to = low + ((i + 1) * half) / 2;
      const next = i === 3 ? atHigh : sideOf(at(k, Math.cos(to), Math.sin(to)));
      search(from, to, side, next, depth + 1);
      side = next;
    }
  };
  const first = sideOf(at(k, 1, 0));
  let side = first;
  for (let i = 0; i < steps; i++) {
    const to = ((i + 1) * fullTurn) / steps;
    const next = i === steps - 1 ? first : sideOf(at(k, Math.cos(to), Math.sin(to)));
    search((i * fullTurn) / steps, to, side, next, 0);
    side = next;
  }
  return found;
}

/** By the law of cosines: both lie at the same angle from the line of centres. */
function crossingsOfCircles(a: Ellipse, b: Ellipse): number[] {
  const [dx, dy] = [b.cx - a.cx, b.cy - a.cy];
  const d = Math.hypot(dx, dy);
  if (d >= a.rx + b.rx || d <= Math.abs(a.rx - b.rx)) return [];
  const way = Math.atan2(dy, dx) - a.turn;
  const half = Math.acos(Math.max(-1, Math.min(1, (a.rx * a.rx + d * d - b.rx * b.rx) / (2 * a.rx * d))));
  return [way - half, way + half].map((t) => ((t % fullTurn) + fullTurn) % fullTurn);
}
