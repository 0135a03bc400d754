#!/usr/bin/env node
// npm test: installs what is missing, then checks, store tests on a MariaDB of their own, and tests in a real browser.
import { buildApplication, ensureForBrowser, TEST_BUILD } from './lib/prepare.mjs';
import { startOwnServer } from './lib/own-server.mjs';
import { checkSteps, playwright, runSteps, storeStep, unitStep } from './lib/steps.mjs';

ensureForBrowser();
process.env.NEXT_TELEMETRY_DISABLED = '1';

const sum = await runSteps(checkSteps(), 2);
const add = ({ passed, failed }) => {
  sum.passed += passed;
  sum.failed += failed;
};

// The store's tests wait for the database most of the time.
add(await runSteps([unitStep(), storeStep({})], 2));

buildApplication(TEST_BUILD);
const server = await startOwnServer(TEST_BUILD);
try {
  add(
    await runSteps([
      playwright('browser tests', [], {
        OILWICK_TEST_URL: server.address,
        OILWICK_BUILD_DIR: TEST_BUILD,
      }),
    ]),
  );
} finally {
  await server.stop();
}

process.stdout.write(`\n${sum.passed} passed, ${sum.failed} failed\n`);
process.exit(sum.failed === 0 ? 0 : 1);
