/** A database of its own for a test file: the own MariaDB in a temporary folder, migrated and empty. */
import { mkdtemp, readdir, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll } from 'vitest';
import { migrate } from '../database/migrate';
import type { DatabaseNodes } from '../database/nodes';
import { startOwnMariadb, type OwnMariadb } from '../mariadb/own-mariadb';
import { askDatabase, type Connections } from './connections';
import { pause } from './writers';

export const MIGRATIONS = 'src/server/database/migrations';

export interface TestDatabase {
  folder: string;
  mariadb: OwnMariadb;
  pool: DatabaseNodes;
  connections: Connections;
}

/** Opens a database for the tests of a file, and closes it behind them. @returns what is filled when they run */
export function testDatabase(): TestDatabase {
  const database = {} as TestDatabase;
  beforeAll(async () => {
    database.folder = await mkdtemp(join(tmpdir(), 'oilwick-store-'));
    askMariadb(database, await startOwnMariadb(database.folder));
    await migrate(database.pool, MIGRATIONS);
  });
  afterAll(async () => {
    await database.connections.close();
    await database.mariadb.stop();
    await rm(database.folder, { recursive: true, force: true });
  });
  return database;
}

/** Has the queries of a test ask this MariaDB. */
export function askMariadb(database: TestDatabase, mariadb: OwnMariadb): void {
  const connections = askDatabase(mariadb.url);
  Object.assign(database, { mariadb, connections, pool: connections.pool });
}

/** Kills the database, starts it again on its data, and opens new connections. */
export async function killAndReopen(database: TestDatabase): Promise<void> {
  process.kill(database.mariadb.pid, 'SIGKILL');
  await database.connections.close();
  askMariadb(database, await startOwnMariadb(database.folder));
}

/** Holds the database up, and comes back when each of its threads stands: a signal alone may let an answer through. */
export async function holdUp({ mariadb: { pid } }: TestDatabase): Promise<void> {
  process.kill(pid, 'SIGSTOP');
  const stands = async (thread: string) =>
    /\) T /.test(await readFile(`/proc/${pid}/task/${thread}/stat`, 'utf8'));
  for (;;) {
    const threads = await readdir(`/proc/${pid}/task`);
    if ((await Promise.all(threads.map(stands))).every(Boolean)) return;
    await pause(2);
  }
}
