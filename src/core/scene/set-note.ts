import { setMarked, unmarked, type MarkedLine } from '../measure';
import type { SheetNote } from '../model';
import { inkOnGround, type Look } from '../style';
import type { Primitive, SceneGroup, TextPrimitive } from './scene';

const leading = 1.32;
const framePadding = 7;

/** A note broken into lines, with its size, frame included. CSS px. */
export interface BrokenNote {
  readonly note: SheetNote;
  readonly lines: readonly MarkedLine[];
  readonly width: number;
  readonly height: number;
}

/** Breaks a note so that it is at most `room` CSS px wide, and no wider than it asks for. */
export function breakNote(note: SheetNote, room: number): BrokenNote {
  const padding = note.framed ? framePadding : 0;
  const within = Math.max(note.size * 3, Math.min(note.width, room) - 2 * padding);
  const lines = setMarked(note.text, { typeface: note.font, size: note.size, weight: 400 }, within);
  const width = lines.reduce((most, line) => Math.max(most, line.width), 0);
  return { note, lines, width: width + 2 * padding, height: lines.length * note.size * leading + 2 * padding };
}

/** A set line as what is drawn of it; `x`: where it begins, its indent not counted, `y`: its baseline. */
export const lineOfText = (
  { pieces, indent }: MarkedLine,
  fill: string,
  { x, y }: { readonly x: number; readonly y: number },
): TextPrimitive[] =>
  pieces.map((piece) => ({
    type: 'text',
    x: x + indent + piece.x,
    y: y - piece.rise,
    size: piece.size,
    fill,
    runs: piece.runs,
    part: 'note',
  }));

/** A note at a place, its left upper corner given. */
export function noteGroup(
  { note, lines, width, height }: BrokenNote,
  look: Look,
  at: { readonly x: number; readonly y: number },
): SceneGroup {
  const padding = note.framed ? framePadding : 0;
  const ink = inkOnGround(look);
  const children: Primitive[] = note.framed
    ? [
        {
          type: 'box',
          shape: 'rounded',
          corner: 3,
          x: 0,
          y: 0,
          width,
          height,
          fill: look.ground,
          stroke: look.line,
          strokeWidth: 0.75,
          dashed: false,
        },
      ]
    : [];
  lines.forEach((line, k) => {
    const y = padding + k * note.size * leading + note.size;
    children.push(...lineOfText(line, note.colour ?? ink, { x: padding, y }));
  });
  return {
    type: 'group',
    stands: { for: 'note', id: note.id },
    label: unmarked(note.text),
    x: at.x,
    y: at.y,
    bounds: { x: 0, y: 0, width, height },
    children,
  };
}
