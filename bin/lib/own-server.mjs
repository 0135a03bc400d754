// The application on data of its own and a free port, for tests and pictures.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bundledStart, fail, root } from './prepare.mjs';

export async function startOwnServer(build) {
  const folder = mkdtempSync(join(tmpdir(), 'oilwick-own-'));
  const entry = await bundledStart();
  const child = spawn(process.execPath, [entry, '--port', '0'], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, OILWICK_DATA_DIR: folder, OILWICK_BUILD_DIR: build },
  });
  const address = await new Promise((resolve) => {
    child.stdout.on('data', (chunk) => {
      const match = /ready: (http\S+)/.exec(String(chunk));
      if (match) resolve(match[1]);
    });
    child.on('exit', () => resolve(null));
  });
  if (!address) fail('The application did not start on data of its own.');
  return {
    address,
    async stop() {
      const ended = new Promise((resolve) => child.on('exit', resolve));
      child.kill('SIGTERM');
      await ended;
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
