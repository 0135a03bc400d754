#!/usr/bin/env node
// npm run ordeal: what takes twenty minutes. Long runs of edits against fresh frames, tens of thousands of outlines, kills
// under several writers and several people, a cluster that loses its nodes, floods of bad input, and a full disk.
import { startOwnServer } from './lib/own-server.mjs';
import { buildApplication, bundledStart, ensureForBrowser, TEST_BUILD } from './lib/prepare.mjs';
import { playwright, runSteps, vitestFiles } from './lib/steps.mjs';

ensureForBrowser();
buildApplication(TEST_BUILD);
await bundledStart();
const ordeal = {
  OILWICK_ORDEAL: '1',
  OILWICK_BUILD_DIR: TEST_BUILD,
  // These tests have pages or servers of their own.
  OILWICK_TEST_URL: 'http://127.0.0.1:1',
};
const server = await startOwnServer(TEST_BUILD);
const { passed, failed } = await runSteps([
  vitestFiles('outlines', ['src/core/geometry/sound-outlines.test.ts'], { OILWICK_OUTLINES: '40000' }),
  vitestFiles('kills of the database', ['src/server/kills.store.test.ts'], { OILWICK_KILLS: '50' }, 'store'),
  playwright(
    'several servers, a cluster, people together, floods, a full disk',
    ['e2e/ordeal', '--workers', '1'],
    {
      ...ordeal,
      OILWICK_KILLS: '15',
      OILWICK_FLOODS: '5',
      OILWICK_TOGETHER_STEPS: '200',
    },
  ),
  playwright('sequences of edits', ['e2e/sequence.spec.ts'], {
    ...ordeal,
    OILWICK_SEQUENCE_RUNS: '14',
    OILWICK_SEQUENCE_STEPS: '600',
  }),
  playwright('what takes long in a browser', ['--grep', '@slow'], {
    ...ordeal,
    OILWICK_TEST_URL: server.address,
  }),
]);
await server.stop();
process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 ? 0 : 1);
