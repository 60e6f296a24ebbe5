import type { APIRoute } from 'astro';
import { draw } from '../../../../core/kind';
import { embeddedFontCss } from '../../../../export/fonts';
import { svgOf } from '../../../../export/svg/svg';
import { database } from '../../../../server/database';
import { readDiagram } from '../../../../server/diagrams';
import { picturesOf } from '../../../../server/pictures';

/** In larger diagrams no text can be read on a thumbnail. */
const mostWithFonts = 300;

/** The thumbnail on the Desk: the drawing itself. */
export const GET: APIRoute = async ({ params, locals, url }) => {
  const { diagram } = await readDiagram(database(), locals.account!.id, params.id!);
  const kept = url.searchParams.has('revision') ? 'private, max-age=31536000, immutable' : 'no-store';
  const { scene } = draw(diagram);
  const fontCss = Object.keys(diagram.entries).length > mostWithFonts ? '' : await embeddedFontCss(scene);
  const images = await picturesOf(database(), locals.account!.id, scene);
  return new Response(svgOf(scene, { fontCss, images }), {
    headers: { 'content-type': 'image/svg+xml', 'cache-control': kept },
  });
};
