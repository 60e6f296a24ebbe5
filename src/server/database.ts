import pg from 'pg';
import type { z } from 'zod';

export type Connection = pg.Pool | pg.PoolClient;

let pool: pg.Pool | null = null;

/** The one pool of this process. */
export function database(): pg.Pool {
  if (!pool) {
    const connectionString = process.env.DATABASE_URL;
    if (!connectionString) throw new Error('DATABASE_URL is not set; bin/start sets it.');
    pool = new pg.Pool({ connectionString, max: 12, connectionTimeoutMillis: 5000 });
    // A lost idle connection is replaced by the next query; without a listener it would end the process.
    pool.on('error', (error) => console.error(JSON.stringify({ at: 'pool', error: error.message })));
  }
  return pool;
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

/** The first row, or null. */
export async function maybeOne<T>(on: Connection, row: z.ZodType<T>, query: Query): Promise<T | null> {
  return (await many(on, row, query))[0] ?? null;
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

/** All of `work` or none of it. */
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
