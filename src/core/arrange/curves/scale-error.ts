/** Wanted areas by region mask; what is outside (mask 0) does not count. */
export type Wanted = ArrayLike<number>;

/** How far drawn areas are from wanted ones. */
export interface ScaleError {
  /** Share of the drawn areas that no common scale explains (L. Wilkinson 2012): 0 exact, 1 none. */
  readonly stress: number;
  /** Largest difference between a region's share of all that is drawn and its wanted share (L. Micallef, P. Rodgers 2014). */
  readonly diagError: number;
  /** Regions that are wanted and not drawn, and drawn and not wanted. */
  readonly lost: readonly number[];
  readonly unwanted: readonly number[];
}

/** Areas below this share of all count as not there: in a drawing 500 px wide, less than 2 px². */
export const nothingThere = 1e-5;

export function scaleError(drawn: ArrayLike<number>, wanted: Wanted): ScaleError {
  let [aa, aw, ww, sumA, sumW] = [0, 0, 0, 0, 0];
  for (let k = 1; k < wanted.length; k++) {
    const [a, w] = [drawn[k]!, wanted[k]!];
    aa += a * a;
    aw += a * w;
    ww += w * w;
    sumA += a;
    sumW += w;
  }
  if (sumA === 0 || sumW === 0) return { stress: 1, diagError: 1, lost: [], unwanted: [] };
  const scale = aw / ww;
  let residual = 0;
  let diagError = 0;
  const lost: number[] = [];
  const unwanted: number[] = [];
  for (let k = 1; k < wanted.length; k++) {
    const [a, w] = [drawn[k]!, wanted[k]!];
    residual += (a - scale * w) ** 2;
    diagError = Math.max(diagError, Math.abs(a / sumA - w / sumW));
    if (w > 0 && a < nothingThere * sumA) lost.push(k);
    if (w === 0 && a > nothingThere * sumA) unwanted.push(k);
  }
  return { stress: residual / aa, diagError, lost, unwanted };
}
