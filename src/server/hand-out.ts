import { z } from 'zod';
import { beginning, fileName } from '../core/model';
import { isTilePaper, tilePapers } from '../core/scene';
import { formats, isFormat } from '../export/formats';
import { Refusal } from './refusal';
import { readQuery } from './requests';
import type { HandOutInput, Pictures } from './work/drawings';
import { work } from './work/pool';

const Asked = z.object({
  format: z.string().max(200).default(''),
  dpi: z.coerce.number().default(192),
  /** `drawing`: without the sheet around it. */
  cut: z.enum(['sheet', 'drawing']).default('sheet'),
  /** Over several sheets that print no smaller than this, in points. */
  set: z.coerce.number().optional(),
  /** The paper of the tiles of a poster. */
  tiles: z.string().max(20).optional(),
});

/** How a file is asked for, by the search part of its address. */
export function askedFile(url: URL): Pick<HandOutInput, 'format' | 'dotsPerInch' | 'cut' | 'setAt' | 'tiles'> {
  const { format, dpi, cut, set, tiles } = readQuery(url, Asked);
  if (!isFormat(format))
    throw new Refusal(
      400,
      `There is no format “${beginning(format, 20)}”; there are ${Object.keys(formats).join(', ')}.`,
    );
  if (!(dpi >= 24 && dpi <= 1200)) throw new Refusal(400, 'A resolution lies between 24 and 1200 dots per inch.');
  if (set !== undefined && !(set >= 4 && set <= 36)) throw new Refusal(400, 'A set prints at 4 to 36 points or more.');
  if (tiles !== undefined && !isTilePaper(tiles)) throw new Refusal(400, `Tiles are ${tilePapers.join(', ')}.`);
  if ((set !== undefined || tiles !== undefined) && format !== 'pdf')
    throw new Refusal(400, 'Only a PDF has several pages; ask for that.');
  return { format, dotsPerInch: dpi, cut, setAt: set, tiles };
}

/** A diagram as a file, as an answer that is saved under its title. `who`: whose turn it takes. */
export async function fileAnswer(
  who: string,
  asked: ReturnType<typeof askedFile>,
  { body, pictures }: { readonly body: string } & Pictures,
  signal: AbortSignal,
): Promise<Response> {
  const { format } = asked;
  const { bytes, title } = await work(who, 'handOut', { ...asked, body, pictures }, signal);
  return new Response(bytes as Uint8Array<ArrayBuffer>, {
    headers: {
      'content-type': formats[format].mime,
      'cache-control': 'no-store',
      'content-disposition': `attachment; filename="diagram.${format}"; filename*=UTF-8''${encodeURIComponent(`${fileName(title)}.${format}`)}`,
    },
  });
}
