import { exchanged } from './exchanged';
import { crossingsAmong, grown, overlap } from './segments';

/** A tree around its first vertex, with the size of each vertex in CSS px. */
export interface RingTree {
  /** By vertex; −1 for the one in the middle. A parent comes before its children. */
  readonly parent: ArrayLike<number>;
  /** Ring of each vertex: 0 in the middle; further out than its parent. */
  readonly ring: ArrayLike<number>;
  readonly width: ArrayLike<number>;
  readonly height: ArrayLike<number>;
  /** Children of one vertex stand in the order of these numbers. */
  readonly order: ArrayLike<number>;
  /** Room for words between the rings. */
  readonly words: number;
  readonly gap: number;
}

export interface Rings {
  /** Middles, around 0, 0. */
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly radius: readonly number[];
}

/**
 * Each ring a circle around the first vertex; every vertex in the middle of its sector, and sectors in proportion to what they hold. A circle is as wide as
 * its boxes and those of the circle within it need to stand clear. O(vertices² in a ring).
 */
export function onRings({ parent, ring, width, height, order, words, gap }: RingTree): Rings {
  const n = parent.length;
  const angle = anglesOf(parent, childrenOf(parent, order));
  const rings = Array.from({ length: n }, (_, v) => v).reduce((most, v) => Math.max(most, ring[v]! + 1), 0);
  const members: number[][] = Array.from({ length: rings }, () => []);
  for (let v = 0; v < n; v++) members[ring[v]!]!.push(v);
  const x = new Float64Array(n);
  const y = new Float64Array(n);
  const radius: number[] = [0];
  const boxOf = (v: number) => ({
    x: x[v]! - width[v]! / 2,
    y: y[v]! - height[v]! / 2,
    width: width[v]!,
    height: height[v]!,
  });
  const put = (r: number, at: number): void => {
    for (const v of members[r]!) {
      x[v] = Math.cos(angle[v]!) * at;
      y[v] = Math.sin(angle[v]!) * at;
    }
  };
  for (let r = 1; r < rings; r++) {
    const near = members.slice(Math.max(0, r - 2), r).flat();
    let at = radius[r - 1]! + gap + words;
    for (put(r, at); !stands(r); put(r, at)) at = at * 1.01 + 4;
    radius.push(at);
    function stands(of: number): boolean {
      const own = members[of]!;
      const boxes = own.map((v) => grown(boxOf(v), gap / 2));
      const within = near.map((v) => grown(boxOf(v), words));
      // Neighbours around the circle come after each other; the last is beside the first.
      const sorted = own.map((_, i) => i).sort((a, b) => angle[own[a]!]! - angle[own[b]!]!);
      for (let i = 0; i < sorted.length; i++)
        for (let k = 1; k <= Math.min(3, sorted.length - 1); k++)
          if (overlap(boxes[sorted[i]!]!, boxes[sorted[(i + k) % sorted.length]!]!)) return false;
      return !boxes.some((box) => within.some((other) => overlap(box, other)));
    }
  }
  return { x, y, radius };
}

function childrenOf(parent: ArrayLike<number>, order: ArrayLike<number>): number[][] {
  const children: number[][] = Array.from({ length: parent.length }, () => []);
  for (let v = 0; v < parent.length; v++) if (parent[v]! >= 0) children[parent[v]!]!.push(v);
  for (const list of children) list.sort((a, b) => order[a]! - order[b]! || a - b);
  return children;
}

/** The middle of each sector, in radians from the top on clockwise. */
function anglesOf(parent: ArrayLike<number>, children: readonly (readonly number[])[]): Float64Array {
  const n = parent.length;
  const weight = new Float64Array(n);
  for (let v = n - 1; v >= 0; v--) {
    weight[v] = Math.max(1, weight[v]!);
    if (parent[v]! >= 0) weight[parent[v]!]! += weight[v]!;
  }
  const angle = new Float64Array(n);
  const begin = new Float64Array(n);
  const share = new Float64Array(n);
  for (let v = 0; v < n; v++) {
    if (parent[v]! < 0) [begin[v], share[v]] = [-Math.PI / 2, 2 * Math.PI];
    let at = begin[v]!;
    const whole = children[v]!.reduce((sum, child) => sum + weight[child]!, 0);
    for (const child of children[v]!) {
      begin[child] = at;
      share[child] = (share[v]! * weight[child]!) / whole;
      at += share[child]!;
    }
    angle[v] = begin[v]! + share[v]! / 2;
  }
  return angle;
}

/** So many exchanges are tried at most, less where there are many links. */
const mostTrials = 900;

/**
 * An order of children for which straight links cross little and are short: children of one vertex change places as long as that helps. The order given is the
 * first. O(trials × links²).
 */
export function untangledOrder(
  parent: ArrayLike<number>,
  ring: ArrayLike<number>,
  order: ArrayLike<number>,
  links: readonly { readonly from: number; readonly to: number }[],
): Float64Array {
  const children = childrenOf(parent, order);
  const across = links.filter(({ from, to }) => parent[to] !== from && parent[from] !== to);
  const costNow = (): number => {
    const angle = anglesOf(parent, children);
    const at = (v: number) => [Math.cos(angle[v]!) * ring[v]!, Math.sin(angle[v]!) * ring[v]!] as const;
    const lines = links.map(({ from, to }) => [...at(from), ...at(to)]);
    const length = across.reduce((sum, { from, to }) => {
      const [[ax, ay], [bx, by]] = [at(from), at(to)];
      return sum + Math.hypot(bx - ax, by - ay);
    }, 0);
    return crossingsAmong(lines) * 2 + length;
  };
  if (across.length > 0) exchanged(children, costNow, Math.floor(Math.min(mostTrials, 2_000_000 / links.length ** 2)));
  const found = new Float64Array(parent.length);
  for (const family of children) family.forEach((v, i) => (found[v] = i));
  return found;
}
