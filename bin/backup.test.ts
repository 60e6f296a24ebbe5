import { execFileSync, spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { expect, it } from 'vitest';
import { diagramFromParents } from '../src/core/testing/arbitrary';
import { watched } from '../src/server/database';
import { createStored, listDiagrams, readStored } from '../src/server/diagrams';
import { twoPeople } from '../src/server/test-people';

const address = process.env.TEST_DATABASE_URL;
const command = (name: string) => fileURLToPath(new URL(`./${name}`, import.meta.url));

it.skipIf(!address)(
  'what a backup wrote comes back as it was, whatever was done meanwhile; what is none changes nothing',
  async () => {
    const maker = new pg.Client({ connectionString: address });
    await maker.connect();
    const name = `backup_${randomUUID().replaceAll('-', '')}`;
    await maker.query(`create database ${name}`);
    const url = new URL(address!);
    url.pathname = `/${name}`;
    const env = { ...process.env, DATABASE_URL: url.href };
    const pool = watched(new pg.Pool({ connectionString: url.href }));
    const [ada] = await twoPeople(pool);
    const id = randomUUID();
    await createStored(pool, ada.id, id, diagramFromParents([-1, 0, 1]));
    const [before, list] = [await readStored(pool, ada.id, id), await listDiagrams(pool, ada.id)];
    const folder = mkdtempSync(join(tmpdir(), 'dendrotax-'));
    const file = join(folder, 'all.backup');
    execFileSync(command('backup'), [file], { env, stdio: 'pipe' });
    await pool.query('delete from diagram');
    await pool.query('create table stray (x int)');

    const noBackup = join(folder, 'none');
    writeFileSync(noBackup, 'not a backup');
    const sure = '--in-place-of-what-is-there';
    expect(spawnSync(command('restore'), [noBackup, sure], { env }).status).toBe(1);
    expect(spawnSync(command('restore'), [file], { env }).status).toBe(2);
    expect(await listDiagrams(pool, ada.id)).toEqual([]);

    execFileSync(command('restore'), [file, sure], { env, stdio: 'pipe' });
    expect(await readStored(pool, ada.id, id)).toEqual(before);
    expect(await listDiagrams(pool, ada.id)).toEqual(list);
    await pool.end();
    await maker.query(`drop database ${name}`);
    await maker.end();
  },
);
