/** A line of a drawing, CSS px. */
export interface Polyline {
  /** x, y, x, y … */
  readonly points: readonly number[];
}
