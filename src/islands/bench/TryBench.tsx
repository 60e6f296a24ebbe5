import '../shared/jitless';
import { useEffect, useState } from 'react';
import { openDiagram, type Diagram } from '../../core/diagram';
import { api, ApiError, reach } from '../shared/api';
import { Guarded } from '../shared/Guarded';
import { endTrying, keepTrying, tryingId, tryingNow } from '../shared/trying';
import { Body } from './Body';
import { BenchContext, type BenchParts } from './context';
import { focusFirst } from './focus-first';
import { createBench, type BenchStore } from './store';
import type { Syncing } from './sync';
import { createView } from './view';

const signInPath = `/sign-in?to=${encodeURIComponent('/try?keep')}`;

/** Work that is kept in this tab only. Files are made by the server, from what is kept there. */
class Trying implements Syncing {
  readonly id = 'try';
  readonly guest = true;
  store: BenchStore | null = null;
  private timer: ReturnType<typeof setTimeout> | null = null;

  add(): void {
    this.timer ??= setTimeout(() => {
      this.timer = null;
      const { diagram, notify } = this.store!.getState();
      if (!keepTrying(diagram)) notify(['This tab has no room for so much. Make an account to keep it.']);
    }, 200);
  }
  flush(): Promise<void> {
    // Files are made of what is sent along.
    return Promise.resolve();
  }
  file(asked: string, signal: AbortSignal): Promise<Response> {
    return reach(`/api/hand-out?${asked}`, {
      method: 'POST',
      body: JSON.stringify(this.store!.getState().diagram),
      headers: { 'content-type': 'application/json' },
      signal,
    });
  }
  retry(): void {
    // Nothing waits to be sent.
  }
  end(): void {
    if (this.timer) clearTimeout(this.timer);
  }
}

/** Kept under the id it was given when trying began, so that asking twice keeps one. */
async function keep(diagram: Diagram): Promise<void> {
  const id = tryingId();
  await api('/api/diagrams', { method: 'POST', body: { id, diagram } });
  endTrying();
  location.assign(`/diagrams/${id}`);
}

function opened(): BenchParts | null {
  try {
    const stored = tryingNow();
    if (stored === null) return null;
    const sync = new Trying();
    const store = createBench(openDiagram(stored), sync);
    sync.store = store;
    focusFirst(store);
    return { store, sync, view: createView() };
  } catch {
    return null;
  }
}

/** The Bench for whoever is not signed in: everything works but what the server has to keep. */
export function TryBench() {
  const [parts] = useState(opened);
  const [problem, setProblem] = useState<string | null>(null);
  const [keeping, setKeeping] = useState(false);
  function keepIt() {
    if (keeping) return;
    const { diagram } = parts!.store.getState();
    keepTrying(diagram);
    setKeeping(true);
    setProblem(null);
    keep(diagram).catch((error: unknown) => {
      setKeeping(false);
      if (error instanceof ApiError && error.status === 401) location.assign(signInPath);
      else setProblem(error instanceof ApiError ? error.message : 'That did not work. Your work is still here.');
    });
  }
  useEffect(() => {
    if (parts && new URLSearchParams(location.search).has('keep')) keepIt();
    // Once, when coming back from signing in.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  useEffect(() => {
    if (!parts) location.replace('/');
  }, [parts]);
  if (!parts) return <p className="p-4 text-muted">To the front page …</p>;
  return (
    <BenchContext value={parts}>
      <div className="flex h-dvh flex-col">
        <div className="flex shrink-0 flex-wrap items-center gap-3 border-b border-brass bg-brasswash px-4 py-1.5">
          <p className="flex-1" role="status">
            {keeping ? 'Keeping it …' : (problem ?? 'You are trying it out: this is kept in this tab only.')}
          </p>
          <button className="button button-main" aria-disabled={keeping} onClick={keepIt}>
            Keep it
          </button>
        </div>
        <div className="min-h-0 flex-1">
          <Guarded kept="Your work is kept in this tab.">
            <Body />
          </Guarded>
        </div>
      </div>
    </BenchContext>
  );
}
