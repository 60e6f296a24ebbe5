import type { APIRoute } from 'astro';
import { draw } from '../../../../core/kind';
import { formats, isFormat } from '../../../../export/formats';
import { database } from '../../../../server/database';
import { readDiagram } from '../../../../server/diagrams';
import { picturesOf } from '../../../../server/pictures';
import { Refusal } from '../../../../server/refusal';

export const GET: APIRoute = async ({ params, url, locals }) => {
  const format = url.searchParams.get('format') ?? '';
  if (!isFormat(format))
    throw new Refusal(
      400,
      `There is no format “${format.slice(0, 20)}”; there are ${Object.keys(formats).join(', ')}.`,
    );
  const dotsPerInch = Number(url.searchParams.get('dpi') ?? 192);
  if (!(dotsPerInch >= 24 && dotsPerInch <= 1200))
    throw new Refusal(400, 'A resolution lies between 24 and 1200 dots per inch.');
  const { diagram } = await readDiagram(database(), locals.account!.id, params.id!);
  const { mime, write } = formats[format];
  const { scene } = draw(diagram);
  const images = await picturesOf(database(), locals.account!.id, scene);
  const body = await written<Uint8Array | string>(() => write(diagram, scene, { dotsPerInch, images }));
  const name = (diagram.title.replace(/[^\p{L}\p{N} _-]+/gu, ' ').trim() || 'diagram').slice(0, 80);
  return new Response(body as BodyInit, {
    headers: {
      'content-type': mime,
      'cache-control': 'no-store',
      'content-disposition': `attachment; filename="diagram.${format}"; filename*=UTF-8''${encodeURIComponent(`${name}.${format}`)}`,
    },
  });
};

/** A picture that would grow too large is the person's to change. */
async function written<T>(write: () => Promise<T> | T): Promise<T> {
  try {
    return await write();
  } catch (error) {
    if (error instanceof RangeError) throw new Refusal(422, error.message);
    throw error;
  }
}
