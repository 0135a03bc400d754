#!/usr/bin/env node
// npm run check: types, lint, format, layers, unused code and unit tests; quick, and green before every commit.
import { ensureFolders, ensurePackages, root } from './lib/prepare.mjs';
import { checkSteps, runSteps } from './lib/steps.mjs';

process.chdir(root);
ensurePackages();
ensureFolders();
process.exit(runSteps(checkSteps()).failed === 0 ? 0 : 1);
