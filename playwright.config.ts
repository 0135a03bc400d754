import { defineConfig } from '@playwright/test';
import { CHROMIUM_LAUNCH } from './bin/lib/chromium.mjs';

export default defineConfig({
  testDir: 'e2e',
  // What takes long or changes the machine runs only in the ordeal.
  testIgnore: process.env.OILWICK_ORDEAL ? [] : ['ordeal/**'],
  grepInvert: process.env.OILWICK_ORDEAL ? [] : [/@slow/],
  outputDir: '.oilwick/test-results',
  timeout: 90_000,
  // A busy machine is waited for; a test that fails is never tried again.
  expect: { timeout: 25_000 },
  workers: 2,
  fullyParallel: false,
  reporter: [['list'], ['json', { outputFile: '.oilwick/test-results.json' }]],
  use: {
    baseURL: process.env.OILWICK_TEST_URL,
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM_LAUNCH,
  },
});
