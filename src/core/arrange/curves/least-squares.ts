/** Residuals at a point and their slopes, `slopes[k * width + j]` of the k-th residual by the j-th value. */
export interface Residuals {
  readonly residuals: Float64Array;
  readonly slopes: Float64Array;
}

const sumOfSquares = (list: Float64Array): number => list.reduce((sum, r) => sum + r * r, 0);

/** The longest step in one value: about the size of what is fitted, which keeps the slopes meaningful. */
const longestStep = 0.3;

/**
 * Least squares by damped steps (K. Levenberg 1944, D. Marquardt 1963), for few residuals and any number of values: the step of least
 * length, x − Jᵀ(JJᵀ + λ)⁻¹r. `of` gives null where there is no value; such steps are not taken. Ends when all residuals are 0 but for
 * rounding, when nothing is gained, or after `rounds`.
 */
export function leastSquares(
  of: (values: Float64Array) => Residuals | null,
  begin: Float64Array,
  rounds = 60,
): Float64Array {
  let values = begin;
  let here = of(values);
  if (!here) return values;
  let cost = sumOfSquares(here.residuals);
  let damping = 1e-3;
  for (let round = 0; round < rounds && cost > 1e-22; round++) {
    let moved = false;
    for (let tries = 0; tries < 8 && !moved; tries++) {
      const next = stepFrom(values, here, damping);
      const there = of(next);
      const after = there ? sumOfSquares(there.residuals) : Infinity;
      if (there && after < cost) {
        const gain = (cost - after) / cost;
        [values, here, cost, damping, moved] = [next, there, after, damping / 6, true];
        if (gain < 1e-3) return values;
      } else damping *= 6;
    }
    if (!moved) return values;
  }
  return values;
}

function stepFrom(values: Float64Array, { residuals, slopes }: Residuals, damping: number): Float64Array {
  const width = values.length;
  const count = residuals.length;
  const rows: Float64Array[] = [];
  let trace = 0;
  for (let i = 0; i < count; i++) {
    const row = new Float64Array(count + 1);
    for (let k = 0; k < count; k++) {
      let sum = 0;
      for (let j = 0; j < width; j++) sum += slopes[i * width + j]! * slopes[k * width + j]!;
      row[k] = sum;
    }
    trace += row[i]!;
    row[count] = residuals[i]!;
    rows.push(row);
  }
  const lift = (damping * trace) / count + 1e-14;
  rows.forEach((row, i) => (row[i] = row[i]! + lift));
  const weights = solve(rows);
  const next = Float64Array.from(values);
  for (let j = 0; j < width; j++) {
    let step = 0;
    for (let i = 0; i < count; i++) step += slopes[i * width + j]! * weights[i]!;
    next[j] = next[j]! - Math.max(-longestStep, Math.min(longestStep, step));
  }
  return next;
}

/** Gauss elimination with pivots on rows that end with their right side. */
function solve(rows: Float64Array[]): Float64Array {
  const n = rows.length;
  for (let i = 0; i < n; i++) {
    let pivot = i;
    for (let k = i + 1; k < n; k++) if (Math.abs(rows[k]![i]!) > Math.abs(rows[pivot]![i]!)) pivot = k;
    [rows[i], rows[pivot]] = [rows[pivot]!, rows[i]!];
    const top = rows[i]!;
    for (let k = i + 1; k < n; k++) {
      const row = rows[k]!;
      const factor = row[i]! / top[i]!;
      if (factor !== 0) for (let j = i; j <= n; j++) row[j] = row[j]! - factor * top[j]!;
    }
  }
  const x = new Float64Array(n);
  for (let i = n - 1; i >= 0; i--) {
    let rest = rows[i]![n]!;
    for (let j = i + 1; j < n; j++) rest -= rows[i]![j]! * x[j]!;
    x[i] = rest / rows[i]![i]!;
  }
  return x;
}
