import { finding, pushTo, type DiagramCommon, type Finding } from '../model';
import type { Rect, Scene } from '../scene';
import { nameOf } from './list-checks';

const overlap = (a: Rect, b: Rect): boolean =>
  a.x < b.x + b.width - 0.5 && b.x < a.x + a.width - 0.5 && a.y < b.y + b.height - 0.5 && b.y < a.y + a.height - 0.5;

interface Placed {
  readonly id: string;
  readonly box: Rect;
  /** Place in the drawing's order. */
  readonly at: number;
}

/** Finds the first box that another lies on. The boxes stand in cells as large as the largest of them, so that only nine are looked through. */
function finder(boxes: readonly Placed[]): (one: Placed) => Placed | null {
  const width = Math.max(1, ...boxes.map(({ box }) => box.width));
  const height = Math.max(1, ...boxes.map(({ box }) => box.height));
  const cellOf = ({ x, y }: Rect): [number, number] => [Math.floor(x / width), Math.floor(y / height)];
  const cells = new Map<string, Placed[]>();
  for (const one of boxes) pushTo(cells, cellOf(one.box).join(), one);
  return (one) => {
    const [column, row] = cellOf(one.box);
    let first: Placed | null = null;
    for (let c = column - 1; c <= column + 1; c++)
      for (let r = row - 1; r <= row + 1; r++) {
        const met = cells.get(`${c},${r}`)?.find((other) => other !== one && overlap(other.box, one.box));
        if (met && (!first || met.at < first.at)) first = met;
      }
    return first;
  };
}

/** Entries that were nudged onto others. O(entries) where not many lie near each other without touching. */
export function nudged(diagram: DiagramCommon, { groups }: Scene): Finding<'nudged-over'>[] {
  if (Object.keys(diagram.nudges).length === 0) return [];
  const boxes = groups
    .filter(({ stands }) => stands.for === 'entry')
    .map(({ stands, x, y, bounds }, at): Placed => {
      return { id: stands.id, at, box: { ...bounds, x: x + bounds.x, y: y + bounds.y } };
    });
  const metBy = finder(boxes);
  return boxes
    .filter(({ id }) => Object.hasOwn(diagram.nudges, id))
    .flatMap((one) => {
      const met = metBy(one);
      if (!met) return [];
      const message = `${nameOf(diagram, one.id)} was nudged onto ${nameOf(diagram, met.id)}. Nudge it further, or send it back to its place.`;
      return [finding('nudged-over', 'warning', message, { entries: [one.id, met.id] })];
    });
}
