/** Two server processes on a cluster of databases whose nodes are killed and join again. */
import { test } from '@playwright/test';
import { migrate } from '../../src/server/database/migrate';
import { Cluster } from '../../src/server/testing/cluster';
import { askDatabase } from '../../src/server/testing/connections';
import { ServerProcess } from '../../src/server/testing/server-process';
import { proveAllThere, sharedWork } from '../../src/server/testing/writers';
import { ANSWERS, atWork, proveAllHeard, proveHeardSoon } from '../at-work';

/** One after another, each joined again before the next is killed. */
const KILLED_NODES = [0, 1, 2, 0, 1];

test('on a cluster of three nodes, which are killed under load one after another, nothing that was answered is lost', async () => {
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
    for (const node of KILLED_NODES) {
      await cluster.kill(node);
      await writers.answers(ANSWERS);
      await cluster.rejoin(node);
      await writers.answers(ANSWERS);
    }
    await writers.stop();
    await proveAllHeard(work, writers, hearings);
    await Promise.all(hearings.map((one) => one.stop()));
    for (let node = 0; node < 3; node++) {
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
