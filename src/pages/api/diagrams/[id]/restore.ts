import type { APIRoute } from 'astro';
import { database } from '../../../../server/database';
import { restoreFromLog } from '../../../../server/diagrams';
import { drawSoon } from '../../../../server/drawing';
import { idOf } from '../../../../server/params';
import { json } from '../../../../server/requests';

/** Brings a diagram that cannot be read back to its last good state. */
export const POST: APIRoute = async ({ params, locals }) => {
  const id = idOf(params);
  const revision = await restoreFromLog(database(), locals.account!.id, id);
  drawSoon(id);
  return json({ revision });
};
