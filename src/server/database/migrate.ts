/** Numbered migrations, files of SQL and steps of code, applied under a lock, each once; files are checked by their sums. */
import { createHash } from 'node:crypto';
import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { PoolConnection } from 'mysql2/promise';
import { DatabaseFault } from '../faults';
import type { DatabaseNodes } from './nodes';
import { withConnection } from './pool';
import { rowsOf, run, sql } from './sql';
import { CODE_STEPS, type CodeStep } from './steps/all-steps';

const LOCK_NAME = 'oilwick-migration';
const LOCK_SECONDS = 60;

interface Applied {
  name: string;
  checksum: string;
  ended_at: string | null;
}

/**
 * Brings the database to the newest version.
 * @param folder where the `.sql` files are
 * @returns names of the migrations that were applied now
 * @throws DatabaseFault where an applied migration's file was changed, or the database is newer than the code
 */
export async function migrate(pool: DatabaseNodes, folder: string): Promise<string[]> {
  const files = (await readdir(folder)).filter((name) => name.endsWith('.sql'));
  const names = [...files, ...Object.keys(CODE_STEPS)].sort();
  return withConnection(async (connection) => {
    const [lock] = await rowsOf<{ taken: number }>(
      connection,
      sql`SELECT GET_LOCK(${LOCK_NAME}, ${LOCK_SECONDS}) AS taken`,
    );
    if (lock?.taken !== 1)
      throw new DatabaseFault('Another process is migrating the database and does not finish.');
    try {
      return await applyAll(connection, folder, names);
    } finally {
      await rowsOf(connection, sql`SELECT RELEASE_LOCK(${LOCK_NAME})`);
    }
  }, pool);
}

async function applyAll(connection: PoolConnection, folder: string, names: string[]): Promise<string[]> {
  await run(
    connection,
    sql`
    CREATE TABLE IF NOT EXISTS migration (
      name VARCHAR(120) NOT NULL PRIMARY KEY,
      checksum CHAR(64) NOT NULL,
      started_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
      ended_at DATETIME(3) NULL
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  );
  const applied = new Map(
    (await rowsOf<Applied>(connection, sql`SELECT name, checksum, ended_at FROM migration`)).map((row) => [
      row.name,
      row,
    ]),
  );
  for (const name of applied.keys()) {
    if (!names.includes(name))
      throw new DatabaseFault(`The database has migration ${name}, which this version does not know.`);
  }
  const done: string[] = [];
  for (const name of names) {
    const step = CODE_STEPS[name] as CodeStep | undefined;
    const text = step ? name : await readFile(join(folder, name), 'utf8');
    const checksum = createHash('sha256').update(text).digest('hex');
    const last = applied.get(name);
    if (last?.ended_at) {
      if (last.checksum !== checksum)
        throw new DatabaseFault(`Migration ${name} was changed after it was applied.`);
      continue;
    }
    await run(
      connection,
      sql`
      INSERT INTO migration (name, checksum) VALUES (${name}, ${checksum})
      ON DUPLICATE KEY UPDATE checksum = ${checksum}, started_at = CURRENT_TIMESTAMP(3)`,
    );
    if (step) await step(connection);
    else for (const statement of stepsOf(text)) await connection.query(statement);
    await run(connection, sql`UPDATE migration SET ended_at = CURRENT_TIMESTAMP(3) WHERE name = ${name}`);
    done.push(name);
  }
  return done;
}

function stepsOf(text: string): string[] {
  return text
    .split(/;\s*$/m)
    .map((step) => step.replace(/^--.*$/gm, '').trim())
    .filter((step) => step !== '');
}
