import { create } from 'zustand';
import type { Rect, Scene } from '../../core/scene';

/** How the sheet is seen: screen = x + k × sheet, in CSS px of the stage. */
export interface View {
  readonly x: number;
  readonly y: number;
  readonly k: number;
}

interface ViewState extends View {
  readonly width: number;
  readonly height: number;
  /** Set by the stage, which owns the zoom gestures. */
  move(view: View): void;
  size(width: number, height: number): void;
  /** Moves the view through the zoom gestures' own state, so that the next gesture goes on from there. */
  readonly apply: (view: View) => void;
}

export const createView = () =>
  create<ViewState>()((set) => ({
    x: 0,
    y: 0,
    k: 1,
    width: 0,
    height: 0,
    move: (view) => set(view),
    size: (width, height) => set({ width, height }),
    apply: (view) => set(view),
  }));

export type ViewStore = ReturnType<typeof createView>;

/** How far a sheet can be zoomed out and in: in until even a drawing that was made very small for its sheet is larger than life. */
export const zoomLimits = (drawing: Scene['drawing']): { readonly least: number; readonly most: number } => ({
  least: leastZoom,
  most: Math.max(40, 4 / drawing.scale),
});
const leastZoom = 0.05;

/** The view in which a rectangle of the sheet fills the stage, with a free edge in px. */
export function fitting(rect: Rect, stage: { width: number; height: number }, edge: number, mostZoom: number): View {
  const k = Math.min(
    mostZoom,
    (stage.width - 2 * edge) / Math.max(1, rect.width),
    (stage.height - 2 * edge) / Math.max(1, rect.height),
  );
  const held = Math.max(leastZoom, k);
  return {
    k: held,
    x: stage.width / 2 - (rect.x + rect.width / 2) * held,
    y: stage.height / 2 - (rect.y + rect.height / 2) * held,
  };
}

/** The part of the drawing that is on the stage, in drawing coordinates, with a margin in px all round. */
export function visiblePart(
  view: View,
  stage: { width: number; height: number },
  drawing: Scene['drawing'],
  margin: number,
): Rect {
  const scale = view.k * drawing.scale;
  return {
    x: (-margin - view.x) / scale - drawing.x / drawing.scale,
    y: (-margin - view.y) / scale - drawing.y / drawing.scale,
    width: (stage.width + 2 * margin) / scale,
    height: (stage.height + 2 * margin) / scale,
  };
}

/** Text drawn smaller than this many px on screen cannot be read and is left out. */
const readablePx = 4;
const usualText = 13;

export const isOutlineOnly = (view: View, drawing: Scene['drawing']): boolean =>
  usualText * drawing.scale * view.k < readablePx;

/** From a point on the stage to the drawing. */
export function toDrawing(view: View, drawing: Scene['drawing'], px: number, py: number): { x: number; y: number } {
  return {
    x: ((px - view.x) / view.k - drawing.x) / drawing.scale,
    y: ((py - view.y) / view.k - drawing.y) / drawing.scale,
  };
}
