#!/usr/bin/env node
// npm test: installs what is missing, then checks, store tests on a MariaDB of their own, and tests in a real browser.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  buildApplication,
  bundled,
  CHROMIUM,
  ensureFolders,
  ensurePackages,
  ensurePrograms,
  fail,
  MARIADB,
  root,
} from './lib/prepare.mjs';
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
const data = mkdtempSync(join(tmpdir(), 'oilwick-test-'));
const server = await start(data);
try {
  add(
    runSteps([
      playwright('browser tests', [], {
        OILWICK_TEST_URL: server.address,
        OILWICK_TEST_DATA: data,
        OILWICK_BUILD_DIR: BUILD,
      }),
    ]),
  );
} finally {
  await server.stop();
  rmSync(data, { recursive: true, force: true });
}

process.stdout.write(`\n${sum.passed} passed, ${sum.failed} failed\n`);
process.exit(sum.failed === 0 ? 0 : 1);

/** The application on data of its own and a free port. */
async function start(folder) {
  const entry = await bundled('src/server/main/start.ts', 'start');
  const child = spawn(process.execPath, [entry, '--port', '0'], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, OILWICK_DATA_DIR: folder, OILWICK_BUILD_DIR: BUILD },
  });
  const address = await new Promise((resolve) => {
    child.stdout.on('data', (chunk) => {
      const match = /ready: (http\S+)/.exec(String(chunk));
      if (match) resolve(match[1]);
    });
    child.on('exit', () => resolve(null));
  });
  if (!address) fail('The application for the browser tests did not start.');
  return {
    address,
    stop: () =>
      new Promise((resolve) => {
        child.on('exit', resolve);
        child.kill('SIGTERM');
      }),
  };
}
