/**
 * A low point of a function without slopes: the simplex of J. Nelder & R. Mead 1965, from `begin` with edges of length `reach`. Ends when
 * the simplex is flat to 1e-12 of its height or after `most` values.
 */
export function descend(
  of: (values: Float64Array) => number,
  begin: Float64Array,
  reach: number,
  most: number,
): Float64Array {
  const n = begin.length;
  const corners: { at: Float64Array; height: number }[] = Array.from({ length: n + 1 }, (_, i) => {
    const at = Float64Array.from(begin);
    if (i > 0) at[i - 1] = at[i - 1]! + reach;
    return { at, height: of(at) };
  });
  let asked = n + 1;
  const ask = (at: Float64Array): { at: Float64Array; height: number } => {
    asked++;
    return { at, height: of(at) };
  };
  while (asked < most) {
    corners.sort((a, b) => a.height - b.height);
    const [low, worst] = [corners[0]!, corners[n]!];
    if (worst.height - low.height <= 1e-12 * Math.abs(low.height) + 1e-15) break;
    const middle = new Float64Array(n);
    for (let i = 0; i < n; i++) for (let j = 0; j < n; j++) middle[j] = middle[j]! + corners[i]!.at[j]! / n;
    const along = (by: number): Float64Array => middle.map((m, j) => m + by * (worst.at[j]! - m));
    const mirrored = ask(along(-1));
    if (mirrored.height < low.height) {
      const further = ask(along(-2));
      corners[n] = further.height < mirrored.height ? further : mirrored;
    } else if (mirrored.height < corners[n - 1]!.height) corners[n] = mirrored;
    else {
      const nearer = ask(along(mirrored.height < worst.height ? -0.5 : 0.5));
      if (nearer.height < Math.min(mirrored.height, worst.height)) corners[n] = nearer;
      else for (let i = 1; i <= n; i++) corners[i] = ask(corners[i]!.at.map((v, j) => (v + low.at[j]!) / 2));
    }
  }
  return corners.reduce((a, b) => (b.height < a.height ? b : a)).at;
}
