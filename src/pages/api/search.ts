import type { APIRoute } from 'astro';
import { z } from 'zod';
import { beginning, keepable } from '../../core/model';
import { database } from '../../server/database';
import { searchEntries } from '../../server/diagrams';
import { json, readQuery } from '../../server/requests';

const Query = z.object({ q: z.string().default('') });

export const GET: APIRoute = async ({ url, locals }) =>
  json(await searchEntries(database(), locals.account!.id, beginning(keepable(readQuery(url, Query).q), 200)));
