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
  /** Siblings of the same breadth stand at one pitch where that widens their own span by no more than this share; left out: as near as they can. */
  readonly evenWithin?: number;
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
 * For the same reason only the sibling lists in which room was shared out need to be placed a second time, from the last to the first.
 */
export function tidyTree(input: TidyTreeInput): Float64Array {
  const { first, count, breadth, roots } = input;
  const n = first.length;
  const x = new Float64Array(n);
  if (n === 0) return x;
  const work = workspace(n);
  const { offset, height, left, right } = work;
  const list: Placed = { shared: false, height: 0, firstLow: 0, firstLowAt: 0, lastLow: 0, lastLowAt: 0 };
  for (let v = n - 1; v >= 0; v--) {
    const k = count[v]!;
    if (k === 0) continue;
    const start = first[v]!;
    const end = start + k - 1;
    placeEvenly(input, work, start, k, list);
    height[v] = list.height + 1;
    left.next[v] = start;
    left.nextOffset[v] = offset[start]!;
    left.low[v] = list.firstLow;
    left.lowOffset[v] = list.firstLowAt;
    right.next[v] = end;
    right.nextOffset[v] = offset[end]!;
    right.low[v] = list.lastLow;
    right.lowOffset[v] = list.lastLowAt;
  }
  placeEvenly(input, work, 0, roots, list);
  for (let v = 0; v < roots; v++) x[v] = offset[v]!;
  let edge = Infinity;
  for (let v = 0; v < n; v++) {
    const at = x[v]!;
    const own = at - breadth[v]! / 2;
    if (own < edge) edge = own;
    for (let c = first[v]!, last = c + count[v]!; c < last; c++) x[c] = at + offset[c]!;
  }
  for (let v = 0; v < n; v++) x[v]! -= edge;
  return x;
}

/** One side of all subtrees. Offsets are centres relative to the node's own, left to right. */
interface Contour {
  /** Next node of the contour one level below each node; 0 for none (the first root is below nobody). */
  readonly next: Int32Array;
  readonly nextOffset: Float64Array;
  /** Lowest node of the contour; 0 for a leaf, whose contour is itself. */
  readonly low: Int32Array;
  readonly lowOffset: Float64Array;
}

/** Everything begins as 0, and 0 says what holds for a leaf, so that leaves cost nothing but their place. */
interface Workspace {
  /** Centre of a node relative to its parent's. */
  readonly offset: Float64Array;
  /** The same, by placing from the last sibling to the first. */
  readonly back: Float64Array;
  /** Levels below the node. */
  readonly height: Int32Array;
  readonly left: Contour;
  readonly right: Contour;
  /** Among the siblings placed before this one, the nearest that is higher than all from it up to this one, plus 1; 0 for none. */
  readonly higher: Int32Array;
  readonly shift: Float64Array;
  readonly change: Float64Array;
}

function workspace(n: number): Workspace {
  // One block: allocated and cleared at once.
  const block = new ArrayBuffer(n * (8 * 8 + 6 * 4));
  let at = 0;
  const real = () => new Float64Array(block, (at += n * 8) - n * 8, n);
  const whole = () => new Int32Array(block, (at += n * 4) - n * 4, n);
  const reals = Array.from({ length: 8 }, real) as Tuple8<Float64Array>;
  const [offset, back, shift, change, leftNext, leftLow, rightNext, rightLow] = reals;
  return {
    offset,
    back,
    shift,
    change,
    left: { nextOffset: leftNext, lowOffset: leftLow, next: whole(), low: whole() },
    right: { nextOffset: rightNext, lowOffset: rightLow, next: whole(), low: whole() },
    height: whole(),
    higher: whole(),
  };
}
type Tuple8<T> = [T, T, T, T, T, T, T, T];

/** What placing a list of siblings tells; places relative to the middle of their span, in the direction of placing. */
interface Placed {
  /** Whether room was shared out among siblings in between. */
  shared: boolean;
  /** Levels below the highest of them. */
  height: number;
  /** Lowest node of the contour on the side of the first placed, and on that of the last placed. */
  firstLow: number;
  firstLowAt: number;
  lastLow: number;
  lastLowAt: number;
}

/** Sets `offset` of `k` siblings from `start` on, relative to the middle of their span. */
function placeEvenly(input: TidyTreeInput, work: Workspace, start: number, k: number, list: Placed): void {
  const { offset, back, left, right, shift, change, higher } = work;
  placeSiblings(input, work, start, k, 1, offset, list);
  const pitch = evenPitch(input, offset, start, k);
  if (!list.shared && pitch === 0) return;
  for (let c = start; c < start + k; c++) {
    // Nothing hangs below the lowest nodes of a sibling but the threads to other siblings just made.
    left.next[left.low[c]! || c] = 0;
    right.next[right.low[c]! || c] = 0;
    shift[c] = change[c] = higher[c] = 0;
  }
  if (pitch > 0) {
    // No two need more than that from each other, so that it is what all get.
    placeSiblings(input, work, start, k, 1, offset, list, pitch);
    return;
  }
  placeSiblings(input, work, start + k - 1, k, -1, back, list);
  for (let c = start; c < start + k; c++) offset[c] = (offset[c]! - back[c]!) / 2;
  const { firstLow, firstLowAt } = list;
  list.firstLow = list.lastLow;
  list.firstLowAt = -list.lastLowAt;
  list.lastLow = firstLow;
  list.lastLowAt = -firstLowAt;
}

