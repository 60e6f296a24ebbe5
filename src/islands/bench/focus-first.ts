import { addEntry } from './edit-actions';
import { partsOf } from './kinds';
import type { BenchStore } from './store';

const hasOwnLine = (store: BenchStore): boolean =>
  store.getState().structure.ids.length === 0 && partsOf(store.getState().diagram.kind).linkToGround !== undefined;

/** A diagram that was just made begins with its first cell in focus. The address says so once. */
export function focusFirst(store: BenchStore): void {
  if (!new URLSearchParams(location.search).has('new')) return;
  history.replaceState(null, '', location.pathname);
  const { structure, select, set } = store.getState();
  // One with nothing in it begins with a line to type into; a list that has such a line of its own takes the focus by itself.
  const first = structure.ids[structure.outline[0] ?? -1] ?? (hasOwnLine(store) ? null : addEntry(store, 'next', null));
  if (first === null) return;
  select(first);
  set({ focus: { entry: first, column: 0 } });
}
