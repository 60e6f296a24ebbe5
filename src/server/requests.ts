import type { z } from 'zod';
import { Refusal } from './refusal';

/** A body larger than this is refused while it is read. A diagram of 100,000 entries fits. */
const mostBodyBytes = 64 * 1024 * 1024;

/** The JSON body, counted while read, checked by a schema. */
export async function readJson<T>(request: Request, schema: z.ZodType<T>): Promise<T> {
  if (!(request.headers.get('content-type') ?? '').startsWith('application/json'))
    throw new Refusal(400, 'The request has to be JSON.');
  const text = await readText(request);
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new Refusal(400, 'The request is not valid JSON.');
  }
  const parsed = schema.safeParse(json);
  if (!parsed.success) {
    const issue = parsed.error.issues[0]!;
    throw new Refusal(
      422,
      issue.message === 'Invalid input'
        ? `The request has something unexpected at ${issue.path.join('.')}.`
        : issue.message,
    );
  }
  return parsed.data;
}

const readText = async (request: Request): Promise<string> =>
  (await readBytes(request, mostBodyBytes, 'That is more than 64 MB; split the list.')).toString('utf8');

/** The body, counted while read; refused in words where it is larger than `most`. */
export async function readBytes(request: Request, most: number, tooLarge: string): Promise<Buffer> {
  if (!request.body) return Buffer.alloc(0);
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

export function json(body: unknown, init: ResponseInit = {}): Response {
  return new Response(JSON.stringify(body), {
    ...init,
    headers: { 'content-type': 'application/json', 'cache-control': 'no-store', ...init.headers },
  });
}

/** The one place where errors become answers. What was not foreseen is logged without content and told without detail. */
export function errorAnswer(error: unknown, path: string): Response {
  if (error instanceof Refusal) return json({ message: error.message }, { status: error.status });
  const unreachable =
    error instanceof Error &&
    /ECONNREFUSED|terminat|timeout|Connection/i.test(`${(error as NodeJS.ErrnoException).code ?? ''} ${error.message}`);
  console.error(
    JSON.stringify({
      at: path,
      error: error instanceof Error ? `${error.name}: ${error.message.slice(0, 200)}` : 'unknown',
    }),
  );
  const message = unreachable
    ? 'The database cannot be reached just now. Your work is kept; try again in a moment.'
    : 'Something went wrong on our side. Your work is kept; try again.';
  return json({ message }, { status: unreachable ? 503 : 500 });
}
