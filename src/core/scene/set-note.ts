import { setMarked, unmarked, type MarkedLine } from '../measure';
import type { SheetNote } from '../model';
import { readableText, type Look } from '../style';
import type { Primitive, SceneGroup } from './scene';

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

/** A note at a place, its left upper corner given. */
export function noteGroup(
  { note, lines, width, height }: BrokenNote,
  look: Look,
  at: { readonly x: number; readonly y: number },
): SceneGroup {
  const padding = note.framed ? framePadding : 0;
  const ink = readableText(look.ink, look.ground, look.ink, look.light);
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
    const baseline = padding + k * note.size * leading + note.size;
    for (const piece of line.pieces)
      children.push({
        type: 'text',
        x: padding + line.indent + piece.x,
        y: baseline - piece.rise,
        size: piece.size,
        fill: note.colour ?? ink,
        runs: piece.runs,
        part: 'note',
      });
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
