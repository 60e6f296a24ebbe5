import { applyGesture, rebase, type Command } from '../../core/edit';
import type { Diagram } from '../../core/model';
import { api, ApiError } from '../shared/api';
import type { Outbox, Unsent } from './outbox';

export type SaveState =
  | { readonly state: 'kept'; readonly at: number }
  | { readonly state: 'keeping' }
  | { readonly state: 'waiting'; readonly reason: string };

interface Answer {
  readonly revision: number;
  readonly edits: readonly { readonly revision: number; readonly id: string; readonly commands?: readonly Command[] }[];
  readonly refused: readonly { readonly id: string; readonly reason: string }[];
}

export interface SyncEvents {
  /** The Diagram changed from outside: others' edits, or own ones refused. */
  changed(diagram: Diagram): void;
  saving(state: SaveState): void;
  refused(reasons: readonly string[]): void;
  /** Who else has the diagram open. */
  here(visitors: readonly Visitor[]): void;
}

export interface Visitor {
  readonly name: string;
  /** Another window of the user's own. */
  readonly own: boolean;
}

interface Pending extends Unsent {
  readonly merge: string | null;
}

const pauseMs = 250;

/**
 * Keeps one diagram in step with the server. What the user does is applied at once and kept in the outbox until the server has it;
 * what others did is applied to the confirmed Diagram, and the unconfirmed gestures are put onto it again.
 */
export class Sync {
  private pending: Pending[] = [];
  private inFlight = 0;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private failures = 0;
  private pulling = false;
  private source: EventSource | null = null;

  constructor(
    readonly id: string,
    private confirmed: Diagram,
    private revision: number,
    private readonly events: SyncEvents,
    private readonly outbox: Pick<Outbox, 'takeOver' | 'keep'>,
  ) {}

  /** Brings back what was typed and never reached the server, and begins to listen. Returns the Diagram with it. */
  async begin(): Promise<Diagram> {
    const left = await this.outbox.takeOver();
    const { diagram, refused } = rebase(
      this.confirmed,
      left.map((one) => one.commands),
    );
    this.pending = left.map((one) => ({ ...one, merge: null }));
    if (refused.length > 0) this.events.refused(refused.map((one) => one.reason));
    if (left.length > 0) this.schedule(0);
    this.listen();
    return diagram;
  }

  /** A gesture that was applied just now. With the same `merge` as the last one, which has not left yet, it takes that one's place. */
  add(id: string, commands: readonly Command[], merge: string | null): void {
    const last = this.pending.at(-1);
    if (merge !== null && last?.merge === merge && this.pending.length > this.inFlight) {
      // A new id: another window may have taken over and sent the one replaced here.
      this.pending[this.pending.length - 1] = { id, commands, merge };
    } else {
      this.pending.push({ id, commands, merge });
    }
    void this.outbox.keep(this.pending.map(({ id: gesture, commands: list }) => ({ id: gesture, commands: list })));
    this.events.saving(this.failures > 0 ? { state: 'waiting', reason: '' } : { state: 'keeping' });
    if (this.failures === 0) this.schedule(pauseMs);
  }

  /** Sends what waits; resolves when all of it has been acknowledged. Rejects where the server cannot be reached. */
  async flush(): Promise<void> {
    while (this.pending.length > 0) {
      if (this.inFlight > 0) await new Promise((resolve) => setTimeout(resolve, 30));
      else await this.send();
      if (this.failures > 0)
        throw new ApiError('The server cannot be reached just now; your work is kept here and sent later.', null);
    }
  }

  /** Tries at once instead of waiting, as when the network is back. */
  retry(): void {
    if (this.pending.length > 0) this.schedule(0);
    if (this.source?.readyState === EventSource.CLOSED) this.listen();
  }

  end(): void {
    this.source?.close();
    if (this.timer) clearTimeout(this.timer);
  }

