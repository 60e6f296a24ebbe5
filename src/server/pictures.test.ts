import { randomUUID } from 'node:crypto';
import pg from 'pg';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Account } from './accounts';
import { clearUnusedPictures, keepPicture, readPicture } from './pictures';
import { diagramFromParents } from '../core/testing/arbitrary';
import { createStored } from './diagrams';
import { twoPeople } from './test-people';

const address = process.env.TEST_DATABASE_URL;
const png = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==',
  'base64',
);

describe.skipIf(!address)('pictures on a real database', () => {
  let pool: pg.Pool;
  let ada: Account;
  let bo: Account;
  beforeAll(async () => {
    pool = new pg.Pool({ connectionString: address });
    [ada, bo] = await twoPeople(pool);
  });
  afterAll(() => pool.end());

  it('come back as a picture of their size, under the same name each time', async () => {
    const kept = await keepPicture(pool, ada.id, png);
    expect(kept).toMatchObject({ width: 1, height: 1 });
    expect(await keepPicture(pool, ada.id, png)).toEqual(kept);
    const { bytes, mime } = await readPicture(pool, ada.id, kept.id);
    expect(await sharp(bytes).metadata()).toMatchObject({ format: 'png', width: 1, height: 1 });
    expect(mime).toBe('image/png');
  });
  it.each(['jpeg', 'png', 'webp', 'gif'] as const)(
    '%s is decoded, made small and encoded anew, without what else the file held',
    async (format) => {
      const made = await sharp({ create: { width: 900, height: 300, channels: 3, background: '#336699' } })
        .withExif({ IFD0: { Copyright: 'somebody' } })
        .toFormat(format)
        .toBuffer();
      const kept = await keepPicture(pool, ada.id, made);
      expect(kept).toMatchObject({ width: 640, height: 213 });
      const { bytes, mime } = await readPicture(pool, ada.id, kept.id);
      expect(mime).toBe(format === 'jpeg' ? 'image/jpeg' : 'image/png');
      expect((await sharp(bytes).metadata()).exif).toBeUndefined();
    },
  );
  it('rubbish behind a good head is refused, and so are more pixels than can be decoded', async () => {
    const rubbish = Buffer.concat([png.subarray(0, 41), Buffer.alloc(46, 7)]);
    await expect(keepPicture(pool, ada.id, rubbish)).rejects.toMatchObject({ status: 422 });
    const huge = await sharp({
      create: { width: 12_000, height: 12_000, channels: 3, background: '#fff' },
      limitInputPixels: false,
    })
      .png()
      .toBuffer();
    await expect(keepPicture(pool, ada.id, huge)).rejects.toThrow('million pixels');
  });
  it('together take no more than an account may have', async () => {
    await pool.query(
      `insert into picture (owner, id, mime, width, height, bytes) select $1, 'filler-' || n, 'image/png', 1, 1, decode(repeat('00', 20000000), 'hex') from generate_series(1, 11) as n`,
      [bo.id],
    );
    await expect(keepPicture(pool, bo.id, png)).rejects.toThrow(/of the 210 MB an account may have/);
    await pool.query(`delete from picture where owner = $1`, [bo.id]);
  });
  it('that nothing shows, and no edit of a month speaks of, go after thirty days; others stay', async () => {
    const ages = { shown: 40, undone: 40, unused: 40, fresh: 20 };
    const id = (name: string) => Buffer.from(name.padEnd(16, '-')).toString('hex');
    for (const [name, days] of Object.entries(ages))
      await pool.query(
        `insert into picture (owner, id, mime, width, height, bytes, brought_at) values ($1, $2, 'image/png', 1, 1, '', now() - make_interval(days => $3))`,
        [bo.id, id(name), days],
      );
    const chart = diagramFromParents([-1, 0]);
    const image = (name: string) => ({ id: id(name), width: 1, height: 1 });
    const diagram = randomUUID();
    await createStored(pool, bo.id, diagram, {
      ...chart,
      entries: { ...chart.entries, e1: { ...chart.entries.e1!, image: image('shown') } },
    });
    await pool.query(`insert into edit (diagram, revision, gesture, account, commands) values ($1, 1, 'g', $2, $3)`, [
      diagram,
      bo.id,
      JSON.stringify([{ kind: 'setImage', id: 'e0', image: image('undone') }]),
    ]);
    await clearUnusedPictures(pool);
    const { rows } = await pool.query<{ id: string }>(`select id from picture where owner = $1`, [bo.id]);
    expect(rows.map((row) => row.id).sort()).toEqual([id('fresh'), id('shown'), id('undone')].sort());
  });
  it('are nobody else’s', async () => {
    const kept = await keepPicture(pool, ada.id, png);
    await expect(readPicture(pool, bo.id, kept.id)).rejects.toThrow('no such picture among yours');
  });
  it('a file that is none is refused in words', async () => {
    await expect(keepPicture(pool, ada.id, Buffer.from('GIF89a'))).rejects.toThrow('no PNG, JPEG, WebP or GIF');
  });
});
