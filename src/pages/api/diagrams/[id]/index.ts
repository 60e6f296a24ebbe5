import type { APIRoute } from 'astro';
import { database } from '../../../../server/database';
import { eraseDiagram, readDiagram } from '../../../../server/diagrams';
import { json } from '../../../../server/requests';

export const GET: APIRoute = async ({ params, locals }) =>
  json(await readDiagram(database(), locals.account!.id, params.id!));

export const DELETE: APIRoute = async ({ params, locals }) => {
  await eraseDiagram(database(), locals.account!.id, params.id!);
  return json({});
};
