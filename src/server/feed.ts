import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { z } from 'zod';
import { isSessionOpen } from './accounts';
import { database } from './database';
import { revisionsOf } from './diagrams';
import { log } from './log';
import { presence, type ToldHere } from './presence';
import { Refusal } from './refusal';
import { renewMs } from './visits';

/** A diagram has a newer revision, or windows on it were opened or closed. */
const Notice = z.union([
  z.object({ id: z.string(), revision: z.number() }),
  z.object({ id: z.string(), visits: z.literal(true) }),
]);
type Notice = z.infer<typeof Notice>;

interface Listener {
  notice(notice: Notice): void;
  /** The session of these streams was ended. */
  sessionEnded(session: string): void;
  /** Notices may have been missed: what is known is to be compared with the database. */
  reconnected(): void;
}

const firstWaitMs = 250;
const longestWaitMs = 10_000;

/** One LISTEN connection a process. When it breaks it is opened anew with growing waits, and all listeners are told that they may have missed something. */
class Feed {
  private readonly listeners = new Set<Listener>();
  private client: pg.Client | null = null;
  private waitMs = firstWaitMs;
  private waiting: NodeJS.Timeout | null = null;

  subscribe(listener: Listener): () => void {
    this.listeners.add(listener);
    if (!this.client && !this.waiting) void this.connect();
    return () => this.listeners.delete(listener);
  }

  private async connect(): Promise<void> {
    const client = new pg.Client({ connectionString: process.env.DATABASE_URL, keepAlive: true });
    this.client = client;
    client.on('error', (error) => this.lost(client, error));
    client.on('end', () => this.lost(client, 'ended'));
    client.on('notification', ({ channel, payload = '' }) => {
      if (channel === 'session') for (const listener of this.listeners) listener.sessionEnded(payload);
      else this.tell(payload);
    });
    try {
      await client.connect();
      await client.query('listen diagram; listen session');
      this.waitMs = firstWaitMs;
      presence.renewAll();
      for (const listener of this.listeners) listener.reconnected();
    } catch (error) {
      this.lost(client, error);
    }
  }

  private tell(payload: string): void {
    let json: unknown;
    try {
      json = JSON.parse(payload);
    } catch (error) {
      return log('feed', error);
    }
    const notice = Notice.safeParse(json);
    if (!notice.success) return;
    if ('visits' in notice.data) presence.changed(notice.data.id);
    else for (const listener of this.listeners) listener.notice(notice.data);
  }

  private lost(client: pg.Client, error: unknown): void {
    if (this.client !== client) return;
    log('feed', error);
    this.client = null;
    client.removeAllListeners();
    client.on('error', () => undefined);
    void client.end().catch(() => undefined);
    this.waiting = setTimeout(() => {
      this.waiting = null;
      if (this.listeners.size > 0) void this.connect();
    }, this.waitMs);
    this.waiting.unref();
    this.waitMs = Math.min(longestWaitMs, this.waitMs * 2);
  }
}

export const feed = new Feed();

/** A window of the browser and the diagram it shows. */
export interface Watch {
  readonly diagram: string;
  readonly window: string;
}

/** A stream whose reader has taken nothing for so many messages has none. */
const mostUnread = 12;
/** Streams of one account in this process; a browser has one for all its windows. */
const mostStreams = 24;
const streams = new Map<string, number>();

/**
 * Server-sent events for all windows of one browser: `{ id, revision }` of each watched diagram at once and at each change; as event `here`, who
 * else has it open; as event `gone`, the id of one that is not there. Of diagrams that the account may not see nothing is told but `gone`. A comment keeps
 * the line open. Visits last as long as the stream, which ends with the request, the session, or when nobody reads it.
 */
export function eventStream(
  {
    account,
    session,
    watches,
  }: { readonly account: string; readonly session: string; readonly watches: readonly Watch[] },
  signal: AbortSignal,
): ReadableStream<Uint8Array> {
  const count = streams.get(account) ?? 0;
  if (count >= mostStreams)
    throw new Refusal(
      429,
      'Very many windows of yours are open already. Close some, and this one hears of changes.',
      30,
    );
  streams.set(account, count + 1);
  const encoder = new TextEncoder();
  const pool = database();
  const ids = [...new Set(watches.map(({ diagram }) => diagram))];
  /** Visits of the diagrams that may be seen, by the window's place among the watches. */
  const visits = new Map<number, string>();
  /** Diagrams that may be seen; null before that is known. */
  let seen: ReadonlySet<string> | null = null;
  let open = true;
  let cancelled = false;
  let stop: () => void = () => undefined;
  return new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (text: string) => {
        if (!open) return;
        if ((controller.desiredSize ?? 0) < -mostUnread) return stop();
        controller.enqueue(encoder.encode(text));
      };
      const told = {
        here: (all: readonly ToldHere[]) =>
          send(
            all.map(({ diagram: id, ...rest }) => `event: here\ndata: ${JSON.stringify({ id, ...rest })}\n\n`).join(''),
          ),
      };
      const safely = (task: Promise<unknown>) => void task.catch((error: unknown) => log('stream', error));
      /** What may be seen, and the revisions of that; one query for all windows. */
      const compare = async () => {
        const revisions = await revisionsOf(pool, account, ids);
        if (!open) return;
        seen = new Set(revisions.keys());
        send(
          ids
            .map((id) =>
              revisions.has(id)
                ? `data: ${JSON.stringify({ id, revision: revisions.get(id) })}\n\n`
                : `event: gone\ndata: ${JSON.stringify({ id })}\n\n`,
            )
            .join(''),
        );
        watches.forEach(({ diagram, window }, k) => {
          const visit = visits.get(k);
          if (seen!.has(diagram) && visit === undefined) {
            const id = randomUUID();
            visits.set(k, id);
            presence.begin({ id, diagram, account, window, stream: told });
          } else if (!seen!.has(diagram) && visit !== undefined) {
            visits.delete(k);
            presence.end(visit);
          }
        });
      };
      const unsubscribe = feed.subscribe({
        notice(notice) {
          if ('revision' in notice && seen?.has(notice.id))
            send(`data: ${JSON.stringify({ id: notice.id, revision: notice.revision })}\n\n`);
        },
        sessionEnded: (ended) => ended === session && stop(),
        reconnected: () => safely(compare()),
      });
      const beat = setInterval(() => {
        send(': still here\n\n');
        safely(isSessionOpen(pool, session).then((known) => known || stop()));
        safely(compare());
      }, renewMs);
      stop = () => {
        if (!open) return;
        open = false;
        const left = (streams.get(account) ?? 1) - 1;
        if (left > 0) streams.set(account, left);
        else streams.delete(account);
        clearInterval(beat);
        unsubscribe();
        signal.removeEventListener('abort', stop);
        for (const visit of visits.values()) presence.end(visit);
        if (!cancelled) controller.close();
      };
      if (signal.aborted) return stop();
      signal.addEventListener('abort', stop);
      send('retry: 1500\n\n');
      safely(compare());
    },
    cancel() {
      cancelled = true;
      stop();
    },
  });
}
