import { applyGesture, rebase, type Command, openDiagram, type Diagram } from '../../core/diagram';
import { ApiError, reach, type Ask } from '../shared/api';
import type { Live, Visitor } from '../shared/live';
import type { Outbox, Unsent } from './outbox';

export type SaveState =
  | { readonly state: 'kept'; readonly at: number }
  | { readonly state: 'keeping' }
  | { readonly state: 'waiting'; readonly reason: string };

/** What was done here and the server will never take, with its reason, and when it was done (milliseconds since 1970). */
export interface Lost {
  readonly commands: readonly Command[];
  readonly reason: string;
  readonly at?: number;
}

/** What the server answers; see src/server/edits.ts. */
interface Page {
  readonly revision: number;
  readonly more: boolean;
  readonly edits: readonly {
    readonly revision: number;
    readonly id: string;
    readonly commands?: readonly Command[];
    readonly anew?: true;
  }[];
  readonly outcomes: readonly { readonly id: string; readonly revision?: number; readonly refused?: string }[];
}

export interface SyncEvents {
  /** The Diagram changed from outside: others' edits, or own ones refused. */
  changed(diagram: Diagram): void;
  saving(state: SaveState): void;
  /** No longer applied when it came, as others had changed what it was about. */
  refused(what: readonly Lost[]): void;
  lost(what: readonly Lost[]): void;
  /** Who else has the diagram open. */
  here(visitors: readonly Visitor[]): void;
}

interface Pending extends Omit<Unsent, 'at'> {
  readonly merge: string | null;
  /** When it was done. */
  readonly done?: number;
  /** The revision it became, where the server has it and the confirmed Diagram is not as far yet. */
  readonly at: number | null;
}

/** How a gesture belongs to others: typing merges into the last one; gestures of one step are undone together. */
export interface GestureManner {
  readonly merge?: string | null;
  readonly step?: string;
  readonly manner?: 'do' | 'undo' | 'redo';
}

/** What a Bench needs of whatever keeps its work. */
export interface Syncing {
  readonly id: string;
  /** Whether it is kept for nobody: what the server has to keep first asks for an account. */
  readonly guest: boolean;
  /** A file of the diagram as it is now, asked for by the search part of an address: "format=pdf". Throws ApiError. */
  file(asked: string, signal: AbortSignal): Promise<Response>;
  add(id: string, commands: readonly Command[], manner?: GestureManner): void;
  /** Resolves when all that was done is kept; rejects with words for people. */
  flush(): Promise<void>;
  retry(): void;
  end(): void;
}

const pauseMs = 250;
const beatMs = 30_000;
const longestWaitMs = 15_000;
const most = { gestures: 200, characters: 800_000 };
/** Answers that will not become better by asking again. */
const forGood = new Set([400, 404, 413, 422]);

/**
 * Keeps one diagram in step with the server. What the user does is applied at once and kept in the outbox until the server has answered for it by its id;
 * what others did is applied to the confirmed Diagram, and the unconfirmed gestures are put onto it again.
 *
 * One thing at a time goes to the server: what waits is sent, else what is missing is fetched, until nothing waits and the newest revision heard of is
 * here. A failure of any step ends in one place and is tried again with growing waits.
 */
export class Sync implements Syncing {
  readonly guest = false;
  private pending: Pending[] = [];
  private inFlight = 0;
  private turning = false;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private beat: ReturnType<typeof setInterval> | null = null;
  private failures = 0;
  /** The newest revision heard of. */
  private heard: number;
  /** Whether to ask for news although none was heard of. */
  private asking = false;
  /** Gestures of the next batch; one, after a batch was refused as a whole. */
  private batchLimit: number = most.gestures;
  private ended = false;
  private stopListening: () => void = () => undefined;

  constructor(
    readonly id: string,
    private confirmed: Diagram,
    private revision: number,
    private readonly events: SyncEvents,
    private readonly outbox: Pick<Outbox, 'takeOver' | 'keep'>,
    private readonly ask: Ask,
    private readonly live: Live,
  ) {
    this.heard = revision;
  }

  /** Brings back what was typed and never acknowledged, and begins to listen. Returns the Diagram with it. */
  async begin(): Promise<Diagram> {
    const left = await this.outbox.takeOver();
    this.pending = left.map(({ at, ...one }) => ({
      ...one,
      merge: null,
      at: null,
      ...(at !== undefined && { done: at }),
    }));
    this.stopListening = this.live(this.id, {
      revision: (revision) => this.hear(revision),
      here: (visitors) => this.events.here(visitors),
      line: (open) => {
        if (!open) this.events.here([]);
        this.askForNews();
      },
    });
    this.beat = setInterval(() => this.askForNews(), beatMs);
    if (left.length > 0) this.wake(0);
    // What the server has of it already is known once it has answered; until then it is shown as if it had not.
    return this.shown();
  }

