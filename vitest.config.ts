import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

/** What keeps nothing outside its functions, and can be loaded once for all files; the import rules work in a folder of their own. */
const pure = 'src/{core,export,workers,islands}/**/!(import-rules).test.ts';

export default defineConfig({
  // TIMES=20: as many generated inputs many times over.
  ...(process.env.TIMES && {
    resolve: {
      alias: [{ find: /^fast-check$/, replacement: fileURLToPath(new URL('scripts/many-inputs.ts', import.meta.url)) }],
    },
  }),
  test: {
    setupFiles: ['scripts/test-seed.ts'],
    globalSetup: ['scripts/test-worker.ts'],
    testTimeout: 300_000 * Number(process.env.TIMES ?? 1),
    hookTimeout: 300_000,
    maxWorkers: 2,
    projects: [
      { extends: true, test: { name: 'drawings', include: [pure], isolate: false, pool: 'threads' } },
      {
        extends: true,
        test: {
          name: 'machines',
          include: ['src/**/*.test.ts', 'bin/**/*.test.ts', 'scripts/**/*.test.ts'],
          exclude: [pure],
        },
      },
    ],
  },
});
