import { sequence } from '../sequence';
import { descend } from './descend';
import type { Ellipse } from './ellipse';
import { crossingsOf } from './ellipse-crossings';
import {
  centresApart,
  circle,
  circlesToScale,
  heightOver,
  radiusOf,
  scaleOf,
  within,
  type CirclesToScale,
  type Scaled,
} from './circles-to-scale';
import { leastSquares, type Residuals } from './least-squares';
import { areaSlopes, perEllipse } from './regions';
import type { ScaleError, Wanted } from './scale-error';

/**
 * Circles or ellipses whose regions have wanted areas, for up to three sets; null for more, and where nothing is wanted. The areas are in
 * any unit; the shapes are of a size at which all regions together have the area 1. Sets of the same members share one shape. One and two sets are exact (W. of the lens by
 * bisection). Three are fitted from several beginnings: circles never lose a wanted region; ellipses begin at the best circles and are
 * never worse than they, in neither error. Same input, same result.
 */
export function scaleShapes(given: Wanted, manner: 'circles' | 'ellipses'): Scaled | null {
  const n = Math.round(Math.log2(given.length));
  const all = Array.from(given, (w, mask) => (mask === 0 ? 0 : w));
  const total = all.reduce((sum, w) => sum + w, 0);
  if (total <= 0 || n > 3) return null;
  const wanted = all.map((w) => w / total);
  const first = Array.from({ length: n }, (_, i) => firstAlike(wanted, i));
  const apart = [...new Set(first)];
  if (apart.length < n) {
    const found = scaleShapes(merged(wanted, apart), manner);
    return (
      found &&
      scaleOf(
        first.map((at) => found.shapes[apart.indexOf(at)]!),
        wanted,
      )
    );
  }
  if (n === 1) return scaleOf([circle(0, 0, radiusOf(1))], wanted);
  if (n === 2) return scaleOf(twoCircles(wanted), wanted);
  const circles = circlesToScale(wanted);
  return manner === 'circles' ? circles.best : ellipsesToScale(wanted, circles);
}

/** The first set that has the same members as the i-th, as far as wanted areas tell. */
function firstAlike(wanted: Wanted, i: number): number {
  if (within(wanted, 1 << i) === 0) return i;
  for (let j = 0; j < i; j++) {
    let differs = false;
    for (let mask = 1; mask < wanted.length; mask++)
      if (wanted[mask]! > 0 && ((mask >> i) & 1) !== ((mask >> j) & 1)) differs = true;
    if (!differs) return j;
  }
  return i;
}

/** Wanted areas by the sets of `kept` alone; others are the same as one of these. */
function merged(wanted: Wanted, kept: readonly number[]): number[] {
  const areas = new Array<number>(1 << kept.length).fill(0);
  for (let mask = 1; mask < wanted.length; mask++) {
    const to = kept.reduce((sum, set, k) => sum | (((mask >> set) & 1) << k), 0);
    areas[to]! += wanted[mask]!;
  }
  return areas;
}

function twoCircles(wanted: Wanted): Ellipse[] {
  const [a, b] = [radiusOf(wanted[1]! + wanted[3]!), radiusOf(wanted[2]! + wanted[3]!)];
  const apart = centresApart(a, b, wanted[3]!);
  return [circle(-apart / 2, 0, a), circle(apart / 2, 0, b)];
}

const pack = (shapes: readonly Ellipse[]): Float64Array =>
  Float64Array.from(shapes.flatMap((e) => [e.cx, e.cy, Math.log(e.rx), Math.log(e.ry), e.turn]));
const unpack = (v: Float64Array): Ellipse[] =>
  Array.from({ length: v.length / perEllipse }, (_, i) => ({
    cx: v[5 * i]!,
    cy: v[5 * i + 1]!,
    rx: Math.exp(v[5 * i + 2]!),
    ry: Math.exp(v[5 * i + 3]!),
    turn: v[5 * i + 4]!,
  }));

/** Slimmer ellipses than this read badly. */
const slimmest = Math.log(3.2);

/**
 * Residuals of areas: the differences. `closing`: instead, the root of the area where none is wanted, which falls evenly as the region
 * closes. `roundness` above 0 adds a pull of every ellipse towards a circle.
 */
