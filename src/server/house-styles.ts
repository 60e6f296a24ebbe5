import { z } from 'zod';
import { HouseStyle } from '../core/model';
import type pg from 'pg';
import { many, maybeOne, one, oneAtATime, run, sql, withTransaction, type Connection } from './database';
import { Refusal } from './refusal';

/** Most that one account may keep. */
const mostKept = 60;

const Kept = z.object({ id: z.string(), revision: z.number().int(), forNew: z.boolean(), style: HouseStyle });
export type KeptHouseStyle = z.infer<typeof Kept>;

/** What is sent to keep one. */
export const GivenHouseStyle = z.strictObject({ style: HouseStyle, forNew: z.boolean() });
export type GivenHouseStyle = z.infer<typeof GivenHouseStyle>;

const missing = () => new Refusal(404, 'There is no such house style among yours.');

export const houseStyles = (on: Connection, account: string): Promise<KeptHouseStyle[]> =>
  many(
    on,
    Kept,
    sql`select id, revision, for_new as "forNew", body as style from house_style where owner = ${account} order by body->>'name', id`,
  );

/** Keeps a house style under its id, new or changed; its revision grows where the style is another. That for new diagrams takes the place of the one before. */
export const keepHouseStyle = (
  on: pg.Pool,
  account: string,
  id: string,
  { style, forNew }: GivenHouseStyle,
): Promise<KeptHouseStyle> =>
  withTransaction(on, async (tx) => {
    await oneAtATime(tx, account);
    const { held } = await one(
      tx,
      z.object({ held: z.coerce.number() }),
      sql`select count(*) as held from house_style where owner = ${account} and id <> ${id}`,
    );
    if (held >= mostKept)
      throw new Refusal(422, `An account keeps at most ${mostKept} house styles. Take one out first.`);
    if (forNew)
      await run(tx, sql`update house_style set for_new = false where owner = ${account} and for_new and id <> ${id}`);
    const kept = await maybeOne(
      tx,
      Kept,
      sql`insert into house_style (id, owner, body, for_new) values (${id}, ${account}, ${JSON.stringify(style)}, ${forNew})
          on conflict (id) do update set
            revision = house_style.revision + case when house_style.body = excluded.body then 0 else 1 end,
            body = excluded.body, for_new = excluded.for_new, changed_at = now()
          where house_style.owner = excluded.owner
          returning id, revision, for_new as "forNew", body as style`,
    );
    if (!kept) throw missing();
    return kept;
  });

/** Takes one out; diagrams that are tied to it keep what they have. */
export async function dropHouseStyle(on: Connection, account: string, id: string): Promise<void> {
  const gone = await maybeOne(
    on,
    z.object({ id: z.string() }),
    sql`delete from house_style where owner = ${account} and id = ${id} returning id`,
  );
  if (!gone) throw missing();
}
