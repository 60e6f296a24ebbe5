import { applyGesture, kindOf, type Command, type Diagram, type Gesture } from '../../core/diagram';
import { addAbove, addNext, addUnder, moveBy, tierDown, tierUp, topmost, withBranches } from '../../core/hierarchy';
import { own } from '../../core/model';
import { newId } from '../shared/ids';
import { entriesOf, entryPick, isPicked, linksOf } from './selection';
import type { BenchStore } from './store';
import { neighbourAfterRemoval } from './tree/outline-moves';

/** Whether entries stand under each other, so that they can go a tier up or down. */
const hasTiersUnder = ({ kind }: Diagram): boolean => kindOf(kind).edits.noneUnderAnother === null;

export type AddWhere = 'next' | 'under' | 'above' | 'beside';

/** Where Enter adds, by the keys that are held with it. */
export const addWhere = (held: Pick<KeyboardEvent, 'ctrlKey' | 'metaKey' | 'shiftKey' | 'altKey'>): AddWhere =>
  held.ctrlKey || held.metaKey ? 'beside' : held.shiftKey ? 'under' : held.altKey ? 'above' : 'next';

/** An entry to be added at another, in the way of its kind; null where that has no meaning. */
export function addition(
  diagram: Diagram,
  where: AddWhere,
  at: string | null,
): { readonly added: string; readonly gesture: Gesture } | null {
  const { adds } = kindOf(diagram.kind);
  if (adds) return adds(diagram, where, at, newId);
  if (where === 'beside') return null;
  const added = newId();
  const gesture =
    at === null || where === 'next' || !hasTiersUnder(diagram)
      ? addNext(diagram, at, { id: added })
      : where === 'under'
        ? addUnder(diagram, at, { id: added })
        : addAbove(diagram, at, { id: added });
  return gesture && { added, gesture };
}

/** Adds an entry by the selection; returns its id, or null where that has no meaning. */
export function addEntry(store: BenchStore, where: AddWhere, at: string | null): string | null {
  const { diagram, perform } = store.getState();
  const made = addition(diagram, where, at);
  return made && perform(made.gesture, { select: made.added, merge: addedStep(made.added) }) ? made.added : null;
}

/** The step in which an entry was added: what is typed into it right after belongs to it, and undo takes both back. */
export const addedStep = (id: string): string => `added:${id}`;

const moves = {
  tierDown,
  tierUp,
  earlier: (d: Diagram, id: string) => moveBy(d, id, -1),
  later: (d: Diagram, id: string) => moveBy(d, id, 1),
};

/** One tier down or up, earlier or later, of all that is selected where that is several; the focus stays where it is. */
export function moveEntry(store: BenchStore, id: string, how: keyof typeof moves): boolean {
  const { diagram, selection, perform, notify } = store.getState();
  if ((how === 'tierDown' || how === 'tierUp') && !hasTiersUnder(diagram)) return false;
  const picked = entriesOf(selection);
  const tops = picked.includes(id) && picked.length > 1 ? topmost(diagram, picked) : [id];
  // Later ones first go later, so that they keep their order.
  const gesture = stepByStep(diagram, how === 'later' || how === 'tierUp' ? [...tops].reverse() : tops, moves[how]);
  if (gesture.length > 0) return perform(gesture);
  const entry = own(diagram.entries, id);
  const name = entry?.name || 'This line';
  if (how === 'tierDown') notify([`“${name}” is the first here: there is nobody before it that it could go under.`]);
  if (how === 'tierUp') notify([`“${name}” stands at the top already.`]);
  if (how === 'earlier') notify([`“${name}” is the first here already.`]);
  if (how === 'later') notify([`“${name}” is the last here already.`]);
  return false;
}

/** One gesture that does the same with several entries, each on what those before it made. */
function stepByStep(
  diagram: Diagram,
  ids: readonly string[],
  told: (diagram: Diagram, id: string) => Gesture | null,
): Gesture {
  let now = diagram;
  return ids.flatMap((id) => {
    const gesture = told(now, id);
    const outcome = gesture ? applyGesture(now, gesture) : null;
    if (!outcome?.ok) return [];
    now = outcome.diagram;
    return gesture!;
  });
}

/** Removes what is selected: at once what has nothing below that is not selected too; else asks. */
export function removeSelected(store: BenchStore, { focusAfter }: { focusAfter: 'list' | 'stays' }): void {
  const { diagram, structure, selection, perform, set, pick, notify } = store.getState();
  const links = linksOf(selection).map((id): Command => ({ kind: 'removeLink', id }));
  const ids = entriesOf(selection);
  if (ids.length === 0) {
    if (links.length === 0) notify(['Nothing is selected that could be removed.']);
    else if (perform(links)) pick([]);
    return;
  }
  if (withBranches(diagram, ids).length > ids.length) return set({ removing: ids });
  const next = neighbourAfterRemoval(structure, ids);
  // Links of the entries go with them.
  const going = new Set(ids);
  const apart = links.filter((one) => {
    const link = one.kind === 'removeLink' ? own(diagram.links, one.id) : undefined;
    return link && !going.has(link.from) && !going.has(link.to);
  });
  perform(
    [...apart, { kind: 'removeEntries', ids }],
    next ? { select: next, ...(focusAfter === 'list' ? { focus: { entry: next, column: 0 } } : {}) } : {},
  );
}

/** Removes one entry, whatever else is selected; the list has the focus afterwards. */
export function removeEntry(store: BenchStore, id: string): void {
  const { diagram, selection, pick } = store.getState();
  if (!own(diagram.entries, id)) return;
  if (!isPicked(selection, entryPick(id))) pick([entryPick(id)]);
  removeSelected(store, { focusAfter: 'list' });
}
