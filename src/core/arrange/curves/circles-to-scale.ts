import { descend } from './descend';
import type { Ellipse } from './ellipse';
import { leastSquares, type Residuals } from './least-squares';
import { lensDistance } from './lens';
import { areasOf, areaSlopes, perEllipse } from './regions';
import { scaleError, type ScaleError, type Wanted } from './scale-error';

export interface Scaled extends ScaleError {
  readonly shapes: readonly Ellipse[];
}

/** The circles, and the drawing that only moves centres, which may lose regions. */
export interface CirclesToScale {
  readonly best: Scaled;
  readonly centresOnly: Scaled;
}

export const scaleOf = (shapes: readonly Ellipse[], wanted: Wanted): Scaled => ({
  shapes,
  ...scaleError(areasOf(shapes), wanted),
});

export const circle = (cx: number, cy: number, r: number): Ellipse => ({ cx, cy, rx: r, ry: r, turn: 0 });
export const radiusOf = (area: number): number => Math.sqrt(Math.max(area, 1e-6) / Math.PI);

/** Three numbers a circle: centre and logarithm of the radius. */
const pack = (shapes: readonly Ellipse[]): Float64Array =>
  Float64Array.from(shapes.flatMap((e) => [e.cx, e.cy, Math.log(e.rx)]));
const unpack = (v: Float64Array): Ellipse[] => [0, 3, 6].map((at) => circle(v[at]!, v[at + 1]!, Math.exp(v[at + 2]!)));

/** Total area of the regions that have all bits of a mask. */
export const within = (areas: ArrayLike<number>, mask: number): number => {
  let sum = 0;
  for (let k = 1; k < areas.length; k++) if ((k & mask) === mask) sum += areas[k]!;
  return sum;
};

/**
 * Three circles for wanted areas of their regions (all together 1). First the radii are those of the sets' areas and only the centres
 * move, until pairs and triple agree best; from there all numbers move, and neither stress nor diagError may become worse than that
 * drawing's while both become better. A wanted region is never lost: where it would be, the way begins at a drawing that has all.
 */
export function circlesToScale(wanted: Wanted): CirclesToScale {
  const radii = [0, 1, 2].map((i) => radiusOf(within(wanted, 1 << i)));
  const placed = [...orders.map((order) => fromPairs(wanted, radii, order)), ...even(radii)].map((begin) => {
    const values = leastSquares(centresOnly(wanted, radii), Float64Array.from(begin.flatMap((e) => [e.cx, e.cy])), 40);
    const shapes = radii.map((r, i) => circle(values[2 * i]!, values[2 * i + 1]!, r));
    return { shapes, loss: lossOf(shapes, wanted) };
  });
  const first = placed.reduce((a, b) => (b.loss < a.loss ? b : a));
  const reference = scaleOf(first.shapes, wanted);
  if (reference.diagError < 1e-7 && reference.lost.length === 0) return { best: reference, centresOnly: reference };
  const height = (v: Float64Array): number => heightOver(reference, scaleError(areasOf(unpack(v)), wanted));
  const begun = [first.shapes, unpack(leastSquares(allFree(wanted), pack(first.shapes)))];
  if (begun.some((shapes) => scaleOf(shapes, wanted).lost.length > 0))
    begun.push(...[0.2, 0.27, 0.34].map((out) => unpack(leastSquares(allFree(wanted, 0.02), pack(ring(out))))));
  const found = begun.map((shapes) => {
    const once = descend(height, pack(shapes), 0.04, 500);
    return scaleOf(unpack(descend(height, once, 0.01, 300)), wanted);
  });
  const best = found.reduce((a, b) => (heightOver(reference, b) < heightOver(reference, a) ? b : a));
  return { best, centresOnly: reference };
}

/** Distance of the centres at which two circles share an area; with a little room between outlines that need not cross. */
export function centresApart(r: number, R: number, shared: number): number {
  const distance = lensDistance(r, R, shared);
  if (shared <= 0) return distance * 1.04;
  return shared > Math.PI * Math.min(r, R) ** 2 - 1e-9 ? distance * 0.85 : distance;
}

const orders = [
  [0, 1, 2],
  [0, 2, 1],
  [1, 2, 0],
] as const;

