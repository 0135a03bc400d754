#!/usr/bin/env node
// npm run benchmark: measures in a real browser, prints a table, writes .oilwick/benchmark.json.
import { pathToFileURL } from 'node:url';
import {
  buildApplication,
  bundled,
  CHROMIUM,
  ensureFolders,
  ensurePackages,
  ensurePrograms,
  MARIADB,
  root,
} from './lib/prepare.mjs';
import { startOwnServer } from './lib/own-server.mjs';

const BUILD = '.oilwick/next-test';

process.chdir(root);
ensurePackages();
ensurePrograms({ ...MARIADB, ...CHROMIUM });
ensureFolders();
buildApplication(BUILD);
const server = await startOwnServer(BUILD);
process.env.OILWICK_TEST_URL = server.address;
try {
  await import(pathToFileURL(await bundled('benchmarks/run.ts', 'benchmark')).href);
} finally {
  await server.stop();
}
