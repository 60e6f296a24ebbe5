import type { BoxStyle } from '../model';
import { fadedEnd } from '../style';
import { boxOutline } from './box-outline';
import type { BoxPrimitive, PathPrimitive, Primitive, Rect } from './scene';

interface Size {
  readonly width: number;
  readonly height: number;
}

/** Soft edges are drawn as outlines one within the other, each covering a little, so that all writers draw the same. */
const layers = 5;
/** How far a shadow falls to the right and down, and how far soft edges reach. CSS px. */
const shadowFall = { x: 1.5, y: 3 } as const;
const reach = { shadow: 4, glow: 8 } as const;
const covers = { shadow: 0.075, glow: 0.14 } as const;
const shadowColour = '#10161a';
/** Width of a stripe, height of a band, diameter of a disc, and how far it stands over the corner. CSS px. */
const stripe = 5;
const band = 5;
const disc = 12;

/** A box of a style without its text: what lies below it, the box, and its sign. `by`: the size of soft edges and signs, against what is usual. */
export function emptyBox(style: BoxStyle, { x = 0, y = 0, width, height }: Size & Partial<Rect>, by = 1): Primitive[] {
  const box: BoxPrimitive = {
    type: 'box',
    shape: style.shape,
    corner: style.corner,
    x,
    y,
    width,
    height,
    fill: style.fill,
    stroke: style.border,
    strokeWidth: style.borderWidth,
    ...dashesOf(style.borderLine),
    ...(style.shade === 'fading' && { fade: fadedEnd(style.fill, style.text) }),
    ...(style.cover < 100 && { cover: style.cover / 100 }),
  };
  return [
    ...effect(style, box, by),
    box,
    ...(box.shape === 'rule' ? [] : middleLine(style, boxOutline(box))),
    ...sign(style, box, by),
  ];
}

const filled = (d: string, fill: string, cover: number): PathPrimitive => ({
  type: 'path',
  d,
  fill,
  cover,
  stroke: fill,
  strokeWidth: 0,
  dashed: false,
});

function effect({ effect: kind, border, shape }: BoxStyle, box: BoxPrimitive, size: number): PathPrimitive[] {
  if (kind === 'none' || shape === 'rule') return [];
  const fall = kind === 'shadow' ? shadowFall : { x: 0, y: 0 };
  return Array.from({ length: layers }, (_, k) => {
    const by = size * (reach[kind] * (1 - k / layers) - (kind === 'shadow' ? reach.shadow / 2 : 0));
    const d = boxOutline({
      shape,
      corner: Math.max(0, box.corner + (shape === 'square' ? 0 : by)),
      x: box.x + fall.x * size - by,
      y: box.y + fall.y * size - by,
      width: box.width + 2 * by,
      height: box.height + 2 * by,
    });
    return filled(d, kind === 'shadow' ? shadowColour : border, covers[kind]);
  });
}

/** How a path draws a border line, as far as dashes tell it. */
export const dashesOf = (line: BoxStyle['borderLine']): Pick<PathPrimitive, 'dashed' | 'dotted'> => ({
  dashed: line === 'dashed',
  ...(line === 'dotted' && { dotted: true as const }),
});

/** A double border is a wide one with a line of the fill along its middle, which this is; empty for other borders. */
export const middleLine = ({ borderLine, fill, borderWidth }: BoxStyle, d: string): PathPrimitive[] =>
  borderLine === 'double' && borderWidth > 0
    ? [{ type: 'path', d, stroke: fill, strokeWidth: borderWidth / 3, dashed: false }]
    : [];

/** Signs keep within the box, but for the disc, which stands on its corner. */
function sign(
  { sign: kind, signColour, borderWidth, fill, shape, corner }: BoxStyle,
  { x, y, width, height }: Rect,
  by: number,
): Primitive[] {
  if (kind === 'none') return [];
  const off = borderWidth / 2 + 1.5 * by;
  if (kind === 'disc') {
    const d = boxOutline({
      shape: 'ellipse',
      corner: 0,
      x: x + width - disc * by * 0.7,
      y: y - disc * by * 0.3,
      width: disc * by,
      height: disc * by,
    });
    return [{ type: 'path', d, fill: signColour, stroke: fill, strokeWidth: 1, dashed: false }];
  }
  const inset = shape === 'square' || shape === 'rule' ? 0 : Math.min(corner, height / 2, 8);
  const place =
    kind === 'stripe'
      ? { x: x + off, y: y + off + inset / 2, width: stripe * by, height: height - 2 * off - inset }
      : { x: x + off + inset / 2, y: y + off, width: width - 2 * off - inset, height: band * by };
  if (place.width <= 0 || place.height <= 0) return [];
  const d = boxOutline({ shape: 'rounded', corner: 1.5, ...place });
  return [{ type: 'path', d, fill: signColour, stroke: signColour, strokeWidth: 0, dashed: false }];
}
