import type { AstroCookies } from 'astro';
import { openSession, type Account } from './accounts';
import { database } from './database';

export const sessionCookie = 'dendrotax_session';

/** Opens a session for an account and hands its secret to the browser, out of reach of scripts and of other sites. */
export async function signInWithCookie(account: Account, cookies: AstroCookies, url: URL): Promise<void> {
  const { token, seconds } = await openSession(database(), account.id);
  cookies.set(sessionCookie, token, {
    path: '/',
    httpOnly: true,
    sameSite: 'lax',
    secure: url.protocol === 'https:',
    maxAge: seconds,
  });
}
