import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { z } from 'zod';
import { database } from './database';
import { revisionOf } from './diagrams';
import { endVisit, othersHere, renewMs, renewVisit } from './visits';

/** A diagram has a newer revision, or windows on it were opened or closed. */
const Notice = z.union([
  z.object({ id: z.string(), revision: z.number() }),
  z.object({ id: z.string(), visits: z.literal(true) }),
]);
type Notice = z.infer<typeof Notice>;
type Listener = (notice: Notice) => void;

/** One LISTEN connection a process; it is opened anew when it breaks. Listeners are told what happens to their diagram. */
class Feed {
  private readonly listeners = new Map<string, Set<Listener>>();
  private client: pg.Client | null = null;

  subscribe(id: string, listener: Listener): () => void {
    const set = this.listeners.get(id) ?? new Set();
    set.add(listener);
    this.listeners.set(id, set);
    void this.connect();
    return () => {
      set.delete(listener);
      if (set.size === 0) this.listeners.delete(id);
    };
  }

  private async connect(): Promise<void> {
    if (this.client) return;
    const client = new pg.Client({ connectionString: process.env.DATABASE_URL });
    this.client = client;
    client.on('error', () => this.lost(client));
    client.on('end', () => this.lost(client));
    client.on('notification', ({ payload }) => {
      const notice = Notice.safeParse(JSON.parse(payload ?? 'null'));
      if (notice.success) for (const listener of this.listeners.get(notice.data.id) ?? []) listener(notice.data);
    });
    try {
      await client.connect();
      await client.query('listen diagram');
    } catch (error) {
      report(error);
      this.lost(client);
    }
  }

  private lost(client: pg.Client): void {
    if (this.client !== client) return;
    this.client = null;
    client.removeAllListeners();
    client.on('error', () => undefined);
    void client.end().catch(() => undefined);
    if (this.listeners.size > 0) setTimeout(() => void this.connect(), 1000).unref();
  }
}

export const feed = new Feed();

/**
 * Server-sent events for one window on a diagram: the revision at once, then at each change; as event `here`, who else has it open.
 * A comment keeps the line open. The visit lasts as long as the stream.
 */
export function eventStream(account: string, id: string): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  const visit = randomUUID();
  let open = true;
  let stop: () => void = () => undefined;
  return new ReadableStream<Uint8Array>({
    async start(controller) {
      const send = (text: string) => {
        if (!open) return;
        try {
          controller.enqueue(encoder.encode(text));
        } catch {
          stop();
        }
      };
      const sendVisitors = async () => {
        try {
          send(`event: here\ndata: ${JSON.stringify(await othersHere(database(), visit, id, account))}\n\n`);
        } catch (error) {
          report(error);
        }
      };
      const unsubscribe = feed.subscribe(id, (notice) => {
        if ('revision' in notice) send(`data: ${notice.revision}\n\n`);
        else void sendVisitors();
      });
      const beat = setInterval(() => {
        send(': still here\n\n');
        renewVisit(database(), visit, id, account).then(sendVisitors, report);
      }, renewMs);
      stop = () => {
        open = false;
        clearInterval(beat);
        unsubscribe();
        endVisit(database(), visit, id).catch(report);
      };
      try {
        send(`retry: 1000\ndata: ${await revisionOf(database(), account, id)}\n\n`);
        await renewVisit(database(), visit, id, account);
        await sendVisitors();
        // Closed meanwhile: the visit just begun is over.
        if (!open) await endVisit(database(), visit, id);
      } catch (error) {
        report(error);
        stop();
        controller.close();
      }
    },
    cancel: () => stop(),
  });
}

function report(error: unknown): void {
  console.error(JSON.stringify({ at: 'feed', error: error instanceof Error ? error.message : String(error) }));
}
