import type { APIRoute } from 'astro';
import { database } from '../../../server/database';
import { keepPicture, mostPictureBytes } from '../../../server/pictures';
import { json, readBytes } from '../../../server/requests';

export const POST: APIRoute = async ({ request, locals }) =>
  json(
    await keepPicture(
      database(),
      locals.account!.id,
      await readBytes(request, mostPictureBytes, 'A picture file may have at most 20 MB; make it smaller.'),
    ),
  );
