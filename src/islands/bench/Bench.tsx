import '../shared/jitless';
import { useEffect, useState } from 'react';
import { historyFrom, type LoggedStep, openDiagram } from '../../core/diagram';
import { own } from '../../core/model';
import { api, ApiError, askAs } from '../shared/api';
import { Guarded } from '../shared/Guarded';
import { newId } from '../shared/ids';
import { live } from '../shared/live';
import { Body } from './Body';
import { BenchContext, type BenchParts } from './context';
import { Outbox } from './outbox';
import { createBench, type BenchStore } from './store';
import { typedIn } from './typed-in';
import { Sync, type Lost } from './sync';
import { focusFirst } from './focus-first';
import { createView } from './view';

interface Loaded {
  readonly diagram: unknown;
  readonly revision: number;
  readonly binned: boolean;
}

async function open(id: string, account: string): Promise<BenchParts> {
  askAs(account);
  const [{ diagram: stored, revision, binned }, steps] = await Promise.all([
    api<Loaded>(`/api/diagrams/${id}`),
    // Without it one can work all the same; only what was done before cannot be undone.
    api<LoggedStep[]>(`/api/diagrams/${id}/steps`).catch(() => []),
  ]);
  const diagram = openDiagram(stored);
  let store: BenchStore | null = null;
  const early: string[] = [];
  let risk = false;
  const earlyLost: Lost[] = [];
  const lost = (what: readonly Lost[]): void => {
    if (store) store.getState().set({ lost: [...store.getState().lost, ...what] });
    else earlyLost.push(...what);
  };
  const outbox = new Outbox(id, newId(), account, (atRisk) => {
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
      lost,
      refused: (what) => {
        // Whatever was typed is handed back; of the rest the reason is enough.
        const typed = what.filter(({ commands }) => typedIn(diagram, commands).length > 0);
        if (typed.length > 0) lost(typed);
        const reasons = what.filter((one) => !typed.includes(one)).map(({ reason }) => reason);
        if (store) store.getState().notify(reasons);
        else early.push(...reasons);
      },
    },
    outbox,
    api,
    live,
  );
  const begun = await sync.begin();
  store = createBench(begun, sync, historyFrom(steps));
  store.getState().set({ atRisk: risk, lost: earlyLost });
  const asked = new URLSearchParams(location.search).get('entry');
  if (asked && own(begun.entries, asked)) store.getState().select(asked);
  else focusFirst(store);
  store
    .getState()
    .notify([...early, ...(binned ? ['This diagram is in the bin. Put it back on the Desk to keep it.'] : [])]);
  return { store, sync, view: createView() };
}

/** The page where one diagram is worked on. */
export function Bench({ id, account }: { id: string; account: string }) {
  const [parts, setParts] = useState<BenchParts | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [tries, setTries] = useState(0);
  useEffect(() => {
    let left = false;
    let opened: BenchParts | null = null;
    open(id, account).then(
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
  }, [id, account, tries]);
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
        <Guarded kept="What you did is kept, and sent.">
          <Body />
        </Guarded>
      </div>
    </BenchContext>
  );
}
