import { defineMiddleware } from 'astro:middleware';
import { accountOfSession, sessionHash } from './server/accounts';
import { database } from './server/database';
import { errorAnswer, json } from './server/requests';
import { warmWorkers } from './server/work/pool';
import { errorPage } from './server/error-page';
import { keepHouse } from './server/housekeeping';
import { isSecure, sessionCookie } from './server/session-cookie';

// Once, when the application is loaded.
setTimeout(warmWorkers, 300);
keepHouse();

/** What answers only those who are signed in: diagrams, and all endpoints but these. */
const isClosed = (path: string): boolean =>
  path.startsWith('/diagrams/') || (path.startsWith('/api/') && !openEndpoints.has(path));
const openEndpoints = new Set(['/api/session', '/api/accounts', '/api/health', '/api/hand-out']);
/** A page says for whose work it asks; where somebody else signed in meanwhile, nothing of it is done in their name. */
const accountHeader = 'x-dendrotax-account';
const reading = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Every request passes here: whose it is, whether a write comes from our own pages, and the headers of every answer. */
export const onRequest = defineMiddleware(async (context, next) => {
  const { request, cookies, url } = context;
  const api = url.pathname.startsWith('/api/');
  let answer: Response;
  try {
    if (!reading.has(request.method) && !isOwnOrigin(request, url)) {
      answer = json({ message: 'This request did not come from a page of Dendrotax.' }, { status: 403 });
    } else {
      const token = cookies.get(sessionCookie)?.value;
      const asset = url.pathname.startsWith('/_astro/') || url.pathname === '/favicon.svg';
      context.locals.account =
        token && !asset && url.pathname !== '/api/health' ? await accountOfSession(database(), token) : null;
      context.locals.session = context.locals.account && token ? sessionHash(token) : null;
      const meant = request.headers.get(accountHeader);
      if (meant !== null && context.locals.account && meant !== context.locals.account.id) {
        answer = json({ message: otherAccount }, { status: 403 });
      } else if (!context.locals.account && isClosed(url.pathname)) {
        answer = api
          ? json({ message: 'This asks for an account: sign in, or choose “Keep it”, and go on.' }, { status: 401 })
          : context.redirect(`/sign-in?to=${encodeURIComponent(url.pathname + url.search)}`);
      } else {
        answer = await next();
        if (answer.status === 404 && !asset) answer = api ? noEndpoint(answer) : errorPage(404);
      }
    }
  } catch (error) {
    answer = errorAnswer(error, url.pathname);
    if (!api) answer = errorPage(answer.status);
  }
  return withHeaders(answer, isSecure(request));
});

const otherAccount =
  'Another account has signed in in this browser. What you do here is kept on this machine until you sign in again.';

/** An address of ours that leads nowhere; what a found endpoint says stays. */
const noEndpoint = (answer: Response): Response =>
  answer.headers.get('content-type')?.startsWith('application/json')
    ? answer
    : json({ message: 'There is nothing at this address.' }, { status: 404 });

/** Browsers name the origin of a write; one that names another, or none at all, is turned away. */
function isOwnOrigin(request: Request, url: URL): boolean {
  const site = request.headers.get('sec-fetch-site');
  if (site !== null) return site === 'same-origin';
  const origin = request.headers.get('origin');
  return origin !== null && URL.canParse(origin) && new URL(origin).host === (request.headers.get('host') ?? url.host);
}

function withHeaders(answer: Response, secure: boolean): Response {
  const headers = new Headers(answer.headers);
  headers.set('x-content-type-options', 'nosniff');
  headers.set('referrer-policy', 'same-origin');
  headers.set('cross-origin-opener-policy', 'same-origin');
  if (secure) headers.set('strict-transport-security', 'max-age=31536000');
  // Nothing that somebody signed in saw is left in a cache after signing out.
  if (!headers.has('cache-control')) headers.set('cache-control', 'no-store');
  const policy = headers.get('content-security-policy');
  if (policy) headers.set('content-security-policy', widened(policy));
  else if (headers.get('content-type')?.startsWith('image/svg'))
    headers.set(
      'content-security-policy',
      "default-src 'none'; style-src 'unsafe-inline'; font-src data:; img-src data:",
    );
  return new Response(answer.body, { status: answer.status, statusText: answer.statusText, headers });
}

/** Pages: scripts only by hash or from ourselves. Styles may stand in attributes, which boxes and dialogs need. */
function widened(policy: string): string {
  const scripts = /script-src[^;]*/.exec(policy)?.[0] ?? "script-src 'self'";
  return [
    "default-src 'self'",
    scripts,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self' data:",
    "connect-src 'self'",
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'self'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}
