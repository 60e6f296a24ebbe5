import type pg from 'pg';
import { database } from './database';
import { log } from './log';
import { endVisits, othersOf, renewMs, renewVisits, whoIsHere, type Visit, type Visitor } from './visits';

/** Who is here is written and asked for together, so often at most. */
const apartMs = 500;
/** Windows that open together are one. */
const firstMs = 30;

/** What a stream is told of one of its windows. */
export interface ToldHere {
  readonly diagram: string;
  readonly window: string;
  readonly visitors: readonly Visitor[];
}

interface Watched extends Visit {
  readonly window: string;
  /** One object a stream; it gets all that is new for its windows at once. */
  readonly stream: { here(told: readonly ToldHere[]): void };
  last: string;
}

/**
 * Who is here, for all streams of this process: visits that begin, go on and end are written together, and who has a diagram open is asked once for all
 * windows on it, at most twice a second. However many windows there are, a turn is three queries.
 */
export class Presence {
  private readonly open = new Map<string, Watched>();
  private readonly byDiagram = new Map<string, Set<Watched>>();
  private readonly begun = new Set<string>();
  private readonly ended = new Set<string>();
  private readonly stale = new Set<string>();
  private timer: NodeJS.Timeout | null = null;
  private beat: NodeJS.Timeout | null = null;
  private turning = false;
  private last = 0;

  constructor(private readonly pool: () => pg.Pool) {}

  begin(visit: Visit & Pick<Watched, 'window' | 'stream'>): void {
    const watched: Watched = { ...visit, last: '' };
    this.open.set(visit.id, watched);
    const there = this.byDiagram.get(visit.diagram) ?? new Set();
    this.byDiagram.set(visit.diagram, there.add(watched));
    this.begun.add(visit.id);
    this.stale.add(visit.diagram);
    this.beat ??= setInterval(() => this.renewAll(), renewMs);
    this.soon();
  }

  end(id: string): void {
    const watched = this.open.get(id);
    if (!watched) return;
    this.open.delete(id);
    const there = this.byDiagram.get(watched.diagram)!;
    there.delete(watched);
    if (there.size === 0) this.byDiagram.delete(watched.diagram);
    this.begun.delete(id);
    this.ended.add(id);
    this.soon();
  }

  /** Windows on a diagram were opened or closed somewhere. */
  changed(diagram: string): void {
    if (!this.byDiagram.has(diagram)) return;
    this.stale.add(diagram);
    this.soon();
  }

  /** What was written may be lost, or others' windows missed. */
  renewAll(): void {
    if (this.open.size === 0 && this.beat) {
      clearInterval(this.beat);
      this.beat = null;
    }
    for (const { id, diagram } of this.open.values()) {
      this.begun.add(id);
      this.stale.add(diagram);
    }
    if (this.open.size > 0) this.soon();
  }

  private soon(): void {
    if (this.timer || this.turning) return;
    this.timer = setTimeout(
      () => {
        this.timer = null;
        void this.turn();
      },
      Math.max(firstMs, this.last + apartMs - Date.now()),
    );
  }

  private async turn(): Promise<void> {
    this.turning = true;
    this.last = Date.now();
    const begun = [...this.begun].flatMap((id) => this.open.get(id) ?? []);
    const ended = [...this.ended];
    const stale = [...this.stale].filter((diagram) => this.byDiagram.has(diagram));
    for (const set of [this.begun, this.ended, this.stale]) set.clear();
    try {
      const pool = this.pool();
      await renewVisits(pool, begun);
      await endVisits(pool, ended);
      if (stale.length > 0) this.tell(stale, await whoIsHere(pool, stale));
    } catch (error) {
      // Visits that were not written are written with the next beat; those not ended run out.
      log('presence', error);
    }
    this.turning = false;
    if (this.begun.size + this.ended.size + this.stale.size > 0) this.soon();
  }

  private tell(diagrams: readonly string[], rows: Awaited<ReturnType<typeof whoIsHere>>): void {
    const told = new Map<Watched['stream'], ToldHere[]>();
    for (const diagram of diagrams) {
      const here = rows.filter((row) => row.diagram === diagram);
      const seen = new Map<string, Visitor[]>();
      for (const watched of this.byDiagram.get(diagram) ?? []) {
        const visitors = seen.get(watched.account) ?? othersOf(here, watched.account);
        seen.set(watched.account, visitors);
        const text = JSON.stringify(visitors);
        if (text === watched.last) continue;
        watched.last = text;
        const all = told.get(watched.stream) ?? [];
        told.set(watched.stream, all);
        all.push({ diagram, window: watched.window, visitors });
      }
    }
    for (const [stream, all] of told) stream.here(all);
  }
}

export const presence = new Presence(database);
