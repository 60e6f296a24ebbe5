/** The share of rows that stand in a ring. `to`: by row the row it leads to, below 0 for none. O(rows). */
export function ringShare(to: readonly number[]): number {
  const state = new Int8Array(to.length);
  let inRing = 0;
  for (let i = 0; i < to.length; i++) {
    const way: number[] = [];
    let at = i;
    while (at >= 0 && state[at] === 0) {
      state[at] = 1;
      way.push(at);
      at = to[at]!;
    }
    if (at >= 0 && state[at] === 1) inRing += way.length - way.indexOf(at);
    for (const one of way) state[one] = 2;
  }
  return to.length === 0 ? 0 : inRing / to.length;
}
