import type { CommonCommand } from '../../../core/edit';
import type { Diagram } from '../../../core/diagram';
import { own } from '../../../core/model';
import type { DropPlan } from '../kinds/kind-parts';
import type { TreeBenchWords } from './words';

const most = 5000;
const within = (value: number): number => Math.round(Math.max(-most, Math.min(most, value)));

/** The gesture that moves some entries off their places by an offset, added to what they are nudged already. */
export const nudgeBy = (diagram: Diagram, ids: readonly string[], by: { x: number; y: number }): CommonCommand[] =>
  ids
    .filter((id) => own(diagram.entries, id))
    .map((id) => {
      const before = own(diagram.nudges, id) ?? { x: 0, y: 0 };
      const nudge = { x: within(before.x + by.x), y: within(before.y + by.y) };
      return { kind: 'setNudge', id, nudge: nudge.x === 0 && nudge.y === 0 ? null : nudge };
    });

/** The gesture that sends entries back to their computed places. */
export const sentBack = (diagram: Diagram, ids: readonly string[]): CommonCommand[] =>
  ids.filter((id) => own(diagram.nudges, id)).map((id) => ({ kind: 'setNudge', id, nudge: null }));

/** What letting entries go on free ground does: they are nudged there. */
export function nudgePlan(
  diagram: Diagram,
  ids: readonly string[],
  by: { x: number; y: number },
  { dropHint }: Pick<TreeBenchWords, 'dropHint'>,
): DropPlan {
  const name = ids.length === 1 ? own(diagram.entries, ids[0]!)?.name || 'This entry' : `${ids.length} entries`;
  return {
    words: `${name}: let go to nudge it here, or ${dropHint}`,
    gesture: nudgeBy(diagram, ids, by),
    target: null,
  };
}
