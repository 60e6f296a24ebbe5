import { Plus } from 'lucide-react';
import { useBench, useParts } from '../context';
import { addEntry, removeEntry } from '../edit-actions';

/** Adds an entry next to or under the selected one, and goes to its name. */
export function AddLine({ where }: { where: 'next' | 'under' }) {
  const { store } = useParts();
  const selected = useBench((state) => state.selected);
  const add = () => {
    const id = addEntry(store, where, selected);
    if (id) store.getState().set({ focus: { entry: id, column: 0 } });
  };
  return where === 'next' ? (
    <button className="plain" onClick={add} title="Enter">
      <Plus size={15} aria-hidden="true" /> Add next
    </button>
  ) : (
    <button className="plain" onClick={add} disabled={selected === null} title="Shift+Enter">
      Add under
    </button>
  );
}

/** Removes the selected entry. */
export function RemoveLine() {
  const { store } = useParts();
  const selected = useBench((state) => state.selected);
  return (
    <button
      className="plain"
      onClick={() => selected && removeEntry(store, selected, true)}
      disabled={selected === null}
      title="Ctrl+Delete"
    >
      Remove
    </button>
  );
}
