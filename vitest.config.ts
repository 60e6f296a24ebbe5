import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['src/**/*.test.ts', 'bin/**/*.test.ts', 'scripts/**/*.test.ts'],
    setupFiles: ['scripts/test-seed.ts'],
    globalSetup: ['scripts/test-worker.ts'],
    testTimeout: 300_000,
    hookTimeout: 300_000,
    maxWorkers: 2,
  },
});
