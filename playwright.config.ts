import { defineConfig } from '@playwright/test';
import { CHROMIUM_LAUNCH } from './bin/lib/chromium.mjs';

export default defineConfig({
  testDir: 'e2e',
  outputDir: '.oilwick/test-results',
  timeout: 90_000,
  expect: { timeout: 15_000 },
  workers: 2,
  // On a machine that others share a test may starve; one that fails twice has failed.
  retries: process.env.CI ? 1 : 0,
  fullyParallel: false,
  reporter: [['list'], ['json', { outputFile: '.oilwick/test-results.json' }]],
  use: {
    baseURL: process.env.OILWICK_TEST_URL,
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM_LAUNCH,
  },
});
