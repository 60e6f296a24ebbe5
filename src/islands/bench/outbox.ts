import { openDB, type IDBPDatabase } from 'idb';
import type { Command } from '../../core/edit';

/** A gesture that the server has not acknowledged yet. */
export interface Unsent {
  readonly id: string;
  readonly commands: readonly Command[];
}

interface Stored {
  readonly key: string;
  readonly diagram: string;
  readonly unsent: readonly Unsent[];
}

const store = 'unsent';
let opened: Promise<IDBPDatabase> | null = null;

function open(): Promise<IDBPDatabase> {
  opened ??= openDB('dendrotax', 1, {
    upgrade(db) {
      db.createObjectStore(store, { keyPath: 'key' });
    },
  });
  return opened;
}

/** Unsent gestures of one window, in IndexedDB. Writes follow each other; only the newest state waits. */
export class Outbox {
  private waiting: readonly Unsent[] | null = null;
  private writing: Promise<void> | null = null;

  constructor(
    private readonly diagram: string,
    private readonly window: string,
  ) {}

  /** Everything unsent of this diagram, also from windows that were closed; those are taken over. */
  async takeOver(): Promise<Unsent[]> {
    const db = await open();
    const all = ((await db.getAll(store)) as Stored[]).filter((one) => one.diagram === this.diagram);
    const seen = new Map<string, Unsent>();
    for (const one of all) for (const gesture of one.unsent) seen.set(gesture.id, gesture);
    await this.keep([...seen.values()]);
    for (const one of all) if (one.key !== this.key) await db.delete(store, one.key);
    return [...seen.values()];
  }

  keep(unsent: readonly Unsent[]): Promise<void> {
    this.waiting = unsent;
    this.writing ??= this.write();
    return this.writing;
  }

  private get key(): string {
    return `${this.diagram}:${this.window}`;
  }

  private async write(): Promise<void> {
    try {
      const db = await open();
      // A task of its own, so that writing does not hold up the frame that shows what was typed.
      await new Promise((done) => setTimeout(done));
      while (this.waiting) {
        const unsent = this.waiting;
        this.waiting = null;
        if (unsent.length === 0) await db.delete(store, this.key);
        else await db.put(store, { key: this.key, diagram: this.diagram, unsent } satisfies Stored);
      }
    } finally {
      this.writing = null;
    }
  }
}
