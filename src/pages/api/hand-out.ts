import type { APIRoute } from 'astro';
import { brokenReferences, Diagram } from '../../core/diagram';
import { database } from '../../server/database';
import { askedFile, fileAnswer } from '../../server/hand-out';
import { parseJson } from '../../server/json';
import { countGuestFile, guestLimits } from '../../server/limits';
import { Refusal } from '../../server/refusal';
import { readText } from '../../server/requests';

/** A file of a diagram that is kept nowhere: for whoever is trying without an account. */
export const POST: APIRoute = async ({ url, request, clientAddress }) => {
  const asked = askedFile(url);
  await countGuestFile(database(), clientAddress);
  const diagram = parseJson(await readText(request, guestLimits.bytes), Diagram);
  const entries = Object.keys(diagram.entries).length;
  if (entries > guestLimits.entries)
    throw new Refusal(
      413,
      `Without an account a file has at most ${guestLimits.entries.toLocaleString('en')} entries, and this has ${entries.toLocaleString('en')}. Choose “Keep it” first.`,
    );
  if (brokenReferences(diagram).length > 0) throw new Refusal(422, 'That is no whole diagram.');
  return fileAnswer(`guest ${clientAddress}`, asked, { body: JSON.stringify(diagram), pictures: [] }, request.signal);
};
