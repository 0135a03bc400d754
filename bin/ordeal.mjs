#!/usr/bin/env node
// npm run ordeal: what takes a quarter of an hour. Long runs of edits against fresh frames, and tens of thousands of outlines.
import { ensureForBrowser } from './lib/prepare.mjs';
import { playwright, runSteps, vitestFiles } from './lib/steps.mjs';

ensureForBrowser();
const { passed, failed } = await runSteps([
  vitestFiles('outlines', ['src/core/geometry/sound-outlines.test.ts'], { OILWICK_OUTLINES: '40000' }),
  playwright('sequences of edits', ['e2e/sequence.spec.ts'], {
    OILWICK_SEQUENCE_RUNS: '14',
    OILWICK_SEQUENCE_STEPS: '600',
    // These tests have pages of their own and ask no server.
    OILWICK_TEST_URL: 'http://127.0.0.1:1',
  }),
]);
process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 ? 0 : 1);
