import { spawn } from 'node:child_process';
import { mkdir, mkdtemp, readFile, stat, symlink, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, it } from 'vitest';

const supervise = new URL('./supervise.mjs', import.meta.url).pathname;

/** A build whose server notes each start in a file, fills its error output, and ends. */
async function madeBuild(folder: string): Promise<string> {
  const build = join(folder, 'build');
  await mkdir(join(build, 'server'), { recursive: true });
  await writeFile(
    join(build, 'server', 'entry.mjs'),
    `import { appendFileSync } from 'node:fs';
     appendFileSync(${JSON.stringify(join(folder, 'starts'))}, 'x');
     console.error('y'.repeat(3_000_000));
     throw new Error('ends at once');`,
  );
  return build;
}

async function supervised(folder: string, build: string, starts: number): Promise<number | null> {
  const child = spawn(process.execPath, [supervise, build, folder], {
    env: { ...process.env, PORT: '0' },
    stdio: 'ignore',
  });
  let code: number | null = null;
  child.on('exit', (ended) => (code = ended ?? -1));
  await expect
    .poll(() => readFile(join(folder, 'starts'), 'utf8').catch(() => ''), { timeout: 60_000 })
    .toMatch(new RegExp(`^x{${starts},}$`));
  expect(code).toBeNull();
  child.kill('SIGTERM');
  await expect.poll(() => code, { timeout: 20_000 }).not.toBeNull();
  return code;
}

it('a log that cannot be written, as on a full disk, ends neither the server’s keeper nor its starting again', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'dendrotax-'));
  // Writing there fails as on a disk without room (null(4), full(4)).
  await symlink('/dev/full', join(folder, 'server.log'));
  expect(await supervised(folder, await madeBuild(folder), 3)).toBe(0);
});

it('the log is turned over when it grows, and one older one is kept', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'dendrotax-'));
  await supervised(folder, await madeBuild(folder), 4);
  expect((await stat(join(folder, 'server.log.1'))).size).toBeGreaterThan(5_000_000);
  expect((await stat(join(folder, 'server.log'))).size).toBeLessThan(10_000_000);
});
