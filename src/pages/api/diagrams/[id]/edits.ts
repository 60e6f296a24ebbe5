import type { APIRoute } from 'astro';
import { z } from 'zod';
import { database } from '../../../../server/database';
import { editsSince, pageText, submitBatch } from '../../../../server/edits';
import { bodyLimits, isLarge, jsonText, readQuery, readText } from '../../../../server/requests';
import { admitBatch } from '../../../../server/work/admit';
import { work } from '../../../../server/work/pool';
import { idOf } from '../../../../server/params';

const Since = z.object({ since: z.coerce.number().int().min(0).max(2_147_483_647).default(0) });

export const GET: APIRoute = async ({ params, url, locals }) => {
  const { since } = readQuery(url, Since);
  return jsonText(pageText(await editsSince(database(), locals.account!.id, idOf(params), since)));
};

export const POST: APIRoute = async ({ params, request, locals }) => {
  const account = locals.account!.id;
  const id = idOf(params);
  const text = await readText(request, bodyLimits.edits);
  const batch = isLarge(text) ? await work(account, 'admitBatch', { text }, request.signal) : admitBatch({ text });
  return jsonText(pageText(await submitBatch(database(), account, id, batch)));
};
