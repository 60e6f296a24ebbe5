import type { APIRoute } from 'astro';
import { createAccount, NewAccount } from '../../server/accounts';
import { database } from '../../server/database';
import { json, readJson } from '../../server/requests';
import { signInWithCookie } from '../../server/session-cookie';

export const POST: APIRoute = async ({ request, cookies, url, clientAddress }) => {
  const account = await createAccount(database(), await readJson(request, NewAccount), clientAddress);
  await signInWithCookie(account, cookies, url);
  return json({ name: account.name });
};
