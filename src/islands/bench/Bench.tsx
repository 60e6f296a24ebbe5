import '../shared/jitless';
import { useEffect, useState } from 'react';
import { historyFrom, type LoggedStep, openDiagram } from '../../core/diagram';
import { own } from '../../core/model';
import { api, ApiError } from '../shared/api';
import { newId } from '../shared/ids';
import { live } from '../shared/live';
import { Body } from './Body';
import { BenchContext, type BenchParts } from './context';
import { Outbox } from './outbox';
import { createBench, type BenchStore } from './store';
import { Sync } from './sync';
import { focusFirst } from './tree/outline-moves';
import { createView } from './view';

interface Loaded {
  readonly diagram: unknown;
  readonly revision: number;
  readonly binned: boolean;
}

async function open(id: string): Promise<BenchParts> {
  const [{ diagram: stored, revision, binned }, steps] = await Promise.all([
    api<Loaded>(`/api/diagrams/${id}`),
    // Without it one can work all the same; only what was done before cannot be undone.
    api<LoggedStep[]>(`/api/diagrams/${id}/steps`).catch(() => []),
  ]);
  const diagram = openDiagram(stored);
  let store: BenchStore | null = null;
  const early: string[] = [];
  let risk = false;
  const outbox = new Outbox(id, newId(), (atRisk) => {
    risk = atRisk;
    if (store && store.getState().atRisk !== atRisk) store.getState().set({ atRisk });
  });
  const sync = new Sync(
    id,
    diagram,
    revision,
    {
      changed: (next) => store?.getState().take(next),
      saving: (save) => store?.getState().set({ save }),
      here: (here) => store?.getState().set({ here }),
      lost: (what) => store?.getState().set({ lost: [...store.getState().lost, ...what] }),
      refused: (reasons) => (store ? store.getState().notify(reasons) : early.push(...reasons)),
    },
    outbox,
    api,
    live,
  );
  const begun = await sync.begin();
  store = createBench(begun, sync, historyFrom(steps));
  store.getState().set({ atRisk: risk });
  const asked = new URLSearchParams(location.search).get('entry');
  if (asked && own(begun.entries, asked)) store.getState().select(asked);
  else focusFirst(store);
  store
    .getState()
    .notify([...early, ...(binned ? ['This diagram is in the bin. Put it back on the Desk to keep it.'] : [])]);
  return { store, sync, view: createView() };
}

/** The page where one diagram is worked on. */
export function Bench({ id }: { id: string }) {
  const [parts, setParts] = useState<BenchParts | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [tries, setTries] = useState(0);
  useEffect(() => {
    let left = false;
    let opened: BenchParts | null = null;
    open(id).then(
      (made) => {
        opened = made;
        if (left) made.sync.end();
        else setParts(made);
      },
      (error: unknown) =>
        setProblem(
          error instanceof ApiError
            ? error.message
            : 'What is stored of it cannot be read. The Desk offers its last good state.',
        ),
    );
    return () => {
      left = true;
      opened?.sync.end();
    };
  }, [id, tries]);
  if (problem) {
    return (
      <main className="mx-auto mt-[20vh] max-w-md p-4">
        <h1 className="text-2xl">This diagram could not be opened</h1>
        <p className="my-3">{problem}</p>
        <button className="button button-main mr-3" onClick={() => (setProblem(null), setTries(tries + 1))}>
          Try again
        </button>
        <a className="button" href="/">
          To the desk
        </a>
      </main>
    );
  }
  if (!parts) return <p className="p-4 text-muted">Opening the diagram …</p>;
  return (
    <BenchContext value={parts}>
      <div className="h-dvh">
        <Body />
      </div>
    </BenchContext>
  );
}
