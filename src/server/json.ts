import type { z } from 'zod';
import { issueWords } from './issue-words';
import { Refusal } from './refusal';

/** Deeper than anything we send; a reader of JSON must not follow a million brackets. */
const deepest = 40;

/** JSON checked by a schema. Nesting is counted first, so that what is only brackets costs no more than looking at it. O(length). */
export function parseJson<T>(text: string, schema: z.ZodType<T>): T {
  if (isTooDeep(text)) throw new Refusal(422, 'The request is nested too deeply.');
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new Refusal(400, 'The request is not valid JSON.');
  }
  const parsed = schema.safeParse(json, { error: issueWords });
  if (parsed.success) return parsed.data;
  throw new Refusal(422, parsed.error.issues[0]!.message.slice(0, 300));
}

function isTooDeep(text: string): boolean {
  let depth = 0;
  let inString = false;
  for (let i = 0; i < text.length; i++) {
    const sign = text.charCodeAt(i);
    if (inString) {
      if (sign === 0x5c) i++;
      else if (sign === 0x22) inString = false;
    } else if (sign === 0x22) inString = true;
    else if (sign === 0x5b || sign === 0x7b) {
      if (++depth > deepest) return true;
    } else if (sign === 0x5d || sign === 0x7d) depth--;
  }
  return false;
}
