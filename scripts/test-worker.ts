import { execFileSync } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

/** Bundles what the server runs in worker threads, once for all test files. */
export function setup(): void {
  const root = fileURLToPath(new URL('..', import.meta.url));
  mkdirSync(`${root}.test`, { recursive: true });
  execFileSync(`${root}scripts/build-worker.sh`, [`${root}.test/work.mjs`], { stdio: 'inherit' });
  process.env.DENDROTAX_WORKER = `${root}.test/work.mjs`;
}
