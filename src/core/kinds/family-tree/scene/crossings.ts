/** A line between two neighbouring rows: where it leaves the upper and where it reaches the lower. */
export type Edge = readonly [upper: number, lower: number];

/** Ends nearer than this stand at one place. CSS px. */
const apart = 0.01;

/** How many pairs of lines cross. Lines that leave from one place do not. O(n log n), by counts kept in a binary indexed tree (Fenwick 1994). */
export function crossingsIn(edges: readonly Edge[]): number {
  const rising = [...edges].sort((a, b) => a[0] - b[0]);
  const ends = Float64Array.from(edges, ([, lower]) => lower).sort();
  /** How many ends are not beyond a place. */
  const upTo = (place: number): number => {
    let [from, to] = [0, ends.length];
    while (from < to) {
      const middle = (from + to) >> 1;
      if (ends[middle]! <= place) from = middle + 1;
      else to = middle;
    }
    return from;
  };
  const tree = new Int32Array(ends.length + 1);
  let [crossings, seen] = [0, 0];
  for (let at = 0; at < rising.length;) {
    const begin = at;
    for (; at < rising.length && rising[at]![0] === rising[begin]![0]; at++) {
      crossings += seen;
      for (let k = upTo(rising[at]![1] + apart); k > 0; k -= k & -k) crossings -= tree[k]!;
    }
    for (; seen < at; seen++) for (let k = upTo(rising[seen]![1]); k < tree.length; k += k & -k) tree[k]!++;
  }
  return crossings;
}
