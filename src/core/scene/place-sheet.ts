import { paperSize, type DiagramCommon } from '../model';
import type { Rect, Scene } from './scene';
import { notesWithin, type Notes } from './sheet-notes';

/** A sheet as large as its drawing is never smaller than this, so that the title has room. */
const leastSheet = { width: 420, height: 200 };

/** Room for the drawing on the paper, CSS px; null where the sheet is as large as the drawing. */
export function freeRoom(diagram: DiagramCommon, legend: string): { width: number; height: number } | null {
  const paper = paperSize(diagram.sheet);
  if (!paper) return null;
  const { margin } = diagram.sheet;
  const width = Math.max(1, paper.width - 2 * margin);
  const notes = notesWithin(diagram, legend, width);
  return { width, height: Math.max(1, paper.height - 2 * margin - notes.top - notes.bottom) };
}

export interface OnSheet extends Pick<Scene, 'drawing'> {
  readonly sheet: { readonly width: number; readonly height: number };
  readonly notes: Notes;
}

/** Where a drawing of an extent stands on its sheet: as large as it fits, up to `largestScale`, in the middle. `drawing` tells where its origin stands. */
export function placeOnSheet(
  diagram: DiagramCommon,
  { x: left = 0, y: top = 0, width, height }: Pick<Rect, 'width' | 'height'> & Partial<Rect>,
  legend: string,
  largestScale: number,
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
  const scale = Math.min(largestScale, free.width / Math.max(1, width), free.height / Math.max(1, height));
  const x = (paper.width - width * scale) / 2 - left * scale;
  const y = margin + notes.top + (free.height - height * scale) * 0.4 - top * scale;
  return { sheet: paper, drawing: { x, y, scale, width, height }, notes };
}
