import { grown } from '../../../arrange/graph';
import {
  halfExtent,
  outsideness,
  pointAt,
  regionsOf,
  type Arc,
  type Ellipse,
  type Point,
} from '../../../arrange/curves';
import { advancesOf, capHeightOf, isShaped, runsOf, widthOf, widthOfRuns, type Face, type Run } from '../../../measure';
import { remember } from '../../../model';
import type { CurvedTextPrimitive, Primitive, Rect } from '../../../scene';

export interface NamedCurve {
  readonly ellipse: Ellipse;
  readonly name: string;
  readonly size: number;
  readonly face: Face;
  readonly fill: string;
  /** The top left of the room that is kept for the name inside the curve; null where it stands outside. */
  readonly inside: Point | null;
}

export interface SetName {
  readonly primitives: readonly Primitive[];
  /** Boxes that cover the name, in drawing coordinates. */
  readonly boxes: readonly Rect[];
}

const offset = 9;
/** No letter of a name is turned by more than this: such a name stands straight beside its curve. */
const steepest = 1.25;

/** Names where room is kept for them inside, else outside their curves: along the far side where it is flat and free for long enough, else straight beside it. */
export const nameCurves = remember(
  24,
  (curves: readonly NamedCurve[]) => JSON.stringify(curves),
  (curves): SetName[] => {
    const ellipses = curves.map(({ ellipse }) => ellipse);
    const free = regionsOf(ellipses).get(0)?.loops.flat() ?? [];
    const centre = {
      x: ellipses.reduce((sum, e) => sum + e.cx, 0) / Math.max(1, ellipses.length),
      y: ellipses.reduce((sum, e) => sum + e.cy, 0) / Math.max(1, ellipses.length),
    };
    const placed: SetName[] = [];
    curves.forEach((curve, i) => {
      const taken = placed.flatMap((name) => name.boxes);
      const arcs = free
        .filter((arc) => arc.ellipse === i)
        .map(({ from, to }) => ({ from: Math.min(from, to), to: Math.max(from, to) }));
      placed.push(
        within(curve) ?? along(curve, arcs, centre, ellipses, taken) ?? beside(curve, centre, ellipses, taken),
      );
    });
    return placed;
  },
);

/** A name in the room that is kept for it inside its curve. */
function within({ inside, name, face, size, fill }: NamedCurve): SetName | null {
  if (!inside) return null;
  const runs = runsOf(name, face, size);
  const height = size * 1.3;
  return {
    primitives: [
      {
        type: 'text',
        x: inside.x,
        y: inside.y + (height + capHeightOf(face, size)) / 2,
        size,
        fill,
        runs,
        part: 'name',
      },
    ],
    boxes: [{ ...inside, width: widthOfRuns(runs), height }],
  };
}

type Span = Pick<Arc, 'from' | 'to'>;

const outward = (e: Ellipse, t: number): Point => {
  const [c, s] = [Math.cos(e.turn), Math.sin(e.turn)];
  const [u, v] = [e.ry * Math.cos(t), e.rx * Math.sin(t)];
  const length = Math.hypot(u, v);
  return { x: (u * c - v * s) / length, y: (u * s + v * c) / length };
};

/** Radius of curvature at parameter t. */
const bend = ({ rx, ry }: Ellipse, t: number): number =>
  (rx * rx * Math.sin(t) ** 2 + ry * ry * Math.cos(t) ** 2) ** 1.5 / (rx * ry);

/** How far outside all other curves a point is, from 0 on one of them to 1 well away. */
const clearance = (p: Point, own: Ellipse, ellipses: readonly Ellipse[]): number =>
  Math.min(1, ...ellipses.map((e) => (e === own ? 1 : Math.max(0, outsideness(e, p.x, p.y)))));

