import type { APIRoute } from 'astro';
import { database } from '../../server/database';
import { ping } from '../../server/diagrams';
import { json } from '../../server/requests';

export const GET: APIRoute = async () => {
  await ping(database());
  return json({ ok: true });
};
