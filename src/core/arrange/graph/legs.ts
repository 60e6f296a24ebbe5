import type { Polyline } from './polyline';

/** A straight part of a level and upright line: where it stands, and its stretch from the lower end to the higher. CSS px. */
export interface Leg {
  readonly upright: boolean;
  readonly at: number;
  readonly from: number;
  readonly to: number;
}

/** The legs of a line, in its order. */
export const legsOf = (line: Polyline): Leg[] =>
  Array.from({ length: Math.max(0, line.length / 2 - 1) }, (_, k) => {
    const [ax, ay, bx, by] = line.slice(2 * k, 2 * k + 4) as [number, number, number, number];
    return Math.abs(bx - ax) < Math.abs(by - ay)
      ? { upright: true, at: bx, from: Math.min(ay, by), to: Math.max(ay, by) }
      : { upright: false, at: by, from: Math.min(ax, bx), to: Math.max(ax, bx) };
  });
