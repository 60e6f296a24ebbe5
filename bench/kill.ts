/**
 * Kills server and database in turn while windows edit one diagram, and counts what was lost, done twice, or stayed stale:
 *   npm run bench:kill -- [--rounds 10] [--windows 4] [--pause 2500]
 * Everything runs on a cluster, a folder and a port of its own. Prints counts; asserts nothing.
 */
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { isDeepStrictEqual, parseArgs } from 'node:util';
import pg from 'pg';
import { applyGesture, type Command, type Diagram } from '../src/core/diagram';
import { diagramFromParents } from '../src/core/testing/arbitrary';
import { Sync, type SaveState } from '../src/islands/bench/sync';
import { ApiError, type Ask } from '../src/islands/shared/api';
import type { Live } from '../src/islands/shared/live';

const { values } = parseArgs({
  options: {
    rounds: { type: 'string', default: '10' },
    windows: { type: 'string', default: '4' },
    pause: { type: 'string', default: '2500' },
  },
});
const rounds = Number(values.rounds);
const windowCount = Number(values.windows);
const pauseMs = Number(values.pause);
const folder = '.test/kill';
const cluster = `${process.cwd()}/${folder}/postgres`;
const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const freePort = () =>
  new Promise<number>((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });
const clusterCommand = (action: string) =>
  spawnSync('scripts/cluster.sh', [action, cluster], { encoding: 'utf8' }).stdout.trim();

rmSync(folder, { recursive: true, force: true });
mkdirSync(folder, { recursive: true });
const database = clusterCommand('start');
const port = await freePort();
const origin = `http://127.0.0.1:${port}`;
process.env.DATABASE_URL = database;
const prepared = spawnSync('node_modules/.bin/tsx', ['scripts/prepare-database.ts'], { stdio: 'inherit' });
if (prepared.status !== 0) throw new Error('The database could not be prepared.');
const keeper: ChildProcess = spawn('node', ['scripts/supervise.mjs', '.test/dist', folder, cluster], {
  env: {
    ...process.env,
    DATABASE_URL: database,
    HOST: '127.0.0.1',
    PORT: String(port),
    DENDROTAX_ACCOUNTS_AN_HOUR: '1000',
  },
  stdio: 'ignore',
});

let cookie = '';
const ask: Ask = async <T>(path: string, init: { method?: string; body?: unknown } = {}): Promise<T> => {
  try {
    const answer = await fetch(origin + path, {
      method: init.method ?? 'GET',
      headers: { origin, cookie, 'content-type': 'application/json' },
      signal: AbortSignal.timeout(20_000),
      ...(init.body === undefined ? {} : { body: JSON.stringify(init.body) }),
    });
    const [set] = answer.headers.getSetCookie();
    if (set) cookie = set.split(';')[0]!;
    const told = (await answer.json()) as T & { message?: string };
    if (!answer.ok) throw new ApiError(told.message ?? String(answer.status), answer.status);
    return told;
  } catch (error) {
    throw error instanceof ApiError ? error : new ApiError('No answer.', null);
  }
};

/** The feed as browsers read it, over fetch. */
const live: Live = (diagram, listener) => {
  const ended = new AbortController();
  void (async () => {
    while (!ended.signal.aborted) {
      try {
        const answer = await fetch(`${origin}/api/feed?at=${diagram}~window-${Math.random().toString(36).slice(2)}`, {
          headers: { cookie },
          signal: ended.signal,
        });
        if (!answer.ok || !answer.body) throw new Error(String(answer.status));
        listener.line(true);
        let text = '';
        const decoder = new TextDecoder();
        for await (const part of answer.body as unknown as AsyncIterable<Uint8Array>) {
          text += decoder.decode(part, { stream: true });
          const events = text.split('\n\n');
          text = events.pop()!;
          for (const event of events) {
            const data = /^data: (.*)$/m.exec(event)?.[1];
            if (data && !event.startsWith('event:'))
              listener.revision((JSON.parse(data) as { revision: number }).revision);
          }
        }
      } catch {
        // The line broke; it is opened again below.
      }
      listener.line(false);
      await wait(700);
    }
  })();
  return () => ended.abort();
};

for (let tries = 0; tries < 200; tries++) {
  if (
    await ask('/api/health').then(
      () => true,
      () => false,
    )
  )
    break;
  await wait(100);
}
await ask('/api/accounts', {
  method: 'POST',
  body: { email: 'kill@brackwater.example', name: 'Kill', password: 'estuary-mud-9' },
});
const id = 'kill-diagram';
const first = diagramFromParents([-1, ...Array<number>(windowCount).fill(0)]);
await ask('/api/diagrams', { method: 'POST', body: { id, diagram: first } });

