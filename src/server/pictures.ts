import { z } from 'zod';
import type { ImageRef } from '../core/model';
import type { Scene } from '../core/scene';
import { imagesIn, imageSize, pictureId, type ImageFiles } from '../export/images';
import { many, maybeOne, run, sql, type Connection } from './database';
import { Refusal } from './refusal';

/** The browser makes pictures smaller before it sends them; a larger file did not come from there. */
export const mostPictureBytes = 2 * 1024 * 1024;

const Kept = z.object({ id: z.string(), mime: z.enum(['image/png', 'image/jpeg']), bytes: z.instanceof(Buffer) });
export type Kept = z.infer<typeof Kept>;

/** Keeps a picture of this account; the same file again is the same picture. */
export async function keepPicture(on: Connection, account: string, bytes: Buffer): Promise<ImageRef> {
  const size = imageSize(bytes);
  if (!size) throw new Refusal(422, 'That file is no PNG or JPEG picture. Save it as one of these and bring it again.');
  const { mime, width, height } = size;
  const id = pictureId(bytes);
  await run(
    on,
    sql`insert into picture (owner, id, mime, width, height, bytes) values (${account}, ${id}, ${mime}, ${width}, ${height}, ${bytes})
        on conflict (owner, id) do nothing`,
  );
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

/** The pictures a Scene shows, for the writers. */
export async function picturesOf(on: Connection, account: string, scene: Scene): Promise<ImageFiles> {
  const ids = imagesIn(scene);
  if (ids.length === 0) return new Map();
  const rows = await many(
    on,
    Kept,
    sql`select id, mime, bytes from picture where owner = ${account} and id = any(${ids})`,
  );
  return new Map(rows.map(({ id, mime, bytes }) => [id, { mime, bytes }]));
}
