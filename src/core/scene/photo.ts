import { capHeightOf, runsOf, sansFace, widthOfRuns } from '../measure';
import { wholeAround, type BoxStyle, type Entry } from '../model';
import { contrastRatio, readableText } from '../style';
import { isSymbol } from './box-shapes';
import type { Primitive } from './scene';

/** Between a photo and the text beside it, and above it. CSS px. */
const gaps = { before: 9, above: 5, none: 0 } as const;
/** Contrast from which a disc stands out from its box. */
const standsOut = 1.8;
/** A photo is as high as so many lines of the name. */
const sideInNames = 2.5;

interface Size {
  readonly width: number;
  readonly height: number;
}

/** Side of a photo in a style, CSS px. */
const sideOf = ({ nameSize }: BoxStyle): number => Math.round(nameSize * sideInNames);

/** Whether boxes of a style have room for a photo where one of their tier has one. Symbols have none. */
export const hasPhotoRoom = ({ photo, shape }: BoxStyle): boolean => photo !== 'none' && !isSymbol(shape);

/** The size of a text together with the photo that stands with it. */
export function withPhoto(text: Size, style: BoxStyle): Size {
  const side = sideOf(style);
  return style.photo === 'above'
    ? { width: Math.max(side, text.width), height: side + gaps.above + text.height }
    : { width: side + gaps.before + text.width, height: Math.max(side, text.height) };
}

/** How far a photo moves the text from the middle that both have in their box. CSS px. */
export function movedByPhoto(style: BoxStyle): { readonly x: number; readonly y: number } {
  const side = sideOf(style);
  return style.photo === 'above' ? { x: 0, y: (side + gaps.above) / 2 } : { x: (side + gaps.before) / 2, y: 0 };
}

/** The photo of an entry, or its initials, where it and the text have their middle at `middle`; `left`: where lines begin that all begin at one place. */
export function photoOf(
  entry: Entry,
  style: BoxStyle,
  text: Size,
  { middle, left }: { readonly middle: { readonly x: number; readonly y: number }; readonly left: number | null },
): readonly Primitive[] {
  const side = sideOf(style);
  const all = withPhoto(text, style);
  const above = style.photo === 'above';
  const from = left === null ? middle.x - all.width / 2 : left - side - gaps.before;
  const at = above
    ? { x: left ?? middle.x - side / 2, y: middle.y - all.height / 2 }
    : { x: from, y: middle.y - side / 2 };
  const crop = style.photoShape === 'round' ? 'round' : 'square';
  if (entry.image) {
    const { id, part } = entry.image;
    const whole = part && wholeAround(entry.image, part, side);
    const place = { ...at, width: side, height: side, crop } as const;
    return [
      {
        ...{ type: 'image' as const, image: id, ...place },
        ...(whole && { whole: { ...whole, x: at.x + whole.x, y: at.y + whole.y } }),
      },
    ];
  }
  return initials(entry.name, style, { ...at, side });
}

/** The first letters of the first and the last word of a name. */
export function initialsOf(name: string): string {
  const words = name.split(/\s+/).filter((word) => /[\p{L}\p{N}]/u.test(word));
  const first = (word: string | undefined): string => /[\p{L}\p{N}]/u.exec(word ?? '')?.[0] ?? '';
  return (first(words[0]) + (words.length > 1 ? first(words.at(-1)) : '')).toLocaleUpperCase('en');
}

function initials(
  name: string,
  style: BoxStyle,
  { x, y, side }: { readonly x: number; readonly y: number; readonly side: number },
): Primitive[] {
  const face = sansFace(600, 'upright');
  const size = Math.round(side * 0.4);
  const letters = initialsOf(name);
  const runs = letters === '' ? [] : runsOf(letters, face, size);
  // In the colours of its tier: on that of its border where it stands out from the box, else on that of its text.
  const ground = contrastRatio(style.border, style.fill) >= standsOut ? style.border : style.text;
  const ink = readableText(style.fill, ground, '#1d2321', '#ffffff');
  return [
    {
      type: 'box',
      shape: style.photoShape === 'round' ? 'ellipse' : 'square',
      corner: 0,
      ...{ x, y, width: side, height: side },
      fill: ground,
      stroke: ground,
      strokeWidth: 0,
      dashed: false,
    },
    ...(runs.length === 0
      ? []
      : [
          {
            type: 'text' as const,
            x: x + (side - widthOfRuns(runs)) / 2,
            y: y + (side + capHeightOf(face, size)) / 2,
            size,
            fill: ink,
            runs,
            part: 'mark' as const,
          },
        ]),
  ];
}
