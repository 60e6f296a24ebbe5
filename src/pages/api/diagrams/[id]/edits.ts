import type { APIRoute } from 'astro';
import { database } from '../../../../server/database';
import { revisionOf } from '../../../../server/diagrams';
import { Batch, editsSince, submitBatch } from '../../../../server/edits';
import { json, readJson } from '../../../../server/requests';

export const GET: APIRoute = async ({ params, url, locals }) => {
  const revision = await revisionOf(database(), locals.account!.id, params.id!);
  const since = Math.max(0, Number(url.searchParams.get('since')) || 0);
  return json({ revision, edits: await editsSince(database(), params.id!, since), refused: [] });
};

export const POST: APIRoute = async ({ params, request, locals }) =>
  json(await submitBatch(database(), locals.account!.id, params.id!, await readJson(request, Batch)));
