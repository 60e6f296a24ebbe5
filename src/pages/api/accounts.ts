import type { APIRoute } from 'astro';
import { createAccount, NewAccount, openSession } from '../../server/accounts';
import { database } from '../../server/database';
import { json, readJson } from '../../server/requests';

export const POST: APIRoute = async ({ request, cookies, url }) => {
  const account = await createAccount(database(), await readJson(request, NewAccount));
  const { token, seconds } = await openSession(database(), account.id);
  cookies.set('dendrotax_session', token, {
    path: '/',
    httpOnly: true,
    sameSite: 'lax',
    secure: url.protocol === 'https:',
    maxAge: seconds,
  });
  return json({ name: account.name });
};
