#!/usr/bin/env node
// The command line: builds itself on first use into a folder that git ignores, then runs.
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { bundled, ensureFolders, fail, root } from './lib/prepare.mjs';

if (!existsSync(join(root, 'node_modules', 'esbuild')))
  fail(`The packages are not installed. Run: npm ci --prefix ${root}`);
ensureFolders();
await import(pathToFileURL(await bundled('src/cli/main.ts', 'oilwick')).href);
