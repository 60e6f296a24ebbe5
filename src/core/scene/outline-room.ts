import { enclosedBy } from '../hierarchy';
import type { DiagramCommon } from '../model';

/** Between boxes and the outline around them: at most, more around another outline, and at least. CSS px. */
export const around = { most: 9, nested: 6, least: 2.5 } as const;
/** A name at the edge of an outline, CSS px. */
export const nameLine = 15;
/** So near an outline may come to a box where entries of one group stand side by side. CSS px. */
const beside = 4;

/** Gaps that the outlines of a diagram need between boxes, CSS px. */
export interface OutlineRoom {
  readonly sibling: number;
  readonly branch: number;
  readonly tier: number;
}
const no: OutlineRoom = { sibling: 0, branch: 0, tier: 0 };

/** How many sets of the list lie one within the other inside each; the wider ones come first. O(sets² · members). */
export function depthsOf(sets: readonly ReadonlySet<string>[]): number[] {
  const depth = sets.map(() => 0);
  for (let k = sets.length - 1; k >= 0; k--)
    for (let j = k + 1; j < sets.length; j++) {
      const inner = sets[j]!;
      if (inner.size <= sets[k]!.size && [...inner].every((id) => sets[k]!.has(id)))
        depth[k] = Math.max(depth[k]!, depth[j]! + 1);
    }
  return depth;
}

/** The gaps an arrangement leaves at least, so that outlines stand clear of boxes and of each other; none without outlines. */
export function outlineRoom(diagram: DiagramCommon): OutlineRoom {
  const all = Object.values(diagram.enclosures);
  if (all.length === 0) return no;
  const sets = all
    .map((one) => enclosedBy(diagram, one))
    .filter(({ size }) => size > 0)
    .sort((a, b) => b.size - a.size);
  if (sets.length === 0) return no;
  const nested = around.nested * Math.max(...depthsOf(sets));
  const wide = 2 * (around.most + nested);
  return {
    sibling: 2 * (beside + nested),
    branch: wide,
    tier: wide + (all.some(({ name }) => name !== '') ? nameLine : 0),
  };
}
