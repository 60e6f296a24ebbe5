import { short } from '../graph';
import { outsideness, parameterOf, pointAt, type Ellipse, type Point } from './ellipse';
import { crossingsOf } from './ellipse-crossings';

/** A piece of an ellipse's outline, from parameter `from` to `to`; backwards where `to` is smaller. */
export interface Arc {
  readonly ellipse: number;
  readonly from: number;
  readonly to: number;
}

/** The part of the plane that is inside the ellipses whose bits are set in `mask` and in no others. */
export interface Region {
  readonly mask: number;
  /** Closed loops of arcs; several where the region lies in pieces or has holes. The region is left by even–odd. */
  readonly loops: readonly (readonly Arc[])[];
  readonly area: number;
}

/** A place on an outline; `vertex` is shared by the two outlines that cross there. */
interface Crossing extends Point {
  readonly vertex: number;
  readonly at: number;
}

const fullTurn = 2 * Math.PI;
const ascending = (a: Crossing, b: Crossing): number => a.at - b.at;

interface Piece extends Arc {
  readonly start: number;
  readonly end: number;
}

/**
 * A piece of the i-th outline between two crossings, `to` after `from`; `without`: the ellipses it lies in, without its own; `within`: with its own
 * and those that are the same.
 */
type Visit = (i: number, from: Crossing, to: Crossing, without: number, within: number) => void;

/** Ellipses nearer to each other than this share of their size are one. */
const same = 1e-7;

function isSame(a: Ellipse, b: Ellipse): boolean {
  if (a === b) return true;
  const near = (x: number, y: number): boolean => Math.abs(x - y) <= same * a.rx;
  const turned = Math.abs(Math.sin(a.turn - b.turn)) * Math.abs(a.rx - a.ry);
  return near(a.cx, b.cx) && near(a.cy, b.cy) && near(a.rx, b.rx) && near(a.ry, b.ry) && turned <= same * a.rx;
}

/** For each ellipse the mask of those that are the same; 0 for one that another before it stands for. */
function masksOf(ellipses: readonly Ellipse[]): number[] {
  const masks = ellipses.map((_, i) => 1 << i);
  ellipses.forEach((e, i) => {
    const first = ellipses.slice(0, i).findIndex((other, k) => masks[k] !== 0 && isSame(other, e));
    if (first < 0) return;
    masks[first]! |= 1 << i;
    masks[i] = 0;
  });
  return masks;
}

const sampled = [1 / 2, 1 / 4, 3 / 4, 1 / 8, 7 / 8];

/**
 * Whether a piece of e's outline that nothing crosses lies inside another ellipse. Its middle tells, unless it touches the other outline
 * just there: then the farthest of some points does.
 */
function isWithin(other: Ellipse, e: Ellipse, from: number, to: number): boolean {
  let farthest = 0;
  for (const share of sampled) {
    const { x, y } = pointAt(e, from + (to - from) * share);
    const outside = outsideness(other, x, y);
    if (Math.abs(outside) > Math.abs(farthest)) farthest = outside;
    if (Math.abs(farthest) > 1e-6) break;
  }
  return farthest < 0;
}

/** Cuts every outline at its crossings. An outline without any is one piece that ends where it starts. */
function eachPiece(ellipses: readonly Ellipse[], visit: Visit): void {
  const n = ellipses.length;
  const masks = masksOf(ellipses);
  const cuts: Crossing[][] = ellipses.map(() => []);
  let vertices = 0;
  for (let i = 0; i < n; i++) {
    for (let j = i + 1; j < n; j++) {
      if (masks[i] === 0 || masks[j] === 0) continue;
      for (const t of crossingsOf(ellipses[i]!, ellipses[j]!)) {
        const { x, y } = pointAt(ellipses[i]!, t);
        const u = parameterOf(ellipses[j]!, x, y);
        cuts[i]!.push({ vertex: vertices, at: t, x, y });
        cuts[j]!.push({ vertex: vertices++, at: u < 0 ? u + fullTurn : u, x, y });
      }
    }
  }
  for (let i = 0; i < n; i++) {
    if (masks[i] === 0) continue;
    const e = ellipses[i]!;
    const own = cuts[i]!;
    if (own.length === 0) own.push({ vertex: -1 - i, at: 0, ...pointAt(e, 0) });
    else if (own.length > 1) own.sort(ascending);
    const { vertex, at, x, y } = own[0]!;
    own.push({ vertex, at: at + fullTurn, x, y });
    for (let k = 0; k + 1 < own.length; k++) {
      let others = 0;
      for (let j = 0; j < n; j++)
        if (j !== i && masks[j] !== 0 && isWithin(ellipses[j]!, e, own[k]!.at, own[k + 1]!.at)) others |= masks[j]!;
      visit(i, own[k]!, own[k + 1]!, others, others | masks[i]!);
    }
  }
}

