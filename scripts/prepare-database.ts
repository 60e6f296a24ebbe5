/** Brings the database to the newest form and, where it is wanted, once loads the Brackwater demo. Prints nothing when there is nothing to tell. */
import { fileURLToPath } from 'node:url';
import { loadDemo } from '../demo/load';
import pg from 'pg';
import { watched } from '../src/server/database';
import { migrate } from '../src/server/migrate';

// Without the limits of the application: what migrates may take as long as it needs.
const pool = watched(new pg.Pool({ connectionString: process.env.DATABASE_URL }));
const applied = await migrate(pool, fileURLToPath(new URL('../db/migrations', import.meta.url)));
if (applied.length > 0) console.log(`Database brought up to ${applied.at(-1)}.`);
if (process.env.DENDROTAX_DEMO === 'yes' && (await loadDemo(pool))) console.log('Demo loaded.');
await pool.end();
