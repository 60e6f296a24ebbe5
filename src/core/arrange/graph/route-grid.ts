/** Sorted, each once; of those nearer than 1.5 px one stays, `must` always. */
export function apart(values: readonly number[], must: readonly number[] = []): number[] {
  const needed = new Set(must);
  const kept: number[] = [];
  for (const value of [...new Set(values)].sort((a, b) => a - b)) {
    const last = kept.at(-1);
    if (last === undefined || value - last >= 1.5 || needed.has(value)) {
      if (last !== undefined && value - last < 1.5 && !needed.has(last)) kept.pop();
      kept.push(value);
    }
  }
  return kept;
}

export function indexOf(sorted: readonly number[], value: number): number {
  let [low, high] = [0, sorted.length - 1];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sorted[middle]! < value) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Without points that repeat the one before or lie on the straight line between their neighbours. */
export function straightened(points: readonly number[]): number[] {
  const kept: number[] = [];
  for (let p = 0; p < points.length; p += 2) {
    const [x, y] = [points[p]!, points[p + 1]!];
    const n = kept.length;
    if (n >= 2 && kept[n - 2] === x && kept[n - 1] === y) continue;
    if (
      n >= 4 &&
      ((kept[n - 4] === kept[n - 2] && kept[n - 2] === x) || (kept[n - 3] === kept[n - 1] && kept[n - 1] === y))
    )
      kept.length -= 2;
    kept.push(x, y);
  }
  return kept;
}
