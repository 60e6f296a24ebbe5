import type { APIRoute } from 'astro';
import { draw } from '../../../../core/kind';
import { svgOf } from '../../../../export/svg/svg';
import { database } from '../../../../server/database';
import { readDiagram } from '../../../../server/diagrams';

/** The thumbnail on the Desk: the drawing itself, without embedded fonts. */
export const GET: APIRoute = async ({ params, locals, url }) => {
  const { diagram } = await readDiagram(database(), locals.account!.id, params.id!);
  const kept = url.searchParams.has('revision') ? 'private, max-age=31536000, immutable' : 'no-store';
  return new Response(svgOf(draw(diagram).scene), { headers: { 'content-type': 'image/svg+xml', 'cache-control': kept } });
};
