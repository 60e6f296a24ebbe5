import { own } from '../../core/model';
import { addAbove, addNext, addUnder, childrenOf, moveBy, removeBranch, tierDown, tierUp } from '../../core/hierarchy';
import { kindOf, type Diagram } from '../../core/diagram';
import { newId } from '../shared/ids';
import { neighbourAfterRemoval } from './tree/outline-moves';
import type { BenchStore } from './store';

/** Whether entries stand under each other, so that they can go a tier up or down. */
const hasTiersUnder = ({ kind }: Diagram): boolean => kindOf(kind).edits.noneUnderAnother === null;

export type AddWhere = 'next' | 'under' | 'above';

/** Adds an entry by the selection; returns its id, or null where that has no meaning. */
export function addEntry(store: BenchStore, where: AddWhere, at: string | null): string | null {
  const { diagram, perform } = store.getState();
  const id = newId();
  const gesture =
    at === null || where === 'next' || !hasTiersUnder(diagram)
      ? addNext(diagram, at, { id })
      : where === 'under'
        ? addUnder(diagram, at, { id })
        : addAbove(diagram, at, { id });
  return perform(gesture, { select: id }) ? id : null;
}

/** One tier down or up, earlier or later; the focus stays where it is. */
export function moveEntry(store: BenchStore, id: string, how: 'tierDown' | 'tierUp' | 'earlier' | 'later'): boolean {
  const { diagram, perform, notify } = store.getState();
  if ((how === 'tierDown' || how === 'tierUp') && !hasTiersUnder(diagram)) return false;
  const moves = {
    tierDown: () => tierDown(diagram, id),
    tierUp: () => tierUp(diagram, id),
    earlier: () => moveBy(diagram, id, -1),
    later: () => moveBy(diagram, id, 1),
  };
  const gesture = moves[how]();
  if (gesture) return perform(gesture);
  const entry = own(diagram.entries, id);
  const name = entry?.name || 'This line';
  if (how === 'tierDown') notify([`“${name}” is the first here: there is nobody before it that it could go under.`]);
  if (how === 'tierUp') notify([`“${name}” stands at the top already.`]);
  return false;
}

/** Removes at once what has nothing below; else asks. `focus`: whether the list takes the focus afterwards. */
export function removeEntry(store: BenchStore, id: string, focus: boolean): void {
  const { diagram, drawn, perform, set } = store.getState();
  if (!own(diagram.entries, id)) return;
  if (childrenOf(diagram, id).length > 0) return set({ removing: id });
  const next = neighbourAfterRemoval(drawn.structure, id);
  perform(
    removeBranch(diagram, id),
    next ? { select: next, ...(focus ? { focus: { entry: next, column: 0 } } : {}) } : {},
  );
}
