/**
 * Area common to two circles of radii r and R at distance d (closed form of the lens): two segments, less the kite between the centres.
 */
export function lensArea(r: number, R: number, d: number): number {
  if (d >= r + R) return 0;
  if (d <= Math.abs(r - R)) return Math.PI * Math.min(r, R) ** 2;
  const kite = Math.sqrt((-d + r + R) * (d + r - R) * (d - r + R) * (d + r + R)) / 2;
  const angle = (a: number, b: number): number =>
    Math.acos(Math.max(-1, Math.min(1, (d * d + a * a - b * b) / (2 * d * a))));
  return r * r * angle(r, R) + R * R * angle(R, r) - kite;
}

/** Distance at which two circles share an area: bisection on the falling lens area. */
export function lensDistance(r: number, R: number, area: number): number {
  let [low, high] = [Math.abs(r - R), r + R];
  if (area <= 0) return high;
  if (area >= Math.PI * Math.min(r, R) ** 2) return low;
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2;
    if (lensArea(r, R, middle) > area) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
