import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import pg from 'pg';
import { z } from 'zod';
import { one, sql, watched, withTransaction } from './database';
import { feed } from './feed';

const address = process.env.TEST_DATABASE_URL;
const Pid = z.object({ pid: z.number() });

/** What the end of a database does to connections that are in use: each of these ended the process before. */
describe.skipIf(!address)('connections that the database ends', () => {
  let pool: pg.Pool;
  let other: pg.Pool;
  beforeAll(() => {
    // Connections of this file go by its name: those of tests that run beside it are left alone.
    process.env.DATABASE_URL = `${address}${address!.includes('?') ? '&' : '?'}application_name=outage`;
    pool = watched(new pg.Pool({ connectionString: address, max: 2 }));
    other = watched(new pg.Pool({ connectionString: address, max: 1 }));
  });
  afterAll(() => Promise.all([pool.end(), other.end()]));

  it('in the middle of a transaction: it is refused, the process goes on, and the next query is answered', async () => {
    const work = withTransaction(pool, async (tx) => {
      const { pid } = await one(tx, Pid, sql`select pg_backend_pid() as pid`);
      await other.query('select pg_terminate_backend($1)', [pid]);
      // The loss arrives while nothing is asked of the connection.
      const left = () => other.query('select 1 from pg_stat_activity where pid = $1', [pid]);
      await expect.poll(async () => (await left()).rowCount, { timeout: 20_000 }).toBe(0);
      await new Promise((resolve) => setTimeout(resolve, 100));
      await tx.query('select 1');
    });
    await expect(work).rejects.toThrow();
    expect(await one(pool, Pid, sql`select 1 as pid`)).toEqual({ pid: 1 });
  });
  it('while it listens: it listens again, and whoever listens is told that something may have been missed', async () => {
    const heard: string[] = [];
    let reconnected = 0;
    const stop = feed.subscribe({
      notice: (notice) => void heard.push(notice.id),
      sessionEnded: () => undefined,
      reconnected: () => void reconnected++,
    });
    await expect.poll(() => reconnected, { timeout: 20_000 }).toBe(1);
    await other.query(
      `select pg_terminate_backend(pid) from pg_stat_activity where query like 'listen diagram%' and application_name = 'outage'`,
    );
    await expect.poll(() => reconnected, { timeout: 20_000 }).toBe(2);
    await other.query(`select pg_notify('diagram', '{"id":"after-the-outage","revision":1}')`);
    await expect.poll(() => heard, { timeout: 20_000 }).toContain('after-the-outage');
    stop();
  });
});
