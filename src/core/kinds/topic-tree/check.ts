import { nameless, nameOf, sameNames, tray, treeDrawingChecks, type TreeDrawingFinding } from '../../check';
import type { Hierarchy } from '../../hierarchy';
import { finding, type BoxStyle, type Finding } from '../../model';
import type { Scene } from '../../scene';
import type { TopicTree } from './model';

/** All that a check of a topic tree can find. */
export type TopicFinding = 'not-placed' | 'no-name' | 'same-name' | TreeDrawingFinding | 'one-part';

/** What a topic tree is tested against. Findings come in the order of how much they matter. O(entries). */
export function checkTopics(
  diagram: TopicTree,
  structure: Hierarchy,
  styles: readonly BoxStyle[],
  scene: Scene,
): Finding<TopicFinding>[] {
  return [
    ...tray(diagram),
    ...nameless(diagram, structure),
    ...sameNames(diagram, structure, null),
    ...treeDrawingChecks(
      diagram,
      structure,
      styles,
      scene,
      'Take a larger sheet, hand it out as a set of sheets, or take another arrangement.',
    ),
    ...lonely(diagram, structure),
  ];
}

/** A class that is divided into one part only is not divided. */
function lonely(diagram: TopicTree, { ids, first, count }: Hierarchy): Finding<'one-part'>[] {
  return ids.flatMap((id, i) => {
    if (count[i] !== 1) return [];
    const message = `${nameOf(diagram, id)} has one part only, ${nameOf(diagram, ids[first[i]!]!)}; a division has two at least.`;
    return [finding('one-part', 'note', message, { entries: [id] })];
  });
}
