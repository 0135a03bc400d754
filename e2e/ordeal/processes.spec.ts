/** Several server processes on one database, while processes and the database are killed. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from '@playwright/test';
import { hash2 } from '../../src/core/time/noise';
import { migrate } from '../../src/server/database/migrate';
import { startOwnMariadb } from '../../src/server/mariadb/own-mariadb';
import { askDatabase } from '../../src/server/testing/connections';
import { ServerProcess } from '../../src/server/testing/server-process';
import { pause, proveAllThere, sharedWork } from '../../src/server/testing/writers';
import { ANSWERS, atWork, proveAllHeard, proveHeardSoon } from '../at-work';

const KILLS = Number(process.env.OILWICK_KILLS ?? 2);

test('two processes on one database both serve and tell; kills of either and of the database lose nothing', async () => {
  test.setTimeout(120_000 + 20_000 * KILLS);
  const folder = mkdtempSync(join(tmpdir(), 'oilwick-processes-'));
  let mariadb = await startOwnMariadb(folder);
  const servers: ServerProcess[] = [];
  let connections = askDatabase(mariadb.url);
  try {
    await migrate(connections.pool, 'src/server/database/migrations');
    const work = await sharedWork();
    for (let i = 0; i < 2; i++) servers.push(await ServerProcess.start(mariadb.url));
    const { hearings, writers } = await atWork(servers, work);
    await proveHeardSoon(writers, hearings);
    for (let kill = 0; kill < KILLS; kill++) {
      await writers.answers(ANSWERS);
      await pause(hash2(11, kill) % 300);
      // A process, the database, or both.
      const what = kill % 3;
      if (what !== 0) {
        process.kill(mariadb.pid, 'SIGKILL');
        mariadb = await startOwnMariadb(folder);
      }
      if (what !== 1) await servers[kill % 2].killAndRun();
    }
    await writers.answers(ANSWERS);
    await writers.stop();
    await connections.close();
    connections = askDatabase(mariadb.url);
    await proveAllThere(work, writers.answered);
    await proveAllHeard(work, writers, hearings);
    await Promise.all(hearings.map((one) => one.stop()));
  } finally {
    await Promise.all(servers.map((server) => server.end()));
    await connections.close();
    await mariadb.stop();
    rmSync(folder, { recursive: true, force: true });
  }
});
