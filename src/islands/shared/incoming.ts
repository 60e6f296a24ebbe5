import { decodeList } from '../../core/read';
import { limits, type Finding } from '../../core/model';

/** A list on its way in: its text, the name of its file, and what decoding found. */
export interface Incoming {
  readonly text: string;
  readonly name: string;
  readonly findings: readonly Finding[];
}

const key = 'dendrotax-incoming';

/** Reads a chosen or dropped file. What cannot be read comes back as a finding with empty text. */
export async function takeFile(file: File): Promise<Incoming> {
  const tooLarge = file.size > limits.listBytes;
  const bytes = tooLarge ? new Uint8Array(limits.listBytes + 1) : new Uint8Array(await file.arrayBuffer());
  const { text, findings } = decodeList(bytes);
  const told = tooLarge
    ? findings.map((finding) => ({
        ...finding,
        message: finding.message.replace(/has \d+ MB/, `has ${Math.round(file.size / 1e6)} MB`),
      }))
    : findings;
  return { text: text ?? '', name: file.name.replace(/\.[^.]+$/, ''), findings: told };
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

const tooLargeToCarry: Finding = {
  code: 'carry',
  severity: 'warning',
  message: 'The list is too long to be handed over from the Desk. Drop or paste it here.',
  line: null,
  column: null,
  entries: [],
};

export function takeIncoming(): Incoming | null {
  const stored = sessionStorage.getItem(key);
  sessionStorage.removeItem(key);
  return stored ? (JSON.parse(stored) as Incoming) : null;
}
