import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type pg from 'pg';
import { z } from 'zod';
import { many, sql, run, withTransaction } from './database';

/** Brings the database to the newest migration: numbered SQL files in order, in one transaction, one process at a time. */
export async function migrate(pool: pg.Pool, folder: string): Promise<string[]> {
  const files = (await readdir(folder)).filter((file) => file.endsWith('.sql')).sort();
  const applied: string[] = [];
  await withTransaction(pool, async (tx) => {
    await tx.query(`select pg_advisory_xact_lock(hashtext('dendrotax migrations'))`);
    await tx.query(
      'create table if not exists migration (name text primary key, applied_at timestamptz not null default now())',
    );
    const done = new Set(
      (await many(tx, z.object({ name: z.string() }), sql`select name from migration`)).map((row) => row.name),
    );
    for (const file of files) {
      if (done.has(file)) continue;
      await tx.query(await readFile(join(folder, file), 'utf8'));
      await run(tx, sql`insert into migration (name) values (${file})`);
      applied.push(file);
    }
  });
  return applied;
}
