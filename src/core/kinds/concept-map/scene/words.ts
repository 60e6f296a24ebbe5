import { baseOf, capHeightOf, foldsOf, foldWithin, runsOf, sansFace, widthOf, type Base } from '../../../measure';
import { remember } from '../../../model';
import type { Primitive, Rect } from '../../../scene';

const face = sansFace(400, 'italic');
const leading = 1.16;
const mostLines = 3;

/** Words of a link as they are set: on few lines, each as narrow as that allows. Sizes in CSS px. */
export interface SetWords {
  readonly lines: readonly string[];
  readonly base: Base;
  readonly width: number;
  readonly height: number;
}

export const noWords: SetWords = { lines: [], base: 'ltr', width: 0, height: 0 };

/** `ems`: lines longer than this are broken where they can be. */
export const setWords = remember(
  4000,
  (phrase: string, size: number, ems: number) => `${size} ${ems} ${phrase}`,
  (phrase, size, ems): SetWords => {
    if (phrase.trim() === '') return noWords;
    const { lines, width, base } = foldWithin(foldsOf(phrase, face, size, mostLines), size * ems);
    return { lines, base, width: Math.ceil(width) + 4, height: Math.ceil(lines.length * size * leading) + 1 };
  },
);

/** Words in their place, each line in its middle. */
export const wordsPrimitives = (
  { lines, base }: SetWords,
  place: Rect,
  { size, fill }: { readonly size: number; readonly fill: string },
): Primitive[] =>
  lines.map((line, i) => {
    const width = widthOf(line, face, size);
    const top = place.y + (place.height - lines.length * size * leading) / 2;
    return {
      type: 'text',
      x: place.x + (place.width - width) / 2,
      y: top + i * size * leading + (size * leading + capHeightOf(face, size)) / 2,
      size,
      fill,
      runs: runsOf(line, face, size, base),
      part: 'detail',
    };
  });

/** A line to write on, in the place of words. */
export const gapPrimitive = (place: Rect, stroke: string): Primitive => ({
  type: 'path',
  d: `M${place.x} ${place.y + place.height - 2}L${place.x + place.width} ${place.y + place.height - 2}`,
  stroke,
  strokeWidth: 1,
  dashed: false,
});

/** Words that somebody filled in, on one line, smaller where their place is too narrow for them. */
export function withinPrimitives(
  told: string,
  place: Rect,
  { size, fill }: { readonly size: number; readonly fill: string },
): Primitive[] {
  const most = Math.max(place.width, 70);
  const small = Math.min(size, (size * most) / Math.max(1, widthOf(told, face, size)));
  const words: SetWords = { lines: [told], base: baseOf(told), width: 0, height: 0 };
  return wordsPrimitives(words, place, { size: small, fill });
}
