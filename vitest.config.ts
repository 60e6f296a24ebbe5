import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  // TIMES=20: as many generated inputs many times over.
  ...(process.env.TIMES && {
    resolve: {
      alias: [{ find: /^fast-check$/, replacement: fileURLToPath(new URL('scripts/many-inputs.ts', import.meta.url)) }],
    },
  }),
  test: {
    include: ['src/**/*.test.ts', 'bin/**/*.test.ts', 'scripts/**/*.test.ts'],
    setupFiles: ['scripts/test-seed.ts'],
    globalSetup: ['scripts/test-worker.ts'],
    testTimeout: 300_000 * Number(process.env.TIMES ?? 1),
    hookTimeout: 300_000,
    maxWorkers: 2,
  },
});
