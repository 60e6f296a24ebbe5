import { paperSize, type DiagramCommon } from '../model';
import type { Scene } from './scene';
import { notesRoom } from './sheet-notes';

/** A sheet as large as its drawing is never smaller than this, so that the title has room. */
const leastSheet = { width: 420, height: 200 };

/** Room for the drawing on the paper, CSS px; null where the sheet is as large as the drawing. */
export function freeRoom(diagram: DiagramCommon, legend: string): { width: number; height: number } | null {
  const paper = paperSize(diagram.sheet);
  if (!paper) return null;
  const room = notesRoom(diagram, legend);
  const { margin } = diagram.sheet;
  return {
    width: Math.max(1, paper.width - 2 * margin),
    height: Math.max(1, paper.height - 2 * margin - room.top - room.bottom),
  };
}

/** Where a drawing of a size stands on its sheet, made smaller where it must. */
export function placeOnSheet(
  diagram: DiagramCommon,
  { width, height }: { readonly width: number; readonly height: number },
  legend: string,
  largestScale = 1.25,
): Pick<Scene, 'drawing'> & { sheet: { width: number; height: number } } {
  const room = notesRoom(diagram, legend);
  const { margin } = diagram.sheet;
  const paper = paperSize(diagram.sheet);
  const free = freeRoom(diagram, legend);
  if (!paper || !free) {
    const sheetWidth = Math.max(leastSheet.width, width + 2 * margin);
    const sheetHeight = Math.max(leastSheet.height, height + 2 * margin + room.top + room.bottom);
    return {
      sheet: { width: sheetWidth, height: sheetHeight },
      drawing: { x: (sheetWidth - width) / 2, y: margin + room.top, scale: 1, width, height },
    };
  }
  const scale = Math.min(largestScale, free.width / Math.max(1, width), free.height / Math.max(1, height));
  const x = (paper.width - width * scale) / 2;
  const y = margin + room.top + (free.height - height * scale) * 0.4;
  return { sheet: paper, drawing: { x, y, scale, width, height } };
}
