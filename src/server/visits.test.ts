import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { diagramFromParents } from '../core/testing/arbitrary';
import type { Account } from './accounts';
import { watched } from './database';
import { createStored } from './diagrams';
import { twoPeople } from './test-people';
import { endVisit, othersHere, renewVisit } from './visits';

const address = process.env.TEST_DATABASE_URL;
let pool: pg.Pool;
let ada: Account;
let bo: Account;
const stored = async (owner: Account) => {
  const id = randomUUID();
  await createStored(pool, owner.id, id, diagramFromParents([-1, 0]));
  return id;
};

describe.skipIf(!address)('visits on a real database', () => {
  beforeAll(async () => {
    pool = watched(new pg.Pool({ connectionString: address }));
    [ada, bo] = await twoPeople(pool);
  });
  afterAll(() => pool.end());

  describe('who else is here', () => {
    it('names the others once each, and oneself only for another window', async () => {
      const id = await stored(ada);
      const [mine, mineToo, his, hisToo] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()];
      await renewVisit(pool, mine, id, ada.id);
      expect(await othersHere(pool, mine, id, ada.id)).toEqual([]);
      for (const visit of [his, hisToo]) await renewVisit(pool, visit, id, bo.id);
      expect(await othersHere(pool, mine, id, ada.id)).toEqual([{ name: 'Bo Lin', own: false }]);
      await renewVisit(pool, mineToo, id, ada.id);
      expect(await othersHere(pool, mine, id, ada.id)).toEqual([
        { name: 'Bo Lin', own: false },
        { name: 'Ada Quill', own: true },
      ]);
      await endVisit(pool, his, id);
      await endVisit(pool, mineToo, id);
      expect(await othersHere(pool, mine, id, ada.id)).toEqual([{ name: 'Bo Lin', own: false }]);
      await endVisit(pool, hisToo, id);
      expect(await othersHere(pool, mine, id, ada.id)).toEqual([]);
    });
    it('a visit of a process that died is over after a minute, and one on another diagram does not count', async () => {
      const [id, other] = [await stored(ada), await stored(ada)];
      const [mine, lost, elsewhere] = [randomUUID(), randomUUID(), randomUUID()];
      await renewVisit(pool, mine, id, ada.id);
      await renewVisit(pool, lost, id, bo.id);
      await renewVisit(pool, elsewhere, other, bo.id);
      await pool.query("update visit set seen_at = now() - interval '61 seconds' where id = $1", [lost]);
      expect(await othersHere(pool, mine, id, ada.id)).toEqual([]);
      await renewVisit(pool, lost, id, bo.id);
      expect(await othersHere(pool, mine, id, ada.id)).toHaveLength(1);
    });
    it('other windows are told of a visit once, when it begins and when it ends', async () => {
      const id = await stored(ada);
      const heard: string[] = [];
      const client = new pg.Client({ connectionString: address });
      await client.connect();
      client.on('notification', ({ payload }) => payload?.includes(id) && heard.push(payload));
      await client.query('listen diagram');
      const visit = randomUUID();
      await renewVisit(pool, visit, id, ada.id);
      await renewVisit(pool, visit, id, ada.id);
      await endVisit(pool, visit, id);
      await endVisit(pool, visit, id);
      await expect.poll(() => heard).toEqual(Array(2).fill(JSON.stringify({ id, visits: true })));
      await client.end();
    });
  });
});
