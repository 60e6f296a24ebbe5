import { KeptFor, type BoxStyle, type Entry } from '../model';
import { boxText, isMarked, unmarked, type BoxText } from '../measure';
import { triangleSide } from './box-outline';
import { dotGap, dotSize, hexagonPoint, isSymbol, starDent, starPoints } from './box-shapes';
import { emptyBox } from './empty-box';
import { lineTexts } from './line-texts';
import { hasPhotoRoom, movedByPhoto, photoOf } from './photo';
import type { Primitive, Rect, SceneGroup } from './scene';

/** Between the text and the edge of a box as shares of the room it has, and where the print would be small. */
const paddings = { easy: { x: 1, y: 2 / 3 }, tight: { x: 1 / 2, y: 1 / 4 } } as const;
export type Padding = keyof typeof paddings;

const paddingOf = ({ room }: BoxStyle, padded: Padding): { readonly x: number; readonly y: number } => ({
  x: room * paddings[padded].x,
  y: room * paddings[padded].y,
});

/** What a shape takes of either side of its box beside the padding, so that text of a height (CSS px) stays inside it. */
function sideRoom(
  { shape, corner }: BoxStyle,
  height: number,
  padding: { readonly x: number; readonly y: number },
): number {
  if (shape === 'pill')
    return Math.max(Math.min(height, 28) / 3, arcInset(height / 2 + padding.y, height / 2) - padding.x + 1);
  if (shape === 'cut') return Math.max(corner / 2, corner - padding.x - padding.y);
  if (shape === 'rounded') return Math.max(0, arcInset(corner, corner - padding.y) - padding.x);
  if (shape === 'hexagon')
    return Math.max(Math.min(height + 16, 44) / 4, hexagonPoint(Infinity, Infinity) - padding.x + 1);
  return 0;
}

/** How far a quarter of a circle stands back from its tangent at a distance from its middle. */
const arcInset = (radius: number, from: number): number =>
  from <= 0 ? 0 : radius - Math.sqrt(Math.max(0, radius ** 2 - from ** 2));

/** Room for a sign beside the text, CSS px. */
const signRoom = { stripe: 7, band: 6, disc: 0, none: 0 } as const;

/** Size of a box around text of a size, CSS px; `narrowest`: the least width. */
export function boxAround(
  text: { readonly width: number; readonly height: number },
  style: BoxStyle,
  { narrowest, padded }: { readonly narrowest: number; readonly padded: Padding },
): { readonly width: number; readonly height: number } {
  const padding = paddingOf(style, padded);
  if (isSymbol(style.shape)) return symbolAround(text, style.shape, padding.y);
  // A disc and its words have no edge to keep from: lines end where they begin and end.
  if (style.shape === 'dot') {
    const told = Math.max(dotSize, text.height);
    return {
      width: Math.ceil(dotSize + (text.width > 0 ? dotGap + text.width : 0)),
      height: Math.ceil(told + 2 * dotRoom),
    };
  }
  const { width, height } = text;
  const stripe = style.sign === 'stripe' ? signRoom.stripe : 0;
  const band = style.sign === 'band' ? signRoom.band : 0;
  return {
    width: Math.max(narrowest, Math.ceil(width + stripe + 2 * (padding.x + sideRoom(style, height, padding)))),
    height: Math.ceil(height + band + 2 * padding.y),
  };
}

/** Free above and below a text with a disc before it, CSS px. */
const dotRoom = 2;

/** Between the triangle of an end and its text. CSS px. */
const triangleGap = 5;

/** A square or a circle around a short text, an ellipse around a longer one; a triangle with the text after it or below it. */
function symbolAround(
  { width, height }: { readonly width: number; readonly height: number },
  shape: BoxStyle['shape'],
  room: number,
): { readonly width: number; readonly height: number } {
  if (shape === 'triangle')
    return { width: stepped(triangleSide + triangleGap + width), height: stepped(Math.max(triangleSide, height)) };
  if (shape === 'gable')
    return { width: stepped(Math.max(triangleSide, width)), height: stepped(triangleSide + 2 + height) };
  if (shape === 'diamond') return { width: stepped(2 * width + room), height: stepped(2 * height + room) };
  if (shape === 'star') {
    const reach = Math.SQRT2 / starRoom;
    return { width: stepped(width * reach + room), height: stepped(height * reach + room) };
  }
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
  const wide = width * 1.22 + 2 * room;
  // As high as an ellipse of that width has to be for its text.
  const high = Math.max(height * 1.5 + 2 * room, height / Math.sqrt(1 - (width / wide) ** 2));
  return { width: stepped(wide), height: stepped(high) };
}

/** The ellipse that lies within a star, as a share of it. */
const starRoom = starDent * Math.cos(Math.PI / starPoints);

/** Symbols grow in steps, so that another number in one of them rarely moves all others. CSS px. */
const stepped = (size: number): number => Math.ceil(size / 6) * 6;

