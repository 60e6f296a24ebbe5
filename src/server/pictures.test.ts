import { randomUUID } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createAccount, type Account } from './accounts';
import { migrate } from './migrate';
import { keepPicture, readPicture } from './pictures';

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
    await migrate(pool, fileURLToPath(new URL('../../db/migrations', import.meta.url)));
    const person = (name: string) =>
      createAccount(pool, { email: `${randomUUID()}@brackwater.example`, name, password: 'estuary-mud-9' });
    [ada, bo] = [await person('Ada Quill'), await person('Bo Lin')];
  });
  afterAll(() => pool.end());

  it('come back as they were brought, under the same name each time', async () => {
    const kept = await keepPicture(pool, ada.id, png);
    expect(kept).toMatchObject({ width: 1, height: 1 });
    expect(await keepPicture(pool, ada.id, png)).toEqual(kept);
    const { bytes, mime } = await readPicture(pool, ada.id, kept.id);
    expect(bytes.equals(png)).toBe(true);
    expect(mime).toBe('image/png');
  });
  it('are nobody else’s', async () => {
    const kept = await keepPicture(pool, ada.id, png);
    await expect(readPicture(pool, bo.id, kept.id)).rejects.toThrow('no such picture among yours');
  });
  it('a file that is none is refused in words', async () => {
    await expect(keepPicture(pool, ada.id, Buffer.from('GIF89a'))).rejects.toThrow('no PNG or JPEG');
  });
});
