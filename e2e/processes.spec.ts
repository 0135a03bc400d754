/** Several server processes on one database, or on a cluster, while processes, databases and nodes are killed. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { hash2 } from '../src/core/time/noise';
import { migrate } from '../src/server/database/migrate';
import { startOwnMariadb } from '../src/server/mariadb/own-mariadb';
import { Cluster } from '../src/server/testing/cluster';
import { askDatabase } from '../src/server/testing/connections';
import { Hearing } from '../src/server/testing/hearing';
import { ServerProcess } from '../src/server/testing/server-process';
import { pause, proveAllThere, sharedWork, Writers, type SharedWork } from '../src/server/testing/writers';

const KILLS = Number(process.env.OILWICK_KILLS ?? 2);
const IS_SHORT = process.env.OILWICK_KILLS === undefined;
/** Nodes of the cluster that are killed, one after another; in the short form for good. */
const CLUSTER_KILLS = IS_SHORT ? [0] : [0, 1, 2, 0, 1];
/** Between two kills, answers. */
const ANSWERS = 30;
/** What one hears at another process comes within this, ms; beside other tests it may take longer. */
const HEARD_MS = process.env.OILWICK_ORDEAL ? 1000 : 5000;

test.describe.configure({ mode: 'serial' });

/** Two processes, three writers at each, and one who listens to each scene at each. */
async function atWork(servers: readonly ServerProcess[], work: SharedWork) {
  const hearings = servers.flatMap((server, i) =>
    work.scenes.map((sceneId) => new Hearing(server, sceneId, `listener-${i}`)),
  );
  const writers = new Writers(
    work,
    [0, 1, 2].flatMap(() => servers.map(({ send }) => send)),
  );
  await writers.answers(ANSWERS);
  return { hearings, writers };
}

/** Every answered patch was heard by everybody who listens to its scene. */
async function proveAllHeard(work: SharedWork, writers: Writers, hearings: readonly Hearing[]) {
  for (const sceneId of work.scenes) {
    const ids = [...writers.answered].filter(([, one]) => one.sceneId === sceneId).map(([id]) => id);
    for (const { heard } of hearings.filter((one) => one.sceneId === sceneId))
      await expect.poll(() => ids.filter((id) => !heard.has(id)).length, { timeout: 10_000 }).toBe(0);
  }
}

/** While nothing is killed all is heard everywhere at once. */
async function proveHeardSoon(writers: Writers, hearings: readonly Hearing[]) {
  const before = new Set(writers.answered.keys());
  await writers.answers(ANSWERS);
  const late = [...writers.answered].filter(([id]) => !before.has(id));
  await pause(HEARD_MS);
  for (const [id, { sceneId, at }] of late)
    for (const { heard } of hearings.filter((one) => one.sceneId === sceneId))
      expect((heard.get(id) ?? Infinity) - at).toBeLessThan(HEARD_MS);
}

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

test('on a cluster of three nodes, one of which is killed under load, nothing that was answered is lost', async () => {
  test.setTimeout(300_000);
  const cluster = await Cluster.start();
  const servers: ServerProcess[] = [];
  let connections = askDatabase(cluster.url(0));
  try {
    await migrate(connections.pool, 'src/server/database/migrations');
    const work = await sharedWork();
    // Each asks another node first: both write at once.
    for (let i = 0; i < 2; i++) servers.push(await ServerProcess.start(cluster.url(i)));
    const { hearings, writers } = await atWork(servers, work);
    await proveHeardSoon(writers, hearings);
    for (const node of CLUSTER_KILLS) {
      await cluster.kill(node);
      await writers.answers(ANSWERS);
      if (!IS_SHORT) {
        await cluster.rejoin(node);
        await writers.answers(ANSWERS);
      }
    }
    await writers.stop();
    await proveAllHeard(work, writers, hearings);
    await Promise.all(hearings.map((one) => one.stop()));
    for (let node = IS_SHORT ? 1 : 0; node < 3; node++) {
      await connections.close();
      connections = askDatabase(cluster.nodeUrl(node));
      await proveAllThere(work, writers.answered);
    }
  } finally {
    await Promise.all(servers.map((server) => server.end()));
    await connections.close();
    await cluster.stop();
  }
});
