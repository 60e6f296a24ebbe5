import type pg from 'pg';
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import { Refusal } from './refusal';

/** Tries in a span of time, counted in the database so that all processes count together. */
interface Limit {
  readonly name: string;
  readonly points: number;
  readonly seconds: number;
}

const limiters = new WeakMap<pg.Pool, Map<string, RateLimiterPostgres>>();

function limiter(pool: pg.Pool, { name, points, seconds }: Limit): RateLimiterPostgres {
  let known = limiters.get(pool);
  if (!known) limiters.set(pool, (known = new Map()));
  let made = known.get(name);
  if (!made) {
    made = new RateLimiterPostgres({
      storeClient: pool,
      storeType: 'pool',
      tableName: 'rate_limit',
      tableCreated: true,
      keyPrefix: name,
      points,
      duration: seconds,
    });
    known.set(name, made);
  }
  return made;
}

/** Takes one try; null where there was one, else the seconds until there is again. */
async function take(pool: pg.Pool, limit: Limit, key: string): Promise<number | null> {
  try {
    await limiter(pool, limit).consume(key.slice(0, 200));
    return null;
  } catch (error) {
    if (error instanceof RateLimiterRes) return Math.max(1, Math.ceil(error.msBeforeNext / 1000));
    throw error;
  }
}

/**
 * Signing in: address and source (where a request comes from) are counted apart. Nobody is locked out: after the first tries a source gets one
 * try in a while for an address, and an address that many sources try gets slow for those that tried it before, never for a new one.
 */
const firstTries: Limit = { name: 'sign-in', points: 6, seconds: 600 };
const laterTries: Limit = { name: 'sign-in-later', points: 1, seconds: 20 };
const ofSource: Limit = { name: 'sign-in-source', points: 60, seconds: 600 };
const ofSourceLater: Limit = { name: 'sign-in-source-later', points: 1, seconds: 5 };
const ofAddress: Limit = { name: 'sign-in-address', points: 40, seconds: 600 };
const ofAddressLater: Limit = { name: 'sign-in-address-later', points: 1, seconds: 3 };
/** Tries with which a source is new to an address. */
const newTries = 3;

/** Counts a try to sign in before anything is tested; throws a Refusal that says how long to wait. */
export async function countSignIn(pool: pg.Pool, address: string, source: string): Promise<void> {
  const pair = `${address}|${source}`;
  const before = (await limiter(pool, firstTries).get(pair))?.consumedPoints ?? 0;
  const waits = [
    await slowed(pool, firstTries, laterTries, pair),
    await slowed(pool, ofSource, ofSourceLater, source),
    before >= newTries
      ? await slowed(pool, ofAddress, ofAddressLater, address)
      : await counted(pool, ofAddress, address),
  ];
  const wait = Math.max(...waits.map((seconds) => seconds ?? 0));
  if (wait > 0) throw new Refusal(429, `There were many tries. Wait ${wait} seconds and try again.`, wait);
}

/** A try of the first limit, or, once those are used up, of the slower one. */
async function slowed(pool: pg.Pool, first: Limit, later: Limit, key: string): Promise<number | null> {
  return (await take(pool, first, key)) === null ? null : take(pool, later, key);
}

/** Counts without holding up. */
async function counted(pool: pg.Pool, limit: Limit, key: string): Promise<null> {
  await take(pool, limit, key);
  return null;
}

/** A right password ends the counting of that source for that address. */
export async function forgetTries(pool: pg.Pool, address: string, source: string): Promise<void> {
  const pair = `${address}|${source}`;
  await limiter(pool, firstTries).delete(pair);
  await limiter(pool, laterTries).delete(pair);
}

/** New accounts from one source in an hour; a class of pupils behind one address of a school can make theirs. */
const accountsAnHour = (): Limit => ({
  name: 'accounts',
  points: Number(process.env.DENDROTAX_ACCOUNTS_AN_HOUR ?? 60),
  seconds: 3600,
});

export async function countNewAccount(pool: pg.Pool, source: string): Promise<void> {
  const wait = await take(pool, accountsAnHour(), source);
  if (wait !== null)
    throw new Refusal(429, `Many accounts were made from here. Try again in ${Math.ceil(wait / 60)} minutes.`, wait);
}

/** What is made for whoever has no account. */
export const guestLimits = { bytes: 4 * 1024 * 1024, entries: 2000 } as const;
/** Files for those without an account, from one source: a class behind one address can hand out its work. */
const guestFiles: Limit = { name: 'guest-files', points: 120, seconds: 600 };

export async function countGuestFile(pool: pg.Pool, source: string): Promise<void> {
  const wait = await take(pool, guestFiles, source);
  if (wait !== null)
    throw new Refusal(
      429,
      `Many files were made from here without an account. Wait ${Math.ceil(wait / 60)} minutes, or choose “Keep it” first.`,
      wait,
    );
}
