import { finding, type DiagramCommon, type Finding } from '../model';
import type { Rect, Scene } from '../scene';
import { nameOf } from './list-checks';

const overlap = (a: Rect, b: Rect): boolean =>
  a.x < b.x + b.width - 0.5 && b.x < a.x + a.width - 0.5 && a.y < b.y + b.height - 0.5 && b.y < a.y + a.height - 0.5;

/** Entries that were nudged onto others. O(nudged × entries). */
export function nudged(diagram: DiagramCommon, { groups }: Scene): Finding<'nudged-over'>[] {
  if (Object.keys(diagram.nudges).length === 0) return [];
  const boxes = groups
    .filter(({ stands }) => stands.for === 'entry')
    .map(({ stands, x, y, bounds }) => ({ id: stands.id, box: { ...bounds, x: x + bounds.x, y: y + bounds.y } }));
  return boxes
    .filter(({ id }) => Object.hasOwn(diagram.nudges, id))
    .flatMap(({ id, box }) => {
      const met = boxes.find((other) => other.id !== id && overlap(other.box, box));
      if (!met) return [];
      const message = `${nameOf(diagram, id)} was nudged onto ${nameOf(diagram, met.id)}. Nudge it further, or send it back to its place.`;
      return [finding('nudged-over', 'warning', message, { entries: [id, met.id] })];
    });
}
