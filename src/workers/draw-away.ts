import { wrap } from 'comlink';
import { takeArrangement, type Diagram, type Drawn } from '../core/diagram';
import type { SheetSet } from '../core/scene';
import { DrawQueue } from './draw-queue';
import type { DrawWorker } from './draw.worker';

const started = () => wrap<DrawWorker>(new Worker(new URL('./draw.worker.ts', import.meta.url), { type: 'module' }));

/** A worker of its own, started when it is first needed. */
function workerQueue(onFound?: typeof takeArrangement): () => DrawQueue {
  let queue: DrawQueue | null = null;
  return () => {
    if (!queue) {
      const remote = started();
      queue = new DrawQueue((delta, anew) => remote.draw(delta, anew), onFound);
    }
    return queue;
  };
}
const stage = workerQueue(takeArrangement);

/** The river in a worker, for diagrams too large to draw within a frame. Null where a newer one has taken its place. */
export const drawAway = (diagram: Diagram): Promise<Drawn | null> => stage().draw(diagram);

// What is tried has a worker of its own, so that the stage's keeps what it knows. Previews are several at once: they wait for each other.
const trials = workerQueue();
let before: Promise<unknown> = Promise.resolve();

export const drawTrial = (diagram: Diagram): Promise<Drawn | null> => trials().draw(diagram);

/** As `drawTrial`, for several that are all wanted. */
export function drawPreview(diagram: Diagram): Promise<Drawn> {
  const made = before.then(async () => {
    for (;;) {
      const drawn = await trials().draw(diagram);
      // A trial came between; it is shown first.
      if (drawn) return drawn;
    }
  });
  before = made.catch(() => undefined);
  return made;
}

let sets: ReturnType<typeof started> | null = null;

/** The sheets of a set, made in a worker of their own; null for a kind that cannot be parted. */
export const setAway = (diagram: Diagram, least: number): Promise<SheetSet | null> =>
  (sets ??= started()).set(diagram, least);
