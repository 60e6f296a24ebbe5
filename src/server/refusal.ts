/** Something the person asked for that cannot be done, with words for them and the HTTP status that fits (499: the asker went away). */
export class Refusal extends Error {
  constructor(
    readonly status: 400 | 401 | 403 | 404 | 409 | 413 | 422 | 429 | 499 | 503,
    message: string,
    /** When it is worth trying again. */
    readonly retrySeconds: number | null = null,
  ) {
    super(message);
  }
}
