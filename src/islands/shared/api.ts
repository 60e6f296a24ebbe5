/** The server's answer was a refusal or none came. `status` is null where the server could not be reached. */
export class ApiError extends Error {
  constructor(
    message: string,
    readonly status: number | null,
  ) {
    super(message);
  }
}

/** Asks our own server; throws ApiError with words for people. */
export async function api<T>(path: string, init: { method?: string; body?: unknown } = {}): Promise<T> {
  const answer = await reach(path, {
    method: init.method ?? 'GET',
    ...(init.body === undefined
      ? {}
      : { body: JSON.stringify(init.body), headers: { 'content-type': 'application/json' } }),
  });
  return (await answer.json()) as T;
}

/** As `api`, for answers that are files. */
export async function reach(path: string, init: RequestInit = {}): Promise<Response> {
  let answer: Response;
  try {
    answer = await fetch(path, init);
  } catch {
    throw new ApiError('The server cannot be reached just now.', null);
  }
  if (answer.ok) return answer;
  const told = (await answer.json().catch(() => null)) as { message?: string } | null;
  throw new ApiError(told?.message ?? `The server answered with code ${answer.status}.`, answer.status);
}
