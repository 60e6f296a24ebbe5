import type { APIRoute } from 'astro';
import { database } from '../../../../server/database';
import { readStored } from '../../../../server/diagrams';
import { askedFile, fileAnswer } from '../../../../server/hand-out';
import { idOf } from '../../../../server/params';
import { picturesIn } from '../../../../server/pictures';

export const GET: APIRoute = async ({ params, url, locals, request }) => {
  const asked = askedFile(url);
  const account = locals.account!.id;
  const { body } = await readStored(database(), account, idOf(params));
  const pictures = await picturesIn(database(), account, body);
  return fileAnswer(account, asked, { body, pictures }, request.signal);
};