function along(
  curve: NamedCurve,
  arcs: readonly Span[],
  centre: Point,
  ellipses: readonly Ellipse[],
  taken: readonly Rect[],
): SetName | null {
  const { ellipse, size, face, name } = curve;
  const width = widthOf(name, face, size);
  if (width === 0) return null;
  // One letter along a curve is only a letter that leans.
  if ([...name].length < 2) return null;
  // Letters that join or run the other way are set straight.
  if (runsOf(name, face, size).some((run) => isShaped(run.face))) return null;
  const letters = runsOf(name, face, size).flatMap((run) => lettersOf(run, size));
  let best: SetName | null = null;
  let most = 0.35;
  for (const { from, to } of arcs) {
    const steps = Math.max(8, Math.round((to - from) / 0.09));
    for (let k = 1; k < steps; k++) {
      const t = from + ((to - from) * k) / steps;
      const n = outward(ellipse, t);
      if (bend(ellipse, t) < Math.max(3 * size, width * 0.55)) continue;
      const p = pointAt(ellipse, t);
      const away = Math.hypot(p.x - centre.x, p.y - centre.y);
      const far = away === 0 ? 0 : ((p.x - centre.x) * n.x + (p.y - centre.y) * n.y) / away;
      // Far from the others, and not so steep that the head has to be turned.
      const merit = far + Math.abs(n.y) * 0.6 - (n.y > 0 ? 0.05 : 0) + 0.8 * clearance(p, ellipse, ellipses);
      if (merit <= most || Math.abs(n.y) < 0.4) continue;
      const set = setAlong(curve, letters, t, width, n.y < 0, { from, to });
      if (!set || !isClear(set.boxes, ellipses, taken)) continue;
      [best, most] = [set, merit];
    }
  }
  return best;
}

/** The letters of a run, each as wide as it moves the next one on, kerning included, as in text that is set straight. */
function lettersOf({ text, face }: Run, size: number): Letter[] {
  const moves = advancesOf(text, face);
  if (moves) return [...text].map((letter, k) => ({ text: letter, face, width: moves[k]! * size }));
  return [...text].map((letter) => ({ text: letter, face, width: widthOf(letter, face, size) }));
}

interface Letter {
  readonly text: string;
  readonly face: Face;
  readonly width: number;
}

/** Sets a name with its middle at parameter t: over the curve reading clockwise, or under it reading the other way. Null where the arc is too short. */
function setAlong(
  { ellipse, face, size, fill }: NamedCurve,
  letters: readonly Letter[],
  middle: number,
  width: number,
  above: boolean,
  arc: Span,
): SetName | null {
  const lift = above ? offset : offset + capHeightOf(face, size);
  const step = (above ? 1 : -1) * 0.008;
  const at = (t: number): Point => {
    const [p, n] = [pointAt(ellipse, t), outward(ellipse, t)];
    return { x: p.x + n.x * lift, y: p.y + n.y * lift };
  };
  let t = middle;
  let here = at(t);
  let walked = 0;
  while (walked < width / 2) {
    t -= step;
    const next = at(t);
    walked += Math.hypot(next.x - here.x, next.y - here.y);
    here = next;
    if (t < arc.from || t > arc.to) return null;
  }
  const glyphs: CurvedTextPrimitive['glyphs'][number][] = [];
  const boxes: Rect[] = [];
  let reached = 0;
  let begun = 0;
  for (const glyph of letters) {
    // The middle of the glyph lies on the curve; its baseline is the tangent there.
    const target = begun + glyph.width / 2;
    while (reached < target) {
      const next = at(t + step);
      const way = Math.hypot(next.x - here.x, next.y - here.y);
      // The last step goes just as far as the letter wants.
      const part = Math.min(1, (target - reached) / way);
      t += step * part;
      here = part < 1 ? at(t) : next;
      reached += way * part;
      if (part < 1) break;
    }
    if (t < arc.from || t > arc.to) return null;
    const n = outward(ellipse, t);
    const turn = Math.atan2(above ? n.x : -n.x, above ? -n.y : n.y);
    if (Math.abs(turn) > steepest) return null;
    const [c, s] = [Math.cos(turn), Math.sin(turn)];
    glyphs.push({
      text: glyph.text,
      face: glyph.face,
      x: here.x - (glyph.width / 2) * c,
      y: here.y - (glyph.width / 2) * s,
      turn: (turn * 180) / Math.PI,
    });
    const up = { x: s * size * 0.3, y: -c * size * 0.3 };
    const half = Math.max(glyph.width * Math.abs(c) + size * 0.9 * Math.abs(s), 2) / 2;
    const tall = Math.max(glyph.width * Math.abs(s) + size * 0.9 * Math.abs(c), 2) / 2;
    boxes.push({ x: here.x + up.x - half, y: here.y + up.y - tall, width: 2 * half, height: 2 * tall });
    begun += glyph.width;
  }
  return { primitives: [{ type: 'curvedText', size, fill, glyphs }], boxes };
}

