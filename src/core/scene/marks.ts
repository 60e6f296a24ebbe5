import { capHeightOf, runsOf, sansFace, widthOf, widthOfRuns } from '../measure';
import type { BoxStyle } from '../model';
import type { Rect, SceneGroup } from './scene';

/** What one sheet of a set says of the others: by entry, the sheet where its branch goes on, and the sheet it comes from; and its tier in the whole. */
export interface Continued {
  readonly onward: ReadonlyMap<string, number>;
  readonly back: ReadonlyMap<string, number>;
  tierOf(id: string): number;
}

const leading = 1.3;
const face = sansFace(400, 'italic');
/** What a mark says: that a branch goes on on another sheet, or comes from it. */
export const markWords = (where: 'onward' | 'back', sheet: number): string =>
  where === 'onward' ? `continued on sheet ${sheet}` : `from sheet ${sheet}`;

/** Room that the mark of an entry takes below or above its box; 0 without one. CSS px. */
export const markHeight = (marks: Continued | null, id: string, { detailSize }: BoxStyle): number =>
  marks && (marks.onward.has(id) || marks.back.has(id)) ? Math.ceil(detailSize * leading) : 0;

/** Width that the longest mark takes. CSS px. */
export const markWidth = ({ detailSize }: BoxStyle): number =>
  Math.ceil(widthOf(markWords('onward', 88), face, detailSize)) + 4;

/** The part of an entry's place that its box takes. */
export function boxBesideMark(place: Rect, marks: Continued | null, id: string, style: BoxStyle): Rect {
  if (!marks) return place;
  const room = markHeight(marks, id, style);
  return { ...place, y: place.y + (marks.back.has(id) ? room : 0), height: place.height - room };
}

/** The mark of an entry, upright below its box or above it; null without one. */
export function markOf(place: Rect, marks: Continued | null, id: string, style: BoxStyle): SceneGroup | null {
  const [onward, back] = [marks?.onward.get(id), marks?.back.get(id)];
  const sheet = onward ?? back;
  if (sheet === undefined) return null;
  const where = onward === undefined ? 'back' : 'onward';
  const words = markWords(where, sheet);
  const size = style.detailSize;
  const runs = runsOf(words, face, size);
  const width = widthOfRuns(runs);
  const height = Math.ceil(size * leading);
  const y = where === 'onward' ? place.height - height : 0;
  return {
    type: 'group',
    stands: { for: where, id: String(sheet) },
    label: words,
    x: place.x,
    y: place.y,
    bounds: { x: (place.width - width) / 2, y, width, height },
    children: [
      {
        type: 'text',
        x: (place.width - width) / 2,
        y: y + (height + capHeightOf(face, size)) / 2,
        size,
        fill: style.border,
        runs,
        part: 'detail',
      },
    ],
  };
}
