import { wrap, type Remote } from 'comlink';
import type { ReadChoices } from '../core/read';
import type { ReadAway, ReadWorker } from './read.worker';

let remote: Remote<ReadWorker> | null = null;

/** Reads a list in a worker, so that the page answers while a long one is read. */
export function readAway(text: string, choices: ReadChoices): Promise<ReadAway[]> {
  remote ??= wrap<ReadWorker>(new Worker(new URL('./read.worker.ts', import.meta.url), { type: 'module' }));
  return remote.read(text, choices);
}