/** The distance at which siblings that are placed can all stand from each other, if that is worth its room; 0 where it is not, or is so anyway. */
function evenPitch({ breadth, evenWithin = 0 }: TidyTreeInput, place: Float64Array, start: number, k: number): number {
  if (k < 3 || evenWithin === 0) return 0;
  let [widest, narrowest] = [0, Infinity];
  for (let c = start + 1; c < start + k; c++) {
    if (Math.abs(breadth[c]! - breadth[start]!) > 0.5) return 0;
    widest = Math.max(widest, place[c]! - place[c - 1]!);
    narrowest = Math.min(narrowest, place[c]! - place[c - 1]!);
  }
  const span = place[start + k - 1]! - place[start]!;
  return widest - narrowest > 0.5 && widest * (k - 1) - span <= evenWithin * (span + breadth[start]!) ? widest : 0;
}

/**
 * Places `k` siblings from `start` on, from the first to the last (`step` 1) or from the last to the first (`step` −1, as in the mirror
 * image), each as near as it can stand to all before it and no nearer than `least` to the one before, and threads their contours together. Writes
 * `place`.
 */
function placeSiblings(
  input: TidyTreeInput,
  work: Workspace,
  start: number,
  k: number,
  step: 1 | -1,
  place: Float64Array,
  list: Placed,
  least = 0,
): void {
  const { breadth, siblingGap, branchGap } = input;
  const { height, higher } = work;
  const near = step === 1 ? work.left : work.right;
  const far = step === 1 ? work.right : work.left;
  const { next: nearNext, nextOffset: nearOffset } = near;
  const { next: farNext, nextOffset: farOffset } = far;
  place[start] = 0;
  let shared = false;
  let most = height[start]!;
  let firstLow = near.low[start]! || start;
  let firstLowAt = step * near.lowOffset[start]!;
  let lastLow = far.low[start]! || start;
  let lastLowAt = step * far.lowOffset[start]!;
  for (let i = 1, c = start; i < k; i++) {
    const before = c;
    c += step;
    let a = before;
    let aAt = place[before]!;
    let b = c;
    let bAt = aAt + Math.max(least, (breadth[a]! + breadth[b]!) / 2 + siblingGap);
    let at = bAt;
    if (most === 0 && height[c] === 0) {
      // Leaves after nothing but leaves: there is no contour to walk down.
      place[c] = at;
      lastLow = c;
      lastLowAt = at;
      continue;
    }
    let toucher = before;
    for (let depth = 1; ; depth++) {
      aAt += step * farOffset[a]!;
      a = farNext[a]!;
      bAt += step * nearOffset[b]!;
      b = nearNext[b]!;
      if (a === 0 || b === 0) break;
      const push = aAt + (breadth[a]! + breadth[b]!) / 2 + branchGap - bAt;
      if (push > 0) {
        bAt += push;
        at += push;
        while (height[toucher]! < depth) toucher = higher[toucher]! - 1;
        if (toucher !== before) {
          shareOut(work, toucher, c, push, step);
          shared = true;
        }
      }
    }
    place[c] = at;
    const ownLow = far.low[c]! || c;
    const ownLowAt = at + step * far.lowOffset[c]!;
    // Whichever side is deeper, the contour of the joined siblings goes on in it.
    if (b > 0) {
      nearNext[firstLow] = b;
      nearOffset[firstLow] = step * (bAt - firstLowAt);
      firstLow = near.low[c]! || c;
      firstLowAt = at + step * near.lowOffset[c]!;
    }
    if (a > 0) {
      farNext[ownLow] = a;
      farOffset[ownLow] = step * (aAt - ownLowAt);
    } else {
      lastLow = ownLow;
      lastLowAt = ownLowAt;
    }
    if (height[c]! > most) most = height[c]!;
    let taller = before;
    while (taller >= 0 && height[taller]! <= height[c]!) taller = higher[taller]! - 1;
    higher[c] = taller + 1;
  }
  const end = start + step * (k - 1);
  if (shared) {
    const { shift, change } = work;
    let shiftSum = 0;
    let changeSum = 0;
    for (let j = 0, c = start; j < k; j++, c += step) {
      shiftSum += shift[c]!;
      changeSum += shiftSum + change[c]!;
      place[c]! += changeSum;
    }
  }
  const middle = (place[end]! + breadth[end]! / 2 - breadth[start]! / 2) / 2;
  for (let j = 0, c = start; j < k; j++, c += step) place[c]! -= middle;
  list.shared = shared;
  list.height = most;
  list.firstLow = firstLow;
  list.firstLowAt = firstLowAt - middle;
  list.lastLow = lastLow;
  list.lastLowAt = lastLowAt - middle;
}

/** Notes that the siblings between `toucher` and `c` share the room that `push` opened, in equal parts. */
function shareOut(work: Workspace, toucher: number, c: number, push: number, step: 1 | -1): void {
  const { shift, change } = work;
  const part = push / ((c - toucher) * step);
  shift[toucher + step]! += part;
  shift[c]! -= part;
  change[c]! -= push - part;
}
