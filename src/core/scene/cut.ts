import type { Scene } from './scene';

/** Free edge around a drawing that is cut out of its sheet, CSS px. */
const edge = 10;

/** The drawing without its sheet: no title, no notes around it, no empty paper. A scene without a drawing stays as it is. */
export function cutToDrawing(scene: Scene): Scene {
  if (scene.groups.length === 0) return scene;
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { x, y, bounds } of scene.groups) {
    left = Math.min(left, x + bounds.x);
    top = Math.min(top, y + bounds.y);
    right = Math.max(right, x + bounds.x + bounds.width);
    bottom = Math.max(bottom, y + bounds.y + bounds.height);
  }
  const { scale } = scene.drawing;
  return {
    ...scene,
    notes: [],
    sheet: { ...scene.sheet, width: (right - left) * scale + 2 * edge, height: (bottom - top) * scale + 2 * edge },
    drawing: { ...scene.drawing, x: edge - left * scale, y: edge - top * scale },
  };
}
