import { LiveHub, type LiveMessage, type WindowMessage } from '../../workers/live-hub';
import { newId } from './ids';

/** Somebody else's window on the diagram, or another one of the user's (`own`). */
export interface Visitor {
  readonly name: string;
  readonly own: boolean;
}

export interface LiveListener {
  revision(revision: number): void;
  here(visitors: readonly Visitor[]): void;
  /** The line to the server opened or broke: something may have been missed. */
  line(open: boolean): void;
}

/** Listens to what happens to a diagram; returns how to stop. */
export type Live = (diagram: string, listener: LiveListener) => () => void;

const stillHereMs = 20_000;

/** All windows of a browser share one stream where the browser has shared workers; else each has its own. */
export const live: Live = (diagram, listener) => {
  const hear = (message: LiveMessage) => {
    if (message.kind === 'revision') listener.revision(message.revision);
    else if (message.kind === 'here') listener.here(message.visitors);
    else listener.line(message.open);
  };
  const window = newId();
  return typeof SharedWorker === 'undefined' ? alone(diagram, window, hear) : shared(diagram, window, hear);
};

function alone(diagram: string, window: string, tell: (message: LiveMessage) => void): () => void {
  const hub = new LiveHub();
  const key = {};
  hub.add(key, { diagram, window, tell });
  return () => hub.remove(key);
}

function shared(diagram: string, window: string, hear: (message: LiveMessage) => void): () => void {
  const worker = new SharedWorker(new URL('../../workers/live.worker.ts', import.meta.url), { type: 'module' });
  const say = (message: WindowMessage) => worker.port.postMessage(message);
  worker.port.onmessage = ({ data }: MessageEvent<LiveMessage>) => hear(data);
  const watch = () => say({ kind: 'watch', diagram, window });
  const gone = () => say({ kind: 'gone' });
  // A page that comes back from the browser's memory watches again.
  const back = (event: PageTransitionEvent) => event.persisted && watch();
  const beat = setInterval(() => say({ kind: 'still here' }), stillHereMs);
  globalThis.addEventListener('pagehide', gone);
  globalThis.addEventListener('pageshow', back);
  watch();
  return () => {
    clearInterval(beat);
    globalThis.removeEventListener('pagehide', gone);
    globalThis.removeEventListener('pageshow', back);
    gone();
  };
}
