import type { APIRoute } from 'astro';
import { z } from 'zod';
import { database } from '../../../../server/database';
import { setBinned } from '../../../../server/diagrams';
import { idOf } from '../../../../server/params';
import { json, readJson } from '../../../../server/requests';

export const POST: APIRoute = async ({ params, request, locals }) => {
  const { binned } = await readJson(request, z.strictObject({ binned: z.boolean() }));
  await setBinned(database(), locals.account!.id, idOf(params), binned);
  return json({ binned });
};
