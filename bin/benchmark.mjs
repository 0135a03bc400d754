#!/usr/bin/env node
// npm run benchmark: measures in a real browser, prints a table, writes .oilwick/benchmark.json.
import { pathToFileURL } from 'node:url';
import { bundled, CHROMIUM, ensureFolders, ensurePackages, ensurePrograms, root } from './lib/prepare.mjs';

process.chdir(root);
ensurePackages();
ensurePrograms(CHROMIUM);
ensureFolders();
await import(pathToFileURL(await bundled('benchmarks/run.ts', 'benchmark')).href);
