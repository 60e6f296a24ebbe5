import type { APIRoute } from 'astro';
import { database } from '../../../../server/database';
import { ownSteps } from '../../../../server/edits';
import { idOf } from '../../../../server/params';
import { jsonText } from '../../../../server/requests';

/** What the asker can still undo here. */
export const GET: APIRoute = async ({ params, locals }) =>
  jsonText(await ownSteps(database(), locals.account!.id, idOf(params)));
