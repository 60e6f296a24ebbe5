import { Plus, Text, Rows3 } from 'lucide-react';
import { useState } from 'react';
import { useBench, useParts } from '../context';
import { addEntry, removeEntry } from '../edit-actions';
import { ListGrid } from './ListGrid';
import { PlainText } from './PlainText';
import { RoleChoice } from './RoleChoice';
import { Tray } from './Tray';

/** The list: an outline grid for the keyboard, or plain text. */
export function OutlineList() {
  const { store } = useParts();
  const [plain, setPlain] = useState(false);
  const selected = useBench((state) => state.selected);
  const count = useBench((state) => state.drawn.structure.ids.length);
  const add = (where: 'next' | 'under') => {
    const id = addEntry(store, where, store.getState().selected);
    if (id) store.getState().set({ focus: { entry: id, column: 0 } });
  };
  return (
    <>
      <div className="flex shrink-0 flex-wrap items-center gap-1 px-3 pb-2">
        {!plain && (
          <>
            {' '}
            <button className="plain" onClick={() => add('next')} title="Enter">
              <Plus size={15} aria-hidden="true" /> Add next
            </button>
            <button className="plain" onClick={() => add('under')} disabled={selected === null} title="Shift+Enter">
              Add under
            </button>
            <button
              className="plain"
              onClick={() => selected && removeEntry(store, selected, true)}
              disabled={selected === null}
              title="Ctrl+Delete"
            >
              Remove
            </button>
          </>
        )}
        <button className="plain ml-auto" aria-pressed={plain} onClick={() => setPlain(!plain)}>
          {plain ? <Rows3 size={15} aria-hidden="true" /> : <Text size={15} aria-hidden="true" />}
          {plain ? 'As grid' : 'As text'}
        </button>
      </div>
      {plain ? <PlainText onDone={() => setPlain(false)} /> : <ListGrid />}
      {!plain && <RoleChoice />}
      {!plain && <Tray />}
      <p className="shrink-0 border-t border-hair px-4 py-1.5 text-sm text-muted">
        {count.toLocaleString('en')} {count === 1 ? 'entry' : 'entries'}. Tab and Shift+Tab change the tier; Esc leaves
        the list.
      </p>
    </>
  );
}
