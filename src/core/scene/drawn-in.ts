import { lineRunsThrough, overlap } from '../arrange/graph';
import { widthOfRuns } from '../measure';
import { flattenPath } from './outline-points';
import type { Rect, SceneGroup } from './scene';
import { placedBounds } from './surroundings';

/** Whether a group draws something within a part of the drawing: a line that runs through it, a text, or anything that is filled. */
export function isDrawnIn(group: SceneGroup, part: Rect): boolean {
  if (!overlap(placedBounds(group), part)) return false;
  return group.children.some((child) => {
    if (child.type === 'path' && child.fill === undefined) {
      const points = flattenPath(child.d).flatMap(([x, y]) => [x + group.x, y + group.y]);
      return lineRunsThrough(points, part);
    }
    if (child.type !== 'text') return true;
    const { x, y, size, runs } = child;
    return overlap(part, {
      ...{ x: x + group.x, y: y + group.y - size },
      ...{ width: widthOfRuns(runs), height: size * 1.3 },
    });
  });
}
