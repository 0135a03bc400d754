/** A database of its own for a test file: the own MariaDB in a temporary folder, migrated and empty. */
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Pool } from 'mysql2/promise';
import { migrate } from './database/migrate';
import { openPool } from './database/pool';
import { startOwnMariadb, type OwnMariadb } from './mariadb/own-mariadb';

export const MIGRATIONS = 'src/server/database/migrations';

export interface TestDatabase {
  folder: string;
  mariadb: OwnMariadb;
  pool: Pool;
  close(): Promise<void>;
}

export async function openTestDatabase(): Promise<TestDatabase> {
  const folder = await mkdtemp(join(tmpdir(), 'oilwick-store-'));
  const mariadb = await startOwnMariadb(folder);
  process.env.OILWICK_DATABASE_URL = mariadb.url;
  const pool = openPool(mariadb.url);
  await migrate(pool, MIGRATIONS);
  const database: TestDatabase = {
    folder,
    mariadb,
    pool,
    async close() {
      await database.pool.end();
      await database.mariadb.stop();
      await rm(folder, { recursive: true, force: true });
    },
  };
  return database;
}
