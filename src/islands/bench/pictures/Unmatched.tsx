import { useState } from 'react';
import { kindOf } from '../../../core/diagram';
import { useBench, useParts } from '../context';
import { makeEntriesOf } from './bring-pictures';

/** Pictures that fit no entry: what is to become of them is asked, and they wait until it is said. */
export function Unmatched() {
  const { store } = useParts();
  const files = useBench((state) => state.unmatched);
  const [one, many] = useBench((state) => kindOf(state.diagram.kind).entryNoun);
  const [busy, setBusy] = useState(false);
  if (files.length === 0) return null;
  const names = files.slice(0, 3).map(({ name }) => name);
  const make = async () => {
    setBusy(true);
    try {
      await makeEntriesOf(store, files);
      store.getState().set({ unmatched: [] });
    } finally {
      setBusy(false);
    }
  };
  return (
    <section
      aria-label="Pictures without an entry"
      className="fixed top-16 left-1/2 z-20 w-[min(520px,92vw)] -translate-x-1/2 border border-edge bg-raised px-3 py-2"
    >
      <p>
        No {one} is called like {names.join(', ')}
        {files.length > 3 ? ` and ${files.length - 3} more` : ''}.
      </p>
      <p className="mt-2 flex flex-wrap gap-2">
        <button className="button" disabled={busy} onClick={() => void make()}>
          {busy
            ? 'Bringing …'
            : files.length === 1
              ? `Make a new ${one} of it`
              : `Make ${files.length} new ${many} of them`}
        </button>
        <button className="plain" disabled={busy} onClick={() => store.getState().set({ unmatched: [] })}>
          Leave {files.length === 1 ? 'it' : 'them'} out
        </button>
      </p>
      <p className="mt-1 text-sm text-muted">
        Or rename {files.length === 1 ? 'the file' : 'the files'} as in the list, or drop each on its box or line.
      </p>
    </section>
  );
}