function residualsOf(wanted: Wanted, { roundness = 0, closing = false }) {
  const width = perEllipse * 3;
  const regions = wanted.length - 1;
  return (values: Float64Array): Residuals | null => {
    const { areas, slopes: all } = areaSlopes(unpack(values));
    const extra = roundness > 0 ? 3 : 0;
    const residuals = new Float64Array(regions + extra);
    const slopes = new Float64Array((regions + extra) * width);
    for (let k = 1; k <= regions; k++) {
      const [a, w] = [Math.max(0, areas[k]!), wanted[k]!];
      const free = closing && w === 0;
      if (free && a < 1e-12) continue;
      const weight = free ? 0.5 / Math.sqrt(a) : 1;
      residuals[k - 1] = free ? Math.sqrt(a) + 1e-3 : a - w;
      for (let j = 0; j < width; j++) slopes[(k - 1) * width + j] = weight * all[k * width + j]!;
    }
    for (let i = 0; i < extra; i++) {
      const at = perEllipse * i;
      residuals[regions + i] = roundness * (values[at + 2]! - values[at + 3]!);
      slopes[(regions + i) * width + at + 2] = roundness;
      slopes[(regions + i) * width + at + 3] = -roundness;
    }
    return { residuals, slopes };
  };
}

/** Beginnings beside the circles: even rings of leaning ellipses, then scattered ones of the sets' sizes. */
function* beginnings(wanted: Wanted, known: readonly (readonly Ellipse[])[]): Generator<readonly Ellipse[]> {
  yield* known;
  const circles = known[0]!;
  for (const lean of [0.85, 1.2, 0.7, 1.4])
    yield circles.map((e, i) => ({ ...e, rx: e.rx / lean, ry: e.ry * lean, turn: (i * 2 * Math.PI) / 3 }));
  const draw = sequence(7);
  const sizes = [0, 1, 2].map((i) => radiusOf(within(wanted, 1 << i)));
  for (;;)
    yield sizes.map((r) => {
      const [way, out, lean] = [draw() * 2 * Math.PI, 0.1 + 0.3 * draw(), 0.6 + 0.8 * draw()];
      return { cx: out * Math.cos(way), cy: out * Math.sin(way), rx: r / lean, ry: r * lean, turn: draw() * Math.PI };
    });
}

const mostBeginnings = 10;
const isExact = (one: Scaled): boolean => one.diagError < 1e-6 && one.lost.length === 0 && one.unwanted.length === 0;

function ellipsesToScale(wanted: Wanted, { best: circles, centresOnly }: CirclesToScale): Scaled {
  if (isExact(circles)) return circles;
  const reference = {
    ...circles,
    stress: Math.min(circles.stress, centresOnly.stress),
    diagError: Math.min(circles.diagError, centresOnly.diagError),
  };
  let best = circles;
  const take = (shapes: readonly Ellipse[]): void => {
    const one = scaleOf(shapes, wanted);
    if (one.stress <= circles.stress && one.diagError <= circles.diagError && isBetter(one, best, reference))
      best = one;
  };
  let tried = 0;
  for (const begin of beginnings(wanted, [circles.shapes, centresOnly.shapes])) {
    if (tried++ >= mostBeginnings || (isExact(best) && calm(best.shapes) && tried > 5)) break;
    const rounded = leastSquares(residualsOf(wanted, { roundness: 0.02 }), pack(begin), 14);
    const values = leastSquares(residualsOf(wanted, {}), rounded, 40);
    take(unpack(values));
    if (scaleOf(unpack(values), wanted).unwanted.length > 0)
      take(unpack(leastSquares(residualsOf(wanted, { closing: true }), values, 20)));
  }
  // Least squares serve the stress; where the largest difference is left behind, both are brought down together.
  if (heightOver(reference, best) > 0.8) {
    const height = (v: Float64Array): number => heightOver(reference, scaleOf(unpack(v), wanted));
    take(unpack(descend(height, pack(best.shapes), 0.05, 1200)));
  }
  return best;
}

const slimness = (shapes: readonly Ellipse[]): number =>
  Math.max(...shapes.map((e) => Math.abs(Math.log(e.rx / e.ry))));

/** No two outlines cross more than twice, and none is slim: the drawing reads at a glance. */
const calm = (shapes: readonly Ellipse[]): boolean =>
  slimness(shapes) < slimmest &&
  shapes.every((a, i) => shapes.slice(i + 1).every((b) => crossingsOf(a, b).length <= 2));

/** Exact before not exact; of exact ones the calmer, of others the one whose errors are the smaller part of the reference's. */
function isBetter(a: Scaled, b: Scaled, reference: ScaleError): boolean {
  if (a.lost.length !== b.lost.length) return a.lost.length < b.lost.length;
  if (isExact(a) !== isExact(b)) return isExact(a);
  if (!isExact(a)) return heightOver(reference, a) < heightOver(reference, b);
  const [ca, cb] = [calm(a.shapes), calm(b.shapes)];
  return ca !== cb ? ca : slimness(a.shapes) < slimness(b.shapes) - 0.02;
}
