import { Plus } from 'lucide-react';
import { useBench, useParts } from '../context';
import { addEntry, removeSelected } from '../edit-actions';

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

/** Removes what is selected. */
export function RemoveLine() {
  const { store } = useParts();
  const count = useBench((state) => state.selection.length);
  return (
    <button
      className="plain"
      onClick={() => removeSelected(store, { focusAfter: 'list' })}
      disabled={count === 0}
      title="Ctrl+Delete"
    >
      Remove
    </button>
  );
}
