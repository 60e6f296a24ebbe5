import type { APIRoute } from 'astro';
import { database } from '../../server/database';
import { searchEntries } from '../../server/diagrams';
import { json } from '../../server/requests';

export const GET: APIRoute = async ({ url, locals }) =>
  json(await searchEntries(database(), locals.account!.id, (url.searchParams.get('q') ?? '').slice(0, 200)));
