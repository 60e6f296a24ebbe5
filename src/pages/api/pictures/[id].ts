import type { APIRoute } from 'astro';
import { database } from '../../../server/database';
import { idOf } from '../../../server/params';
import { readPicture } from '../../../server/pictures';

/** A picture is named by what it holds, so it never changes; it is shown again only to whom it still belongs. */
export const GET: APIRoute = async ({ params, locals, request }) => {
  const { id, mime, bytes } = await readPicture(database(), locals.account!.id, idOf(params));
  const headers = { 'content-type': mime, etag: `"${id}"`, 'cache-control': 'private, no-cache' };
  if (request.headers.get('if-none-match') === headers.etag) return new Response(null, { status: 304, headers });
  return new Response(new Uint8Array(bytes), { headers });
};
