import { KeptFor, type BoxStyle, type Entry } from '../model';
import { boxText, type BoxText } from '../measure';
import { triangleSide } from './box-outline';
import { isSymbol } from './box-shapes';
import { hasPhotoRoom, photoOf } from './photo';
import type { Primitive, Rect, SceneGroup } from './scene';

/** Between the text and the edge of a box, and where the print would be small. CSS px. */
const paddings = { easy: { x: 12, y: 8 }, tight: { x: 7, y: 4 } } as const;
export type Padding = keyof typeof paddings;
/** Size of a box around text of a size, CSS px; `narrowest`: the least width. */
export function boxAround(
  text: { readonly width: number; readonly height: number },
  style: BoxStyle,
  { narrowest, padded }: { readonly narrowest: number; readonly padded: Padding },
): { readonly width: number; readonly height: number } {
  if (isSymbol(style.shape)) return symbolAround(text, style.shape, padded);
  const side =
    style.shape === 'pill'
      ? Math.min(text.height, 28) / 3
      : style.shape === 'cut'
        ? style.corner / 2
        : style.shape === 'hexagon'
          ? Math.min(text.height + 16, 44) / 4
          : 0;
  const padding = paddings[padded];
  return {
    width: Math.max(narrowest, Math.ceil(text.width + 2 * (padding.x + side))),
    height: Math.ceil(text.height + 2 * padding.y),
  };
}

/** Between the triangle of an end and its text. CSS px. */
const triangleGap = 5;

/** A square or a circle around a short text, an ellipse around a longer one; a triangle with the text after it or below it. */
function symbolAround(
  { width, height }: { readonly width: number; readonly height: number },
  shape: BoxStyle['shape'],
  padded: Padding,
): { readonly width: number; readonly height: number } {
  const room = padded === 'easy' ? 8 : 4;
  if (shape === 'triangle')
    return { width: stepped(triangleSide + triangleGap + width), height: stepped(Math.max(triangleSide, height)) };
  if (shape === 'gable')
    return { width: stepped(Math.max(triangleSide, width)), height: stepped(triangleSide + 2 + height) };
  if (shape === 'block') {
    if (height > 24 || width > height * 4)
      return { width: stepped(width + 3 * room), height: stepped(height + 2 * room) };
    const side = stepped(Math.max(width, height) + 1.5 * room);
    return { width: side, height: side };
  }
  if (width <= height * 3.4) {
    const side = stepped(Math.hypot(width, height * 0.8) + room);
    return { width: side, height: side };
  }
  return { width: stepped(width * 1.22 + 2 * room), height: stepped(height * 1.5 + 2 * room) };
}

/** Symbols grow in steps, so that another number in one of them rarely moves all others. CSS px. */
const stepped = (size: number): number => Math.ceil(size / 6) * 6;

/** Where the text of a box has its middle. */
function textMiddle(
  shape: BoxStyle['shape'],
  width: number,
  height: number,
): { readonly x: number; readonly y: number } {
  if (shape === 'triangle') return { x: (triangleSide + triangleGap + width) / 2, y: height / 2 };
  if (shape === 'gable') return { x: width / 2, y: (triangleSide + 2 + height) / 2 };
  return { x: width / 2, y: height / 2 };
}

interface Drawn {
  readonly style: BoxStyle;
  readonly text: BoxText;
  readonly group: SceneGroup;
  readonly label: string;
  readonly pictured: boolean;
}

const drawn = new KeptFor<Entry, Drawn>();

/**
 * The box of an entry with its text, set within `wanted` CSS px, and its photo or initials where its tier is `pictured`. The same object comes back while nothing
 * about it has changed.
 */
export function entryGroup(
  entry: Entry,
  style: BoxStyle,
  { x, y, width, height }: Rect,
  { wanted, label, pictured }: { readonly wanted: number; readonly label: string; readonly pictured: boolean },
): SceneGroup {
  const before = drawn.get(entry);
  const text = boxText(entry, style, wanted);
  const alike =
    before &&
    before.style === style &&
    before.text === text &&
    before.pictured === pictured &&
    before.group.bounds.width === width &&
    before.group.bounds.height === height;
  if (alike && before.label === label && before.group.x === x && before.group.y === y) return before.group;
  const empty = blank(style, width, height);
  const children = alike
    ? before.group.children
    : content(text, style, empty, pictured && hasPhotoRoom(style) ? entry : null);
  const bounds = alike ? before.group.bounds : empty.bounds;
  const group: SceneGroup = { type: 'group', stands: { for: 'entry', id: entry.id }, label, x, y, bounds, children };
  drawn.set(entry, { style, text, group, label, pictured });
  return group;
}

interface Blank {
  readonly bounds: SceneGroup['bounds'];
  readonly box: Primitive;
}
const blanks = new KeptFor<BoxStyle, Blank>();

/** The bounds and the empty box of a style at a size; one object for all entries alike, of which there may be thousands. */
function blank(style: BoxStyle, width: number, height: number): Blank {
  const known = blanks.get(style);
  if (known && known.bounds.width === width && known.bounds.height === height) return known;
  const made: Blank = {
    bounds: { x: 0, y: 0, width, height },
    box: {
      type: 'box',
      shape: style.shape,
      corner: style.corner,
      x: 0,
      y: 0,
      width,
      height,
      fill: style.fill,
      stroke: style.border,
      strokeWidth: style.borderWidth,
      dashed: style.borderLine === 'dashed',
    },
  };
  blanks.set(style, made);
  return made;
}

/** `pictured`: whose photo or initials stand with the text; null for nobody's. */
function content(
  text: BoxText,
  style: BoxStyle,
  { bounds: { width, height }, box }: Blank,
  pictured: Entry | null,
): Primitive[] {
  const photo = pictured && photoOf(pictured, style, text, { width, height });
  const primitives: Primitive[] = [box, ...(photo?.primitives ?? [])];
  const plain = textMiddle(style.shape, width, height);
  const middle = photo ? { x: plain.x + photo.move.x, y: plain.y + photo.move.y } : plain;
  for (const line of text.lines) {
    if (line.width === 0) continue;
    primitives.push({
      type: 'text',
      x: style.shape === 'triangle' ? triangleSide + triangleGap : middle.x - line.width / 2,
      y: middle.y + line.baseline,
      size: line.size,
      fill: style.text,
      runs: line.runs,
      part: line.part,
    });
  }
  return primitives;
}
