import { openDB, type IDBPDatabase } from 'idb';
import type { Command } from '../../core/diagram';

/** A gesture that the server has not acknowledged yet. */
export interface Unsent {
  readonly id: string;
  /** When it was done, in milliseconds since 1970; left out in what an older version kept. */
  readonly at?: number;
  readonly commands: readonly Command[];
  readonly step?: string;
  readonly manner?: 'do' | 'undo' | 'redo';
}

interface Stored {
  readonly key: string;
  readonly diagram: string;
  /** Whose it is; left out in what an older version kept. */
  readonly account?: string;
  readonly unsent: readonly Unsent[];
}

const store = 'unsent';
/** How long other windows have to say that they are there. */
const answerMs = 150;

const opening = (more: { blocking?: () => void; terminated?: () => void } = {}): Promise<IDBPDatabase> =>
  openDB('dendrotax', 1, {
    upgrade(db) {
      db.createObjectStore(store, { keyPath: 'key' });
    },
    ...more,
  });

/** How many gestures of an account wait on this machine, by diagram; none where the browser keeps nothing. */
export async function unsentOf(account: string): Promise<ReadonlyMap<string, number>> {
  const waiting = new Map<string, number>();
  try {
    const db = await opening();
    for (const { diagram, account: whose, unsent } of (await db.getAll(store)) as Stored[])
      if (unsent.length > 0 && (whose === undefined || whose === account))
        waiting.set(diagram, (waiting.get(diagram) ?? 0) + unsent.length);
    db.close();
  } catch {
    // Then nothing waits either.
  }
  return waiting;
}

/**
 * Unsent gestures of one window, in IndexedDB; they belong to the account that made them, and no other takes them over. Writes follow each other; only the newest state waits. Where the browser keeps nothing, the work goes on
 * from memory and the window is told what is at risk; each further write tries again.
 */
export class Outbox {
  private waiting: readonly Unsent[] | null = null;
  private writing: Promise<void> | null = null;
  private opened: Promise<IDBPDatabase> | null = null;
  private readonly channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('dendrotax-windows');

  constructor(
    private readonly diagram: string,
    private readonly window: string,
    private readonly account: string,
    /** Told whenever it changes whether unsent work outlives this window. */
    private readonly atRisk: (is: boolean) => void,
  ) {
    this.channel?.addEventListener('message', (event: MessageEvent<{ ask?: string }>) => {
      if (event.data.ask !== undefined) this.channel?.postMessage({ alive: this.window });
    });
  }

  /** Everything unsent of this diagram from windows that are gone; it is this window's from now on. */
  async takeOver(): Promise<Unsent[]> {
    try {
      const db = await this.open();
      const all = ((await db.getAll(store)) as Stored[]).filter(
        (one) => one.diagram === this.diagram && (one.account === undefined || one.account === this.account),
      );
      const alive = all.length > 0 ? await this.others() : new Set<string>();
      const left = all.filter(({ key }) => !alive.has(key.slice(this.diagram.length + 1)));
      const seen = new Map<string, Unsent>();
      for (const one of left) for (const gesture of one.unsent) seen.set(gesture.id, gesture);
      const unsent = [...seen.values()];
      await db.put(store, this.stored(unsent));
      for (const one of left) if (one.key !== this.key) await db.delete(store, one.key);
      this.atRisk(false);
      return unsent;
    } catch {
      this.failed();
      return [];
    }
  }

  keep(unsent: readonly Unsent[]): void {
    this.waiting = unsent;
    this.writing ??= this.write();
  }

  /** Windows that are open, by their answers. */
  private async others(): Promise<Set<string>> {
    const alive = new Set<string>();
    if (!this.channel) return alive;
    const hear = (event: MessageEvent<{ alive?: string }>) => {
      if (event.data.alive !== undefined) alive.add(event.data.alive);
    };
    this.channel.addEventListener('message', hear);
    this.channel.postMessage({ ask: this.window });
    await new Promise((resolve) => setTimeout(resolve, answerMs));
    this.channel.removeEventListener('message', hear);
    return alive;
  }

  private stored(unsent: readonly Unsent[]): Stored {
    return { key: this.key, diagram: this.diagram, account: this.account, unsent };
  }

  private get key(): string {
    return `${this.diagram}:${this.window}`;
  }

  private open(): Promise<IDBPDatabase> {
    this.opened ??= opening({
      // Another version of the application wants the store, or the browser took it away: the next write opens it anew.
      blocking: () => this.letGo(),
      terminated: () => (this.opened = null),
    });
    return this.opened;
  }

  private letGo(): void {
    const { opened } = this;
    this.opened = null;
    void opened?.then((db) => db.close());
  }

  private failed(): void {
    this.opened = null;
    this.atRisk(true);
  }

  private async write(): Promise<void> {
    try {
      const db = await this.open();
      // A task of its own, so that writing does not hold up the frame that shows what was typed.
      await new Promise((done) => setTimeout(done));
      while (this.waiting) {
        const unsent = this.waiting;
        this.waiting = null;
        if (unsent.length === 0) await db.delete(store, this.key);
        else await db.put(store, this.stored(unsent));
      }
      this.atRisk(false);
    } catch {
      this.failed();
    } finally {
      this.writing = null;
    }
  }
}
