import { defineConfig } from '@playwright/test';
import { chromium } from './e2e/browser';

export default defineConfig({
  testDir: 'e2e',
  outputDir: '.test/browser',
  // Ample for a machine a tenth as fast: how long it takes is measured by the bench, not told by a test.
  timeout: 300_000,
  expect: { timeout: 40_000 },
  // Each has a server and accounts of its own.
  workers: 2,
  reporter: [['line'], ['json']],
  use: {
    actionTimeout: 40_000,
    viewport: { width: 1280, height: 800 },
    // What is on its way cannot be taken hold of where it was measured.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: chromium,
    permissions: ['clipboard-read', 'clipboard-write'],
  },
});
