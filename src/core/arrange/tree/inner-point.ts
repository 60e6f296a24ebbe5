/** One rule, `coefficients · z ≥ least`, of the variables that it names. */
export interface Rule {
  readonly at: readonly number[];
  readonly by: readonly number[];
  readonly least: number;
}

/** What is to be as small as it can be: `linear · z`, and half the sum of the squares of some expressions. */
export interface Aim {
  readonly linear: Float64Array;
  readonly squares: readonly Rule[];
}

export interface Solved {
  readonly z: Float64Array;
  /** No point that obeys the rules is better than this; of the linear part alone. */
  readonly bound: number;
}

/** Steps that are made at most; some twelve are usual. */
const mostSteps = 40;

/**
 * A linear or convex quadratic program under inequalities, by a primal–dual path through the inside (S. Mehrotra, "On the Implementation of a Primal-Dual
 * Interior Point Method", SIAM J. Optimization 2, 1992). Ends where the gap between the point and its bound is below `gap`, as a share; null where that is not
 * reached. The same input gives the same point everywhere: nothing but sums, products, quotients and roots. O(variables³) a step.
 */
export function solveInside(start: Float64Array, rules: readonly Rule[], aim: Aim, gap: number): Solved | null {
  const k = start.length;
  const m = rules.length;
  const z = start.slice();
  const slack = new Float64Array(m);
  const price = new Float64Array(m);
  const [dSlack, dPrice, mixed] = [new Float64Array(m), new Float64Array(m), new Float64Array(m)];
  const [rest, toward] = [new Float64Array(k), new Float64Array(k)];
  const matrix = new Float64Array(k * k);
  const begin = beginnings(k, [...rules, ...aim.squares]);
  for (let r = 0; r < m; r++) {
    slack[r] = Math.max(1, valueOf(rules[r]!, z) - rules[r]!.least);
    price[r] = 1 / slack[r]!;
  }
  for (let step = 0; step < mostSteps; step++) {
    // What is still wanting: of the balance of prices, and of the rules.
    rest.set(aim.linear);
    let [worst, product, bound, value, dearest] = [0, 0, 0, 0, 1];
    for (const square of aim.squares) {
      const over = valueOf(square, z) - square.least;
      addTo(rest, square, over);
      value += (over * over) / 2;
    }
    for (let r = 0; r < m; r++) {
      addTo(rest, rules[r]!, -price[r]!);
      worst = Math.max(worst, Math.abs(valueOf(rules[r]!, z) - slack[r]! - rules[r]!.least));
      product += slack[r]! * price[r]!;
      bound += price[r]! * rules[r]!.least;
      dearest = Math.max(dearest, price[r]!);
    }
    for (let i = 0; i < k; i++) value += aim.linear[i]! * z[i]!;
    const unbalanced = largestOf(rest);
    if (worst < 1e-6 && unbalanced < 1e-5 * dearest && product < gap * Math.max(1, Math.abs(value)))
      return { z, bound };
    matrix.fill(0);
    for (const square of aim.squares) addSquare(matrix, k, square, 1);
    for (let r = 0; r < m; r++) addSquare(matrix, k, rules[r]!, price[r]! / slack[r]!);
    factor(matrix, begin);
    const mean = product / m;
    // First straight to the edge, which tells how much of the way to keep to the middle.
    for (let r = 0; r < m; r++) mixed[r] = slack[r]! * price[r]!;
    move();
    const edge = Math.min(reach(slack, dSlack), reach(price, dPrice), 1);
    let after = 0;
    for (let r = 0; r < m; r++) after += (slack[r]! + edge * dSlack[r]!) * (price[r]! + edge * dPrice[r]!);
    const share = (after / m / mean) ** 3;
    for (let r = 0; r < m; r++) mixed[r] = slack[r]! * price[r]! + dSlack[r]! * dPrice[r]! - share * mean;
    move();
    const [far, dear] = [Math.min(1, 0.995 * reach(slack, dSlack)), Math.min(1, 0.995 * reach(price, dPrice))];
    // With squares both go equally far.
    const [onward, priced] = aim.squares.length > 0 ? [Math.min(far, dear), Math.min(far, dear)] : [far, dear];
    for (let i = 0; i < k; i++) z[i]! += onward * toward[i]!;
    for (let r = 0; r < m; r++) {
      slack[r]! += onward * dSlack[r]!;
      price[r]! += priced * dPrice[r]!;
    }
  }
  return null;

  /** Where the rules, the balance, and `mixed` as what slack times price should lose would lead. */
  function move(): void {
    for (let i = 0; i < k; i++) toward[i] = -rest[i]!;
    for (let r = 0; r < m; r++) {
      const rule = rules[r]!;
      const wanting = valueOf(rule, z) - slack[r]! - rule.least;
      addTo(toward, rule, -(mixed[r]! + price[r]! * wanting) / slack[r]!);
    }
    solveFactored(matrix, begin, toward);
    for (let r = 0; r < m; r++) {
      const rule = rules[r]!;
      dSlack[r] = valueOf(rule, toward) + valueOf(rule, z) - slack[r]! - rule.least;
      dPrice[r] = -(mixed[r]! + price[r]! * dSlack[r]!) / slack[r]!;
    }
  }
}

