import { addBelow, newLink, type ConceptMap } from '../../../../core/kinds/concept-map';
import { bendAcross } from '../../../../core/arrange/graph';
import type { Drawn } from '../../../../core/diagram';
import { own, type Link } from '../../../../core/model';
import { newId } from '../../../shared/ids';
import { entriesOf, entryPick, linkPick } from '../../selection';
import { nudgePlan } from '../../tree/nudging';
import type { Dragged, DropPlan } from '../kind-parts';

const nameOf = ({ entries }: ConceptMap, id: string): string => own(entries, id)?.name || 'an idea without a name';

/** Letting an idea go on another draws a link, whose phrase is typed at once; on free ground it is nudged. */
export function dropPlan(diagram: ConceptMap, { grabbed: { id }, selection, over, by }: Dragged): DropPlan {
  const picked = entriesOf(selection);
  if (over === null)
    return nudgePlan(diagram, picked.includes(id) ? picked : [id], by, { dropHint: 'drop it on the idea it leads to' });
  if (over === id)
    return { words: `${nameOf(diagram, id)}: drop it on the idea it leads to`, gesture: null, target: null };
  const link = newId();
  return {
    words: `Link from ${nameOf(diagram, id)} to ${nameOf(diagram, over)}`,
    gesture: [{ kind: 'addLink', link: newLink(link, id, over) }],
    target: { for: 'entry', id: over },
    picks: [linkPick(link)],
    edits: link,
  };
}

/** Along which axis the words of a link are moved: across the line between its ideas. */
export function acrossLink({ scene }: Drawn, { from, to }: Link): 'x' | 'y' {
  const middle = (id: string) => {
    const box = scene.groups.find(({ stands }) => stands.for === 'entry' && stands.id === id);
    return box ? { x: box.x + box.bounds.width / 2, y: box.y + box.bounds.height / 2 } : { x: 0, y: 0 };
  };
  return bendAcross(middle(from), middle(to));
}

/** Drawing a link to free ground makes a new idea there: its phrase is typed first, then its name. */
export function linkToGround(diagram: ConceptMap, from: string): DropPlan {
  const [idea, link] = [newId(), newId()];
  return {
    words: `A new idea that ${nameOf(diagram, from)} leads to`,
    gesture: addBelow(diagram, from, { idea, link }),
    target: null,
    picks: [entryPick(idea)],
    edits: link,
  };
}
