import type { BoxStyle } from '../model';

/** Shapes that say by themselves what an entry is, and are no larger than their text needs. */
export const isSymbol = (shape: BoxStyle['shape']): boolean =>
  shape === 'ellipse' || shape === 'triangle' || shape === 'gable' || shape === 'block' || isPointed(shape);

/** Shapes whose text fills little of them. */
export const isPointed = (shape: BoxStyle['shape']): shape is 'diamond' | 'star' =>
  shape === 'diamond' || shape === 'star';

/** How far in the dents of a star lie, as a share of its radius, and how many points it has. */
export const starDent = 0.8;
export const starPoints = 12;

/** The point of a hexagon at either side of a box, CSS px. */
export const hexagonPoint = (width: number, height: number): number => Math.min(height / 3, width / 4, 22);

/** Diameter of the disc before a text, and the gap between them. CSS px. */
export const dotSize = 13;
export const dotGap = 7;
