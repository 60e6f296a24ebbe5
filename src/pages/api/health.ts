import type { APIRoute } from 'astro';
import { database } from '../../server/database';
import { ping } from '../../server/diagrams';
import { json } from '../../server/requests';

/** Whether the database answers, and how often the server had to be started again. */
export const GET: APIRoute = async () => {
  await ping(database());
  return json({ ok: true, restarts: Number(process.env.DENDROTAX_RESTARTS ?? 0) });
};
