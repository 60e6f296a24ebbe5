import type { APIRoute } from 'astro';
import { database } from '../../../server/database';
import { readPicture } from '../../../server/pictures';

export const GET: APIRoute = async ({ params, locals }) => {
  const { mime, bytes } = await readPicture(database(), locals.account!.id, params.id!);
  return new Response(new Uint8Array(bytes), {
    headers: { 'content-type': mime, 'cache-control': 'private, max-age=31536000, immutable' },
  });
};