/** Where the text of a box has its middle. */
export function textMiddle(
  { shape, sign }: BoxStyle,
  width: number,
  height: number,
): { readonly x: number; readonly y: number } {
  if (shape === 'triangle') return { x: (triangleSide + triangleGap + width) / 2, y: height / 2 };
  if (shape === 'gable') return { x: width / 2, y: (triangleSide + 2 + height) / 2 };
  if (shape === 'dot') return { x: (dotSize + dotGap + width) / 2, y: height / 2 };
  const [right, down] = isSymbol(shape)
    ? [0, 0]
    : [sign === 'stripe' ? signRoom.stripe / 2 : 0, sign === 'band' ? signRoom.band / 2 : 0];
  return { x: width / 2 + right, y: height / 2 + down };
}

interface Drawn {
  readonly style: BoxStyle;
  readonly wanted: number;
  readonly text: BoxText;
  readonly group: SceneGroup;
  readonly label: string;
  readonly pictured: boolean;
  readonly padded: Padding;
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
  {
    wanted,
    label: told,
    pictured,
    padded = 'easy',
  }: { readonly wanted: number; readonly label: string; readonly pictured: boolean; readonly padded?: Padding },
): SceneGroup {
  const before = drawn.get(entry);
  // Signs that tell a manner are not read out.
  const label = style.nameMarks === 'set' && isMarked(told) ? unmarked(told) : told;
  const text = before?.style === style && before.wanted === wanted ? before.text : boxText(entry, style, wanted);
  const alike =
    before &&
    before.style === style &&
    before.text === text &&
    before.pictured === pictured &&
    before.padded === padded &&
    before.group.bounds.width === width &&
    before.group.bounds.height === height;
  if (alike && before.label === label && before.group.x === x && before.group.y === y) return before.group;
  const empty = blank(style, width, height);
  const children = alike
    ? before.group.children
    : content(text, style, empty, { pictured: pictured && hasPhotoRoom(style) ? entry : null, padded });
  const bounds = alike ? before.group.bounds : empty.bounds;
  const group: SceneGroup = { type: 'group', stands: { for: 'entry', id: entry.id }, label, x, y, bounds, children };
  drawn.set(entry, { style, wanted, text, group, label, pictured, padded });
  return group;
}

interface Blank {
  readonly bounds: SceneGroup['bounds'];
  /** The box without its text, effects below it and its sign upon it. */
  readonly box: readonly Primitive[];
}
const blanks = new KeptFor<BoxStyle, Blank>();

/** The bounds and the empty box of a style at a size; one object for all entries alike, of which there may be thousands. */
function blank(style: BoxStyle, width: number, height: number): Blank {
  const known = blanks.get(style);
  if (known && known.bounds.width === width && known.bounds.height === height) return known;
  const made: Blank = { bounds: { x: 0, y: 0, width, height }, box: emptyBox(style, { width, height }) };
  blanks.set(style, made);
  return made;
}

/** `pictured`: whose photo or initials stand with the text; null for nobody's. */
function content(
  text: BoxText,
  style: BoxStyle,
  { bounds: { width, height }, box }: Blank,
  { pictured, padded }: { readonly pictured: Entry | null; readonly padded: Padding },
): Primitive[] {
  const plain = textMiddle(style, width, height);
  const move = pictured ? movedByPhoto(style) : { x: 0, y: 0 };
  const middle = { x: plain.x + move.x, y: plain.y + move.y };
  const left = leftOf(text, style, { width, padded, beside: move.x });
  const primitives: Primitive[] = [
    ...box,
    ...(pictured ? photoOf(pictured, style, text, { middle: plain, left }) : []),
  ];
  for (const line of text.lines) {
    if (line.width === 0) continue;
    const at = { x: left ?? middle.x - line.width / 2, y: middle.y + line.baseline };
    primitives.push(...lineTexts(line, { ...at, fill: line.part === 'name' ? style.text : style.detailText }));
  }
  return primitives;
}

/** Where all lines of a text begin; null where each stands on the middle of its box. `beside`: how far a photo moves them to the right. */
function leftOf(
  text: BoxText,
  style: BoxStyle,
  { width, padded, beside }: { readonly width: number; readonly padded: Padding; readonly beside: number },
): number | null {
  if (style.shape === 'triangle') return triangleSide + triangleGap;
  if (style.shape === 'dot') return dotSize + dotGap;
  if (style.align === 'middle' || isSymbol(style.shape)) return null;
  if (style.shape === 'rule') return 0;
  const padding = paddingOf(style, padded);
  const stripe = style.sign === 'stripe' ? signRoom.stripe : 0;
  const wanted = padding.x + sideRoom(style, text.height, padding) + stripe + 2 * beside;
  // Never past the middle, where a box is hardly wider than its text.
  return Math.min(wanted, (width - text.width + stripe) / 2 + beside);
}
