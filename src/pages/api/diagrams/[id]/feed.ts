import type { APIRoute } from 'astro';
import { database } from '../../../../server/database';
import { revisionOf } from '../../../../server/diagrams';
import { eventStream } from '../../../../server/feed';

export const GET: APIRoute = async ({ params, locals }) => {
  const account = locals.account!.id;
  const id = params.id!;
  await revisionOf(database(), account, id);
  return new Response(eventStream(account, id), {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' },
  });
};
