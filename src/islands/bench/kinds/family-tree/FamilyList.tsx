import { Plus } from 'lucide-react';
import { useState } from 'react';
import { useBench, useParts } from '../../context';
import { addEntry, type AddWhere } from '../../edit-actions';
import { AsText } from '../../list/AsText';
import { RemoveLine } from '../../list/LineTools';
import { PlainText } from '../../list/PlainText';
import { Pictures } from '../../pictures/Pictures';
import { Tray } from '../../list/Tray';
import { ListGrid } from '../../tree/ListGrid';
import type { TreeBenchWords } from '../../tree/words';
import { AboutPerson } from './AboutPerson';

const words: TreeBenchWords = {
  leading: '',
  dropHint: 'drop between two lines to change their order',
  willBeUnder: 'goes to',
  isUnder: 'is with',
  head: 'parent',
  leaves: 'Children',
  ways: [],
};

const adding: readonly { readonly where: AddWhere; readonly name: string; readonly keys: string }[] = [
  { where: 'under', name: 'Child', keys: 'Shift+Enter' },
  { where: 'beside', name: 'Partner', keys: 'Ctrl+Enter' },
  { where: 'above', name: 'Parent', keys: 'Alt+Enter' },
  { where: 'next', name: 'Sibling', keys: 'Enter' },
];

/** The persons by families: children below their parents, partners beside each other; or as a table in plain text. */
export function FamilyList() {
  const { store } = useParts();
  const [plain, setPlain] = useState(false);
  const count = useBench((state) => state.structure.ids.length);
  const selected = useBench((state) => state.selected);
  const add = (where: AddWhere) => {
    const id = addEntry(store, where, selected);
    if (id) store.getState().set({ focus: { entry: id, column: 0 } });
    else if (where === 'above') store.getState().notify(['Both parents are known already.']);
  };
  return (
    <>
      <div className="flex shrink-0 flex-wrap items-center gap-1 px-3 pb-2">
        {!plain && (
          <>
            <span className="flex items-center gap-1 text-sm text-muted">
              <Plus size={15} aria-hidden="true" /> Add
            </span>
            {adding.map(({ where, name, keys }) => (
              <button
                key={where}
                className="plain px-1"
                title={keys}
                aria-label={`Add ${selected === null && where === 'next' ? 'person' : name.toLowerCase()}`}
                disabled={selected === null && where !== 'next'}
                onClick={() => add(where)}
              >
                {selected === null && where === 'next' ? 'Person' : name}
              </button>
            ))}
            <RemoveLine />
            <Pictures />
          </>
        )}
        <AsText plain={plain} onChange={setPlain} />
      </div>
      {plain ? <PlainText onDone={() => setPlain(false)} /> : <ListGrid words={words} />}
      {!plain && <AboutPerson />}
      {!plain && <Tray />}
      <div className="shrink-0 border-t border-hair px-4 py-1.5 text-sm text-muted">
        {count.toLocaleString('en')} {count === 1 ? 'person' : 'persons'}. Enter adds a sibling, Shift+Enter a child (on
        a partner: of that partnership), Ctrl+Enter a partner, Alt+Enter a parent.
      </div>
    </>
  );
}
