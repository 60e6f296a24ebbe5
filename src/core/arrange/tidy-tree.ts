/**
 * A forest in level order: parents before children, the children of i are `first[i] … first[i] + count[i] − 1`,
 * the first `roots` nodes have no parent. All lengths in CSS px.
 */
export interface TidyTreeInput {
  readonly roots: number;
  readonly first: Int32Array;
  readonly count: Int32Array;
  /** Size of each node across the levels: its width in a top-down drawing. */
  readonly breadth: Float64Array;
  /** Least free distance between neighbours on a level that share a parent, and between those that do not. */
  readonly siblingGap: number;
  readonly branchGap: number;
}

/**
 * Tidy tree for nodes of varied breadth that stand on levels: returns the centre of each node across the levels, the leftmost edge at 0.
 *
 * Promises: no overlap and gaps kept on every level; order kept; a parent at the middle of its children (of the span from the outer edge
 * of the first to that of the last); equal subtrees drawn alike; the mirrored forest gives the mirrored drawing; siblings with room
 * to spare stand at equal distances. Never wider than the drawing by the same rules without the last two promises.
 * O(n) time and space, no recursion.
 *
 * Contours and threads: E. Reingold, J. Tilford, "Tidier Drawings of Trees", IEEE TSE 7(2), 1981. Sharing out room among the siblings
 * between two that touch: C. Buchheim, M. Jünger, S. Leipert, "Improving Walker's Algorithm to Run in Linear Time", GD 2002; the
 * list that tells which siblings touch: A. van der Ploeg, "Drawing Non-layered Tidy Trees in Linear Time", SP&E 44(12), 2014.
 * Sharing out from left to right is not symmetric. A sibling that has room to spare is hidden on both sides by deeper ones, so contours
 * do not depend on it; the mean of the drawing and of the mirrored drawing of the mirror image is therefore as narrow, and symmetric.
 */
export function tidyTree(input: TidyTreeInput): Float64Array {
  const n = input.first.length;
  const x = new Float64Array(n);
  if (n === 0) return x;
  const work = workspace(n);
  const shared = pass(input, work, 1, x);
  if (shared) {
    const mirrored = new Float64Array(n);
    pass(input, work, -1, mirrored);
    for (let i = 0; i < n; i++) x[i] = (x[i]! - mirrored[i]!) / 2;
  }
  let left = Infinity;
  for (let i = 0; i < n; i++) left = Math.min(left, x[i]! - input.breadth[i]! / 2);
  for (let i = 0; i < n; i++) x[i]! -= left;
  return x;
}

/** Everything begins as 0, and 0 says what holds for a leaf, so that leaves cost nothing but their place. */
interface Workspace {
  /** Centre of a node relative to its parent's; while siblings are placed, relative to the first of them. */
  readonly offset: Float64Array;
  /** Levels below the node. */
  readonly height: Int32Array;
  /** Next node of the left and right contour below each node (0 for none: the first root is below nobody), and its centre relative to the node's. */
  readonly nextLeft: Int32Array;
  readonly nextLeftOffset: Float64Array;
  readonly nextRight: Int32Array;
  readonly nextRightOffset: Float64Array;
  /** Lowest node of each contour of the subtree (0 for the node itself), and its centre relative to the node's. */
  readonly lowLeft: Int32Array;
  readonly lowLeftOffset: Float64Array;
  readonly lowRight: Int32Array;
  readonly lowRightOffset: Float64Array;
  /** Among the siblings before this one, the nearest that is higher than all from it up to this one, plus 1; 0 for none. */
  readonly higher: Int32Array;
  readonly shift: Float64Array;
  readonly change: Float64Array;
}

function workspace(n: number): Workspace {
  const whole = () => new Int32Array(n);
  const real = () => new Float64Array(n);
  return {
    offset: real(),
    height: whole(),
    nextLeft: whole(),
    nextLeftOffset: real(),
    nextRight: whole(),
    nextRightOffset: real(),
    lowLeft: whole(),
    lowLeftOffset: real(),
    lowRight: whole(),
    lowRightOffset: real(),
    higher: whole(),
    shift: real(),
    change: real(),
  };
}

/**
 * One drawing from the first child to the last (`step` 1) or from the last to the first (`step` −1, the mirror image).
 * Writes centres relative to the middle of the forest; returns whether room was shared out among siblings in between.
 */
function pass(input: TidyTreeInput, work: Workspace, step: 1 | -1, x: Float64Array): boolean {
  const { first, count, roots } = input;
  const { offset, height, nextLeft, nextLeftOffset, nextRight, nextRightOffset } = work;
  const { lowLeft, lowRight, lowLeftOffset, lowRightOffset } = work;
  const n = first.length;
  if (step === -1) clear(work);
  let shared = false;
  for (let v = n - 1; v >= 0; v--) {
    const k = count[v]!;
    if (k === 0) continue;
    const start = step === 1 ? first[v]! : first[v]! + k - 1;
    const end = start + step * (k - 1);
    if (placeSiblings(input, work, start, k, step)) shared = true;
    height[v] = height[tallest(work, end)]! + 1;
    nextLeft[v] = start;
    nextLeftOffset[v] = offset[start]!;
    nextRight[v] = end;
    nextRightOffset[v] = offset[end]!;
    lowLeft[v] = lowLeft[start]! || start;
    lowLeftOffset[v] = lowLeftOffset[start]! + offset[start]!;
    lowRight[v] = lowRight[end]! || end;
    lowRightOffset[v] = lowRightOffset[end]! + offset[end]!;
  }
  const start = step === 1 ? 0 : roots - 1;
  if (placeSiblings(input, work, start, roots, step)) shared = true;
  for (let v = 0; v < roots; v++) x[v] = offset[v]!;
  for (let v = 0; v < n; v++) {
    const at = x[v]!;
    for (let c = first[v]!, last = c + count[v]!; c < last; c++) x[c] = at + offset[c]!;
  }
  return shared;
}

