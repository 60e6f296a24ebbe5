import { Redo2, Undo2 } from 'lucide-react';
import { useEffect } from 'react';
import { retitle, kindOf } from '../../core/diagram';
import { Mark } from '../shared/Mark';
import { useBench, useParts } from './context';
import type { Visitor } from '../shared/live';

function SaveWords() {
  const save = useBench((state) => state.save);
  if (save.state === 'kept')
    return (
      <span>All kept, {new Date(save.at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}</span>
    );
  if (save.state === 'keeping') return <span>Keeping …</span>;
  return <span className="text-brass">{save.reason || 'No connection: what you do is kept here and sent later'}</span>;
}

/** "you, in another window", "Ada Quill and Bo Lin". */
export function visitorWords(visitors: readonly Visitor[]): string {
  const names = visitors.map((one) => (one.own ? 'you, in another window' : one.name));
  return new Intl.ListFormat('en', { type: 'conjunction' }).format(names);
}

function AlsoHere() {
  const here = useBench((state) => state.here);
  return (
    <span role="status" className="hidden truncate text-sm text-muted md:inline">
      {here.length > 0 && <>Also here: {visitorWords(here)}</>}
    </span>
  );
}

/** The way back, the title edited in place, undo and redo, who else is here, and whether all is kept. */
export function Head() {
  const { store, sync } = useParts();
  const { perform, undo, redo, set } = store.getState();
  const title = useBench((state) => state.diagram.title);
  const kind = useBench((state) => state.diagram.kind);
  const canUndo = useBench((state) => state.history.undo.length > 0);
  const canRedo = useBench((state) => state.history.redo.length > 0);
  useEffect(() => {
    document.title = `${title || 'Untitled'} · Dendrotax`;
  }, [title]);
  return (
    <header className="flex h-11 min-w-0 shrink-0 items-center gap-2 overflow-hidden border-b border-hair px-3">
      <Mark />
      <a href="/" className="plain text-muted">
        {sync.guest ? 'Front page' : 'Desk'}
      </a>
      <span className="h-6 border-l border-hair" />
      <h1 className="min-w-0 shrink text-lg">
        <input
          aria-label="Title of the diagram"
          className="w-full border border-transparent bg-transparent px-1.5 py-0 [field-sizing:content] hover:border-edge"
          maxLength={200}
          value={title}
          onChange={(event) => perform(retitle(store.getState().diagram, event.target.value), { merge: 'title' })}
        />
      </h1>
      <span className="label hidden whitespace-nowrap sm:inline">{kindOf(kind).name}</span>
      <AlsoHere />
      <span role="status" className="ml-auto min-w-0 truncate text-sm text-muted">
        <SaveWords />
      </span>
      <button className="plain" aria-label="Undo" title="Undo (Ctrl+Z)" aria-disabled={!canUndo} onClick={undo}>
        <Undo2 size={18} aria-hidden="true" />
      </button>
      <button className="plain" aria-label="Redo" title="Redo (Ctrl+Shift+Z)" aria-disabled={!canRedo} onClick={redo}>
        <Redo2 size={18} aria-hidden="true" />
      </button>
      <button
        className="button hidden shrink-0 whitespace-nowrap sm:inline-flex"
        onClick={() => set({ step: 'hand-out' })}
      >
        Hand out
      </button>
    </header>
  );
}
