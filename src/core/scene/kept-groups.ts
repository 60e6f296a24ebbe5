import { dequal } from 'dequal/lite';
import type { SceneGroup } from './scene';

const nameOf = ({ stands }: SceneGroup): string => `${stands.for} ${stands.id}`;

/**
 * The groups of a drawing, those that are as they were in the last drawing being the very objects of then, and what is drawn in a group that
 * only moved too: nobody who draws or sends them needs to look again. O(size of the drawing).
 */
export function keptGroups(before: readonly SceneGroup[], after: readonly SceneGroup[]): SceneGroup[] {
  const known = new Map(before.map((group) => [nameOf(group), group]));
  return after.map((group) => {
    const old = known.get(nameOf(group));
    if (!old) return group;
    if (dequal(old, group)) return old;
    return dequal(old.children, group.children) ? { ...group, children: old.children } : group;
  });
}