  /** A gesture that was applied just now. With the same `merge` as the last one, which has not left yet, it takes that one's place. */
  add(id: string, commands: readonly Command[], { merge = null, step, manner }: GestureManner = {}): void {
    const made: Pending = {
      id,
      commands,
      merge,
      at: null,
      done: Date.now(),
      ...(step && { step }),
      ...(manner && { manner }),
    };
    const last = this.pending.at(-1);
    const replaces = merge !== null && last?.merge === merge && last.at === null && this.pending.length > this.inFlight;
    // A new id: another window may have taken over and sent the one replaced here.
    if (replaces) this.pending[this.pending.length - 1] = made;
    else this.pending.push(made);
    this.keep();
    this.tell();
    if (this.failures === 0) this.wake(pauseMs);
  }

  /** Sends what waits; resolves when all of it has been answered for. Rejects where the server cannot be reached. */
  async flush(): Promise<void> {
    while (this.pending.length > 0 && !this.ended) {
      this.wake(0);
      await new Promise((resolve) => setTimeout(resolve, 30));
      if (this.failures > 0)
        throw new ApiError('The server cannot be reached just now; your work is kept here and sent later.', null);
    }
  }

  file(asked: string, signal: AbortSignal): Promise<Response> {
    return reach(`/api/diagrams/${this.id}/hand-out?${asked}`, { signal });
  }

  /** Tries at once instead of waiting, as when the network is back or the window is looked at again. */
  retry(): void {
    this.askForNews();
  }

  end(): void {
    this.ended = true;
    this.stopListening();
    if (this.timer) clearTimeout(this.timer);
    if (this.beat) clearInterval(this.beat);
  }

  private hear(revision: number): void {
    this.heard = Math.max(this.heard, revision);
    if (this.heard > this.revision || this.failures > 0) this.wake(0);
  }

  private askForNews(): void {
    this.asking = true;
    this.wake(0);
  }

  private wake(ms: number): void {
    if (this.ended || this.turning) return;
    if (this.timer) clearTimeout(this.timer);
    this.timer = setTimeout(() => {
      this.timer = null;
      void this.turn();
    }, ms);
  }

  /** Sends and fetches until there is nothing to do. Never throws: what fails is told and tried again later. */
  private async turn(): Promise<void> {
    if (this.turning) return;
    this.turning = true;
    let again: number | null = null;
    try {
      while (!this.ended) {
        if (this.unsent().length > 0) await this.send();
        else if (this.heard > this.revision || this.asking) await this.pull();
        else break;
        this.failures = 0;
      }
    } catch (error) {
      again = this.failed(error);
    }
    this.inFlight = 0;
    this.turning = false;
    if (again === null) this.tell();
    else this.wake(again);
  }

  private unsent(): Pending[] {
    return this.pending.filter((one) => one.at === null);
  }

  private async send(): Promise<void> {
    const batch: Pending[] = [];
    let size = 0;
    for (const one of this.unsent()) {
      size += JSON.stringify(one.commands).length;
      if (batch.length > 0 && (size > most.characters || batch.length >= this.batchLimit)) break;
      batch.push(one);
    }
    this.inFlight = this.pending.indexOf(batch.at(-1)!) + 1;
    this.tell();
    const gestures = batch.map(({ id, commands, step, manner }) => ({ id, commands, step, manner }));
    let page: Page;
    try {
      page = await this.ask<Page>(`/api/diagrams/${this.id}/edits`, {
        method: 'POST',
        body: { base: this.revision, gestures },
      });
    } catch (error) {
      if (!(error instanceof ApiError) || error.status === null || !forGood.has(error.status)) throw error;
      return this.refusedWhole(batch, error);
    }
    this.inFlight = 0;
    this.batchLimit = Math.min(most.gestures, this.batchLimit * 2);
    const answered = new Set(page.outcomes.map(({ id }) => id));
    if (batch.some(({ id }) => !answered.has(id)))
      throw new ApiError('The server did not answer for all that was sent.', 502);
    await this.take(page);
  }

