import { finding, limits, type Finding } from '../../core/model';
import { tooLargeFile } from '../../core/read';
import { decodeAway, ReadingGivenUp } from '../../workers/read-away';

/** One of several lists that came in together: a sheet of a spreadsheet, or one of several files. */
export interface IncomingPart {
  readonly name: string;
  readonly text: string;
  readonly findings: readonly Finding[];
}

/** A list on its way in: its text, the name of its file, and what decoding found. */
export interface Incoming {
  readonly text: string;
  readonly name: string;
  readonly findings: readonly Finding[];
  /** Where several came in together, all of them, to choose from. */
  readonly parts?: readonly IncomingPart[];
}

const key = 'dendrotax-incoming';

const fault = (message: string): Finding => finding('not-text', 'error', message);

/** Reads chosen, dropped or pasted files. What cannot be read comes back as a finding with empty text. */
export async function takeFiles(files: readonly File[]): Promise<Incoming> {
  const taken = await Promise.all(files.map(takeFile));
  const [first] = taken;
  if (!first || taken.length === 1) return first ?? { text: '', name: '', findings: [] };
  const parts = taken.flatMap(({ name, text, findings, parts: own }): readonly IncomingPart[] =>
    own ? own.map((part) => ({ ...part, name: `${name}: ${part.name}` })) : [{ name, text, findings }],
  );
  const read = parts.find(({ text }) => text !== '') ?? parts[0]!;
  return { ...read, parts };
}

async function takeFile(file: File): Promise<Incoming> {
  const name = file.name.replace(/\.[^.]+$/, '');
  if (file.size > limits.listBytes) return { text: '', name, findings: [tooLargeFile(file.size)] };
  try {
    const { text, findings, parts } = await decodeAway(new Uint8Array(await file.arrayBuffer()));
    return { text: text ?? '', name, findings, ...(parts && { parts }) };
  } catch (error) {
    const known =
      error instanceof ReadingGivenUp
        ? error.message
        : 'The file could not be read. It may have been moved, or something in it is beyond us.';
    return { text: '', name, findings: [fault(known)] };
  }
}

/** Hands a list from the Desk to Start, across the change of page. */
export function keepForStart(incoming: Incoming): void {
  try {
    sessionStorage.setItem(key, JSON.stringify(incoming));
  } catch {
    // Too large for the session's store: only what was not read yet is lost, and Start says so.
    sessionStorage.setItem(key, JSON.stringify({ text: '', name: incoming.name, findings: [tooLargeToCarry] }));
  }
}

const tooLargeToCarry = finding(
  'carry',
  'warning',
  'The list is too long to be handed over from the Desk. Drop or paste it here.',
);

export function takeIncoming(): Incoming | null {
  const stored = sessionStorage.getItem(key);
  sessionStorage.removeItem(key);
  return stored ? (JSON.parse(stored) as Incoming) : null;
}
