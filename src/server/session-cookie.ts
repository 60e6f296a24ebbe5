import type { AstroCookies } from 'astro';
import { openSession, type Account } from './accounts';
import { database } from './database';

export const sessionCookie = 'dendrotax_session';

/** Whether the browser speaks to us by HTTPS: itself, or by a balancer that may say so (scripts/server.mjs). */
export const isSecure = ({ url, headers }: Request): boolean =>
  url.startsWith('https:') || headers.get('x-dendrotax-secure') === 'yes';

/** Opens a session for an account and hands its secret to the browser, out of reach of scripts and of other sites. */
export async function signInWithCookie(account: Account, cookies: AstroCookies, request: Request): Promise<void> {
  const { token, seconds } = await openSession(database(), account.id);
  cookies.set(sessionCookie, token, {
    path: '/',
    httpOnly: true,
    sameSite: 'lax',
    secure: isSecure(request),
    maxAge: seconds,
  });
}
