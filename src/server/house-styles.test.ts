import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { houseStyleOf } from '../core/diagram';
import { diagramFromParents } from '../core/testing/arbitrary';
import type { Account } from './accounts';
import { dropHouseStyle, houseStyles, keepHouseStyle } from './house-styles';
import { person, twoPeople } from './test-people';

const address = process.env.TEST_DATABASE_URL;

describe.skipIf(!address)('house styles on a real database', () => {
  let pool: pg.Pool;
  let ada: Account;
  let bo: Account;
  beforeAll(async () => {
    pool = new pg.Pool({ connectionString: address });
    [ada, bo] = await twoPeople(pool);
  });
  afterAll(() => pool.end());
  const style = (name: string, look = 'ledger') => houseStyleOf({ ...diagramFromParents([-1]), look }, name);
  const refused = (promise: Promise<unknown>) => expect(promise).rejects.toMatchObject({ status: 404 });

  it('come back as they were kept, to their owner alone, and grow a revision only when they change', async () => {
    const id = randomUUID();
    expect(await keepHouseStyle(pool, ada.id, id, { style: style('Reserve'), forNew: false })).toMatchObject({
      revision: 1,
    });
    expect(await keepHouseStyle(pool, ada.id, id, { style: style('Reserve'), forNew: true })).toMatchObject({
      revision: 1,
    });
    const changed = await keepHouseStyle(pool, ada.id, id, { style: style('Reserve', 'heather'), forNew: true });
    expect(changed).toEqual({ id, revision: 2, forNew: true, style: style('Reserve', 'heather') });
    expect(await houseStyles(pool, ada.id)).toContainEqual(changed);
    expect(await houseStyles(pool, bo.id)).toEqual([]);
    await refused(keepHouseStyle(pool, bo.id, id, { style: style('Mine'), forNew: false }));
    await refused(dropHouseStyle(pool, bo.id, id));
    await dropHouseStyle(pool, ada.id, id);
    await refused(dropHouseStyle(pool, ada.id, id));
  });
  it('one at most is taken for new diagrams', async () => {
    const [one, two] = [randomUUID(), randomUUID()];
    await keepHouseStyle(pool, bo.id, one, { style: style('One'), forNew: true });
    await keepHouseStyle(pool, bo.id, two, { style: style('Two'), forNew: true });
    expect((await houseStyles(pool, bo.id)).filter(({ forNew }) => forNew).map(({ id }) => id)).toEqual([two]);
  });
  it('many at once are all answered, one of them is for new diagrams, and none takes another’s id', async () => {
    const cy = await person(pool, 'Cy Dee');
    const ids = Array.from({ length: 6 }, () => randomUUID());
    await Promise.all(ids.map((id) => keepHouseStyle(pool, cy.id, id, { style: style('At once'), forNew: true })));
    expect((await houseStyles(pool, cy.id)).filter(({ forNew }) => forNew)).toHaveLength(1);
    const shared = randomUUID();
    const both = await Promise.allSettled(
      [ada, cy].map((one) => keepHouseStyle(pool, one.id, shared, { style: style(one.name), forNew: false })),
    );
    expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
    const owner = both[0]!.status === 'fulfilled' ? ada : cy;
    expect((await houseStyles(pool, owner.id)).find(({ id }) => id === shared)!.style.name).toBe(owner.name);
  });
  it('of seventy at once sixty are kept', async () => {
    const dee = await person(pool, 'Dee');
    const all = await Promise.allSettled(
      Array.from({ length: 70 }, () =>
        keepHouseStyle(pool, dee.id, randomUUID(), { style: style('One of many'), forNew: false }),
      ),
    );
    expect(all.filter(({ status }) => status === 'fulfilled')).toHaveLength(60);
    expect(await houseStyles(pool, dee.id)).toHaveLength(60);
  });
  it('no more than sixty are kept', async () => {
    const held = (await houseStyles(pool, bo.id)).length;
    for (let k = held; k < 60; k++)
      await keepHouseStyle(pool, bo.id, randomUUID(), { style: style(`No. ${k}`), forNew: false });
    await expect(
      keepHouseStyle(pool, bo.id, randomUUID(), { style: style('One more'), forNew: false }),
    ).rejects.toMatchObject({ status: 422 });
  });
});
