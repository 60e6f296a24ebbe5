import type { APIRoute } from 'astro';
import { checkSignIn, closeSession, openSession, SignIn } from '../../server/accounts';
import { database } from '../../server/database';
import { json, readJson } from '../../server/requests';

export const POST: APIRoute = async ({ request, cookies, url }) => {
  const account = await checkSignIn(database(), await readJson(request, SignIn));
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

export const DELETE: APIRoute = async ({ cookies }) => {
  const token = cookies.get('dendrotax_session')?.value;
  if (token) await closeSession(database(), token);
  cookies.delete('dendrotax_session', { path: '/' });
  return json({});
};
