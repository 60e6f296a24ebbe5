import pg from 'pg';
import type { z } from 'zod';
import { log } from './log';

export type Connection = pg.Pool | pg.PoolClient;

let pool: pg.Pool | null = null;

/** The one pool of this process. */
export function database(): pg.Pool {
  if (!pool) {
    const connectionString = process.env.DATABASE_URL;
    if (!connectionString) throw new Error('DATABASE_URL is not set; bin/start sets it.');
    pool = watched(
      new pg.Pool({
        connectionString,
        max: 12,
        connectionTimeoutMillis: 8000,
        // Nothing we ask takes so long where all is well; what does must not hold up everybody.
        statement_timeout: 20_000,
        query_timeout: 25_000,
        lock_timeout: 15_000,
        idle_in_transaction_session_timeout: 30_000,
      }),
    );
  }
  return pool;
}

/**
 * Every connection has a listener for the loss of its server, in use or not; without one the loss would end the process. A lost connection is
 * replaced by the next query.
 */
export function watched(given: pg.Pool): pg.Pool {
  given.on('error', (error) => log('pool', error));
  given.on('connect', (client) => client.on('error', (error) => log('connection', error)));
  return given;
}

interface Query {
  readonly text: string;
  readonly values: readonly unknown[];
}

/** sql`select … where id = ${id}`: values travel apart from the text. */
export function sql(strings: TemplateStringsArray, ...values: readonly unknown[]): Query {
  return { text: strings.reduce((text, part, i) => `${text}$${i}${part}`), values };
}

/** All rows, each checked. */
export async function many<T>(on: Connection, row: z.ZodType<T>, query: Query): Promise<T[]> {
  const { rows } = await on.query(query.text, [...query.values]);
  return rows.map((each: unknown) => row.parse(each));
}

/** The only row, or null. A second one is an error of ours. */
export async function maybeOne<T>(on: Connection, row: z.ZodType<T>, query: Query): Promise<T | null> {
  const [first, second] = await many(on, row, query);
  if (second !== undefined) throw new Error('One row was expected and several came.');
  return first ?? null;
}

export async function one<T>(on: Connection, row: z.ZodType<T>, query: Query): Promise<T> {
  const found = await maybeOne(on, row, query);
  if (found === null) throw new Error('A row was expected and none came.');
  return found;
}

/** Runs a statement; returns the number of rows it touched. */
export async function run(on: Connection, query: Query): Promise<number> {
  return (await on.query(query.text, [...query.values])).rowCount ?? 0;
}

/** All of `work` or none of it. A connection that cannot even roll back is not used again. */
export async function withTransaction<T>(on: pg.Pool, work: (tx: pg.PoolClient) => Promise<T>): Promise<T> {
  const tx = await on.connect();
  try {
    await tx.query('begin');
    const result = await work(tx);
    await tx.query('commit');
    tx.release();
    return result;
  } catch (error) {
    await tx.query('rollback').then(
      () => tx.release(),
      () => tx.release(true),
    );
    throw error;
  }
}

/** What one account does in this transaction comes after what it is doing in others, so that what is counted still holds when it is written. */
export async function oneAtATime(tx: pg.PoolClient, account: string): Promise<void> {
  await run(tx, sql`select from account where id = ${account} for no key update`);
}