interface Open {
  diagram: Diagram;
  save: SaveState;
  readonly sync: Sync;
  readonly done: Map<string, Command>;
  refused: number;
}
const windows: Open[] = [];
for (let i = 0; i < windowCount; i++) {
  const open = {
    diagram: first,
    save: { state: 'kept', at: 0 } as SaveState,
    done: new Map<string, Command>(),
    refused: 0,
  } as Open;
  const events = {
    changed: (diagram: Diagram) => void (open.diagram = diagram),
    saving: (save: SaveState) => void (open.save = save),
    refused: (what: readonly unknown[]) => void (open.refused += what.length),
    lost: () => void (open.refused += 1),
    here: () => undefined,
  };
  const outbox = { takeOver: () => Promise.resolve([]), keep: () => undefined };
  Object.assign(open, { sync: new Sync(id, first, 0, events, outbox, ask, live) });
  await open.sync.begin();
  windows.push(open);
}

let editing = true;
let n = 0;
async function edit(open: Open, i: number): Promise<void> {
  while (editing) {
    n++;
    const command: Command =
      n % 3 === 0
        ? {
            kind: 'addEntries',
            entries: [
              { id: `n${n}`, name: `New ${n}`, details: [], fields: {}, role: null, parent: `e${i + 1}`, order: 'V' },
            ],
            links: [],
            branches: {},
            only: {},
          }
        : { kind: 'rename', id: `e${i + 1}`, name: `Window ${i}, ${n}` };
    const outcome = applyGesture(open.diagram, [command]);
    if (outcome.ok) {
      const gesture = `gesture-${i}-${n}`;
      open.diagram = outcome.diagram;
      open.done.set(gesture, command);
      open.sync.add(gesture, [command]);
    }
    await wait(60 + Math.random() * 120);
  }
}
const editors = windows.map(edit);

for (let round = 1; round <= rounds; round++) {
  await wait(pauseMs);
  const isServer = round % 2 === 1;
  const pid = Number(
    readFileSync(isServer ? `${folder}/server.pid` : `${cluster}/data/postmaster.pid`, 'utf8').split('\n')[0],
  );
  try {
    process.kill(pid, 'SIGKILL');
  } catch {
    console.log(`round ${round}: the ${isServer ? 'server' : 'database'} had not come back yet`);
    continue;
  }
  console.log(
    `round ${round}: ${isServer ? 'server' : 'database'} killed, ${windows.reduce((sum, { done }) => sum + done.size, 0)} edits so far`,
  );
}
editing = false;
await Promise.all(editors);
const settled = () => windows.every(({ save }) => save.state === 'kept');
const began = Date.now();
while (!settled() && Date.now() - began < 90_000) await wait(200);
// One heartbeat, for whoever missed the last word.
for (const { sync } of windows) sync.retry();
await wait(2000);

const pool = new pg.Pool({ connectionString: database });
const { rows } = await pool.query<{ gesture: string }>('select gesture from edit where diagram = $1 and revision > 0', [
  id,
]);
const logged = rows.map(({ gesture }) => gesture);
const stored = (await ask<{ diagram: Diagram }>(`/api/diagrams/${id}`)).diagram;
const all = windows.flatMap(({ done }) => [...done.keys()]);
const lost = all.filter((gesture) => !logged.includes(gesture)).length;
const added = windows.flatMap(({ done }) => [...done.values()]).filter(({ kind }) => kind === 'addEntries').length;
const doubled =
  logged.length - new Set(logged).size + Math.max(0, Object.keys(stored.entries).length - firstCount() - added);
const stale = windows.filter(
  ({ diagram, save }) => save.state !== 'kept' || !isDeepStrictEqual(diagram.entries, stored.entries),
).length;
const refused = windows.reduce((sum, open) => sum + open.refused, 0);
const health = await ask<{ restarts: number }>('/api/health');
console.log(
  `${rounds} kills, ${windowCount} windows, ${all.length} edits: ${lost} lost, ${doubled} done twice, ${stale} windows stale, ${refused} refused; the server was started again ${health.restarts} times; all kept ${((Date.now() - began) / 1000).toFixed(1)} s after the last edit`,
);
for (const { sync } of windows) sync.end();
await pool.end();
keeper.kill('SIGTERM');
await new Promise((resolve) => keeper.once('exit', resolve));
clusterCommand('stop');
process.exit(0);

function firstCount(): number {
  return Object.keys(first.entries).length;
}
