import { readFile } from 'node:fs/promises';
import type pg from 'pg';
import { z } from 'zod';
import { maybeOne, sql } from '../src/server/database';
import { createAccount } from '../src/server/accounts';
import { createStored } from '../src/server/diagrams';
import {
  boathouseFamily,
  boatCrew,
  brackwaterStaff,
  certificates,
  kindsOfShore,
  leakingBoardwalk,
  productiveEstuary,
  shorebirds,
  wadingBirds,
} from './diagrams';

/** The sign-ins that bin/start prints. */
export const demoAccounts = [
  {
    email: 'office@brackwater.example',
    name: 'Ilse Nakamura-Vidal',
    password: 'tide-table-1',
    told: 'office administrator',
  },
  { email: 'teacher@brackwater.example', name: 'Petra Ó Súilleabháin', password: 'saltmarsh-2', told: 'teacher' },
] as const;

/** Makes the demo accounts and their diagrams unless they were made before. True where they were made now. */
export async function loadDemo(pool: pg.Pool): Promise<boolean> {
  const [office, teacher] = demoAccounts;
  const there = await maybeOne(
    pool,
    z.object({ id: z.string() }),
    sql`select id from account where email = ${office.email}`,
  );
  if (there) return false;
  const list = (name: string) => readFile(new URL(`lists/${name}`, import.meta.url), 'utf8');
  const staff = brackwaterStaff(await list('brackwater-staff.csv'));
  const crew = boatCrew(await list('boat-crew-note.txt'));
  const administrator = await createAccount(pool, office, 'demo', { demo: true });
  const birds = shorebirds(await list('shorebirds.txt'));
  const shores = kindsOfShore(await list('kinds-of-shore.txt'));
  const key = wadingBirds(await list('wading-birds-key.txt'));
  const family = boathouseFamily(await list('boathouse-family.csv'));
  const estuary = productiveEstuary(await list('productive-estuary.txt'));
  await createStored(pool, administrator.id, 'brackwater-estuary', estuary);
  await createStored(pool, administrator.id, 'brackwater-family', family);
  await createStored(pool, administrator.id, 'brackwater-key', key);
  await createStored(pool, administrator.id, 'brackwater-shores', shores);
  await createStored(
    pool,
    administrator.id,
    'brackwater-boardwalk',
    leakingBoardwalk(await list('leaking-boardwalk.txt')),
  );
  await createStored(pool, administrator.id, 'brackwater-birds', birds);
  await createStored(
    pool,
    administrator.id,
    'brackwater-certificates',
    certificates(await list('volunteer-certificates.csv')),
  );
  await createStored(pool, administrator.id, 'brackwater-crew', crew);
  await createStored(pool, administrator.id, 'brackwater-staff', staff);
  const school = await createAccount(pool, teacher, 'demo', { demo: true });
  await createStored(pool, school.id, 'boat-crew-teacher', crew);
  await createStored(pool, school.id, 'shorebirds-teacher', birds);
  await createStored(pool, school.id, 'shores-teacher', shores);
  await createStored(pool, school.id, 'birds-key-teacher', key);
  return true;
}
