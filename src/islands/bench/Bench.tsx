import { own } from '../../core/model';
import '../shared/jitless';
import { useEffect, useState } from 'react';
import type { Diagram } from '../../core/model';
import { api, ApiError } from '../shared/api';
import { newId } from '../shared/ids';
import { Body } from './Body';
import { BenchContext, type BenchParts } from './context';
import { Outbox } from './outbox';
import { createBench, type BenchStore } from './store';
import { Sync } from './sync';
import { createView } from './view';

interface Loaded {
  readonly diagram: Diagram;
  readonly revision: number;
  readonly binned: boolean;
}

function windowId(): string {
  const known = sessionStorage.getItem('dendrotax-window') ?? newId();
  sessionStorage.setItem('dendrotax-window', known);
  return known;
}

async function open(id: string): Promise<BenchParts> {
  const { diagram, revision, binned } = await api<Loaded>(`/api/diagrams/${id}`);
  let store: BenchStore | null = null;
  const early: string[] = [];
  const sync = new Sync(
    id,
    diagram,
    revision,
    {
      changed: (next) => store?.getState().take(next),
      saving: (save) => store?.getState().set({ save }),
      here: (here) => store?.getState().set({ here }),
      refused: (reasons) => (store ? store.getState().notify(reasons) : early.push(...reasons)),
    },
    new Outbox(id, windowId()),
  );
  const begun = await sync.begin();
  store = createBench(begun, sync);
  const asked = new URLSearchParams(location.search).get('entry');
  if (asked && own(begun.entries, asked)) store.getState().select(asked);
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
      (error: unknown) => setProblem(error instanceof ApiError ? error.message : 'The diagram could not be opened.'),
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
      <Body />
    </BenchContext>
  );
}
