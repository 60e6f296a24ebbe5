import type { Drawn } from '../../../core/diagram';
import type { Diagram } from '../../../core/diagram';
import type { SceneGroup } from '../../../core/scene';
import { partsOf, type Grabbed } from '../kinds';
import { toDrawing, type View } from '../view';

/** The group of the entry under a point of the window; later ones lie above. */
export function groupUnder(
  drawn: Drawn,
  view: View,
  frame: Element,
  point: { clientX: number; clientY: number },
): SceneGroup | null {
  const box = frame.getBoundingClientRect();
  const { x, y } = toDrawing(view, drawn.scene.drawing, point.clientX - box.left, point.clientY - box.top);
  const { groups } = drawn.scene;
  for (let i = groups.length - 1; i >= 0; i--) {
    const group = groups[i]!;
    if (group.stands.for !== 'entry') continue;
    if (x >= group.x && x <= group.x + group.bounds.width && y >= group.y && y <= group.y + group.bounds.height)
      return group;
  }
  return null;
}

/** What a drag would begin with under a point of the window; null where it moves the view. */
export function grabbedUnder(
  diagram: Diagram,
  drawn: Drawn,
  view: View,
  frame: Element,
  point: { clientX: number; clientY: number },
): Grabbed | null {
  const entry = entryUnder(drawn, view, frame, point);
  if (entry !== null) return { for: 'entry', id: entry };
  const box = frame.getBoundingClientRect();
  const { x, y } = toDrawing(view, drawn.scene.drawing, point.clientX - box.left, point.clientY - box.top);
  return partsOf(diagram.kind).grab(drawn, x, y);
}

export const entryUnder = (...given: Parameters<typeof groupUnder>): string | null =>
  groupUnder(...given)?.stands.id ?? null;
