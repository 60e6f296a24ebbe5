import type { APIRoute } from 'astro';
import { changePassword, PasswordChange } from '../../server/accounts';
import { database } from '../../server/database';
import { json, readJson } from '../../server/requests';
import { sessionCookie } from '../../server/session-cookie';

/** Changes one's own password; the other sessions of the account end. */
export const POST: APIRoute = async ({ request, cookies, locals, clientAddress }) => {
  const given = await readJson(request, PasswordChange);
  await changePassword(database(), locals.account!, given, cookies.get(sessionCookie)!.value, clientAddress);
  return json({});
};
