import type { APIRoute } from 'astro';
import { database } from '../../../server/database';
import { keepDiagram, listDiagrams, titlesOf } from '../../../server/diagrams';
import { drawSoon } from '../../../server/drawing';
import { bodyLimits, isLarge, json, readText } from '../../../server/requests';
import { admitDiagram } from '../../../server/work/admit';
import { work } from '../../../server/work/pool';

export const GET: APIRoute = async ({ locals }) => json(await listDiagrams(database(), locals.account!.id));

export const POST: APIRoute = async ({ request, locals }) => {
  const account = locals.account!.id;
  const text = await readText(request, bodyLimits.diagram);
  const input = { text, titles: await titlesOf(database(), account) };
  const made = isLarge(text) ? await work(account, 'admitDiagram', input, request.signal) : admitDiagram(input);
  await keepDiagram(database(), account, made);
  drawSoon(made.id);
  return json({ id: made.id, title: made.title }, { status: 201 });
};
