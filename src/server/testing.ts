/** A database of its own for a test file: the own MariaDB in a temporary folder, migrated and empty. */
import { randomUUID } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Pool } from 'mysql2/promise';
import { afterAll, beforeAll } from 'vitest';
import type { SceneDocument } from '@/core/scene/document';
import { newScene } from '@/core/scene/new-scene';
import { newLight, type Light } from '@/core/scene/records/light';
import { migrate } from './database/migrate';
import { openPool, pool as sharedPool } from './database/pool';
import { startOwnMariadb, type OwnMariadb } from './mariadb/own-mariadb';
import { makeProject } from './queries/projects';
import { makeScene, openScene } from './queries/scenes';

export const MIGRATIONS = 'src/server/database/migrations';

export interface TestDatabase {
  folder: string;
  mariadb: OwnMariadb;
  pool: Pool;
}

/** Opens a database for the tests of a file, and closes it behind them. @returns what is filled when they run */
export function testDatabase(): TestDatabase {
  const database = {} as TestDatabase;
  beforeAll(async () => {
    const folder = await mkdtemp(join(tmpdir(), 'oilwick-store-'));
    const mariadb = await startOwnMariadb(folder);
    process.env.OILWICK_DATABASE_URL = mariadb.url;
    Object.assign(database, { folder, mariadb, pool: openPool(mariadb.url) });
    await migrate(database.pool, MIGRATIONS);
  });
  afterAll(async () => {
    await sharedPool().end();
    await database.pool.end();
    await database.mariadb.stop();
    await rm(database.folder, { recursive: true, force: true });
  });
  return database;
}

/** Kills the database, starts it again on its data, and opens new connections. */
export async function killAndReopen(database: TestDatabase): Promise<void> {
  process.kill(database.mariadb.pid, 'SIGKILL');
  await closePools(database);
  await reopen(database, await startOwnMariadb(database.folder));
}

export async function closePools(database: TestDatabase): Promise<void> {
  // Of a database that was killed connections end with an error.
  await Promise.allSettled([sharedPool().end(), database.pool.end()]);
  (globalThis as { oilwickPool?: unknown }).oilwickPool = undefined;
}

export async function reopen(database: TestDatabase, mariadb: OwnMariadb): Promise<void> {
  process.env.OILWICK_DATABASE_URL = mariadb.url;
  (globalThis as { oilwickPool?: unknown }).oilwickPool = undefined;
  Object.assign(database, { mariadb, pool: openPool(mariadb.url) });
}

export const transactionId = () => randomUUID();

/** What somebody knows who opened a scene at a revision, and asks for nothing of its project. */
export const at = (revision: number) => ({ revision, changeNumber: Number.MAX_SAFE_INTEGER });

export function testLamp(x: number): Light {
  return newLight({ name: 'Lamp', planeId: 'plane-middle', order: 'a', x, y: 2 });
}

/** An empty scene in a project of its own. */
export async function freshScene(): Promise<{ projectId: string; id: string; document: SceneDocument }> {
  const projectId = await makeProject('Project');
  const id = await makeScene(projectId, 'Scene', newScene());
  return { projectId, id, document: (await openScene(id)).document };
}