/** A straight name at the outer end of the curve, pushed out until it is clear of all curves and names. */
function beside(
  { ellipse, name, face, size, fill }: NamedCurve,
  centre: Point,
  ellipses: readonly Ellipse[],
  taken: readonly Rect[],
): SetName {
  const runs = runsOf(name, face, size);
  const width = widthOfRuns(runs);
  let start = { x: ellipse.cx, y: ellipse.cy };
  let far = -1;
  for (let k = 0; k < 48; k++) {
    const p = pointAt(ellipse, (k * Math.PI) / 24);
    const away = Math.hypot(p.x - centre.x, p.y - centre.y) * (0.5 + clearance(p, ellipse, ellipses));
    if (away > far && ellipses.every((e) => e === ellipse || outsideness(e, p.x, p.y) > 0)) [far, start] = [away, p];
  }
  const length = Math.hypot(start.x - centre.x, start.y - centre.y) || 1;
  const way = { x: (start.x - centre.x) / length, y: (start.y - centre.y) / length || -1 };
  const height = size * 1.1;
  for (let push = offset; ; push += 4) {
    const box: Rect = {
      x: start.x + way.x * (push + width / 2) - width / 2,
      y: start.y + way.y * (push + height / 2) - height / 2,
      width,
      height,
    };
    if (push < 2000 && !isClear([grown(box, 3)], ellipses, taken)) continue;
    const baseline = box.y + (height + capHeightOf(face, size)) / 2;
    return {
      primitives: [{ type: 'text', x: box.x, y: baseline, size, fill, runs, part: 'name' }],
      boxes: [box],
    };
  }
}

/** True where no box meets a curve or what it encloses, or one of the other boxes. */
function isClear(boxes: readonly Rect[], ellipses: readonly Ellipse[], taken: readonly Rect[]): boolean {
  return boxes.every(
    (box) =>
      taken.every(
        (other) =>
          box.x + box.width <= other.x ||
          other.x + other.width <= box.x ||
          box.y + box.height <= other.y ||
          other.y + other.height <= box.y,
      ) && ellipses.every((e) => !meets(e, box)),
  );
}

/** Whether an ellipse and a box share a point. */
export function meets(e: Ellipse, box: Rect): boolean {
  const half = halfExtent(e);
  if (
    e.cx + half.x < box.x ||
    e.cx - half.x > box.x + box.width ||
    e.cy + half.y < box.y ||
    e.cy - half.y > box.y + box.height
  )
    return false;
  // In the ellipse's own frame, made a unit circle: the nearest point of the turned box.
  const [c, s] = [Math.cos(e.turn), Math.sin(e.turn)];
  const corners = [
    [box.x, box.y],
    [box.x + box.width, box.y],
    [box.x + box.width, box.y + box.height],
    [box.x, box.y + box.height],
  ].map(([x, y]) => ({
    x: ((x! - e.cx) * c + (y! - e.cy) * s) / e.rx,
    y: ((y! - e.cy) * c - (x! - e.cx) * s) / e.ry,
  }));
  if (e.cx > box.x && e.cx < box.x + box.width && e.cy > box.y && e.cy < box.y + box.height) return true;
  return corners.some((a, i) => {
    const b = corners[(i + 1) % 4]!;
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const u = Math.max(0, Math.min(1, -(a.x * dx + a.y * dy) / (dx * dx + dy * dy)));
    return Math.hypot(a.x + u * dx, a.y + u * dy) < 1;
  });
}
