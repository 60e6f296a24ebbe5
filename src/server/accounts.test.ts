import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { diagramFromParents } from '../core/testing/arbitrary';
import { accountOfSession, deleteAccount, openSession, type Account } from './accounts';
import { watched } from './database';
import { createStored, listDiagrams } from './diagrams';
import { person, twoPeople } from './test-people';

const address = process.env.TEST_DATABASE_URL;

describe.skipIf(!address)('an account', () => {
  let pool: pg.Pool;
  let ada: Account;
  beforeAll(async () => {
    pool = watched(new pg.Pool({ connectionString: address }));
    [ada] = await twoPeople(pool);
  });
  afterAll(() => pool.end());
  it('is erased with all that is its, after its password, and nothing of others', async () => {
    const gone = await person(pool, 'Gone Soon');
    const { token } = await openSession(pool, gone.id);
    const id = randomUUID();
    await createStored(pool, gone.id, id, diagramFromParents([-1, 0]));
    const kept = (await listDiagrams(pool, ada.id)).length;
    const source = randomUUID();
    await expect(deleteAccount(pool, gone, { password: 'not it at all' }, source)).rejects.toMatchObject({
      status: 401,
    });
    await deleteAccount(pool, gone, { password: 'estuary-mud-9' }, source);
    expect(await accountOfSession(pool, token)).toBeNull();
    for (const table of ['edit', 'entry_text'])
      expect((await pool.query(`select from ${table} where diagram = $1`, [id])).rowCount).toBe(0);
    expect((await pool.query('select from diagram where id = $1', [id])).rowCount).toBe(0);
    expect(await listDiagrams(pool, ada.id)).toHaveLength(kept);
  });
});
