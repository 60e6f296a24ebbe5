import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { diagramFromParents } from '../core/testing/arbitrary';
import type { Account } from './accounts';
import { watched } from './database';
import { createStored } from './diagrams';
import { Presence, type ToldHere } from './presence';
import { twoPeople } from './test-people';
import { endVisits, othersOf, renewVisits, whoIsHere } from './visits';

const address = process.env.TEST_DATABASE_URL;
let pool: pg.Pool;
let ada: Account;
let bo: Account;
const stored = async (owner: Account) => {
  const id = randomUUID();
  await createStored(pool, owner.id, id, diagramFromParents([-1, 0]));
  return id;
};
const visit = (diagram: string, { id: account }: Account) => ({ id: randomUUID(), diagram, account });
const others = async (diagram: string, { id }: Account) => othersOf(await whoIsHere(pool, [diagram]), id);

describe.skipIf(!address)('visits on a real database', () => {
  beforeAll(async () => {
    pool = watched(new pg.Pool({ connectionString: address }));
    [ada, bo] = await twoPeople(pool);
  });
  afterAll(() => pool.end());

  describe('who else is here', () => {
    it('names the others once each, and oneself only for another window', async () => {
      const id = await stored(ada);
      const [mine, mineToo, his, hisToo] = [visit(id, ada), visit(id, ada), visit(id, bo), visit(id, bo)];
      await renewVisits(pool, [mine]);
      expect(await others(id, ada)).toEqual([]);
      await renewVisits(pool, [his, hisToo]);
      expect(await others(id, ada)).toEqual([{ name: 'Bo Lin', own: false }]);
      await renewVisits(pool, [mineToo]);
      expect(await others(id, ada)).toEqual([
        { name: 'Bo Lin', own: false },
        { name: 'Ada Quill', own: true },
      ]);
      await endVisits(pool, [his.id, mineToo.id]);
      expect(await others(id, ada)).toEqual([{ name: 'Bo Lin', own: false }]);
      await endVisits(pool, [hisToo.id]);
      expect(await others(id, ada)).toEqual([]);
    });
    it('a visit of a process that died is over after a minute, one on another diagram does not count, and one of a diagram that is gone is passed over', async () => {
      const [id, other] = [await stored(ada), await stored(ada)];
      const [mine, left, elsewhere] = [visit(id, ada), visit(id, bo), visit(other, bo)];
      await renewVisits(pool, [mine, left, elsewhere, visit('gone', ada)]);
      await pool.query("update visit set seen_at = now() - interval '61 seconds' where id = $1", [left.id]);
      expect(await others(id, ada)).toEqual([]);
      await renewVisits(pool, [left]);
      expect(await others(id, ada)).toHaveLength(1);
    });
    it('other windows are told of a visit once, when it begins and when it ends', async () => {
      const id = await stored(ada);
      const heard: string[] = [];
      const client = new pg.Client({ connectionString: address });
      await client.connect();
      client.on('notification', ({ payload }) => payload?.includes(id) && heard.push(payload));
      await client.query('listen diagram');
      const mine = visit(id, ada);
      await renewVisits(pool, [mine, visit(id, ada)]);
      await renewVisits(pool, [mine]);
      await endVisits(pool, [mine.id]);
      await endVisits(pool, [mine.id]);
      await expect.poll(() => heard, { timeout: 20_000 }).toEqual(Array(2).fill(JSON.stringify({ id, visits: true })));
      await client.end();
    });
    it('however many windows one account opens, who is here is written and asked for together', async () => {
      const id = await stored(ada);
      const asked: string[] = [];
      const counted = {
        query: (text: string, values: unknown[]) => {
          asked.push(text);
          return pool.query(text, values);
        },
      } as unknown as pg.Pool;
      const presence = new Presence(() => counted);
      const told: ToldHere[] = [];
      const streams = Array.from({ length: 6 }, () => ({ here: (all: readonly ToldHere[]) => void told.push(...all) }));
      const open = streams.flatMap((stream) =>
        Array.from({ length: 60 }, (_, k) => ({ ...visit(id, ada), window: `w${k}`, stream })),
      );
      for (const one of open) presence.begin(one);
      for (let k = 0; k < 200; k++) presence.changed(id);
      await expect.poll(() => told.length, { timeout: 20_000 }).toBe(360);
      expect(told.every(({ visitors }) => visitors.length === 1 && visitors[0]!.own)).toBe(true);
      for (const one of open.slice(1)) presence.end(one.id);
      await expect.poll(() => told.at(-1), { timeout: 20_000 }).toMatchObject({ visitors: [] });
      // 360 windows that came and went: one of them at a time would be over 700.
      expect(asked.length).toBeLessThan(24);
      presence.end(open[0]!.id);
    });
  });
});
