import { database } from './database';
import { log } from './log';
import { clearUnusedPictures } from './pictures';

const everyMs = 3_600_000;
let kept = false;

/** Once an hour what nobody needs any more is cleared away. */
export function keepHouse(): void {
  if (kept) return;
  kept = true;
  setInterval(() => {
    clearUnusedPictures(database()).catch((error: unknown) => log('housekeeping', error));
  }, everyMs).unref();
}
