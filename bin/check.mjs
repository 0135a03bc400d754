#!/usr/bin/env node
// npm run check: types, lint, format, layers, unused code and unit tests; quick, and green before every commit.
import { ensureFolders, ensurePackages, root } from './lib/prepare.mjs';
import { checkSteps, runSteps, unitStep } from './lib/steps.mjs';

process.chdir(root);
ensurePackages();
ensureFolders();
const checks = await runSteps(checkSteps(), 2);
const units = await runSteps([unitStep()]);
process.exit(checks.failed + units.failed === 0 ? 0 : 1);
