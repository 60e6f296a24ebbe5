import { randomUUID } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import type pg from 'pg';
import { createAccount, type Account } from './accounts';
import { migrate } from './migrate';

/** For tests: an account under an address of its own. */
export const person = (pool: pg.Pool, name: string): Promise<Account> =>
  createAccount(pool, { email: `${randomUUID()}@brackwater.example`, name, password: 'estuary-mud-9' });

/** For tests: the database as it is now, with two people. */
export async function twoPeople(pool: pg.Pool): Promise<[Account, Account]> {
  await migrate(pool, fileURLToPath(new URL('../../db/migrations', import.meta.url)));
  return [await person(pool, 'Ada Quill'), await person(pool, 'Bo Lin')];
}
