import pg from 'pg';
import { z } from 'zod';

const Notice = z.object({ id: z.string(), revision: z.number() });
type Listener = (revision: number) => void;

/** One LISTEN connection a process; it is opened anew when it breaks. Listeners are told the newest revision of their diagram. */
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
      if (notice.success)
        for (const listener of this.listeners.get(notice.data.id) ?? []) listener(notice.data.revision);
    });
    try {
      await client.connect();
      await client.query('listen diagram');
    } catch (error) {
      console.error(JSON.stringify({ at: 'feed', error: error instanceof Error ? error.message : String(error) }));
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

/** Server-sent events: the revision at once, then at each change; a comment every 20 s keeps the line open. */
export function eventStream(id: string, current: () => Promise<number>): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  let stop: () => void = () => undefined;
  return new ReadableStream<Uint8Array>({
    async start(controller) {
      const send = (text: string) => {
        try {
          controller.enqueue(encoder.encode(text));
        } catch {
          stop();
        }
      };
      const unsubscribe = feed.subscribe(id, (revision) => send(`data: ${revision}\n\n`));
      const beat = setInterval(() => send(': still here\n\n'), 20_000);
      stop = () => {
        clearInterval(beat);
        unsubscribe();
      };
      try {
        send(`retry: 1000\ndata: ${await current()}\n\n`);
      } catch {
        stop();
        controller.close();
      }
    },
    cancel: () => stop(),
  });
}
