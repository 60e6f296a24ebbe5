import { own } from '../../../../core/model';
import { relationsOf, type FamilyCommand, type FamilyTree } from '../../../../core/kinds/family-tree';
import { newId } from '../../../shared/ids';
import type { DropPlan } from '../kind-parts';

/** Dropping one person on another makes them a child of that one, and of the partner they have. */
export function dropPlan(diagram: FamilyTree, dragged: string, onto: string | null): DropPlan {
  const name = (id: string) => own(diagram.entries, id)?.name || 'somebody without a name';
  const hint = { words: `${name(dragged)}: drop on whose child it is to be`, gesture: null, target: null };
  if (onto === null || onto === dragged) return hint;
  const relations = relationsOf(diagram);
  const union = relations.unionsOf(onto).at(-1);
  const parents = union ? [...union.partners] : [onto];
  const [known, ...others] = relations.parentsOf(dragged);
  if (parents.includes(dragged)) return { ...hint, words: `${name(dragged)} is a partner of ${name(onto)} already` };
  if (union && known?.union.id === union.id)
    return { ...hint, words: `${name(dragged)} is a child of ${parents.map(name).join(' and ')} already` };
  const id = union?.id ?? newId();
  const rest = others.filter((one) => one.union.id !== id).map((one) => ({ union: one.union.id, kind: one.kind }));
  const made: FamilyCommand[] = union
    ? []
    : [{ kind: 'putUnion', union: { id, partners: parents, kind: 'unknown', from: '', to: '', extra: '' } }];
  return {
    words: `${name(dragged)} will be a child of ${parents.map(name).join(' and ')}`,
    gesture: [...made, { kind: 'setParentage', child: dragged, of: [{ union: id, kind: 'birth' }, ...rest] }],
    target: { for: 'entry', id: onto },
  };
}
