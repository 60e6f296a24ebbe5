import {
  extentOfLines,
  grown,
  outside,
  reversed,
  roundedPath,
  short,
  shortened,
  type Extent,
  type Polyline,
} from '../arrange/graph';
import type { LinkStyle } from '../model';
import type { PathPrimitive } from './scene';

type Mark = LinkStyle['endMark'];

/** What is at the ends of a line: null where it ends at no box, and so has neither gap nor mark. */
export interface Ends {
  readonly start: Mark | null;
  readonly end: Mark | null;
}

/** A path drawn as a line of a style is. */
export function strokeOf({ lineColour, lineWidth, dash }: LinkStyle, d: string): PathPrimitive {
  const stroke = { type: 'path', stroke: lineColour, strokeWidth: lineWidth, dashed: dash === 'dashed', d } as const;
  return dash === 'dotted' ? { ...stroke, dotted: true } : stroke;
}

/** The course of a line without what its gaps and marks take of its ends. */
export function courseBetween(points: Polyline, style: LinkStyle, { start, end }: Ends): Polyline {
  const size = markSize(style);
  const reach = (mark: Mark | null) => (mark === null ? 0 : style.endGap + (mark === 'arrow' ? size * 0.8 : 0));
  return shortened(points, reach(start), reach(end));
}

/** The marks at the ends of a line. */
export function marksOn(points: Polyline, style: LinkStyle, { start, end }: Ends): readonly PathPrimitive[] {
  if ((start ?? 'none') === 'none' && (end ?? 'none') === 'none') return [];
  const size = markSize(style);
  const tips = shortened(points, start === null ? 0 : style.endGap, end === null ? 0 : style.endGap);
  // A mark longer than the last leg looks along what is below it, so that the line leads into it.
  const below = shortened(tips, start === null ? 0 : size * 0.8, end === null ? 0 : size * 0.8);
  const marks = [
    markPath(start ?? 'none', [...tips.slice(0, 2), ...below.slice(0, 2)], size),
    markPath(end ?? 'none', [...tips.slice(-2), ...below.slice(-2)], size),
  ];
  const drawn = {
    type: 'path',
    stroke: style.lineColour,
    fill: style.lineColour,
    dashed: false,
    strokeWidth: 0.5,
  } as const;
  return marks.flatMap((d) => (d ? [{ ...drawn, d }] : []));
}

/**
 * A line in its style: it ends before the boxes by its gap, has its marks, and is parted where `gap` stands, as for its words. `piecesOf`: what of its course is
 * drawn; all where it is left out.
 */
export function styledLine(
  points: Polyline,
  style: LinkStyle,
  gap: Extent | null,
  joinRadius: number,
  piecesOf: (course: Polyline) => readonly Polyline[] = (course) => [course],
): readonly PathPrimitive[] {
  const ends = { start: style.startMark, end: style.endMark };
  const marks = marksOn(points, style, ends);
  let d = '';
  for (const piece of piecesOf(courseBetween(points, style, ends)))
    for (const line of gap ? outside(piece, gap) : [piece]) d += roundedPath(line, joinRadius);
  return d === '' ? marks : [strokeOf(style, d), ...marks];
}

/** Size of an end mark of a line in a style, CSS px. */
const markSize = ({ lineWidth }: LinkStyle): number => 5 + lineWidth * 2;

/** How wide the wider mark of a line is across it; 0 without any. CSS px. */
export const markWidth = (style: LinkStyle): number =>
  style.startMark === 'none' && style.endMark === 'none' ? 0 : markSize(style) * 0.72;

/** The room that the marks of a line take. */
export function markExtents(points: Polyline, style: LinkStyle): Extent[] {
  const size = markSize(style);
  const reach = style.endGap + size;
  const along = (line: Polyline): Extent => {
    const [x, y, bx, by] = line as unknown as [number, number, number, number];
    const length = Math.hypot(bx - x, by - y) || 1;
    return grown(extentOfLines([[x, y, x + ((bx - x) / length) * reach, y + ((by - y) / length) * reach]]), size * 0.4);
  };
  return [
    ...(style.startMark === 'none' ? [] : [along(points.slice(0, 4))]),
    ...(style.endMark === 'none' ? [] : [along(reversed(points.slice(-4)))]),
  ];
}

/** A filled mark whose tip stands on the first point and which looks away from the second. */
function markPath(mark: LinkStyle['endMark'], [x, y, bx, by]: readonly number[], size: number): string | null {
  if (mark === 'none' || x === undefined || y === undefined || bx === undefined || by === undefined) return null;
  const length = Math.hypot(x - bx, y - by) || 1;
  const [ux, uy] = [(x - bx) / length, (y - by) / length];
  if (mark === 'dot') {
    const r = size / 3;
    const k = r * 0.5522847498;
    const at = (dx: number, dy: number) => `${short(x + dx)} ${short(y + dy)}`;
    return `M${at(r, 0)}C${at(r, k)} ${at(k, r)} ${at(0, r)}C${at(-k, r)} ${at(-r, k)} ${at(-r, 0)}C${at(-r, -k)} ${at(-k, -r)} ${at(0, -r)}C${at(k, -r)} ${at(r, -k)} ${at(r, 0)}Z`;
  }
  const [mx, my] = [x - ux * size, y - uy * size];
  const half = size * 0.36;
  return `M${short(x)} ${short(y)}L${short(mx - uy * half)} ${short(my + ux * half)}L${short(mx + uy * half)} ${short(my - ux * half)}Z`;
}