/**
 * Cuts the plane along ellipses in general position (no three through one point; those that are the same count as one) into regions, the outside
 * (mask 0) among them. Every outline is cut at its crossings; the middle of each piece tells which other ellipses it lies in, so the piece
 * bounds the region with its own ellipse on one side and the one without on the other. Areas by Green's theorem, exact but for
 * rounding; the outside has the area of the others with a minus sign. O(k²) for k ellipses.
 */
export function regionsOf(ellipses: readonly Ellipse[]): Map<number, Region> {
  const pieces = new Map<number, Piece[]>();
  const add = (mask: number, piece: Piece): void => {
    const list = pieces.get(mask);
    if (list) list.push(piece);
    else pieces.set(mask, [piece]);
  };
  eachPiece(ellipses, (ellipse, from, to, others, within) => {
    add(within, { ellipse, from: from.at, to: to.at, start: from.vertex, end: to.vertex });
    add(others, { ellipse, from: to.at, to: from.at, start: to.vertex, end: from.vertex });
  });
  const areas = areasOf(ellipses);
  const regions = new Map<number, Region>();
  for (const [mask, list] of pieces) regions.set(mask, { mask, loops: chained(list), area: areas[mask]! });
  return regions;
}

/** The areas alone, by mask; that of the outside (0) is the sum of the others with a minus sign. */
export function areasOf(ellipses: readonly Ellipse[]): Float64Array {
  const areas = new Float64Array(1 << ellipses.length);
  eachPiece(ellipses, (i, from, to, others, within) => {
    const e = ellipses[i]!;
    // Half the integral of x dy − y dx along the piece.
    const area = (e.rx * e.ry * (to.at - from.at) + e.cx * (to.y - from.y) - e.cy * (to.x - from.x)) / 2;
    areas[within]! += area;
    areas[others]! -= area;
  });
  return areas;
}

/** Numbers that place an ellipse: centre (x, y), logarithms of its half axes, turn. */
export const perEllipse = 5;

/**
 * The areas by mask, and how fast each changes: `slopes[mask * 5n + 5i + p]` for the p-th of the five numbers of the i-th ellipse. A region
 * grows by what its outline moves outward (Reynolds' transport theorem), which along an arc has a closed form.
 */
export function areaSlopes(ellipses: readonly Ellipse[]): { areas: Float64Array; slopes: Float64Array } {
  const width = perEllipse * ellipses.length;
  const areas = new Float64Array(1 << ellipses.length);
  const slopes = new Float64Array(width << ellipses.length);
  eachPiece(ellipses, (i, from, to, others, within) => {
    const e = ellipses[i]!;
    const [dx, dy, whole] = [to.x - from.x, to.y - from.y, (e.rx * e.ry * (to.at - from.at)) / 2];
    const [sinFrom, sinTo] = [Math.sin(from.at), Math.sin(to.at)];
    const turns = (e.rx * e.ry * (sinTo * Math.cos(to.at) - sinFrom * Math.cos(from.at))) / 2;
    const leaning = ((e.rx * e.rx - e.ry * e.ry) / 2) * (sinTo * sinTo - sinFrom * sinFrom);
    const add = (mask: number, sign: number): void => {
      const at = mask * width + perEllipse * i;
      areas[mask]! += sign * (whole + (e.cx * dy - e.cy * dx) / 2);
      slopes[at]! += sign * dy;
      slopes[at + 1]! -= sign * dx;
      slopes[at + 2]! += sign * (whole + turns);
      slopes[at + 3]! += sign * (whole - turns);
      slopes[at + 4]! += sign * leaning;
    };
    add(within, 1);
    add(others, -1);
  });
  return { areas, slopes };
}

