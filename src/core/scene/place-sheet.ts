import { paperSize, type DiagramCommon } from '../model';
import type { Rect, Scene } from './scene';
import type { Legend } from './legend';
import { headSize, notesWithin, type Notes } from './sheet-notes';

/** A sheet as large as its drawing is never smaller than this, so that the title has room. */
const leastSheet = { width: 420, height: 200 };

/** Room for the drawing on the paper, CSS px; null where the sheet is as large as the drawing. */
export function freeRoom(diagram: DiagramCommon, legend: Legend): { width: number; height: number } | null {
  const paper = paperSize(diagram.sheet);
  if (!paper) return null;
  const { margin } = diagram.sheet;
  const width = Math.max(1, paper.width - 2 * margin);
  const notes = notesWithin(diagram, legend, width);
  return { width, height: Math.max(1, paper.height - 2 * margin - notes.top - notes.bottom) };
}

/** Between a title that stands beside the top of a drawing and what is drawn. CSS px. */
const titleClear = 16;

/** A title stands there only where the drawing gets this many times larger by it. */
const worthBeside = 1.005;

/** The same where the title stands beside the top of the drawing; null where there is none, or a note below it. */
export function roomBesideTitle(diagram: DiagramCommon, legend: Legend): { width: number; height: number } | null {
  const room = freeRoom(diagram, legend);
  if (!room) return null;
  const { head, above, top } = notesWithin(diagram, legend, room.width);
  return head.length === 0 || above.height > 0 ? null : { width: room.width, height: room.height + top };
}

/** Whether something is drawn in a part of the drawing, in its own coordinates. */
export type Taken = (part: Rect) => boolean;

export interface OnSheet extends Pick<Scene, 'drawing'> {
  readonly sheet: { readonly width: number; readonly height: number };
  readonly notes: Notes;
}

/**
 * Where a drawing of an extent stands on its sheet: as large as it fits, up to `largestScale`, in the middle. `drawing` tells where its origin stands.
 * `taken`: given where the title may stand beside the top of the drawing, flush with one of its sides, so that the drawing may be larger.
 */
export function placeOnSheet(
  diagram: DiagramCommon,
  { x: left = 0, y: top = 0, width, height }: Pick<Rect, 'width' | 'height'> & Partial<Rect>,
  legend: Legend,
  largestScale: number,
  taken: Taken | null = null,
): OnSheet {
  const { margin } = diagram.sheet;
  const paper = paperSize(diagram.sheet);
  const free = freeRoom(diagram, legend);
  if (!paper || !free) {
    const sheetWidth = Math.max(leastSheet.width, width + 2 * margin);
    const notes = notesWithin(diagram, legend, sheetWidth - 2 * margin);
    const sheetHeight = Math.max(leastSheet.height, height + 2 * margin + notes.top + notes.bottom);
    return {
      sheet: { width: sheetWidth, height: sheetHeight },
      drawing: { x: (sheetWidth - width) / 2 - left, y: margin + notes.top - top, scale: 1, width, height },
      notes,
    };
  }
  const notes = notesWithin(diagram, legend, free.width);
  const within = (room: { readonly width: number; readonly height: number }, above: number) => {
    const scale = Math.min(largestScale, room.width / Math.max(1, width), room.height / Math.max(1, height));
    const x = (paper.width - width * scale) / 2 - left * scale;
    const y = margin + above + (room.height - height * scale) * 0.4 - top * scale;
    return { x, y, scale, width, height };
  };
  const below = within(free, notes.top);
  const beside = taken && roomBesideTitle(diagram, legend);
  const drawing = beside && within(beside, 0);
  if (drawing && drawing.scale > below.scale * worthBeside) {
    const { scale } = drawing;
    const size = headSize(notes);
    const corner = {
      ...{ x: left, y: (margin - drawing.y) / scale },
      ...{ width: (size.width + titleClear) / scale, height: (size.height + titleClear / 2) / scale },
    };
    const right = left + width - corner.width;
    const at = drawing.x + left * scale;
    const besideIt = (aside: NonNullable<Notes['aside']>): OnSheet => ({
      sheet: paper,
      drawing,
      notes: { ...notes, aside },
    });
    if (right >= left && !taken(corner)) return besideIt({ x: at, align: 'left' });
    if (right >= left && !taken({ ...corner, x: right })) return besideIt({ x: at + width * scale, align: 'right' });
  }
  return { sheet: paper, drawing: below, notes };
}
