/** The server's answer was a refusal or none came. `status` is null where the server could not be reached. */
export class ApiError extends Error {
  constructor(
    message: string,
    readonly status: number | null,
  ) {
    super(message);
  }
}

/** Asks our own server; throws ApiError with words for people, and nothing else. */
export type Ask = <T>(path: string, init?: { method?: string; body?: unknown }) => Promise<T>;

let account: string | null = null;
/** For whom all that is asked from this page is meant: where somebody else signed in meanwhile, the server does nothing in their name. */
export function askAs(id: string): void {
  account = id;
}

/** A request without an answer is given up after this long. */
const patienceMs = 45_000;

export const api: Ask = async <T>(path: string, init: { method?: string; body?: unknown } = {}): Promise<T> => {
  const answer = await reach(path, {
    method: init.method ?? 'GET',
    signal: AbortSignal.timeout(patienceMs),
    ...(init.body === undefined
      ? {}
      : { body: JSON.stringify(init.body), headers: { 'content-type': 'application/json' } }),
  });
  try {
    return (await answer.json()) as T;
  } catch {
    // The line broke while the answer came in.
    throw new ApiError('The answer of the server broke off.', null);
  }
};

/** As `api`, for answers that are files. A request that was called off by its signal throws ApiError too. */
export async function reach(path: string, init: RequestInit = {}): Promise<Response> {
  let answer: Response;
  try {
    const headers = new Headers(init.headers);
    if (account !== null) headers.set('x-dendrotax-account', account);
    answer = await fetch(path, { ...init, headers });
  } catch {
    throw new ApiError(init.signal?.aborted ? 'That was called off.' : 'The server cannot be reached just now.', null);
  }
  if (answer.ok) return answer;
  const told = (await answer.json().catch(() => null)) as { message?: string } | null;
  throw new ApiError(told?.message ?? `The server answered with code ${answer.status}.`, answer.status);
}
