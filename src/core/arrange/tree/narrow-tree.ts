import { solveInside, type Rule } from './inner-point';
import { tidyTree, type TidyTreeInput } from './tidy-tree';

/** A tidy tree this many times as wide as the narrowest there is stays as it is; another is made no wider than the second times it. */
const nearEnough = 1.02;
const mostWidth = 1.01;
/** How closely the narrowest is looked for, as a share of its width. */
const closeness = 0.002;
/** Trees with more leaves, or whose rules name more pairs of them, are left tidy: the work grows with both. */
const mostLeaves = 300;
const mostPairs = 3_000_000;

/**
 * The tidy tree, or, where that is more than 2 % wider than the narrowest drawing with the same order, gaps and centred parents, one that is at most 1 % wider than
 * that, in which siblings stand as near to each other as that allows. Equal subtrees may be drawn unlike in it. Same result as `tidyTree` otherwise.
 *
 * The narrowest drawing is a linear program (K. J. Supowit, E. M. Reingold, "The Complexity of Drawing Trees Nicely", Acta Informatica 18, 1983) in the places
 * of the leaves, as those of all others follow from them.
 */
export function narrowTree(input: TidyTreeInput): Float64Array {
  const tidy = tidyTree(input);
  const n = tidy.length;
  let leaves = 0;
  for (let i = 0; i < n; i++) if (input.count[i] === 0) leaves++;
  if (leaves < 3 || leaves > mostLeaves) return tidy;
  const places = placesByLeaves(input);
  const width = widthOf(tidy, input.breadth);
  const start = new Float64Array(leaves + 1);
  for (let i = 0; i < n; i++) if (input.count[i] === 0) start[places.leafOf[i]!] = tidy[i]!;
  start[leaves] = width;
  const { rules, siblings } = rulesOf(input, places, leaves);
  if (rules.reduce((pairs, { at }) => pairs + at.length ** 2, 0) > mostPairs) return tidy;
  const linear = new Float64Array(leaves + 1);
  linear[leaves] = 1;
  const least = solveInside(start, rules, { linear, squares: [] }, closeness);
  if (!least || width <= least.bound * nearEnough) return tidy;
  const room = Math.max(least.bound * mostWidth, least.z[leaves]!);
  const within: Rule = { at: [leaves], by: [-1], least: -room };
  const near = solveInside(
    least.z,
    [...rules, within],
    { linear: new Float64Array(leaves + 1), squares: siblings },
    1e-4,
  );
  // The narrowest itself keeps all rules too, only less tidily.
  return placed(input, places, (near ?? least).z);
}

/** The place of each node as a sum over the places of leaves. */
interface Places {
  readonly leafOf: Int32Array;
  readonly of: readonly Place[];
}
interface Place {
  readonly at: readonly number[];
  readonly by: readonly number[];
  readonly plus: number;
}

function placesByLeaves({ roots, first, count, breadth }: TidyTreeInput): Places {
  const n = first.length;
  const leafOf = new Int32Array(n).fill(-1);
  const of = new Array<Place>(n);
  let leaves = 0;
  // From left to right, so that who stands near each other is near in the sums too.
  const waiting = Array.from({ length: roots }, (_, r) => roots - 1 - r);
  for (let i = waiting.pop(); i !== undefined; i = waiting.pop()) {
    if (count[i] === 0) leafOf[i] = leaves++;
    for (let c = first[i]! + count[i]! - 1; c >= first[i]!; c--) waiting.push(c);
  }
  for (let i = n - 1; i >= 0; i--) {
    if (count[i] === 0) of[i] = { at: [leafOf[i]!], by: [1], plus: 0 };
    else {
      const [a, b] = [first[i]!, first[i]! + count[i]! - 1];
      if (a === b) of[i] = of[a]!;
      else {
        const middle = sumOf(of[a]!, 0.5, of[b]!, 0.5);
        of[i] = { ...middle, plus: middle.plus + (breadth[b]! - breadth[a]!) / 4 };
      }
    }
  }
  return { leafOf, of };
}

/** Two sums weighed and added; leaves rise in each. */
function sumOf(a: Place, weight: number, b: Place, other: number): Place {
  const at: number[] = [];
  const by: number[] = [];
  for (let p = 0, q = 0; p < a.at.length || q < b.at.length;) {
    const [left, right] = [a.at[p] ?? Infinity, b.at[q] ?? Infinity];
    at.push(Math.min(left, right));
    by.push((left <= right ? weight * a.by[p++]! : 0) + (right <= left ? other * b.by[q++]! : 0));
  }
  return { at, by, plus: weight * a.plus + other * b.plus };
}

/** What keeps nodes apart and within the width, which comes after the leaves; `siblings`: those of the rules that keep siblings apart. */
function rulesOf(
  input: TidyTreeInput,
  { of }: Places,
  leaves: number,
): { readonly rules: readonly Rule[]; readonly siblings: readonly Rule[] } {
  const { breadth, siblingGap, branchGap } = input;
  const { tier, parent } = levelsOf(input);
  const n = of.length;
  const rules: Rule[] = [];
  const siblings: Rule[] = [];
  for (let i = 0; i < n; i++) {
    const { at, by, plus } = of[i]!;
    if (i === 0 || tier[i] !== tier[i - 1]) rules.push({ at, by, least: breadth[i]! / 2 - plus });
    else {
      const alike = parent[i] === parent[i - 1];
      const apart = (breadth[i]! + breadth[i - 1]!) / 2 + (alike ? siblingGap : branchGap);
      const { plus: between, ...sum } = sumOf(of[i]!, 1, of[i - 1]!, -1);
      const rule = { ...sum, least: apart - between };
      rules.push(rule);
      if (alike) siblings.push(rule);
    }
    if (i === n - 1 || tier[i] !== tier[i + 1])
      rules.push({ at: [...at, leaves], by: [...by.map((one) => -one), 1], least: breadth[i]! / 2 + plus });
  }
  return { rules, siblings };
}

function levelsOf({ first, count }: TidyTreeInput): { readonly tier: Int32Array; readonly parent: Int32Array } {
  const n = first.length;
  const [tier, parent] = [new Int32Array(n), new Int32Array(n).fill(-1)];
  for (let i = 0; i < n; i++)
    for (let c = first[i]!, end = c + count[i]!; c < end; c++) {
      parent[c] = i;
      tier[c] = tier[i]! + 1;
    }
  return { tier, parent };
}

/** All nodes by the places of the leaves, the leftmost edge at 0. */
function placed({ first, count, breadth }: TidyTreeInput, { leafOf }: Places, z: Float64Array): Float64Array {
  const n = first.length;
  const x = new Float64Array(n);
  let edge = Infinity;
  for (let i = n - 1; i >= 0; i--) {
    if (count[i] === 0) x[i] = z[leafOf[i]!]!;
    else {
      const [a, b] = [first[i]!, first[i]! + count[i]! - 1];
      x[i] = a === b ? x[a]! : (x[a]! + x[b]!) / 2 + (breadth[b]! - breadth[a]!) / 4;
    }
    edge = Math.min(edge, x[i]! - breadth[i]! / 2);
  }
  for (let i = 0; i < n; i++) x[i]! -= edge;
  return x;
}

/** From the leftmost to the rightmost edge. */
export function widthOf(x: Float64Array, breadth: Float64Array): number {
  let [left, right] = [Infinity, -Infinity];
  for (let i = 0; i < x.length; i++) {
    left = Math.min(left, x[i]! - breadth[i]! / 2);
    right = Math.max(right, x[i]! + breadth[i]! / 2);
  }
  return right - left;
}
