import type { APIRoute } from 'astro';
import { AccountDeletion, createAccount, deleteAccount, NewAccount } from '../../server/accounts';
import { database } from '../../server/database';
import { Refusal } from '../../server/refusal';
import { json, readJson } from '../../server/requests';
import { sessionCookie, signInWithCookie } from '../../server/session-cookie';

export const POST: APIRoute = async ({ request, cookies, clientAddress }) => {
  const account = await createAccount(database(), await readJson(request, NewAccount), clientAddress);
  await signInWithCookie(account, cookies, request);
  return json({ name: account.name });
};

/** One's own account, with all that is its. */
export const DELETE: APIRoute = async ({ request, cookies, locals, clientAddress }) => {
  if (!locals.account) throw new Refusal(401, 'Sign in to go on.');
  await deleteAccount(database(), locals.account, await readJson(request, AccountDeletion), clientAddress);
  cookies.delete(sessionCookie, { path: '/' });
  return json({}, { headers: { 'clear-site-data': '"cache"' } });
};
