/**
 * Measures the finished server over HTTP, on a cluster and a port of its own: npm run bench:server.
 *   fifty editors on one diagram; a Desk of 200 diagrams of 500 entries; making a diagram of 1,000; files handed out;
 *   how long others wait while 20,000 people are handed out, and while one account opens as many streams as it can. Prints figures; asserts nothing.
 *   One of them alone: FLOOD=yes for the streams.
 */
import { createHash, randomUUID } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { Server } from '../e2e/server';
import type { Diagram } from '../src/core/diagram';
import { diagramFromParents } from '../src/core/testing/arbitrary';
import { migrate } from '../src/server/migrate';
import { organisation } from './trees';

const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const given = ['Maëlle', 'Tomasz', 'Inés', 'Bao', 'Hana', 'Noor', 'Arjun'];
const people = (n: number): Diagram =>
  diagramFromParents([...organisation(n).parent], (i) => `${given[i % given.length]!} ${i}`);

const pool = new pg.Pool({ connectionString: process.env.TEST_DATABASE_URL });
await migrate(pool, fileURLToPath(new URL('../db/migrations', import.meta.url)));
const server = await Server.start();
const origin = server.address;

interface Told {
  readonly status: number;
  readonly ms: number;
  readonly bytes: number;
  readonly text: string;
}
class Session {
  private cookie = '';
  async ask(path: string, method = 'GET', body?: unknown): Promise<Told> {
    const at = performance.now();
    const answer = await fetch(origin + path, {
      method,
      headers: { origin, cookie: this.cookie, 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    const bytes = Buffer.from(await answer.arrayBuffer());
    const [set] = answer.headers.getSetCookie();
    if (set) this.cookie = set.split(';')[0]!;
    if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${bytes.toString().slice(0, 200)}`);
    return { status: answer.status, ms: performance.now() - at, bytes: bytes.length, text: bytes.toString('latin1') };
  }
  static async made(): Promise<Session> {
    const session = new Session();
    const email = `${randomUUID()}@brackwater.example`;
    await session.ask('/api/accounts', 'POST', { email, name: 'Bench', password: 'tide-table-1' });
    return session;
  }
  /** Opens a stream of what happens to diagrams; ends when `until` does. */
  async listen(watched: string, until: AbortSignal): Promise<number> {
    const answer = await fetch(`${origin}/api/feed?at=${watched}`, { headers: { cookie: this.cookie }, signal: until });
    void answer.body?.pipeTo(new WritableStream(), { signal: until }).catch(() => undefined);
    return answer.status;
  }
  async diagram(diagram: Diagram): Promise<{ id: string; ms: number }> {
    const id = randomUUID();
    const { ms } = await this.ask('/api/diagrams', 'POST', { id, diagram });
    return { id, ms };
  }
}

const at = (times: number[], share: number): number =>
  [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))]!;
const spread = (times: number[]): string =>
  `median ${at(times, 0.5).toFixed(0)} ms, 95th percentile ${at(times, 0.95).toFixed(0)} ms`;

async function fiftyEditors(entries: number): Promise<void> {
  const session = await Session.made();
  const { id } = await session.diagram(people(entries));
  const times: number[] = [];
  const until = performance.now() + 12_000;
  const editor = async (i: number): Promise<void> => {
    let base = 0;
    await wait(i * 20);
    for (let n = 0; performance.now() < until; n++) {
      const commands = [{ kind: 'rename', id: `e${i}`, name: `Editor ${i}, ${n}` }];
      const body = { base, gestures: [{ id: `editor-${i}-${n}`, commands }] };
      const told = await session.ask(`/api/diagrams/${id}/edits`, 'POST', body);
      times.push(told.ms);
      base = (JSON.parse(told.text) as { revision: number }).revision;
      await wait(800 + ((i * 37 + n * 101) % 400));
    }
  };
  await Promise.all(Array.from({ length: 50 }, (_, i) => editor(i)));
  console.log(
    `Fifty editors among ${entries} entries, an edit a second each: ${times.length} edits, acknowledged in ${spread(times)}`,
  );
}

async function making(): Promise<void> {
  const session = await Session.made();
  const diagram = people(1000);
  const times: number[] = [];
  for (let run = 0; run < 6; run++) times.push((await session.diagram(diagram)).ms);
  console.log(`Making a diagram of 1,000 people: ${spread(times)}`);
}

async function handingOut(): Promise<void> {
  const session = await Session.made();
  for (const n of [46, 1000]) {
    const { id } = await session.diagram(people(n));
    for (const format of ['pdf', 'png', 'svg', 'csv', 'txt']) {
      const times: number[] = [];
      for (let run = 0; run < 5; run++)
        times.push((await session.ask(`/api/diagrams/${id}/hand-out?format=${format}`)).ms);
      const [first, ...rest] = times;
      console.log(`${format} of ${n} people: first ${first!.toFixed(0)} ms, then ${at(rest, 0.5).toFixed(0)} ms`);
    }
  }
}

/** What others wait for while the processor is full of one account's work. */
async function othersWait(): Promise<void> {
  const session = await Session.made();
  const { id, ms } = await session.diagram(people(20_000));
  console.log(`Making a diagram of 20,000 people: ${ms.toFixed(0)} ms`);
  const other = await Session.made();
  let working = true;
  const began = performance.now();
  const long = Promise.allSettled(
    Array.from({ length: 4 }, () => session.ask(`/api/diagrams/${id}/hand-out?format=pdf`)),
  ).then((all) => {
    working = false;
    return all;
  });
  const times: number[] = [];
  while (working) {
    times.push((await other.ask('/api/diagrams')).ms);
    await wait(50);
  }
  const done = (await long).filter(({ status }) => status === 'fulfilled').length;
  console.log(
    `Four PDFs of 20,000 people at once: ${done} handed out in ${((performance.now() - began) / 1000).toFixed(1)} s; meanwhile another's Desk in ${spread(times)}`,
  );
}

/** What others wait for while one account has streams opened, closed and opened again, each with sixty windows on one diagram. */
async function flood(): Promise<void> {
  const session = await Session.made();
  const { id } = await session.diagram(people(46));
  const other = await Session.made();
  await other.ask('/api/diagrams');
  // What is drawn of a new diagram is no part of it.
  await wait(4000);
  const watched = Array.from({ length: 60 }, (_, i) => `${id}~w${i}`).join(',');
  const times: number[] = [];
  const answers = new Map<number, number>();
  const until = performance.now() + 10_000;
  const turn = async (): Promise<void> => {
    while (performance.now() < until) {
      const ended = new AbortController();
      const all = await Promise.all(Array.from({ length: 6 }, () => session.listen(watched, ended.signal)));
      for (const status of all) answers.set(status, (answers.get(status) ?? 0) + 1);
      await wait(300);
      ended.abort();
    }
  };
  const streams = Promise.all([turn(), turn(), turn(), turn()]);
  while (performance.now() < until) {
    times.push((await other.ask('/api/diagrams')).ms);
    await wait(20);
  }
  await streams;
  const told = [...answers].map(([status, count]) => `${count} × ${status}`).join(', ');
  console.log(
    `Streams of sixty windows each, opened by one account (${told}); meanwhile another's Desk in ${spread(times)}, at most ${Math.max(...times).toFixed(0)} ms`,
  );
}

async function desk(): Promise<void> {
  const session = await Session.made();
  for (let i = 0; i < 200; i++) await session.diagram(people(500));
  await wait(2000);
  const times: number[] = [];
  for (let run = 0; run < 5; run++) times.push((await session.ask('/api/diagrams')).ms);
  console.log(`Desk of 200 diagrams of 500 entries, listed: ${spread(times)}`);
  const listed = JSON.parse(Buffer.from((await session.ask('/api/diagrams')).text, 'latin1').toString()) as {
    id: string;
  }[];
  const began = performance.now();
  const pictures = await Promise.all(listed.slice(0, 12).map(({ id }) => session.ask(`/api/diagrams/${id}/picture`)));
  const digest = createHash('sha256').update(pictures[0]!.text).digest('hex').slice(0, 6);
  console.log(`The first twelve of its pictures: ${(performance.now() - began).toFixed(0)} ms (${digest})`);
}

try {
  console.log('The server over HTTP\n');
  if (process.env.FLOOD === undefined) {
    await making();
    await handingOut();
    await fiftyEditors(500);
    await fiftyEditors(5000);
    await desk();
    await othersWait();
  }
  await flood();
} finally {
  await server.kill('SIGTERM');
  await pool.end();
}
