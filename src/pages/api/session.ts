import type { APIRoute } from 'astro';
import { checkSignIn, closeSession, SignIn } from '../../server/accounts';
import { database } from '../../server/database';
import { json, readJson } from '../../server/requests';
import { sessionCookie, signInWithCookie } from '../../server/session-cookie';

export const POST: APIRoute = async ({ request, cookies, clientAddress }) => {
  const account = await checkSignIn(database(), await readJson(request, SignIn), clientAddress);
  await signInWithCookie(account, cookies, request);
  return json({ name: account.name });
};

export const DELETE: APIRoute = async ({ cookies }) => {
  const token = cookies.get(sessionCookie)?.value;
  if (token) await closeSession(database(), token);
  cookies.delete(sessionCookie, { path: '/' });
  return json({}, { headers: { 'clear-site-data': '"cache"' } });
};
