import type { BoxText } from '../measure';
import type { TextPrimitive } from './scene';

/** A line of the text of an entry that begins at a place on its baseline, each piece of one manner by itself. */
export const lineTexts = (
  { pieces, part, size, runs }: BoxText['lines'][number],
  { x, y, fill }: { readonly x: number; readonly y: number; readonly fill: string },
): TextPrimitive[] =>
  (pieces ?? [{ x: 0, rise: 0, size, runs }]).map((piece) => ({
    type: 'text',
    x: x + piece.x,
    y: y - piece.rise,
    size: piece.size,
    fill,
    runs: piece.runs,
    part,
  }));
