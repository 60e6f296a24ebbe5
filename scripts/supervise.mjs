/**
 * Keeps the application and its own database cluster going: node scripts/supervise.mjs BUILD DATA [CLUSTER]. What ends is started again with
 * growing waits, and said so. Started by bin/start; ends with SIGTERM, and then ends the application (the cluster is bin/start's).
 */
import { spawn, spawnSync } from 'node:child_process';
import {
  appendFileSync,
  closeSync,
  copyFileSync,
  openSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { connect } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const [build, data, cluster] = process.argv.slice(2);
const scripts = dirname(fileURLToPath(import.meta.url));
const pidFile = join(data, 'server.pid');
const log = join(data, 'server.log');
const longestWaitMs = 15_000;
let child = null;
let ending = false;
let restarts = 0;
let waitMs = 250;

/** Nothing that is only for the record ends us: a disk that is full gets room again. */
function attempt(work) {
  try {
    return work();
  } catch {
    return null;
  }
}
for (const stream of [process.stdout, process.stderr]) stream.on('error', () => undefined);

function say(words) {
  attempt(() => console.log(words));
  attempt(() => appendFileSync(log, `${JSON.stringify({ at: 'supervise', told: words, restarts })}\n`));
}

/** The log is turned over when it has grown so large; one older one is kept. Whoever writes it appends, so that it may be cut. */
const longestLogBytes = 5_000_000;
const lookAtLogMs = 30_000;
function turnLogOver() {
  if ((attempt(() => statSync(log).size) ?? 0) < longestLogBytes) return;
  attempt(() => copyFileSync(log, `${log}.1`));
  attempt(() => truncateSync(log));
}

function start() {
  const begun = Date.now();
  turnLogOver();
  const output = attempt(() => openSync(log, 'a')) ?? 'ignore';
  child = spawn(process.execPath, [join(scripts, 'server.mjs'), build], {
    env: { ...process.env, NODE_ENV: 'production', DENDROTAX_RESTARTS: String(restarts) },
    stdio: ['ignore', output, output],
  });
  attempt(() => writeFileSync(pidFile, String(child.pid)));
  if (typeof output === 'number') attempt(() => closeSync(output));
  child.on('error', (error) => say(`The server could not be started: ${error.message}`));
  child.on('exit', (code, signal) => {
    child = null;
    if (ending) return;
    restarts++;
    if (Date.now() - begun > 60_000) waitMs = 250;
    say(
      `The server ended (${signal ?? `code ${code}`}); it is started again in ${waitMs / 1000} s. Its last words are in ${log}.`,
    );
    setTimeout(start, waitMs);
    waitMs = Math.min(longestWaitMs, waitMs * 2);
  });
}

const answers = ({ hostname, port }) =>
  new Promise((resolve) => {
    const socket = connect({ host: hostname, port: Number(port), timeout: 2000 });
    const done = (is) => (socket.destroy(), resolve(is));
    socket
      .on('connect', () => done(true))
      .on('error', () => done(false))
      .on('timeout', () => done(false));
  });

/** Looks after the cluster; one that does not answer twice is started again on its port. */
async function watchCluster() {
  const address = new URL(process.env.DATABASE_URL);
  let missed = 0;
  let clusterWaitMs = 500;
  for (;;) {
    await new Promise((resolve) => setTimeout(resolve, 1500));
    if (ending) return;
    missed = (await answers(address)) ? 0 : missed + 1;
    if (missed === 0) clusterWaitMs = 500;
    if (missed < 2 || ending) continue;
    say('The database does not answer; it is started again.');
    const started = spawnSync(join(scripts, 'cluster.sh'), ['start', cluster], { encoding: 'utf8', timeout: 90_000 });
    if (started.status === 0) say('The database is back.');
    else say(`The database could not be started: ${(started.stderr ?? '').trim().split('\n').at(-1) ?? ''}`);
    missed = 0;
    await new Promise((resolve) => setTimeout(resolve, clusterWaitMs));
    clusterWaitMs = Math.min(longestWaitMs, clusterWaitMs * 2);
  }
}

function end() {
  if (ending) return;
  ending = true;
  attempt(() => rmSync(pidFile, { force: true }));
  if (!child) process.exit(0);
  child.on('exit', () => process.exit(0));
  child.kill('SIGTERM');
  setTimeout(() => child?.kill('SIGKILL'), 5000);
}
setInterval(turnLogOver, lookAtLogMs).unref();
process.on('SIGTERM', end);
process.on('SIGINT', end);
start();
if (cluster) void watchCluster();
