import { Piscina } from 'piscina';
import { createEntry } from '../../core/model';
import { diagramOf } from '../../core/diagram';
import { log } from '../log';
import { Refusal } from '../refusal';
import type { TaskInput, TaskName, TaskResult } from './tasks';
import type { Told } from './worker';

/** At most this many tasks of one account run at once; further ones wait, and beyond that are refused. */
const mostAtOnce = 2;
const mostWaiting = 40;
/** A task that takes longer is given up. */
const longestMs = 90_000;

let pool: Piscina | null = null;

/** Worker threads of this process. A task that runs out of memory or time ends its thread and no other. */
function workers(): Piscina {
  if (!pool) {
    const filename = process.env.DENDROTAX_WORKER;
    if (!filename) throw new Error('DENDROTAX_WORKER is not set; scripts/server.mjs sets it.');
    pool = new Piscina({
      filename,
      minThreads: 1,
      maxThreads: 2,
      idleTimeout: 300_000,
      maxQueue: 400,
      // The thread's own fault must not be told by the whole process.
      resourceLimits: { maxOldGenerationSizeMb: 2048, stackSizeMb: 4 },
    });
    pool.on('error', (error: unknown) => log('worker', error));
  }
  return pool;
}

/** Lets a worker load what drawing needs before anybody waits for it. */
export function warmWorkers(): void {
  if (!process.env.DENDROTAX_WORKER) return;
  const entry = createEntry({ id: 'e1', name: 'Ada', order: 'V' });
  const body = JSON.stringify(diagramOf('org-chart', '', [entry]));
  for (const format of ['pdf', 'png', 'svg'] as const)
    work('warming', 'handOut', { body, format, dotsPerInch: 96, pictures: [] }).catch((error: unknown) =>
      log('warming', error),
    );
}

export async function endWorkers(): Promise<void> {
  await pool?.destroy();
  pool = null;
}

interface Turn {
  running: number;
  readonly waiting: (() => void)[];
}
const turns = new Map<string, Turn>();

async function takeTurn(account: string): Promise<() => void> {
  const turn = turns.get(account) ?? { running: 0, waiting: [] };
  turns.set(account, turn);
  if (turn.waiting.length >= mostWaiting)
    throw new Refusal(429, 'Much is being made for you already. Wait a moment and try again.');
  if (turn.running >= mostAtOnce) await new Promise<void>((go) => turn.waiting.push(go));
  else turn.running++;
  return () => {
    const next = turn.waiting.shift();
    if (next) next();
    else if (--turn.running === 0) turns.delete(account);
  };
}

/**
 * Runs a task in a worker thread and returns its result; a refusal is thrown as such, a fault as a Refusal with words. Aborting the signal gives the
 * task up, whether it waits or runs.
 */
export async function work<N extends TaskName>(
  account: string,
  name: N,
  input: TaskInput<N>,
  signal?: AbortSignal,
): Promise<TaskResult<N>> {
  const done = await takeTurn(account);
  try {
    const limit = AbortSignal.timeout(longestMs);
    const told = (await workers().run(
      { name, input },
      { signal: signal ? AbortSignal.any([signal, limit]) : limit },
    )) as Told;
    if (!told.ok) throw new Refusal(told.status, told.message);
    return told.result as TaskResult<N>;
  } catch (error) {
    if (error instanceof Refusal) throw error;
    if (signal?.aborted) throw new Refusal(499, 'That was called off.');
    log(`work ${name}`, error);
    const words = faultWords(error);
    throw new Refusal(words.status, words.message);
  } finally {
    done();
  }
}

function faultWords(error: unknown): { status: 422 | 503; message: string } {
  const { code, name } = error as NodeJS.ErrnoException;
  if (name === 'AbortError')
    return {
      status: 422,
      message: 'That would take longer than a minute and a half and was given up. Make it smaller, or in parts.',
    };
  if (code === 'ERR_WORKER_OUT_OF_MEMORY')
    return {
      status: 422,
      message: 'That needs more memory than there is for one piece of work. Make it smaller, or in parts.',
    };
  return {
    status: 503,
    message: 'Something went wrong on our side while that was made. Your work is kept; try again.',
  };
}
