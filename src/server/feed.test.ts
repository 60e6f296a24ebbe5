import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { diagramFromParents } from '../core/testing/arbitrary';
import type { Account } from './accounts';
import { watched } from './database';
import { createStored, eraseDiagram, setBinned } from './diagrams';
import { eventStream } from './feed';
import { twoPeople } from './test-people';

const address = process.env.TEST_DATABASE_URL;

/** All that a stream says, as far as it was read. */
function heardOf(stream: ReadableStream<Uint8Array>): { readonly text: () => string } {
  let text = '';
  void (async () => {
    for await (const part of stream as unknown as AsyncIterable<Uint8Array>) text += new TextDecoder().decode(part);
  })();
  return { text: () => text };
}

describe.skipIf(!address)('the live feed', () => {
  let pool: pg.Pool;
  let ada: Account;
  let bo: Account;
  const ending = new AbortController();
  beforeAll(async () => {
    process.env.DATABASE_URL = address;
    pool = watched(new pg.Pool({ connectionString: address }));
    [ada, bo] = await twoPeople(pool);
  });
  afterAll(async () => {
    ending.abort();
    await pool.end();
  });
  const listen = (who: Account, diagrams: readonly string[]) =>
    heardOf(
      eventStream(
        { account: who.id, session: 's', watches: diagrams.map((diagram) => ({ diagram, window: 'w1' })) },
        ending.signal,
      ),
    );

  it('of another’s diagram nothing is told but that there is none, neither who is there nor what happens to it', async () => {
    const [hers, his] = [randomUUID(), randomUUID()];
    await createStored(pool, ada.id, hers, diagramFromParents([-1]));
    await createStored(pool, bo.id, his, diagramFromParents([-1]));
    const own = listen(ada, [hers]);
    const spying = listen(bo, [hers, his]);
    await expect.poll(spying.text, { timeout: 20_000 }).toContain(`event: gone\ndata: {"id":"${hers}"}`);
    await expect.poll(own.text, { timeout: 20_000 }).toContain(`{"id":"${hers}","revision":0}`);
    for (let revision = 1; revision < 4; revision++)
      for (const id of [hers, his])
        await pool.query('select pg_notify($1, $2)', ['diagram', JSON.stringify({ id, revision })]);
    await expect.poll(own.text, { timeout: 20_000 }).toContain(`{"id":"${hers}","revision":3}`);
    await expect.poll(spying.text, { timeout: 20_000 }).toContain(`{"id":"${his}","revision":3}`);
    await new Promise((resolve) => setTimeout(resolve, 1200));
    expect(spying.text()).not.toContain('Ada Quill');
    expect(spying.text()).not.toMatch(new RegExp(`"id":"${hers}","(revision|window)`));
    // And whoever looks is not seen by the owner.
    expect(own.text()).not.toContain('Bo Lin');
  });
  it('one account has a bounded number of streams', () => {
    const open = Array.from({ length: 40 }, () => {
      try {
        listen(ada, ['nothing']);
        return true;
      } catch (error) {
        expect(error).toMatchObject({ status: 429 });
        return false;
      }
    });
    expect(open.filter(Boolean).length).toBeLessThan(25);
    expect(() => listen(bo, ['nothing'])).not.toThrow();
  });
  it('a diagram that is erased is told gone', async () => {
    const id = randomUUID();
    await createStored(pool, bo.id, id, diagramFromParents([-1]));
    await setBinned(pool, bo.id, id, true);
    await eraseDiagram(pool, bo.id, id);
    const heard = listen(bo, [id]);
    await expect.poll(heard.text, { timeout: 20_000 }).toContain('event: gone');
  });
});
