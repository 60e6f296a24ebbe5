import type { APIRoute } from 'astro';
import { database } from '../../../../server/database';
import { eraseDiagram, readStored } from '../../../../server/diagrams';
import { idOf } from '../../../../server/params';
import { json, jsonText } from '../../../../server/requests';

/** The body goes out as it is kept: the window opens it, and brings an older format up itself. */
export const GET: APIRoute = async ({ params, locals }) => {
  const { id, body, revision, binned } = await readStored(database(), locals.account!.id, idOf(params));
  return jsonText(`{"id":${JSON.stringify(id)},"revision":${revision},"binned":${binned},"diagram":${body}}`);
};

export const DELETE: APIRoute = async ({ params, locals }) => {
  await eraseDiagram(database(), locals.account!.id, idOf(params));
  return json({});
};
