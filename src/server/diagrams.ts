import type pg from 'pg';
import { z } from 'zod';
import { check, draw } from '../core/kind';
import { brokenInvariants, openDiagram, type Diagram, own } from '../core/model';
import { many, maybeOne, one, run, sql, withTransaction, type Connection } from './database';
import { Refusal } from './refusal';

export const notFound = (): Refusal => new Refusal(404, 'There is no such diagram among yours.');

const Stored = z.object({ id: z.string(), body: z.unknown(), revision: z.number(), binned: z.boolean() });

export interface StoredDiagram {
  readonly id: string;
  readonly diagram: Diagram;
  readonly revision: number;
  readonly binned: boolean;
}

/** A diagram of this account; nobody else's is ever found. */
export async function readDiagram(on: Connection, account: string, id: string): Promise<StoredDiagram> {
  const row = await maybeOne(
    on,
    Stored,
    sql`select id, body, revision, binned_at is not null as binned from diagram where id = ${id} and owner = ${account}`,
  );
  if (!row) throw notFound();
  return { id: row.id, revision: row.revision, binned: row.binned, diagram: openDiagram(row.body) };
}

export async function createStored(pool: pg.Pool, account: string, id: string, diagram: Diagram): Promise<void> {
  const broken = brokenInvariants(diagram);
  if (broken.length > 0) throw new Refusal(422, `The diagram does not hold together: ${broken[0]}`);
  await withTransaction(pool, async (tx) => {
    const made = await run(
      tx,
      sql`insert into diagram (id, owner, kind, title, body, entry_count, updated_by)
          values (${id}, ${account}, ${diagram.kind}, ${diagram.title}, ${JSON.stringify(diagram)}, ${Object.keys(diagram.entries).length}, ${account})
          on conflict (id) do nothing`,
    );
    if (made === 0) {
      const own = await maybeOne(
        tx,
        z.object({ id: z.string() }),
        sql`select id from diagram where id = ${id} and owner = ${account}`,
      );
      if (own) return;
      throw new Refusal(409, 'That id is taken. Try again.');
    }
    await indexEntries(tx, id, {}, diagram.entries);
  });
}

/** Brings the search index from one state of the entries to the next; entries that kept their identity are passed over. */
export async function indexEntries(
  tx: Connection,
  diagram: string,
  before: Diagram['entries'],
  after: Diagram['entries'],
): Promise<void> {
  const gone = Object.keys(before).filter((id) => !own(after, id));
  if (gone.length > 0) await run(tx, sql`delete from entry_text where diagram = ${diagram} and entry = any(${gone})`);
  const changed = Object.values(after).filter((entry) => {
    const old = own(before, entry.id);
    return !old || old.name !== entry.name || old.details !== entry.details || old.fields !== entry.fields;
  });
  if (changed.length === 0) return;
  const ids = changed.map((entry) => entry.id);
  const names = changed.map((entry) => entry.name);
  const texts = changed.map((entry) =>
    [entry.name, ...entry.details, ...Object.values(entry.fields)].join(' ').toLowerCase(),
  );
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
  tiers: z.number().nullable(),
  findings: z.number().nullable(),
  fresh: z.boolean(),
  changedAt: z.date().transform((date) => date.toISOString()),
  changedBy: z.string(),
  binned: z.boolean(),
});
export type DeskRow = Omit<z.infer<typeof DeskRow>, 'fresh' | 'tiers' | 'findings'> & {
  tiers: number;
  findings: number;
};

/** All diagrams of an account, newest change first; the binned ones too. Counts that are out of date are computed and kept. */
export async function listDiagrams(pool: pg.Pool, account: string): Promise<DeskRow[]> {
  const rows = await many(
    pool,
    DeskRow,
    sql`select diagram.id, kind, title, revision, entry_count as entries, summary_tiers as tiers, summary_findings as findings,
               coalesce(summary_revision = revision, false) as fresh,
               updated_at as "changedAt", account.name as "changedBy", binned_at is not null as binned
        from diagram join account on account.id = diagram.updated_by
        where owner = ${account} order by updated_at desc, diagram.id limit 1000`,
  );
  const listed: DeskRow[] = [];
  for (const { fresh, ...row } of rows) {
    const summary = fresh
      ? { tiers: row.tiers ?? 0, findings: row.findings ?? 0 }
      : await summarise(pool, account, row.id);
    listed.push({ ...row, ...summary });
  }
  return listed;
}

async function summarise(pool: pg.Pool, account: string, id: string): Promise<{ tiers: number; findings: number }> {
  const { diagram, revision } = await readDiagram(pool, account, id);
  const drawn = draw(diagram);
  const tiers = drawn.scene.tiers.length;
  const findings = check(diagram, drawn).length;
  await run(
    pool,
    sql`update diagram set summary_revision = ${revision}, summary_tiers = ${tiers}, summary_findings = ${findings} where id = ${id} and revision = ${revision}`,
  );
  return { tiers, findings };
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
  const row = await maybeOne(
    on,
    z.object({ revision: z.number() }),
    sql`select revision from diagram where id = ${id} and owner = ${account}`,
  );
  if (!row) throw notFound();
  return row.revision;
};

/** Whether the database answers. */
export async function ping(on: Connection): Promise<void> {
  await one(on, z.object({ ok: z.number() }), sql`select 1 as ok`);
}
