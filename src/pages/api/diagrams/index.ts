import type { APIRoute } from 'astro';
import { z } from 'zod';
import { Diagram, Id } from '../../../core/model';
import { database } from '../../../server/database';
import { createStored, listDiagrams } from '../../../server/diagrams';
import { json, readJson } from '../../../server/requests';

export const GET: APIRoute = async ({ locals }) => json(await listDiagrams(database(), locals.account!.id));

export const POST: APIRoute = async ({ request, locals }) => {
  const { id, diagram } = await readJson(request, z.strictObject({ id: Id.min(8), diagram: Diagram }));
  await createStored(database(), locals.account!.id, id, diagram);
  return json({ id }, { status: 201 });
};
