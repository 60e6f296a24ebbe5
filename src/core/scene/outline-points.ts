/** Points along a path of absolute M, L, Q, C and Z, as x and y; cubic curves in sixteen steps, others by their corner. */
export function flattenPath(d: string): [number, number][] {
  const points: [number, number][] = [];
  for (const [, command, numbers] of d.matchAll(/([MLQC])([^MLQCZ]*)/g)) {
    const at = numbers!
      .trim()
      .split(/[\s,]+/)
      .map(Number);
    if (command === 'Q') points.push([at[0]!, at[1]!], [at[2]!, at[3]!]);
    else if (command !== 'C') points.push([at[0]!, at[1]!]);
    else {
      const [x0, y0] = points.at(-1)!;
      const [x1, y1, x2, y2, x3, y3] = at as [number, number, number, number, number, number];
      for (let k = 1; k <= 16; k++) {
        const t = k / 16;
        const mix = (a: number, b: number, c: number, e: number) =>
          (1 - t) ** 3 * a + 3 * (1 - t) ** 2 * t * b + 3 * (1 - t) * t ** 2 * c + t ** 3 * e;
        points.push([mix(x0, x1, x2, x3), mix(y0, y1, y2, y3)]);
      }
    }
  }
  return points;
}

/** Whether a point lies inside a closed outline (even–odd). */
export function holds(outline: readonly (readonly [number, number])[], x: number, y: number): boolean {
  let inside = false;
  outline.forEach(([ax, ay], i) => {
    const [bx, by] = outline[(i + 1) % outline.length]!;
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside;
  });
  return inside;
}
