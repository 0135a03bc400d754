#!/usr/bin/env node
// npm test: installs what is missing, then checks, store tests on a MariaDB of their own, and tests in a real browser.
import {
  buildApplication,
  CHROMIUM,
  ensureFolders,
  ensurePackages,
  ensurePrograms,
  MARIADB,
  root,
} from './lib/prepare.mjs';
import { startOwnServer } from './lib/own-server.mjs';
import { checkSteps, playwright, runSteps, storeStep } from './lib/steps.mjs';

const BUILD = '.oilwick/next-test';

process.chdir(root);
ensurePackages();
ensurePrograms({ ...MARIADB, ...CHROMIUM });
ensureFolders();
process.env.NEXT_TELEMETRY_DISABLED = '1';

const sum = runSteps(checkSteps());
const add = ({ passed, failed }) => {
  sum.passed += passed;
  sum.failed += failed;
};
add(runSteps([storeStep({})]));

buildApplication(BUILD);
const server = await startOwnServer(BUILD);
try {
  add(
    runSteps([
      playwright('browser tests', [], {
        OILWICK_TEST_URL: server.address,
        OILWICK_BUILD_DIR: BUILD,
      }),
    ]),
  );
} finally {
  await server.stop();
}

process.stdout.write(`\n${sum.passed} passed, ${sum.failed} failed\n`);
process.exit(sum.failed === 0 ? 0 : 1);
