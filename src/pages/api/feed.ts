import type { APIRoute } from 'astro';
import { z } from 'zod';
import { Id } from '../../core/model';
import { eventStream, type Watch } from '../../server/feed';
import { readQuery } from '../../server/requests';

/** At most so many windows of one browser. */
const mostWatches = 60;

/** "diagram~window,diagram~window". */
const Watches = z.object({
  at: z
    .string()
    .max(mostWatches * 130)
    .transform((at) => at.split(',').map((each) => each.split('~')))
    .pipe(
      z
        .array(z.tuple([Id, Id]))
        .min(1)
        .max(mostWatches),
    )
    .transform((pairs): Watch[] => pairs.map(([diagram, window]) => ({ diagram, window }))),
});

const headers = { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' };

export const GET: APIRoute = ({ url, locals, request }) => {
  const { at } = readQuery(url, Watches);
  const stream = eventStream({ account: locals.account!.id, session: locals.session!, watches: at }, request.signal);
  return new Response(stream, { headers });
};

// Without this a HEAD would begin a stream that nobody reads.
export const HEAD: APIRoute = () => new Response(null, { headers });
