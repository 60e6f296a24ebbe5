import type { APIRoute } from 'astro';
import { database } from '../../../server/database';
import { dropHouseStyle, GivenHouseStyle, keepHouseStyle } from '../../../server/house-styles';
import { idOf } from '../../../server/params';
import { json, readJson } from '../../../server/requests';

/** Many tiers and roles, each with all that can be set. */
const mostBytes = 512 * 1024;

export const POST: APIRoute = async ({ params, request, locals }) =>
  json(
    await keepHouseStyle(
      database(),
      locals.account!.id,
      idOf(params),
      await readJson(request, GivenHouseStyle, mostBytes),
    ),
  );

export const DELETE: APIRoute = async ({ params, locals }) => {
  await dropHouseStyle(database(), locals.account!.id, idOf(params));
  return json({});
};
