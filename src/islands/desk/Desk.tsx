import { LogOut, RotateCcw, Search, Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { kinds } from '../../core/diagram';
import { unsentOf } from '../bench/outbox';
import { api, ApiError, askAs } from '../shared/api';
import { Dialog } from '../shared/Dialog';
import { guarded } from '../shared/Guarded';
import { Mark } from '../shared/Mark';
import type { DeskDiagram } from './desk-diagram';
import { DiagramCard } from './DiagramCard';
import { PasteArea, takeDropped } from './PasteArea';
import { AccountDialog } from './AccountDialog';
import { Waiting, waitingWords } from './Waiting';
import { SearchResults } from './SearchResults';

const firstAskMs = 3000;
const longestAskMs = 20_000;

/** Counts come with the drawing, a moment after a diagram was made or changed: while some are missing they are asked for again, less and less often. */
function useCounts(diagrams: readonly DeskDiagram[], set: (diagrams: readonly DeskDiagram[]) => void): void {
  const missing = diagrams.some(({ tiers, problem, binned }) => tiers === null && problem === null && !binned);
  useEffect(() => {
    if (!missing) return;
    let waitMs = firstAskMs;
    let timer: ReturnType<typeof setTimeout>;
    const ask = () => {
      api<readonly DeskDiagram[]>('/api/diagrams').then(set, () => undefined);
      waitMs = Math.min(longestAskMs, waitMs * 2);
      timer = setTimeout(ask, waitMs);
    };
    timer = setTimeout(ask, waitMs);
    return () => clearTimeout(timer);
  }, [missing, set]);
}

/** The page of all one's diagrams; first on it is where a new list comes in. */
export const Desk = guarded(DeskPage, 'Your diagrams are kept.');

function DeskPage({
  diagrams: given,
  account,
  name,
}: {
  diagrams: readonly DeskDiagram[];
  account: string;
  name: string;
}) {
  useState(() => askAs(account));
  const [diagrams, setDiagrams] = useState(given);
  const [leaving, setLeaving] = useState<ReadonlyMap<string, number> | null>(null);
  const [query, setQuery] = useState('');
  const [kind, setKind] = useState<string | null>(null);
  const [binShown, setBinShown] = useState(false);
  const [notice, setNotice] = useState<string | null>(null);
  const [changing, setChanging] = useState(false);
  useCounts(diagrams, setDiagrams);
  const kept = diagrams.filter((one) => !one.binned);
  const binned = diagrams.filter((one) => one.binned);
  const ofKind = kept.filter((one) => kind === null || one.kind === kind);
  const shown = ofKind.filter((one) => one.title.toLowerCase().includes(query.trim().toLowerCase()));
  const present = kinds.filter(({ id }) => kept.some((one) => one.kind === id));

  async function change(
    id: string,
    work: () => Promise<unknown>,
    after: (list: readonly DeskDiagram[]) => readonly DeskDiagram[],
    told: string,
  ) {
    try {
      await work();
      setDiagrams(after);
      setNotice(told);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setNotice(`${error.message} ${id ? 'Nothing was changed.' : ''}`);
    }
  }
  const signOut = () =>
    void change(
      '',
      () => api('/api/session', { method: 'DELETE' }).then(() => location.assign('/sign-in')),
      (list) => list,
      'Signing out …',
    );
  const bin = (one: DeskDiagram, into: boolean) =>
    change(
      one.id,
      () => api(`/api/diagrams/${one.id}/bin`, { method: 'POST', body: { binned: into } }),
      (list) => list.map((each) => (each.id === one.id ? { ...each, binned: into } : each)),
      into ? `“${one.title}” is in the bin.` : `“${one.title}” is back on the desk.`,
    );
  const restore = (one: DeskDiagram) =>
    change(
      one.id,
      () => api(`/api/diagrams/${one.id}/restore`, { method: 'POST', body: {} }),
      (list) =>
        list.map((each) => (each.id === one.id ? { ...each, problem: null, revision: each.revision + 1 } : each)),
      `“${one.title}” is as it last could be read. What could not be read is still in its log.`,
    );
  const erase = (one: DeskDiagram) =>
    change(
      one.id,
      () => api(`/api/diagrams/${one.id}`, { method: 'DELETE' }),
      (list) => list.filter((each) => each.id !== one.id),
      `“${one.title}” was erased.`,
    );

  return (
    <div
      className="min-h-screen"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => void takeDropped(event)}
    >
      <header className="flex h-12 items-center gap-3 border-b border-hair px-4">
        <Mark />
        <p className="font-serif text-lg font-semibold">Desk</p>
        <span className="ml-auto text-muted">{name}</span>
        <button className="plain" aria-label="Account and password" onClick={() => setChanging(true)}>
          Account
        </button>
        <button
          className="plain"
          onClick={() => void unsentOf(account).then((waiting) => (waiting.size > 0 ? setLeaving(waiting) : signOut()))}
        >
          <LogOut size={16} aria-hidden="true" /> Sign out
        </button>
      </header>
      <main className="mx-auto max-w-[1180px] px-4 pt-8 pb-16 md:px-8">
        <h1 className="mb-3 text-[32px]">What is on your list?</h1>
        <PasteArea />
        <Waiting account={account} diagrams={diagrams} />
        {leaving && (
          <Dialog
            title="Not everything is sent yet"
            told={`${waitingWords(leaving)} It stays on this machine, is shown to nobody else, and is sent when you sign in here again.`}
            onClose={() => setLeaving(null)}
          >
            <div className="flex gap-2">
              <button className="button button-main" onClick={() => setLeaving(null)}>
                Stay signed in
              </button>
              <button className="button" onClick={() => (setLeaving(null), signOut())}>
                Sign out all the same
              </button>
            </div>
          </Dialog>
        )}
        {changing && (
          <AccountDialog
            diagrams={diagrams.length}
            onClose={(told) => {
              setChanging(false);
              if (told) setNotice(told);
            }}
          />
        )}
        <div className="mt-10 mb-4 flex flex-wrap items-center gap-4 border-b border-hair pb-3">
          <h2 className="text-xl">Your diagrams</h2>
          {present.length > 1 && (
            <div role="group" aria-label="Kinds" className="flex flex-wrap gap-1">
              {[{ id: null, name: 'All' }, ...present].map(({ id, name: label }) => (
                <button
                  key={id}
                  className={`plain ${kind === id ? 'font-semibold underline decoration-moss decoration-2 underline-offset-4' : 'text-muted'}`}
                  aria-pressed={kind === id}
                  onClick={() => setKind(id)}
                >
                  {label}
                </button>
              ))}
            </div>
          )}
          <label className="relative ml-auto w-72 max-w-full">
            <span className="sr-only">Find a diagram, or a person in any of them</span>
            <Search size={16} aria-hidden="true" className="absolute top-2.5 left-2.5 text-muted" />
            <input
              className="field pl-8"
              type="search"
              placeholder="A title, or a person in any diagram"
              value={query}
              onChange={(event) => setQuery(event.target.value)}
            />
          </label>
          <button className="button" aria-pressed={binShown} onClick={() => setBinShown(!binShown)}>
            <Trash2 size={16} aria-hidden="true" /> Bin ({binned.length})
          </button>
        </div>
        <p role="status" className={notice ? 'mb-4 border-l-4 border-moss bg-mosswash px-3 py-2' : 'sr-only'}>
          {notice}
        </p>
        <SearchResults query={query} />
        {binShown && (
          <section aria-label="Bin" className="mb-8 border border-hair p-4">
            {binned.length === 0 && <p className="text-muted">The bin is empty.</p>}
            <ul className="grid gap-2">
              {binned.map((one) => (
                <li key={one.id} className="flex flex-wrap items-center gap-3">
                  <span className="font-semibold">{one.title}</span>
                  <span className="text-muted">{one.entries} entries</span>
                  <button
                    className="button ml-auto"
                    onClick={() => void bin(one, false)}
                    aria-label={`Put ${one.title} back`}
                  >
                    <RotateCcw size={15} aria-hidden="true" /> Put back
                  </button>
                  <button
                    className="button text-brick"
                    onClick={() =>
                      confirm(`Erase “${one.title}” for good? This cannot be taken back.`) && void erase(one)
                    }
                    aria-label={`Erase ${one.title} for good`}
                  >
                    Erase for good
                  </button>
                </li>
              ))}
            </ul>
          </section>
        )}
        {kept.length === 0 && (
          <p className="text-muted">Nothing here yet. Paste a list above and the first diagram makes itself.</p>
        )}
        {kept.length > 0 && shown.length === 0 && (
          <p className="text-muted">
            {ofKind.length === 0 ? 'There is none of this kind any more.' : `No title has “${query.trim()}” in it.`}
          </p>
        )}
        <ul className="grid grid-cols-[repeat(auto-fill,minmax(290px,1fr))] gap-5">
          {shown.map((one) => (
            <DiagramCard
              key={one.id}
              diagram={one}
              onBin={() => void bin(one, true)}
              onRestore={() => void restore(one)}
            />
          ))}
        </ul>
      </main>
    </div>
  );
}
