import type { APIRoute } from 'astro';
import { drawingOf } from '../../../../server/drawing';
import { idOf } from '../../../../server/params';

/** The thumbnail on the Desk: the drawing itself. A browser keeps it, and asks each time whether it may still be shown. */
export const GET: APIRoute = async ({ params, locals, request }) => {
  const { svg, revision } = await drawingOf(locals.account!.id, idOf(params));
  const headers = { etag: `"${revision}"`, 'cache-control': 'private, no-cache', 'content-type': 'image/svg+xml' };
  if (request.headers.get('if-none-match') === headers.etag) return new Response(null, { status: 304, headers });
  return new Response(svg, { headers });
};
