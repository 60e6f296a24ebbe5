import { KeptFor, type BoxStyle, type Entry } from '../model';
import { boxText } from '../measure';
import type { Primitive, Rect, SceneGroup } from './scene';

export const padding = { x: 12, y: 8 } as const;
const leastWidth = 64;

interface Sized {
  readonly style: BoxStyle;
  readonly width: number;
  readonly height: number;
}
const sized = new KeptFor<Entry, Sized>();

/** Size of a box fitted to its own text, CSS px. Kept per entry while its style stays. */
export function ownSize(entry: Entry, style: BoxStyle): { readonly width: number; readonly height: number } {
  const known = sized.get(entry);
  if (known && known.style === style) return known;
  const text = boxText(entry, style);
  const side = style.shape === 'pill' ? Math.min(text.height, 28) / 3 : style.shape === 'cut' ? style.corner / 2 : 0;
  const size = {
    style,
    width: Math.max(leastWidth, Math.ceil(text.width + 2 * (padding.x + side))),
    height: Math.ceil(text.height + 2 * padding.y),
  };
  sized.set(entry, size);
  return size;
}

interface Drawn {
  readonly style: BoxStyle;
  readonly group: SceneGroup;
  readonly label: string;
}

const drawn = new KeptFor<Entry, Drawn>();

/** The box and text of an entry. The same object comes back while nothing about it has changed. */
export function entryGroup(entry: Entry, style: BoxStyle, { x, y, width, height }: Rect, label: string): SceneGroup {
  const before = drawn.get(entry);
  const alike =
    before && before.style === style && before.group.bounds.width === width && before.group.bounds.height === height;
  if (alike && before.label === label && before.group.x === x && before.group.y === y) return before.group;
  const empty = blank(style, width, height);
  const children = alike ? before.group.children : content(entry, style, empty);
  const bounds = alike ? before.group.bounds : empty.bounds;
  const group: SceneGroup = { type: 'group', stands: { for: 'entry', id: entry.id }, label, x, y, bounds, children };
  drawn.set(entry, { style, group, label });
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

function content(entry: Entry, style: BoxStyle, { bounds: { width, height }, box }: Blank): Primitive[] {
  const primitives: Primitive[] = [box];
  for (const line of boxText(entry, style).lines) {
    if (line.width === 0) continue;
    primitives.push({
      type: 'text',
      x: (width - line.width) / 2,
      y: height / 2 + line.baseline,
      size: line.size,
      fill: style.text,
      runs: line.runs,
      part: line.part,
    });
  }
  return primitives;
}