/** Pieces joined end to start. Around a crossing all four regions differ, so each begins there at most once. */
function chained(pieces: readonly Piece[]): Arc[][] {
  const byStart = new Map(pieces.map((piece) => [piece.start, piece]));
  const loops: Arc[][] = [];
  while (byStart.size > 0) {
    const loop: Arc[] = [];
    let piece = byStart.values().next().value;
    while (piece) {
      byStart.delete(piece.start);
      loop.push({ ellipse: piece.ellipse, from: piece.from, to: piece.to });
      piece = byStart.get(piece.end);
    }
    loops.push(loop);
  }
  return loops;
}

/** Points along a loop, a step of `angle` apart or less; each point lies on the outline. */
export function flattened(ellipses: readonly Ellipse[], loop: readonly Arc[], angle = Math.PI / 60): Point[] {
  return loop.flatMap(({ ellipse, from, to }) => {
    const steps = Math.max(1, Math.ceil(Math.abs(to - from) / angle));
    return Array.from({ length: steps }, (_, i) => pointAt(ellipses[ellipse]!, from + ((to - from) * i) / steps));
  });
}

const paths = new WeakMap<readonly Ellipse[], Map<Region['loops'], string>>();

/**
 * Path data (M, C, Z) of a region: each arc in cubic curves of at most an eighth of a turn, off by less than 5 parts in a million. Kept by
 * curves and loops, which never change in place.
 */
export function regionPath(ellipses: readonly Ellipse[], loops: Region['loops']): string {
  let known = paths.get(ellipses);
  if (!known) paths.set(ellipses, (known = new Map()));
  let path = known.get(loops);
  if (path === undefined) known.set(loops, (path = pathOf(ellipses, loops)));
  return path;
}

function pathOf(ellipses: readonly Ellipse[], loops: Region['loops']): string {
  let d = '';
  for (const loop of loops) {
    const first = pointAt(ellipses[loop[0]!.ellipse]!, loop[0]!.from);
    d += `M${short(first.x)} ${short(first.y)}`;
    for (const arc of loop) d += arcCurves(ellipses[arc.ellipse]!, arc);
    d += 'Z';
  }
  return d;
}

function arcCurves(e: Ellipse, { from, to }: Arc): string {
  const steps = Math.max(1, Math.ceil(Math.abs(to - from) / (Math.PI / 4)));
  const step = (to - from) / steps;
  const handle = (4 / 3) * Math.tan(step / 4);
  const [c, s] = [Math.cos(e.turn), Math.sin(e.turn)];
  const along = (t: number): Point => {
    const [u, v] = [-e.rx * Math.sin(t) * handle, e.ry * Math.cos(t) * handle];
    return { x: u * c - v * s, y: u * s + v * c };
  };
  let d = '';
  for (let i = 0; i < steps; i++) {
    const [t, next] = [from + i * step, from + (i + 1) * step];
    const [a, b, da, db] = [pointAt(e, t), pointAt(e, next), along(t), along(next)];
    d += `C${short(a.x + da.x)} ${short(a.y + da.y)} ${short(b.x - db.x)} ${short(b.y - db.y)} ${short(b.x)} ${short(b.y)}`;
  }
  return d;
}

const wholes = new WeakMap<Ellipse, string>();

/** Outline of one whole ellipse as path data. */
export function ellipsePath(e: Ellipse): string {
  let path = wholes.get(e);
  if (path === undefined) wholes.set(e, (path = pathOf([e], [[{ ellipse: 0, from: 0, to: fullTurn }]])));
  return path;
}
