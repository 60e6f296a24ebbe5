import type { BoxStyle } from '../model';

/** Shapes that say by themselves what an entry is, and are no larger than their text needs. */
export const isSymbol = (shape: BoxStyle['shape']): boolean =>
  shape === 'ellipse' || shape === 'triangle' || shape === 'gable' || shape === 'block';
