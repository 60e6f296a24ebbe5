import { proxy, wrap, type Remote } from 'comlink';
import { kindOf, type KindId } from '../core/diagram';
import type { Decoded, ReadChoices } from '../core/read';
import type { ReadAway, ReadWorker } from './read.worker';

/** A list of which nothing more was read for this long is given up. */
const patienceMs = 10_000;
/** Lines longer than this are worth naming when a list is given up. */
const longLine = 1000;

/** Reading took too long; the message says so, and where the trouble may lie. */
export class ReadingGivenUp extends Error {}

let running: { readonly worker: Worker; readonly remote: Remote<ReadWorker> } | null = null;

/** Has something done in a worker, so that the page answers meanwhile. Given up where nothing more was heard for as long as patience lasts. */
async function away<T>(
  words: (current: KindId | null) => string,
  work: (remote: Remote<ReadWorker>, goesOn: (kind: KindId) => void) => Promise<T>,
): Promise<T> {
  if (!running) {
    const worker = new Worker(new URL('./read.worker.ts', import.meta.url), { type: 'module' });
    running = { worker, remote: wrap<ReadWorker>(worker) };
  }
  const { worker, remote } = running;
  let current: KindId | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let giveUp: (error: ReadingGivenUp) => void;
  const givenUp = new Promise<never>((_, reject) => (giveUp = reject));
  const wait = (): void => {
    clearTimeout(timer);
    timer = setTimeout(() => {
      worker.terminate();
      running = null;
      giveUp(new ReadingGivenUp(words(current)));
    }, patienceMs);
  };
  wait();
  try {
    return await Promise.race([
      work(remote, (kind) => {
        current = kind;
        wait();
      }),
      givenUp,
    ]);
  } finally {
    clearTimeout(timer);
  }
}

/** Reads a list in a worker. Throws ReadingGivenUp where it comes to nothing. */
export const readAway = (text: string, choices: ReadChoices): Promise<ReadAway[]> =>
  away(
    (current) => givenUpWords(text, current),
    (remote, goesOn) => remote.read(text, choices, proxy(goesOn)),
  );

/** The text of a file, told in a worker. Throws ReadingGivenUp where it comes to nothing. */
export const decodeAway = (bytes: Uint8Array): Promise<Decoded> =>
  away(
    () =>
      'The file could not be read within ten seconds and was given up. Leave out what you do not need, or copy its cells and paste them here.',
    (remote) => remote.decode(bytes),
  );

function givenUpWords(text: string, kind: KindId | null): string {
  let [line, length, count] = [0, 0, 0];
  for (const each of text.split(/\r\n|\r|\n/)) {
    count++;
    if (each.length > length) [line, length] = [count, each.length];
  }
  const as = kind === null ? '' : ` as ${kindOf(kind).name.toLowerCase()}`;
  const where =
    length > longLine
      ? `Its longest line is line ${line}, with ${length.toLocaleString('en')} letters; shorten it`
      : `It has ${count.toLocaleString('en')} lines; take a part of it`;
  return `The list could not be read${as} within ten seconds and was given up. ${where}, and it is read again. Nothing was lost.`;
}
