import { wrap, type Remote } from 'comlink';
import type { Drawn } from '../core/diagram';
import type { Diagram } from '../core/diagram';
import type { DrawWorker } from './draw.worker';

let remote: Remote<DrawWorker> | null = null;

/** The river in a worker, for diagrams too large to draw within a frame. */
export function drawAway(diagram: Diagram): Promise<Drawn> {
  remote ??= wrap<DrawWorker>(new Worker(new URL('./draw.worker.ts', import.meta.url), { type: 'module' }));
  return remote.draw(diagram);
}
