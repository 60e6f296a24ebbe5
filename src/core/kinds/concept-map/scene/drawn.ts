import type { Polyline } from '../../../arrange/graph';
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
}

/** A link as it is drawn. Of links that share their words the first has them, with the line to them. */
export interface DrawnLink extends LinkToDraw {
  /** Lines from the idea to the words, and from there to the other idea; one line where there are none. */
  readonly lines: readonly Polyline[];
  /** The whole course, also of what is shared. */
  readonly course: Polyline;
  readonly place: Rect | null;
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

export function extentOf(boxes: readonly Rect[], links: readonly DrawnLink[]): Rect {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  const take = (x: number, y: number): void => {
    left = Math.min(left, x);
    top = Math.min(top, y);
    right = Math.max(right, x);
    bottom = Math.max(bottom, y);
  };
  const rects = [...boxes, ...links.flatMap(({ place }) => (place ? [place] : []))];
  for (const { x, y, width, height } of rects) {
    take(x, y);
    take(x + width, y + height);
  }
  for (const { lines } of links)
    for (const points of lines) for (let p = 0; p < points.length; p += 2) take(points[p]!, points[p + 1]!);
  return left === Infinity
    ? { x: 0, y: 0, width: 0, height: 0 }
    : { x: left, y: top, width: right - left, height: bottom - top };
}
