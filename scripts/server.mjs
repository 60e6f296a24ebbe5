/**
 * Serves the built application: node scripts/server.mjs FOLDER. What comes before the application stands here: which hosts and methods are
 * answered, where requests come from, and how the process ends.
 *   HOST, PORT             where to listen (127.0.0.1, 4400)
 *   DENDROTAX_HOSTS        further names we answer to, parted by commas; loopback names are always answered
 *   DENDROTAX_PROXY=yes    a balancer in front of us tells the source in X-Forwarded-For, and in X-Forwarded-Proto whether it speaks HTTPS
 */
import { createServer } from 'node:http';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';

const folder = resolve(process.argv[2] ?? 'dist');
process.env.ASTRO_NODE_AUTOSTART = 'disabled';
process.env.DENDROTAX_WORKER ??= join(folder, 'server/work.mjs');
const hosts = new Set(['127.0.0.1', 'localhost', '[::1]', ...list(process.env.DENDROTAX_HOSTS)]);
const behindProxy = process.env.DENDROTAX_PROXY === 'yes';
const methods = new Set(['GET', 'HEAD', 'POST', 'DELETE', 'OPTIONS']);
/** What is under way gets this long when the process ends. */
const graceMs = 2500;

function list(text = '') {
  return text
    .split(',')
    .map((one) => one.trim().toLowerCase())
    .filter(Boolean);
}

// Words that cannot be written, as on a full disk, are no reason to end.
for (const stream of [process.stdout, process.stderr]) stream.on('error', () => undefined);
const say = (at, error) => {
  const told = error instanceof Error ? `${error.name}: ${error.message}` : String(error);
  try {
    console.error(JSON.stringify({ at, error: told.slice(0, 300) }));
  } catch {
    // There is nowhere else to tell it.
  }
};

/** Why a request is not passed on; null where it is. */
function refusal(request) {
  if (!methods.has(request.method)) return [405, 'This is not done here.'];
  const host = (request.headers.host ?? '').toLowerCase().replace(/:\d+$/, '');
  if (!hosts.has(host))
    return [421, 'This server does not answer to that name. DENDROTAX_HOSTS lists the names it answers to.'];
  if (request.url.length > 8000) return [414, 'The address is too long.'];
  try {
    if (decodeURIComponent(request.url).includes('\0')) return [400, 'The address holds a character that cannot be.'];
  } catch {
    return [400, 'The address is not written as addresses are.'];
  }
  return null;
}

const { handler } = await import(pathToFileURL(join(folder, 'server/entry.mjs')).href);
let ending = false;
const server = createServer((request, response) => {
  response.setHeader('x-content-type-options', 'nosniff');
  response.on('error', (error) => say('response', error));
  const refused = refusal(request);
  if (refused) {
    const [status, message] = refused;
    response.writeHead(status, { 'content-type': 'application/json', connection: 'close' });
    return response.end(JSON.stringify({ message }));
  }
  // Only a balancer of ours may say where a request comes from; its own entry is the last one.
  const source = behindProxy ? list(String(request.headers['x-forwarded-for'] ?? '')).at(-1) : undefined;
  const secure = behindProxy && list(String(request.headers['x-forwarded-proto'] ?? '')).at(-1) === 'https';
  const plain = Object.entries(request.headers).filter(([name]) => !/^(x-forwarded-.*|x-dendrotax-secure)$/.test(name));
  request.headers = {
    ...Object.fromEntries(plain),
    ...(source && { 'x-forwarded-for': source }),
    ...(secure && { 'x-dendrotax-secure': 'yes' }),
  };
  if (ending) response.setHeader('connection', 'close');
  handler(request, response);
});
// A connection that a browser keeps is not closed under its next request: five seconds, as is usual, end while people read.
server.keepAliveTimeout = 30_000;
server.headersTimeout = 20_000;
server.requestTimeout = 300_000;
server.on(
  'clientError',
  (_, socket) => socket.writable && socket.end('HTTP/1.1 400 Bad Request\r\nconnection: close\r\n\r\n'),
);

/** Ends the process: nothing new is taken, what is under way may finish. */
function end(code) {
  if (ending) return;
  ending = true;
  server.close(() => process.exit(code));
  server.closeIdleConnections();
  setTimeout(() => process.exit(code), graceMs);
}
// What nobody foresaw may have left the process in any state: it is logged, counted by whoever starts us again, and ends cleanly.
process.on('uncaughtException', (error) => (say('uncaughtException', error), end(70)));
process.on('unhandledRejection', (error) => (say('unhandledRejection', error), end(70)));
process.on('SIGTERM', () => end(0));
process.on('SIGINT', () => end(0));

server.on('error', (error) => (say('listen', error), process.exit(71)));
server.listen(Number(process.env.PORT ?? 4400), process.env.HOST ?? '127.0.0.1');
