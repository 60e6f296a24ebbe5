import type { z } from 'zod';
import { issueWords } from './issue-words';
import { parseJson } from './json';
import { log } from './log';
import { Refusal } from './refusal';

/** Bodies by what they are for; each is refused while it is read. */
export const bodyLimits = {
  /** Sign-in, accounts and the like: a few lines. */
  small: 4 * 1024,
  /** A batch of edits; browsers send larger ones in parts. */
  edits: 16 * 1024 * 1024,
  /** A new diagram of 100,000 entries fits. */
  diagram: 64 * 1024 * 1024,
} as const;

/** Larger bodies are taken apart in another thread. */
export const isLarge = (text: string): boolean => text.length > 200_000;

/** The JSON body of at most `most` bytes, counted while read, checked by a schema. */
export async function readJson<T>(request: Request, schema: z.ZodType<T>, most: number = bodyLimits.small): Promise<T> {
  return parseJson(await readText(request, most), schema);
}

/** The body as text, for JSON. */
export async function readText(request: Request, most: number): Promise<string> {
  if (!(request.headers.get('content-type') ?? '').startsWith('application/json'))
    throw new Refusal(400, 'The request has to be JSON.');
  const told = most >= 1e6 ? `${Math.round(most / 1024 / 1024)} MB` : `${Math.round(most / 1024)} KB`;
  return (await readBytes(request, most, `That is more than ${told}; send less at once.`)).toString('utf8');
}

/** The body, counted while read; refused in words where it is larger than `most`. */
export async function readBytes(request: Request, most: number, tooLarge: string): Promise<Buffer> {
  if (!request.body) return Buffer.alloc(0);
  if (Number(request.headers.get('content-length') ?? 0) > most) throw new Refusal(413, tooLarge);
  const reader = request.body.getReader();
  const parts: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.length;
    if (size > most) {
      await reader.cancel();
      throw new Refusal(413, tooLarge);
    }
    parts.push(value);
  }
  return Buffer.concat(parts);
}

/** The search part of an address, checked by a schema. */
export function readQuery<T>(url: URL, schema: z.ZodType<T>): T {
  const parsed = schema.safeParse(Object.fromEntries(url.searchParams), { error: issueWords });
  if (parsed.success) return parsed.data;
  throw new Refusal(400, parsed.error.issues[0]!.message.slice(0, 300));
}

export function json(body: unknown, init: ResponseInit = {}): Response {
  return jsonText(JSON.stringify(body), init);
}

export function jsonText(body: string, init: ResponseInit = {}): Response {
  return new Response(body, {
    ...init,
    headers: { 'content-type': 'application/json', 'cache-control': 'no-store', ...init.headers },
  });
}

/** True where the database could not be reached or broke off, which passes. */
function isUnreachable(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const { code = '' } = error as NodeJS.ErrnoException;
  // Class 08: connection; 57P: the server stops or starts; 53: it has no room just now.
  return /^(ECONN|EPIPE|ETIMEDOUT|08|57P|53)/.test(code) || /terminat|timeout|connection/i.test(error.message);
}

/** The one place where errors become answers. What was not foreseen is logged without content and told without detail. */
export function errorAnswer(error: unknown, path: string): Response {
  if (error instanceof Refusal) {
    const headers: Record<string, string> =
      error.retrySeconds === null ? {} : { 'retry-after': String(error.retrySeconds) };
    return json({ message: error.message }, { status: error.status, headers });
  }
  const unreachable = isUnreachable(error);
  log(path, error);
  const message = unreachable
    ? 'The database cannot be reached just now. Your work is kept; try again in a moment.'
    : 'Something went wrong on our side. Your work is kept; try again.';
  return json({ message }, { status: unreachable ? 503 : 500, headers: unreachable ? { 'retry-after': '2' } : {} });
}
