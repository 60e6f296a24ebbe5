/** Something the person asked for that cannot be done, with words for them and the HTTP status that fits. */
export class Refusal extends Error {
  constructor(
    readonly status: 400 | 401 | 403 | 404 | 409 | 413 | 422 | 429,
    message: string,
  ) {
    super(message);
  }
}
