import { defineConfig } from '@playwright/test';
import { chromium } from './e2e/browser';

export default defineConfig({
  testDir: 'e2e',
  outputDir: '.test/browser',
  timeout: 60_000,
  expect: { timeout: 10_000 },
  workers: 1,
  reporter: [['line'], ['json']],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: chromium,
    permissions: ['clipboard-read', 'clipboard-write'],
  },
});
