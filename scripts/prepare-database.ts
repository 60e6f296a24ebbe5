/** Brings the database to the newest form and, where it is wanted, once loads the Brackwater demo. Prints nothing when there is nothing to tell. */
import { fileURLToPath } from 'node:url';
import { loadDemo } from '../demo/load';
import { database } from '../src/server/database';
import { migrate } from '../src/server/migrate';

const applied = await migrate(database(), fileURLToPath(new URL('../db/migrations', import.meta.url)));
if (applied.length > 0) console.log(`Database brought up to ${applied.at(-1)}.`);
if (process.env.DENDROTAX_DEMO === 'yes' && (await loadDemo(database()))) console.log('Demo loaded.');
await database().end();