function valueOf({ at, by }: Rule, z: Float64Array): number {
  let sum = 0;
  for (let p = 0; p < at.length; p++) sum += by[p]! * z[at[p]!]!;
  return sum;
}

function addTo(sums: Float64Array, { at, by }: Rule, times: number): void {
  for (let p = 0; p < at.length; p++) sums[at[p]!]! += by[p]! * times;
}

/** Adds `times` the square of an expression to the lower half of a matrix. `at` rises. */
function addSquare(matrix: Float64Array, k: number, { at, by }: Rule, times: number): void {
  for (let p = 0; p < at.length; p++) {
    const row = at[p]! * k;
    const weight = by[p]! * times;
    for (let q = 0; q <= p; q++) matrix[row + at[q]!]! += weight * by[q]!;
  }
}

/** How far all stay above nothing. */
function reach(values: Float64Array, steps: Float64Array): number {
  let most = Infinity;
  for (let r = 0; r < values.length; r++) if (steps[r]! < 0) most = Math.min(most, -values[r]! / steps[r]!);
  return most;
}

function largestOf(values: Float64Array): number {
  let largest = 0;
  for (const value of values) largest = Math.max(largest, Math.abs(value));
  return largest;
}

/** A pivot that is this small a share of what it was tells nothing: its variable then stays where it is. */
const leastPivot = 1e-15;

/** Where each row of the matrix of some expressions begins: left of that it is empty, and so is its factor. */
function beginnings(k: number, all: readonly Rule[]): Int32Array {
  const begin = Int32Array.from({ length: k }, (_, i) => i);
  for (const { at } of all) for (const i of at) begin[i] = Math.min(begin[i]!, at[0]!);
  return begin;
}

/** The lower half of a matrix that is not negative becomes its Cholesky factor. */
function factor(matrix: Float64Array, begin: Int32Array): void {
  const k = begin.length;
  for (let i = 0; i < k; i++) {
    const row = i * k;
    for (let j = begin[i]!; j <= i; j++) {
      const other = j * k;
      const given = matrix[row + j]!;
      let sum = given;
      for (let p = Math.max(begin[i]!, begin[j]!); p < j; p++) sum -= matrix[row + p]! * matrix[other + p]!;
      if (j < i) matrix[row + j] = sum / matrix[other + j]!;
      else matrix[row + i] = sum > leastPivot * given ? Math.sqrt(sum) : 1e64;
    }
  }
}

function solveFactored(matrix: Float64Array, begin: Int32Array, z: Float64Array): void {
  const k = begin.length;
  for (let i = 0; i < k; i++) {
    let sum = z[i]!;
    for (let p = begin[i]!; p < i; p++) sum -= matrix[i * k + p]! * z[p]!;
    z[i] = sum / matrix[i * k + i]!;
  }
  for (let i = k - 1; i >= 0; i--) {
    const own = (z[i]! /= matrix[i * k + i]!);
    for (let p = begin[i]!; p < i; p++) z[p]! -= matrix[i * k + p]! * own;
  }
}
