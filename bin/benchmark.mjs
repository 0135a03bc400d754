#!/usr/bin/env node
// npm run benchmark: measures in a real browser, prints a table, writes .oilwick/benchmark.json.
// npm run benchmark -- store: measures the store alone.
import { pathToFileURL } from 'node:url';
import { buildApplication, bundled, ensureForBrowser, TEST_BUILD } from './lib/prepare.mjs';
import { startOwnServer } from './lib/own-server.mjs';

if (process.argv[2] === 'store') {
  await import(pathToFileURL(await bundled('benchmarks/store-run.ts', 'benchmark-store')).href);
  process.exit(0);
}
ensureForBrowser();
buildApplication(TEST_BUILD);
const server = await startOwnServer(TEST_BUILD);
process.env.OILWICK_TEST_URL = server.address;
try {
  await import(pathToFileURL(await bundled('benchmarks/run.ts', 'benchmark')).href);
} finally {
  await server.stop();
}