function clear(work: Workspace): void {
  for (const array of Object.values(work) as (Int32Array | Float64Array)[]) array.fill(0);
}

/** The highest of the siblings up to `last`: the end of its chain of higher ones. Each link is walked once per parent. */
function tallest(work: Workspace, last: number): number {
  let at = last;
  while (work.higher[at]! > 0) at = work.higher[at]! - 1;
  return at;
}

/** Sets `offset` of `k` siblings from `start` on, relative to the middle of their span. */
function placeSiblings(input: TidyTreeInput, work: Workspace, start: number, k: number, step: 1 | -1): boolean {
  const { offset, height, higher, shift, change } = work;
  const { breadth, siblingGap } = input;
  offset[start] = 0;
  let shared = false;
  for (let i = 1, c = start; i < k; i++) {
    const before = c;
    c += step;
    if (height[c] === 0 && height[before] === 0 && higher[before] === 0) {
      // Leaves after nothing but leaves: there is no contour to walk down.
      offset[c] = offset[before]! + (breadth[before]! + breadth[c]!) / 2 + siblingGap;
      continue;
    }
    if (separate(input, work, start, before, c, step)) shared = true;
    let at = before;
    while (at >= 0 && height[at]! <= height[c]!) at = higher[at]! - 1;
    higher[c] = at + 1;
  }
  const end = start + step * (k - 1);
  if (shared) {
    let shiftSum = 0;
    let changeSum = 0;
    for (let j = 0, c = start; j < k; j++, c += step) {
      shiftSum += shift[c]!;
      changeSum += shiftSum + change[c]!;
      offset[c]! += changeSum;
    }
  }
  const middle = (offset[end]! + breadth[end]! / 2 - breadth[start]! / 2) / 2;
  for (let j = 0, c = start; j < k; j++, c += step) offset[c]! -= middle;
  return shared;
}

/**
 * Places sibling `c` as near as it can stand to all siblings before it, walking down the right contour of those and the left contour
 * of `c`, and threads the contours together. Returns whether `c` was pushed by a sibling other than the one just before it.
 */
function separate(
  input: TidyTreeInput,
  work: Workspace,
  start: number,
  before: number,
  c: number,
  step: 1 | -1,
): boolean {
  const { breadth, branchGap } = input;
  const { offset, height, higher, nextLeft, nextLeftOffset, nextRight, nextRightOffset } = work;
  let left = before;
  let leftAt = offset[before]!;
  let right = c;
  let rightAt = leftAt + (breadth[left]! + breadth[right]!) / 2 + input.siblingGap;
  let place = rightAt;
  let toucher = before;
  let shared = false;
  for (let depth = 1; ; depth++) {
    leftAt += nextRightOffset[left]!;
    left = nextRight[left]!;
    rightAt += nextLeftOffset[right]!;
    right = nextLeft[right]!;
    if (left === 0 || right === 0) break;
    while (height[toucher]! < depth) toucher = higher[toucher]! - 1;
    const push = leftAt + (breadth[left]! + breadth[right]!) / 2 + branchGap - rightAt;
    if (push > 0) {
      rightAt += push;
      place += push;
      if (toucher !== before) {
        shareOut(work, toucher, c, push, step);
        shared = true;
      }
    }
  }
  offset[c] = place;
  thread(work, start, before, c, left, leftAt, right, rightAt);
  return shared;
}

/** Notes that the siblings between `toucher` and `c` share the room that `push` opened, in equal parts. */
function shareOut(work: Workspace, toucher: number, c: number, push: number, step: 1 | -1): void {
  const { shift, change } = work;
  const part = push / ((c - toucher) * step);
  shift[toucher + step]! += part;
  shift[c]! -= part;
  change[c]! -= push - part;
}

/** Whichever side is deeper, the contour of the joined siblings goes on in it. `left` and `right` are 0 where a contour has ended. */
function thread(
  work: Workspace,
  start: number,
  before: number,
  c: number,
  left: number,
  leftAt: number,
  right: number,
  rightAt: number,
): void {
  const {
    offset,
    lowLeft,
    lowLeftOffset,
    lowRight,
    lowRightOffset,
    nextLeft,
    nextLeftOffset,
    nextRight,
    nextRightOffset,
  } = work;
  if (left === 0 && right > 0) {
    const low = lowLeft[start]! || start;
    nextLeft[low] = right;
    nextLeftOffset[low] = rightAt - offset[start]! - lowLeftOffset[start]!;
    lowLeft[start] = lowLeft[c]! || c;
    lowLeftOffset[start] = offset[c]! + lowLeftOffset[c]! - offset[start]!;
  } else if (left > 0 && right === 0) {
    const low = lowRight[c]! || c;
    nextRight[low] = left;
    nextRightOffset[low] = leftAt - offset[c]! - lowRightOffset[c]!;
    lowRight[c] = lowRight[before]! || before;
    lowRightOffset[c] = offset[before]! + lowRightOffset[before]! - offset[c]!;
  }
}
