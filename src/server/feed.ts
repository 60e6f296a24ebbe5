import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { z } from 'zod';
import { isSessionOpen } from './accounts';
import { database } from './database';
import { revisionOf } from './diagrams';
import { log } from './log';
import { Refusal } from './refusal';
import { endVisit, othersHere, renewMs, renewVisit } from './visits';

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
    if (notice.success) for (const listener of this.listeners) listener.notice(notice.data);
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

/**
 * Server-sent events for all windows of one browser: `{ id, revision }` of each watched diagram at once and at each change; as event `here`, who
 * else has it open; as event `gone`, the id of one that is not there. A comment keeps the line open. Visits last as long as the stream, which ends
 * with the request, the session, or when nobody reads it.
 */
export function eventStream(
  {
    account,
    session,
    watches,
  }: { readonly account: string; readonly session: string; readonly watches: readonly Watch[] },
  signal: AbortSignal,
): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  const pool = database();
  const visits = watches.map((watch) => ({ ...watch, visit: randomUUID() }));
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
      const sendRevision = async (id: string) => {
        try {
          send(`data: ${JSON.stringify({ id, revision: await revisionOf(pool, account, id) })}\n\n`);
        } catch (error) {
          if (error instanceof Refusal) send(`event: gone\ndata: ${JSON.stringify({ id })}\n\n`);
          else throw error;
        }
      };
      const sendVisitors = async ({ visit, diagram, window }: (typeof visits)[number]) => {
        const visitors = await othersHere(pool, visit, diagram, account);
        send(`event: here\ndata: ${JSON.stringify({ id: diagram, window, visitors })}\n\n`);
      };
      const renew = async (each: (typeof visits)[number]) => {
        await renewVisit(pool, each.visit, each.diagram, account);
        // Closed meanwhile: the visit just begun is over.
        if (!open) await endVisit(pool, each.visit, each.diagram);
        else await sendVisitors(each);
      };
      const safely = (task: Promise<unknown>) => void task.catch((error: unknown) => log('stream', error));
      const compare = () => safely(Promise.all([...new Set(watches.map(({ diagram }) => diagram))].map(sendRevision)));
      const unsubscribe = feed.subscribe({
        notice(notice) {
          for (const each of visits) {
            if (each.diagram !== notice.id) continue;
            if ('revision' in notice) {
              send(`data: ${JSON.stringify({ id: notice.id, revision: notice.revision })}\n\n`);
              break;
            }
            safely(sendVisitors(each));
          }
        },
        sessionEnded: (ended) => ended === session && stop(),
        reconnected: compare,
      });
      const beat = setInterval(() => {
        send(': still here\n\n');
        safely(isSessionOpen(pool, session).then((known) => known || stop()));
        compare();
        for (const each of visits) safely(renew(each));
      }, renewMs);
      stop = () => {
        if (!open) return;
        open = false;
        clearInterval(beat);
        unsubscribe();
        signal.removeEventListener('abort', stop);
        for (const { visit, diagram } of visits) safely(endVisit(pool, visit, diagram));
        if (!cancelled) controller.close();
      };
      if (signal.aborted) return stop();
      signal.addEventListener('abort', stop);
      send('retry: 1500\n\n');
      compare();
      for (const each of visits) safely(sendRevision(each.diagram).then(() => renew(each)));
    },
    cancel() {
      cancelled = true;
      stop();
    },
  });
}
