import { readFileSync } from 'node:fs';
import { chown, cp, mkdir, mkdtemp, rm, stat, symlink, unlink, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { createConnection } from 'mysql2/promise';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { readScene } from '@/core/scene/read-scene';
import { change, create } from '@/core/scene/edits';
import { withConnection } from './database/pool';
import { NoRoomFault } from './faults';
import { migrate } from './database/migrate';
import { rowsOf, run, runsOf, sql, table, tuples } from './database/sql';
import { startLock } from './main/start-lock';
import { ownFolder } from './mariadb/own-folder';
import { startOwnMariadb } from './mariadb/own-mariadb';
import { patchScene } from './queries/patches';
import { allProjects } from './queries/projects';
import { openScene, type OpenScene } from './queries/scenes';
import { MIGRATIONS, killAndReopen, testDatabase, askMariadb } from './testing/database';
import { at, freshScene, testLamp, transactionId } from './testing/samples';

const database = testDatabase();

describe('a query', () => {
  it('has a place for each value, and only names of tables in its text', () => {
    const hostile = "x'; DROP TABLE scene; --";
    const query = sql`SELECT id FROM ${table('scene_record')} WHERE owner_id = ${hostile} AND (id, x) IN (${tuples(
      [
        ['a', 1],
        ['b', 2],
      ],
    )})`;
    expect(query).toEqual({
      text: 'SELECT id FROM scene_record WHERE owner_id = ? AND (id, x) IN ((?, ?), (?, ?))',
      values: [hostile, 'a', 1, 'b', 2],
    });
    expect(sql`SELECT 1`).toEqual({ text: 'SELECT 1', values: [] });
  });

  it('of many rows comes in runs whose lengths are powers of two', () => {
    const lengths = (count: number) => [...runsOf(Array.from({ length: count }))].map((run) => run.length);
    expect(lengths(0)).toEqual([]);
    expect(lengths(7)).toEqual([4, 2, 1]);
    expect(lengths(600)).toEqual([256, 256, 64, 16, 8]);
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

describe('a start', () => {
  it('ends a server that runs on its data and does not let it in, and finds all that was there', async () => {
    const { id } = await freshScene();
    const record = join(database.folder, 'run', 'mariadb.json');
    await writeFile(record, '{"pid": ');
    const { pid } = database.mariadb;
    await database.connections.close();
    const again = await startOwnMariadb(database.folder);
    expect([again.pid === pid, again.wasRunning]).toEqual([false, false]);
    askMariadb(database, again);
    expect((await openScene(id)).revision).toBe(1);
  });

  it('keeps its temporary tables apart: another server that starts removes those of a shared folder', async () => {
    const [row] = await withConnection((c) => rowsOf<{ folder: string }>(c, sql`SELECT @@tmpdir AS folder`));
    expect(row.folder).toBe(join(database.folder, 'run', 'tmp'));
  });

  it('works in a folder with blanks in its path, which nobody else can enter', async () => {
    const folder = join(await mkdtemp(join(tmpdir(), 'oilwick-')), 'data of mine');
    const own = await startOwnMariadb(folder);
    try {
      for (const name of ['run', 'mariadb']) expect((await stat(join(folder, name))).mode & 0o077).toBe(0);
      await expect(
        createConnection({ socketPath: join(folder, 'run', 'db.sock'), user: 'root' }),
      ).rejects.toThrow(/denied/i);
    } finally {
      await own.stop();
      await rm(dirname(folder), { recursive: true });
    }
  });

  it('refuses a folder that is a link, or belongs to somebody else', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'oilwick-'));
    await mkdir(join(folder, 'elsewhere'));
    await symlink(join(folder, 'elsewhere'), join(folder, 'run'));
    await expect(startOwnMariadb(folder)).rejects.toThrow(/must be a folder, and not a link/);
    await unlink(join(folder, 'run'));
    await mkdir(join(folder, 'run'), { mode: 0o755 });
    await ownFolder(join(folder, 'run'));
    expect((await stat(join(folder, 'run'))).mode & 0o777).toBe(0o700);
    if (process.getuid?.() === 0) {
      await chown(join(folder, 'run'), 12345, 12345);
      await expect(startOwnMariadb(folder)).rejects.toThrow(/belongs to somebody else \(user 12345\)/);
    }
    await rm(folder, { recursive: true });
  });

  it('waits for another one on the same data', async () => {
    const file = join(database.folder, 'run', 'test.lock');
    const order: string[] = [];
    const first = await startLock(file);
    const second = startLock(file).then((release) => {
      order.push('second');
      release();
    });
    await new Promise((resolve) => setTimeout(resolve, 300));
    order.push('first ends');
    first();
    await second;
    expect(order).toEqual(['first ends', 'second']);
  });
});

describe('a database of an earlier version', () => {
  it('is brought over with scenes, strokes and bins, and again where it was cut off', async () => {
    const fixtures = new URL('database/fixtures/', import.meta.url);
    const dump = readFileSync(new URL('version-5.sql', fixtures), 'utf8');
    const expected = JSON.parse(readFileSync(new URL('version-5.json', fixtures), 'utf8')) as Record<
      string,
      Pick<OpenScene, 'revision' | 'document'>
    >;
    const connection = await createConnection({ uri: database.mariadb.url, multipleStatements: true });
    const tables = await rowsOf<{ name: string }>(
      connection,
      sql`SELECT table_name AS name FROM information_schema.tables WHERE table_schema = 'oilwick'`,
    );
    await connection.query(
      `SET FOREIGN_KEY_CHECKS = 0; ${tables.map(({ name }) => `DROP TABLE ${name};`).join(' ')} ${dump}`,
    );
    // Killed in the middle of the step that is made in code: the next start makes it once more.
    const before = await mkdtemp(join(tmpdir(), 'oilwick-migrations-'));
    await cp(MIGRATIONS, before, { recursive: true });
    await rm(join(before, '008-documents-gone.sql'));
    await migrate(database.pool, before);
    await rm(before, { recursive: true });
    await connection.query("UPDATE migration SET ended_at = NULL WHERE name LIKE '007%'");
    expect(await migrate(database.pool, MIGRATIONS)).toEqual([
      '007-records-from-documents',
      '008-documents-gone.sql',
    ]);
    for (const [id, { document, revision }] of Object.entries(expected)) {
      const opened = await openScene(id);
      expect(opened.document).toEqual(readScene(document));
      expect(opened.revision).toBe(revision);
    }
    // A record as version 5 had it is brought to what version 6 says of it.
    const [[first6]] = [Object.keys(expected)];
    const bare = { artworkId: 'art', widthPx: 9, heightPx: 9, fadePx: 0, crisp: false, playing: true };
    await run(
      connection,
      sql`
      INSERT INTO scene_record (owner_id, collection, id, document)
      VALUES (${first6}, 'lights', 'of-version-5', ${JSON.stringify({ name: 'Old', gobo: bare })})`,
    );
    await connection.query("UPDATE migration SET ended_at = NULL WHERE name LIKE '009%'");
    expect(await migrate(database.pool, MIGRATIONS)).toEqual(['009-records-of-version-6']);
    expect((await openScene(first6)).document.lights['of-version-5']).toMatchObject({
      name: 'Old',
      gobo: { ...bare, frame: 0, speed: 1 },
    });
    await run(connection, sql`DELETE FROM scene_record WHERE id = 'of-version-5'`);
    // And one of version 6 to version 7.
    await run(
      connection,
      sql`
      INSERT INTO scene_record (owner_id, collection, id, document)
      VALUES (${first6}, 'wicks', 'of-version-6', ${JSON.stringify({ name: 'Old', kind: 'breeze', rateHz: 3 })})`,
    );
    await connection.query("UPDATE migration SET ended_at = NULL WHERE name LIKE '010%'");
    expect(await migrate(database.pool, MIGRATIONS)).toEqual(['010-records-of-version-7']);
    expect((await openScene(first6)).document.wicks['of-version-6']).toMatchObject({
      ...{ name: 'Old', rateHz: 3, gusts: 0, swayXHighPx: 0, warmthLow: 0, inStep: false, cycleColours: [] },
    });
    await run(connection, sql`DELETE FROM scene_record WHERE id = 'of-version-6'`);
    // And one of version 7 to version 8.
    await run(
      connection,
      sql`
      INSERT INTO scene_record (owner_id, collection, id, document)
      VALUES (${first6}, 'circuits', 'of-version-7', ${JSON.stringify({ name: 'Old', order: 'b' })})`,
    );
    await connection.query("UPDATE migration SET ended_at = NULL WHERE name LIKE '011%'");
    expect(await migrate(database.pool, MIGRATIONS)).toEqual(['011-records-of-version-8']);
    expect((await openScene(first6)).document.circuits['of-version-7']).toMatchObject({
      ...{ name: 'Old', switching: 'always', fadeSeconds: 0 },
    });
    await run(connection, sql`DELETE FROM scene_record WHERE id = 'of-version-7'`);
    // And one of version 8 to version 9.
    await run(
      connection,
      sql`
      INSERT INTO scene_record (owner_id, collection, id, document)
      VALUES (${first6}, 'washes', 'of-version-8', ${JSON.stringify({ name: 'Old', order: 'b' })})`,
    );
    await connection.query("UPDATE migration SET ended_at = NULL WHERE name LIKE '012%'");
    expect(await migrate(database.pool, MIGRATIONS)).toEqual(['012-records-of-version-9']);
    expect((await openScene(first6)).document.washes['of-version-8']).toMatchObject({
      ...{ name: 'Old', onEntering: false, fadePx: 40 },
    });
    await run(connection, sql`DELETE FROM scene_record WHERE id = 'of-version-8'`);
    // And the settings of version 9 to version 10.
    await run(
      connection,
      sql`
      UPDATE scene_record SET document = JSON_REMOVE(document, '$.shadowBudget')
      WHERE owner_id = ${first6} AND collection = 'settings'`,
    );
    await connection.query("UPDATE migration SET ended_at = NULL WHERE name LIKE '013%'");
    expect(await migrate(database.pool, MIGRATIONS)).toEqual(['013-records-of-version-10']);
    expect((await openScene(first6)).document.settings.scene.shadowBudget).toBe(null);
    const projects = await allProjects();
    expect(projects.map(({ name, isBinned }) => [name, isBinned])).toEqual([
      ['Fixture 🚂', false],
      ['Binned project', true],
    ]);
    expect(projects[0].scenes.map(({ isBinned }) => isBinned)).toEqual([false, false, true]);
    const [first] = projects[0].scenes;
    expect(first.pictureRevision).toBe(4);
    const { document } = await openScene(first.id);
    const moved = change(document, 'strokes', 's1', { opacity: 0.25 })!;
    const answer = await patchScene(first.id, at(4), { transactionId: transactionId(), edits: [moved] });
    expect(answer).toMatchObject({ revision: 5, overwritten: [] });
    await connection.end();
  });
});

describe('a disk without room', () => {
  afterEach(() => vi.unstubAllEnvs());

  it('is said before anything is written, and what is there can still be read', async () => {
    const { id } = await freshScene();
    const patch = { transactionId: transactionId(), edits: [create('lights', 'l', testLamp(1))] };
    // A file system of the machine that has no free bytes.
    vi.stubEnv('OILWICK_DATABASE_FOLDER', '/proc');
    const refused = patchScene(id, at(1), patch);
    await expect(refused).rejects.toThrow(NoRoomFault);
    await expect(refused).rejects.toThrow('0 MB are free where the data lies');
    expect((await openScene(id)).revision).toBe(1);
    vi.stubEnv('OILWICK_DATABASE_FOLDER', '/tmp');
    expect((await patchScene(id, at(1), patch)).revision).toBe(2);
  });
});

describe('a kill', () => {
  it('of MariaDB at any moment loses no acknowledged patch', async () => {
    const { id } = await freshScene();
    for (let i = 0; i < 6; i++)
      await patchScene(id, at(i + 1), {
        transactionId: transactionId(),
        edits: [create('lights', `l${i}`, testLamp(i))],
      });
    await killAndReopen(database);
    expect(Object.keys((await openScene(id)).document.lights).length).toBe(6);
  });
});
