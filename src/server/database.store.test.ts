import { createConnection } from 'mysql2/promise';
import { describe, expect, it } from 'vitest';
import { create } from '@/core/scene/edits';
import { openPool, pool as sharedPool, withConnection } from './database/pool';
import { migrate } from './database/migrate';
import { rowsOf, sql, table } from './database/sql';
import { startOwnMariadb } from './mariadb/own-mariadb';
import { openScene, patchScene } from './queries/scenes';
import { freshScene, MIGRATIONS, testLamp, transactionId, testDatabase } from './testing';

const database = testDatabase();

describe('a query', () => {
  it('has a place for each value, and only names of tables in its text', () => {
    const hostile = "x'; DROP TABLE stroke; --";
    const query = sql`SELECT id FROM ${table('stroke')} WHERE project_id = ${hostile} AND id = ${1}`;
    expect(query).toEqual({
      text: 'SELECT id FROM stroke WHERE project_id = ? AND id = ?',
      values: [hostile, 1],
    });
    expect(sql`SELECT 1`).toEqual({ text: 'SELECT 1', values: [] });
  });
});

describe('the database', () => {
  it('is migrated once, and a second run does nothing', async () => {
    expect(await migrate(database.pool, MIGRATIONS)).toEqual([]);
  });

  it('speaks utf8mb4 in strict mode under READ COMMITTED', async () => {
    const [row] = await withConnection((c) =>
      rowsOf<Record<string, string>>(
        c,
        sql`SELECT @@character_set_server AS charset, @@sql_mode AS mode, @@tx_isolation AS level`,
      ),
    );
    expect(row).toMatchObject({ charset: 'utf8mb4', level: 'READ-COMMITTED' });
    expect(row.mode).toContain('STRICT_ALL_TABLES');
  });

  it('lets nobody in over the network but the application, and refuses a wrong password', async () => {
    const { port } = new URL(database.mariadb.url);
    for (const [user, password] of [
      ['root', ''],
      ['oilwick', 'guess'],
    ]) {
      await expect(
        createConnection({ host: '127.0.0.1', port: Number(port), user, password }),
      ).rejects.toThrow(/denied/i);
    }
  });

  it('is used again by a second start on the same data', async () => {
    const again = await startOwnMariadb(database.folder);
    expect(again.pid).toBe(database.mariadb.pid);
    expect(again.url).toBe(database.mariadb.url);
  });
});

describe('a kill', () => {
  it('of MariaDB at any moment loses no acknowledged patch', async () => {
    const { id } = await freshScene();
    for (let i = 0; i < 6; i++)
      await patchScene(id, i + 1, {
        transactionId: transactionId(),
        edits: [create('lights', `l${i}`, testLamp(i))],
      });
    process.kill(database.mariadb.pid, 'SIGKILL');
    await new Promise((resolve) => setTimeout(resolve, 200));
    await sharedPool().end();
    await database.pool.end();
    (globalThis as { oilwickPool?: unknown }).oilwickPool = undefined;
    const again = await startOwnMariadb(database.folder);
    process.env.OILWICK_DATABASE_URL = again.url;
    Object.assign(database, { mariadb: again, pool: openPool(again.url) });
    expect(Object.keys((await openScene(id)).document.lights).length).toBe(6);
  });
});
