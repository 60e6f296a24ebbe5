import { extentOfBoxes, extentOfLines, type Polyline } from '../../../arrange/graph';
import type { Link } from '../../../model';
import type { Rect } from '../../../scene';
import type { SetWords } from './words';

/** A link with the size of its words. */
export interface LinkToDraw {
  readonly link: Link;
  /** Indices of its ideas in the listing. */
  readonly from: number;
  readonly to: number;
  readonly words: SetWords;
  /** How far its words, or its middle, were moved by hand across the line. */
  readonly bend: number;
}

/** A link as it is drawn. Of links that share their words the first has them, with the line to them. */
export interface DrawnLink extends LinkToDraw {
  /** Lines from the idea to the words, and from there to the other idea; one line where there are none. */
  readonly lines: readonly Polyline[];
  /** The whole course, also of what is shared. */
  readonly course: Polyline;
  readonly place: Rect | null;
  /** Which of the links has the words, by its number; its own where they are its own. */
  readonly wordsOf: number;
}

/** A map in its places, CSS px. */
export interface DrawnMap {
  /** By index in the listing. */
  readonly boxes: readonly Rect[];
  readonly links: readonly DrawnLink[];
  /** Where each tier stands along the rows; null where tiers have no rows. */
  readonly rows: readonly { readonly start: number; readonly end: number }[] | null;
  readonly extent: Rect;
}

/** Sizes with which a map is arranged. */
export interface Sizes {
  readonly width: Float64Array;
  readonly height: Float64Array;
  readonly gaps: { readonly ideas: number; readonly words: number; readonly rows: number };
  /** Room that is wished for before each tier; 0 for no wish. */
  readonly before: readonly number[];
}

/** Of a map with an idea at least; nothing at 0, 0 for one without. */
export function extentOf(boxes: readonly Rect[], links: readonly DrawnLink[]): Rect {
  const places = links.flatMap(({ place }) => (place ? [place] : []));
  const lines = links.flatMap((one) => one.lines);
  if (boxes.length === 0) return { x: 0, y: 0, width: 0, height: 0 };
  return extentOfBoxes([...boxes, ...places, ...(lines.length > 0 ? [extentOfLines(lines)] : [])]);
}
