import { randomUUID } from 'node:crypto';
import type pg from 'pg';
import { z } from 'zod';
import { openDiagram, type Diagram } from '../core/diagram';
import { many, maybeOne, one, run, sql, withTransaction, type Connection } from './database';
import { Refusal } from './refusal';
import { admittedDiagram, type AdmittedDiagram } from './work/admit';
import type { IndexChanges } from './work/apply';
import { work } from './work/pool';

export const notFound = (): Refusal => new Refusal(404, 'There is no such diagram among yours.');

const Stored = z.object({ id: z.string(), body: z.string(), revision: z.number(), binned: z.boolean() });
export type Stored = z.infer<typeof Stored>;

/** A diagram of this account, its body as JSON text; nobody else's is ever found. */
export async function readStored(on: Connection, account: string, id: string): Promise<Stored> {
  const row = await maybeOne(
    on,
    Stored,
    sql`select id, body::text as body, revision, binned_at is not null as binned from diagram where id = ${id} and owner = ${account}`,
  );
  if (!row) throw notFound();
  return row;
}

/** As `readStored`, opened. */
export async function readDiagram(
  on: Connection,
  account: string,
  id: string,
): Promise<Omit<Stored, 'body'> & { readonly diagram: Diagram }> {
  const { body, ...rest } = await readStored(on, account, id);
  return { ...rest, diagram: openDiagram(JSON.parse(body)) };
}

/** Titles of the account's diagrams that are not in the bin. */
export async function titlesOf(on: Connection, account: string): Promise<string[]> {
  const rows = await many(
    on,
    z.object({ title: z.string() }),
    sql`select title from diagram where owner = ${account} and binned_at is null`,
  );
  return rows.map(({ title }) => title);
}

/** Keeps a new diagram; kept before under its id by the same account, it is left as it is. */
export async function keepDiagram(pool: pg.Pool, account: string, made: AdmittedDiagram): Promise<void> {
  const { id, kind, title, body, entryCount } = made;
  await withTransaction(pool, async (tx) => {
    const inserted = await run(
      tx,
      sql`insert into diagram (id, owner, kind, title, body, entry_count, updated_by)
          values (${id}, ${account}, ${kind}, ${title}, ${body}, ${entryCount}, ${account}) on conflict (id) do nothing`,
    );
    if (inserted === 0) {
      const own = await maybeOne(
        tx,
        z.object({ id: z.string() }),
        sql`select id from diagram where id = ${id} and owner = ${account}`,
      );
      if (own) return;
      throw new Refusal(409, 'That id is taken. Try again.');
    }
    await run(
      tx,
      sql`insert into edit (diagram, revision, gesture, account, commands, body) values (${id}, 0, 'first', ${account}, '[]', ${body})`,
    );
    await writeIndex(tx, id, made.index);
  });
}

/** Checks a diagram and keeps it. */
export async function createStored(pool: pg.Pool, account: string, id: string, diagram: Diagram): Promise<void> {
  await keepDiagram(pool, account, admittedDiagram(id, diagram, await titlesOf(pool, account)));
}

/** Brings the search index to the newest state of the entries. */
export async function writeIndex(
  tx: Connection,
  diagram: string,
  { gone, ids, names, texts }: IndexChanges,
): Promise<void> {
  if (gone.length > 0) await run(tx, sql`delete from entry_text where diagram = ${diagram} and entry = any(${gone})`);
  if (ids.length === 0) return;
  await run(
    tx,
    sql`insert into entry_text (diagram, entry, name, text)
        select ${diagram}, * from unnest(${ids}::text[], ${names}::text[], ${texts}::text[])
        on conflict (diagram, entry) do update set name = excluded.name, text = excluded.text`,
  );
}

const DeskRow = z.object({
  id: z.string(),
  kind: z.string(),
  title: z.string(),
  revision: z.number(),
  entries: z.number(),
  /** Counts of the newest revision that was drawn; null where none was yet. */
  tiers: z.number().nullable(),
  findings: z.number().nullable(),
  /** Why it cannot be drawn or read; null where it can. */
  problem: z.string().nullable(),
  changedAt: z.date().transform((date) => date.toISOString()),
  changedBy: z.string(),
  binned: z.boolean(),
});
export type DeskRow = z.infer<typeof DeskRow>;

