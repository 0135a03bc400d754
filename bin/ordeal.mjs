#!/usr/bin/env node
// npm run ordeal: what takes a quarter of an hour. Long runs of edits against fresh frames, tens of thousands of outlines, and
// kills of the database under several writers.
import { ensureForBrowser, ensurePrograms, MARIADB } from './lib/prepare.mjs';
import { playwright, runSteps, vitestFiles } from './lib/steps.mjs';

ensureForBrowser();
ensurePrograms(MARIADB);
const { passed, failed } = await runSteps([
  vitestFiles('outlines', ['src/core/geometry/sound-outlines.test.ts'], { OILWICK_OUTLINES: '40000' }),
  vitestFiles('kills of the database', ['src/server/kills.store.test.ts'], { OILWICK_KILLS: '50' }, 'store'),
  playwright('sequences of edits', ['e2e/sequence.spec.ts'], {
    OILWICK_SEQUENCE_RUNS: '14',
    OILWICK_SEQUENCE_STEPS: '600',
    // These tests have pages of their own and ask no server.
    OILWICK_TEST_URL: 'http://127.0.0.1:1',
  }),
]);
process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 ? 0 : 1);
