import FlatQueue from 'flatqueue';

/** Vertices with sizes, and which are linked. CSS px. */
export interface EvenGraph {
  readonly width: ArrayLike<number>;
  readonly height: ArrayLike<number>;
  /** `length`: what a link is to have between the edges of its boxes. */
  readonly links: readonly { readonly from: number; readonly to: number; readonly length: number }[];
  readonly gap: number;
  /** Where each begins. */
  readonly x: ArrayLike<number>;
  readonly y: ArrayLike<number>;
}

const rounds = 90;

/**
 * Places with links of much the same length: the least stress against distances along links, by majorisation (E. R. Gansner, Y. Koren, S. North, "Graph
 * Drawing by Stress Majorization", 2004), after each round moved as little as it takes for boxes not to overlap (T. Dwyer, Y. Koren, K. Marriott 2006, with
 * pairs of boxes for constraints). O(rounds × vertices²).
 */
export function evenPlaces({ width, height, links, gap, x: startX, y: startY }: EvenGraph): {
  readonly x: Float64Array;
  readonly y: Float64Array;
} {
  const n = width.length;
  const x = Float64Array.from(startX);
  const y = Float64Array.from(startY);
  const reach = (v: number) => (width[v]! + height[v]!) / 4;
  const wanted = distances(
    n,
    links.map(({ from, to, length }) => ({ from, to, length: length + reach(from) + reach(to) })),
  );
  for (let round = 0; round < rounds; round++) {
    for (let a = 0; a < n; a++) {
      let [sumX, sumY, heavy] = [0, 0, 0];
      for (let b = 0; b < n; b++) {
        const d = wanted[a * n + b]!;
        if (a === b || d === 0) continue;
        const weight = 1 / (d * d);
        const [dx, dy] = [x[a]! - x[b]!, y[a]! - y[b]!];
        const away = Math.hypot(dx, dy) || 1e-6;
        sumX += weight * (x[b]! + (dx / away) * d);
        sumY += weight * (y[b]! + (dy / away) * d);
        heavy += weight;
      }
      if (heavy > 0) [x[a], y[a]] = [sumX / heavy, sumY / heavy];
    }
    if (round >= rounds / 3) pushApart(x, y, { width, height, gap, fixed: null }, 2);
  }
  pushApart(x, y, { width, height, gap, fixed: null }, 200);
  return { x, y };
}

/**
 * Moves boxes apart that overlap or stand nearer than the gap, each pair along the shorter way and by halves; those that are fixed stay. At most so many
 * rounds. O(rounds × vertices²).
 */
export function pushApart(
  x: Float64Array,
  y: Float64Array,
  {
    width,
    height,
    gap,
    fixed,
  }: {
    readonly width: ArrayLike<number>;
    readonly height: ArrayLike<number>;
    readonly gap: number;
    readonly fixed: Uint8Array | null;
  },
  most: number,
): void {
  const n = x.length;
  for (let round = 0; round < most; round++) {
    let moved = false;
    for (let a = 0; a < n; a++)
      for (let b = a + 1; b < n; b++) {
        const overX = (width[a]! + width[b]!) / 2 + gap - Math.abs(x[a]! - x[b]!);
        const overY = (height[a]! + height[b]!) / 2 + gap - Math.abs(y[a]! - y[b]!);
        if (overX <= 0.01 || overY <= 0.01) continue;
        const [shareA, shareB] = fixed?.[a] ? (fixed[b] ? [0, 0] : [0, 1]) : fixed?.[b] ? [1, 0] : [0.5, 0.5];
        if (shareA + shareB === 0) continue;
        moved = true;
        if (overX < overY) {
          const way = x[a]! < x[b]! || (x[a] === x[b] && a < b) ? -1 : 1;
          x[a]! += way * overX * shareA;
          x[b]! -= way * overX * shareB;
        } else {
          const way = y[a]! < y[b]! || (y[a] === y[b] && a < b) ? -1 : 1;
          y[a]! += way * overY * shareA;
          y[b]! -= way * overY * shareB;
        }
      }
    if (!moved) return;
  }
}

/** The shortest ways along links between all pairs; between islands a share of the longest there is. O(vertices × links log vertices). */
function distances(n: number, links: EvenGraph['links']): Float64Array {
  const near: { to: number; length: number }[][] = Array.from({ length: n }, () => []);
  for (const { from, to, length } of links) {
    near[from]!.push({ to, length });
    near[to]!.push({ to: from, length });
  }
  const away = new Float64Array(n * n).fill(-1);
  let longest = 100;
  for (let start = 0; start < n; start++) {
    const row = start * n;
    const queue = new FlatQueue<number>();
    queue.push(start, 0);
    for (;;) {
      const length = queue.peekValue();
      const v = queue.pop();
      if (v === undefined || length === undefined) break;
      if (away[row + v]! >= 0) continue;
      away[row + v] = length;
      longest = Math.max(longest, length);
      for (const one of near[v]!) if (away[row + one.to]! < 0) queue.push(one.to, length + one.length);
    }
  }
  for (let i = 0; i < n * n; i++) if (away[i]! < 0) away[i] = longest * 0.7;
  return away;
}
