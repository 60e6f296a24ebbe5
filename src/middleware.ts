import { defineMiddleware } from 'astro:middleware';
import { accountOfSession, sessionHash } from './server/accounts';
import { database } from './server/database';
import { errorAnswer, json } from './server/requests';
import { warmWorkers } from './server/work/pool';
import { sessionCookie } from './server/session-cookie';

// Once, when the application is loaded.
setTimeout(warmWorkers, 300);

/** Paths that answer without a sign-in. */
const open = new Set(['/', '/start', '/try', '/sign-in', '/api/session', '/api/accounts', '/api/health']);
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
      if (!context.locals.account && !open.has(url.pathname) && !asset) {
        answer = api
          ? json({ message: 'Sign in to go on.' }, { status: 401 })
          : context.redirect(`/sign-in?to=${encodeURIComponent(url.pathname + url.search)}`);
      } else {
        answer = await next();
      }
    }
  } catch (error) {
    answer = api ? errorAnswer(error, url.pathname) : errorPage(error, url.pathname);
  }
  return withHeaders(answer);
});

/** Browsers name the origin of a write; one that names another, or none at all, is turned away. */
function isOwnOrigin(request: Request, url: URL): boolean {
  const site = request.headers.get('sec-fetch-site');
  if (site !== null) return site === 'same-origin';
  const origin = request.headers.get('origin');
  return origin !== null && URL.canParse(origin) && new URL(origin).host === (request.headers.get('host') ?? url.host);
}

function withHeaders(answer: Response): Response {
  const headers = new Headers(answer.headers);
  headers.set('x-content-type-options', 'nosniff');
  headers.set('referrer-policy', 'same-origin');
  headers.set('cross-origin-opener-policy', 'same-origin');
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

function errorPage(error: unknown, path: string): Response {
  const told = errorAnswer(error, path);
  const text =
    told.status === 503
      ? 'The database cannot be reached just now. Nothing is lost; load this page again in a moment.'
      : told.status === 429 || told.status === 422
        ? 'That could not be made just now. Nothing is lost; go back and try again.'
        : told.status === 404
          ? 'There is no such diagram among yours. It may have been erased, or belong to somebody else.'
          : 'Something went wrong on our side. Nothing is lost; load this page again.';
  const body = `<!doctype html><html lang="en"><meta charset="utf-8"><title>Dendrotax</title><body style="font:17px/1.5 sans-serif;max-width:34em;margin:15vh auto;padding:0 1em"><h1>That did not work</h1><p>${text}</p><p><a href="/">To the desk</a></p></body></html>`;
  return new Response(body, {
    status: told.status,
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'",
    },
  });
}