/** All diagrams of an account, newest change first; the binned ones too. Nothing is computed here. */
export function listDiagrams(on: Connection, account: string): Promise<DeskRow[]> {
  return many(
    on,
    DeskRow,
    sql`select diagram.id, kind, title, diagram.revision, entry_count as entries, summary_tiers as tiers, summary_findings as findings,
               case when drawing.revision = diagram.revision then drawing.problem end as problem,
               updated_at as "changedAt", account.name as "changedBy", binned_at is not null as binned
        from diagram join account on account.id = diagram.updated_by left join drawing on drawing.diagram = diagram.id
        where owner = ${account} order by updated_at desc, diagram.id limit 1000`,
  );
}

export async function setBinned(on: Connection, account: string, id: string, binned: boolean): Promise<void> {
  const touched = await run(
    on,
    sql`update diagram set binned_at = case when ${binned} then now() end where id = ${id} and owner = ${account}`,
  );
  if (touched === 0) throw notFound();
}

/** For good; only from the bin. */
export async function eraseDiagram(on: Connection, account: string, id: string): Promise<void> {
  const touched = await run(
    on,
    sql`delete from diagram where id = ${id} and owner = ${account} and binned_at is not null`,
  );
  if (touched === 0) throw notFound();
}

const Snapshot = z.object({ revision: z.number(), body: z.string() });

/**
 * Brings a diagram back to the newest state that its log gives, as a further revision: from the newest body in the log that can be read, on through
 * the edits after it as far as they apply. Returns the revision it was brought back to.
 */
export async function restoreFromLog(pool: pg.Pool, account: string, id: string): Promise<number> {
  const { revision } = await readStored(pool, account, id);
  const snapshots = await many(
    pool,
    Snapshot,
    sql`select revision, body::text as body from edit where diagram = ${id} and body is not null order by revision desc`,
  );
  for (const snapshot of snapshots) {
    const edits = await many(
      pool,
      z.object({ commands: z.string() }),
      sql`select commands::text as commands from edit where diagram = ${id} and revision > ${snapshot.revision} and revision <= ${revision} order by revision`,
    );
    const rebuilt = await work(account, 'rebuild', {
      body: snapshot.body,
      edits: edits.map((one) => one.commands),
    }).catch(() => null);
    if (!rebuilt) continue;
    await withTransaction(pool, async (tx) => {
      const next = await one(
        tx,
        z.object({ revision: z.number() }),
        sql`update diagram set body = ${rebuilt.body}, revision = revision + 1, updated_at = now(), updated_by = ${account}
            where id = ${id} and revision = ${revision} returning revision`,
      );
      await run(
        tx,
        sql`insert into edit (diagram, revision, gesture, account, commands, body)
            values (${id}, ${next.revision}, ${`restored-${randomUUID()}`}, ${account}, '[]', ${rebuilt.body})`,
      );
      await run(tx, sql`select pg_notify('diagram', ${JSON.stringify({ id, revision: next.revision })})`);
    });
    return snapshot.revision + rebuilt.applied;
  }
  throw new Refusal(422, 'No earlier state of this diagram can be read either.');
}

const Found = z.object({
  diagram: z.string(),
  title: z.string(),
  entry: z.string(),
  name: z.string(),
  text: z.string(),
});
export type Found = z.infer<typeof Found>;

/** Entries whose text holds every word of the query, in diagrams of this account that are not in the bin. */
export async function searchEntries(on: Connection, account: string, query: string): Promise<Found[]> {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean).slice(0, 8);
  if (words.length === 0) return [];
  const patterns = words.map((word) => `%${word.replace(/[\\%_]/g, '\\$&')}%`);
  return many(
    on,
    Found,
    sql`select entry_text.diagram, diagram.title, entry, entry_text.name, text from entry_text join diagram on diagram.id = entry_text.diagram
        where owner = ${account} and binned_at is null and text like all(${patterns}) order by diagram.updated_at desc, entry_text.name limit 40`,
  );
}

export const revisionOf = async (on: Connection, account: string, id: string): Promise<number> => {
  const revision = (await revisionsOf(on, account, [id])).get(id);
  if (revision === undefined) throw notFound();
  return revision;
};

/** The revisions of those of some diagrams that this account may see; of others nothing. */
export async function revisionsOf(
  on: Connection,
  account: string,
  ids: readonly string[],
): Promise<ReadonlyMap<string, number>> {
  const rows = await many(
    on,
    z.object({ id: z.string(), revision: z.number() }),
    sql`select id, revision from diagram where owner = ${account} and id = any(${ids})`,
  );
  return new Map(rows.map(({ id, revision }) => [id, revision]));
}

/** Whether the database answers. */
export async function ping(on: Connection): Promise<void> {
  await one(on, z.object({ ok: z.number() }), sql`select 1 as ok`);
}