/** The distances that the pairs want; the third centre where two of them meet, or as near as they come. */
function fromPairs(wanted: Wanted, radii: readonly number[], order: readonly [number, number, number]): Ellipse[] {
  const [a, b, c] = order;
  const d = (i: number, j: number): number => centresApart(radii[i]!, radii[j]!, within(wanted, (1 << i) | (1 << j)));
  const ab = Math.max(1e-3, d(a, b));
  const ac = d(a, c);
  const x = (ab * ab + ac * ac - d(b, c) ** 2) / (2 * ab);
  const placed: Ellipse[] = [];
  placed[a] = circle(0, 0, radii[a]!);
  placed[b] = circle(ab, 0, radii[b]!);
  placed[c] = circle(Math.max(-ac, Math.min(ac, x)), Math.sqrt(Math.max(1e-4, ac * ac - x * x)), radii[c]!);
  return placed;
}

const ring = (out: number, radii: readonly number[] = [0.42, 0.42, 0.42]): Ellipse[] =>
  radii.map((r, i) => {
    const way = -Math.PI / 2 + (i * 2 * Math.PI) / 3;
    return circle(out * Math.cos(way), out * Math.sin(way), r);
  });
const even = (radii: readonly number[]): Ellipse[][] => [ring(0.2, radii), ring(0.35, radii)];

const meets = [0b011, 0b101, 0b110, 0b111];

/** Squares of what pairs and triple are off. */
function lossOf(shapes: readonly Ellipse[], wanted: Wanted): number {
  const areas = areasOf(shapes);
  return meets.reduce((sum, mask) => sum + (within(areas, mask) - within(wanted, mask)) ** 2, 0);
}

/** Pairs and triple by the centres alone. */
function centresOnly(wanted: Wanted, radii: readonly number[]) {
  return (v: Float64Array): Residuals => {
    const { areas, slopes: all } = areaSlopes(radii.map((r, i) => circle(v[2 * i]!, v[2 * i + 1]!, r)));
    const slopes = new Float64Array(meets.length * 6);
    meets.forEach((mask, k) => {
      for (let region = 1; region < 8; region++) {
        if ((region & mask) !== mask) continue;
        for (let j = 0; j < 6; j++)
          slopes[k * 6 + j] = slopes[k * 6 + j]! + all[region * 15 + perEllipse * (j >> 1) + (j & 1)]!;
      }
    });
    return { residuals: Float64Array.from(meets, (mask) => within(areas, mask) - within(wanted, mask)), slopes };
  };
}

/** All regions by centres and radii; `wall` above 0 adds a term that grows without bound as a wanted region vanishes. */
function allFree(wanted: Wanted, wall = 0) {
  return (v: Float64Array): Residuals | null => {
    const { areas, slopes: all } = areaSlopes(unpack(v));
    const rows = wall > 0 ? 14 : 7;
    const residuals = new Float64Array(rows);
    const slopes = new Float64Array(rows * 9);
    for (let k = 1; k < 8; k++) {
      const [a, w] = [areas[k]!, wanted[k]!];
      const walled = wall > 0 && w > 0;
      if (walled && a < 1e-7) return null;
      const near = walled ? Math.max(0, Math.log((0.4 * w) / a)) : 0;
      residuals[k - 1] = a - w;
      if (wall > 0) residuals[k + 6] = wall * near;
      for (let j = 0; j < 9; j++) {
        const [i, p] = [Math.floor(j / 3), j % 3];
        const at = k * 15 + perEllipse * i + p;
        const slope = p < 2 ? all[at]! : all[at]! + all[at + 1]!;
        slopes[(k - 1) * 9 + j] = slope;
        if (near > 0) slopes[(k + 6) * 9 + j] = (-wall * slope) / a;
      }
    }
    return { residuals, slopes };
  };
}

/** The larger of both errors as a part of the reference's, far above all where a wanted region is lost. */
export function heightOver(reference: ScaleError, { stress, diagError, lost }: ScaleError): number {
  const [s, d] = [stress / (reference.stress + 1e-10), diagError / (reference.diagError + 1e-7)];
  return Math.max(s, d) + 0.05 * (s + d) + 1e3 * lost.length;
}