  /** A batch the server will not have: its gestures are sent one by one, and one that it will not have alone is given up and told. */
  private refusedWhole(batch: readonly Pending[], error: ApiError): void {
    this.inFlight = 0;
    const hopeless = error.status === 404 ? this.pending : batch.length === 1 ? batch : [];
    if (hopeless.length === 0) {
      this.batchLimit = 1;
      return;
    }
    this.events.lost(hopeless.map((one) => lost(one, error.message)));
    const gone = new Set(hopeless.map(({ id }) => id));
    this.pending = this.pending.filter(({ id }) => !gone.has(id));
    this.keep();
    this.events.changed(this.shown());
  }

  private async pull(): Promise<void> {
    this.asking = false;
    await this.take(await this.ask<Page>(`/api/diagrams/${this.id}/edits?since=${this.revision}`));
  }

  /** Takes an answer in: edits in their order, then what became of one's own gestures. */
  private async take(page: Page): Promise<void> {
    this.heard = Math.max(this.heard, page.revision);
    const own = new Map(this.pending.map((one) => [one.id, one]));
    const queue = this.pending.map(({ id }) => id);
    /** True while all that came was one's own, in the order it is shown in. */
    let asShown = true;
    for (const edit of page.edits) {
      if (edit.revision <= this.revision) continue;
      const commands = edit.commands ?? own.get(edit.id)?.commands;
      const next =
        edit.anew || !commands || edit.revision !== this.revision + 1 ? null : applyGesture(this.confirmed, commands);
      if (!next?.ok) return this.reload();
      this.confirmed = next.diagram;
      this.revision = edit.revision;
      if (queue[0] === edit.id) queue.shift();
      else asShown = false;
    }
    const became = new Map(page.outcomes.map((one) => [one.id, one]));
    const refused = page.outcomes.flatMap((one) =>
      one.refused === undefined || !own.has(one.id) ? [] : [lost(own.get(one.id)!, one.refused)],
    );
    if (refused.length > 0) {
      asShown = false;
      this.events.refused(refused);
    }
    this.pending = this.pending.flatMap((one) => {
      const outcome = became.get(one.id);
      if (outcome?.refused !== undefined) return [];
      const at = outcome?.revision ?? one.at;
      return at !== null && at <= this.revision ? [] : [{ ...one, at }];
    });
    // Something of one's own was in the fetched Diagram already and is shown twice.
    if (queue.length !== this.pending.length) asShown = false;
    this.keep();
    if (!asShown) this.events.changed(this.shown());
  }

  /** Where the log does not lead on from here, the server's Diagram is taken anew and what is unsent put onto it. */
  private async reload(): Promise<void> {
    const stored = await this.ask<{ diagram: unknown; revision: number }>(`/api/diagrams/${this.id}`);
    this.confirmed = openDiagram(stored.diagram);
    this.revision = stored.revision;
    this.heard = Math.max(this.heard, stored.revision);
    this.pending = this.pending.filter(({ at }) => at === null || at > this.revision);
    this.keep();
    this.events.changed(this.shown());
  }

  private shown(): Diagram {
    return rebase(
      this.confirmed,
      this.pending.map((one) => one.commands),
    ).diagram;
  }

  /** The one place where a step that failed ends; returns how long to wait. */
  private failed(error: unknown): number {
    this.failures++;
    this.asking = true;
    this.tell(wordsOf(error));
    const wait = Math.min(longestWaitMs, 500 * 2 ** Math.min(this.failures, 6));
    // Many windows that lost one server do not come back in step.
    return wait * (0.75 + Math.random() / 2);
  }

  private keep(): void {
    this.outbox.keep(
      this.pending.map(({ id, commands, step, manner, done }) => ({
        id,
        commands,
        ...(done !== undefined && { at: done }),
        ...(step && { step }),
        ...(manner && { manner }),
      })),
    );
  }

  private tell(reason = ''): void {
    if (this.failures > 0) this.events.saving({ state: 'waiting', reason });
    else if (this.pending.length > 0) this.events.saving({ state: 'keeping' });
    else this.events.saving({ state: 'kept', at: Date.now() });
  }
}

const lost = ({ commands, done }: Pending, reason: string): Lost => ({
  commands,
  reason,
  ...(done !== undefined && { at: done }),
});

function wordsOf(error: unknown): string {
  if (!(error instanceof ApiError)) return 'Something unexpected came from the server; it is tried again.';
  if (error.status === 401) return 'Signed out: kept on this machine. Sign in in another window to send it.';
  return error.status === null ? '' : error.message;
}