  private schedule(ms: number): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = setTimeout(() => {
      this.timer = null;
      void this.send();
    }, ms);
  }

  private async send(): Promise<void> {
    if (this.inFlight > 0 || this.pending.length === 0) return;
    const batch = this.pending.slice(0, 200);
    this.inFlight = batch.length;
    this.events.saving(this.failures > 0 ? { state: 'waiting', reason: '' } : { state: 'keeping' });
    try {
      const body = { base: this.revision, gestures: batch.map(({ id, commands }) => ({ id, commands })) };
      const answer = await api<Answer>(`/api/diagrams/${this.id}/edits`, { method: 'POST', body });
      this.inFlight = 0;
      this.failures = 0;
      this.take(answer);
      if (this.pending.length > 0) this.schedule(0);
      else this.events.saving({ state: 'kept', at: Date.now() });
    } catch (error) {
      this.inFlight = 0;
      if (!(error instanceof ApiError)) throw error;
      this.failures++;
      this.events.saving({ state: 'waiting', reason: error.status === null ? '' : error.message });
      this.schedule(Math.min(8000, 500 * 2 ** Math.min(this.failures, 4)));
    }
  }

  private take(answer: Answer): void {
    const own = new Map(this.pending.map((one) => [one.id, one.commands]));
    const gone = new Set([...answer.edits.map((edit) => edit.id), ...answer.refused.map((one) => one.id)]);
    let onlyOwn = answer.refused.length === 0;
    for (const edit of answer.edits) {
      if (edit.revision <= this.revision) continue;
      const commands = own.get(edit.id) ?? edit.commands;
      if (!own.has(edit.id)) onlyOwn = false;
      const outcome = commands ? applyGesture(this.confirmed, commands) : null;
      if (!outcome?.ok) return void this.reload();
      this.confirmed = outcome.diagram;
      this.revision = edit.revision;
    }
    this.pending = this.pending.filter((one) => !gone.has(one.id));
    void this.outbox.keep(this.pending.map(({ id, commands }) => ({ id, commands })));
    if (answer.refused.length > 0) this.events.refused(answer.refused.map((one) => one.reason));
    if (onlyOwn) return;
    const { diagram, refused } = rebase(
      this.confirmed,
      this.pending.map((one) => one.commands),
    );
    if (refused.length > 0) this.events.refused(refused.map((one) => one.reason));
    this.events.changed(diagram);
  }

  /** Where the logs do not fit together, the server's Diagram is taken anew and what is unsent put onto it. */
  private async reload(): Promise<void> {
    const stored = await api<{ diagram: Diagram; revision: number }>(`/api/diagrams/${this.id}`);
    this.confirmed = stored.diagram;
    this.revision = stored.revision;
    this.events.changed(
      rebase(
        this.confirmed,
        this.pending.map((one) => one.commands),
      ).diagram,
    );
  }

  private listen(): void {
    this.source?.close();
    const source = new EventSource(`/api/diagrams/${this.id}/feed`);
    this.source = source;
    source.onmessage = (event: MessageEvent<string>) => {
      if (this.failures > 0) this.schedule(0);
      if (Number(event.data) > this.revision) void this.pull();
    };
    source.addEventListener('here', (event: MessageEvent<string>) => {
      this.events.here(JSON.parse(event.data) as Visitor[]);
    });
    source.onerror = () => {
      this.events.here([]);
      if (source.readyState === EventSource.CLOSED) setTimeout(() => this.source === source && this.listen(), 2000);
    };
  }

  private async pull(): Promise<void> {
    // An answer on its way brings the newest edits anyhow.
    if (this.pulling || this.inFlight > 0) return;
    this.pulling = true;
    try {
      const answer = await api<Answer>(`/api/diagrams/${this.id}/edits?since=${this.revision}`);
      if (this.inFlight === 0) this.take(answer);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
    } finally {
      this.pulling = false;
    }
  }
}
