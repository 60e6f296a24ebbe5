import { z } from 'zod';
import type { ImageRef } from '../core/model';
import { cleanPicture, PictureFault } from '../export/clean-picture';
import { pictureId, type ImageFile } from '../export/images';
import type pg from 'pg';
import { many, maybeOne, one, oneAtATime, run, sql, withTransaction, type Connection } from './database';
import { Refusal } from './refusal';

/** A picture file as it is brought. */
export const mostPictureBytes = 20 * 1024 * 1024;
/** All pictures of one account together. */
const quotaBytes = 200 * 1024 * 1024;

const Kept = z.object({ id: z.string(), mime: z.enum(['image/png', 'image/jpeg']), bytes: z.instanceof(Buffer) });
export type Kept = z.infer<typeof Kept>;

/** Decodes a picture, makes it small, and keeps it for this account; the same picture again is kept once. */
export async function keepPicture(on: pg.Pool, account: string, brought: Buffer): Promise<ImageRef> {
  let clean;
  try {
    clean = await cleanPicture(brought);
  } catch (error) {
    if (error instanceof PictureFault) throw new Refusal(422, error.message);
    throw error;
  }
  const { mime, width, height, bytes } = clean;
  const id = pictureId(bytes);
  await withTransaction(on, async (tx) => {
    await oneAtATime(tx, account);
    const { used } = await one(
      tx,
      z.object({ used: z.coerce.number() }),
      sql`select coalesce(sum(octet_length(bytes)), 0) as used from picture where owner = ${account} and id <> ${id}`,
    );
    if (used + bytes.length > quotaBytes)
      throw new Refusal(
        413,
        `Your pictures take ${Math.round(used / 1e6)} MB of the ${Math.round(quotaBytes / 1e6)} MB an account may have. Take some out first.`,
      );
    await run(
      tx,
      sql`insert into picture (owner, id, mime, width, height, bytes) values (${account}, ${id}, ${mime}, ${width}, ${height}, ${Buffer.from(bytes)})
          on conflict (owner, id) do nothing`,
    );
  });
  return { id, width, height };
}

export async function readPicture(on: Connection, account: string, id: string): Promise<Kept> {
  const row = await maybeOne(
    on,
    Kept,
    sql`select id, mime, bytes from picture where owner = ${account} and id = ${id}`,
  );
  if (!row) throw new Refusal(404, 'There is no such picture among yours.');
  return row;
}

/** The pictures that a stored body refers to, for the writers. */
export async function picturesIn(
  on: Connection,
  account: string,
  body: string,
): Promise<(readonly [id: string, file: ImageFile])[]> {
  const ids = [...new Set([...body.matchAll(/"image":\{"id":"([0-9a-f]{32})"/g)].map(([, id]) => id!))];
  if (ids.length === 0) return [];
  const rows = await many(
    on,
    Kept,
    sql`select id, mime, bytes from picture where owner = ${account} and id = any(${ids})`,
  );
  return rows.map(({ id, mime, bytes }) => [id, { mime, bytes: new Uint8Array(bytes) }]);
}

/** A picture that nothing shows any more, and nothing that was done meanwhile could bring back, goes after so many days. */
const unusedDays = 30;
/** Looked through at once. */
const mostCleared = 50;

/** Clears pictures that no diagram of their owner shows and no edit of the last thirty days speaks of. Returns how many. */
export const clearUnusedPictures = (on: Connection): Promise<number> =>
  run(
    on,
    sql`delete from picture using (
          select owner, id from picture as old
          where brought_at < now() - make_interval(days => ${unusedDays})
            and not exists (select from diagram where owner = old.owner and position(old.id in body::text) > 0)
            and not exists (
              select from edit join diagram on diagram.id = edit.diagram
              where diagram.owner = old.owner and made_at > now() - make_interval(days => ${unusedDays})
                and (position(old.id in commands::text) > 0 or position(old.id in coalesce(inverse::text, '')) > 0))
          limit ${mostCleared}
        ) as unused where picture.owner = unused.owner and picture.id = unused.id`,
  );
