import { deflateSync } from 'node:zlib';
import { createConnection } from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { writeBundle } from '@/core/handoff/bundle';
import { emptyImage } from '@/core/raster/image';
import { encodePng } from '@/core/raster/png';
import { recipeWith } from '@/core/relief/recipe';
import { strokeWith } from '@/core/relief/testing/strokes';
import type { SceneDocument } from '@/core/scene/document';
import { newScene } from '@/core/scene/new-scene';
import { newArtwork } from '@/core/scene/records/artwork';
import { newLight } from '@/core/scene/records/light';
import { newRelief } from '@/core/scene/records/relief';
import { newSprite } from '@/core/scene/records/sprite';
import { applyEdits, change, create, remove } from '@/core/scene/edits';
import { fennelHalt } from '@/demo/fennel-halt';
import { openPool, pool as sharedPool, withConnection } from './database/pool';
import { migrate } from './database/migrate';
import { rowsOf, run, sql, table } from './database/sql';
import { StaleFault } from './faults';
import { startOwnMariadb } from './mariadb/own-mariadb';
import { blobOf, keepBlob, sha256Of } from './queries/blobs';
import { keepBundle, keepDocument } from './queries/bundles';
import {
  allProjects,
  binProject,
  copyProject,
  destroyBinnedProject,
  makeProject,
  renameProject,
  restoreProject,
} from './queries/projects';
import {
  binScene,
  copyScene,
  makeScene,
  openScene,
  patchScene,
  PATCHES_KEPT,
  renameScene,
} from './queries/scenes';
import { keepScenePicture, scenePicture } from './queries/scene-pictures';
import { seedDemo, seedWhenEmpty } from './seed';
import { MIGRATIONS, openTestDatabase, type TestDatabase } from './testing';

let database: TestDatabase;
beforeAll(async () => {
  database = await openTestDatabase();
});
afterAll(async () => {
  await sharedPool().end();
  await database.close();
});

let transactions = 0;
const transactionId = () => `transaction-${++transactions}`;
const lamp = (x: number) => newLight({ name: 'Lamp', planeId: 'plane-middle', order: 'a', x, y: 2 });

async function freshScene(): Promise<{ projectId: string; id: string; document: SceneDocument }> {
  const projectId = await makeProject('Project');
  const id = await makeScene(projectId, 'Scene', newScene());
  return { projectId, id, document: (await openScene(id)).document };
}

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

describe('patches', () => {
  it('are applied in order and come back with the scene', async () => {
    const { id, document } = await freshScene();
    const first = [create('lights', 'l', lamp(1))];
    expect(await patchScene(id, 1, { transactionId: transactionId(), edits: first })).toBe(2);
    const after = applyEdits(document, first);
    const second = [change(after, 'lights', 'l', { x: 40 })!];
    expect(await patchScene(id, 2, { transactionId: transactionId(), edits: second })).toBe(3);
    const opened = await openScene(id);
    expect(opened.revision).toBe(3);
    expect(opened.document).toEqual(applyEdits(after, second));
  });

  it('sent twice under one id answer the old revision and are applied once, even when others came between', async () => {
    const { id } = await freshScene();
    const patch = { transactionId: transactionId(), edits: [create('lights', 'l', lamp(1))] };
    expect(await patchScene(id, 1, patch)).toBe(2);
    expect(
      await patchScene(id, 2, { transactionId: transactionId(), edits: [create('lights', 'm', lamp(2))] }),
    ).toBe(3);
    expect(await patchScene(id, 1, patch)).toBe(2);
    expect(Object.keys((await openScene(id)).document.lights)).toEqual(['l', 'm']);
  });

  it('for another revision are refused with both, and change nothing', async () => {
    const { id } = await freshScene();
    await patchScene(id, 1, { transactionId: transactionId(), edits: [create('lights', 'l', lamp(1))] });
    const late = patchScene(id, 1, {
      transactionId: transactionId(),
      edits: [create('lights', 'm', lamp(1))],
    });
    await expect(late).rejects.toBeInstanceOf(StaleFault);
    await expect(late).rejects.toMatchObject({ expectedRevision: 1, revision: 2 });
    expect((await openScene(id)).document.lights.m).toBeUndefined();
  });

  it('that do not fit are refused by field and change nothing', async () => {
    const { id } = await freshScene();
    const edits = [create('lights', 'l', lamp(1)), create('lights', 'm', { ...lamp(1), reachPx: -1 })];
    await expect(patchScene(id, 1, { transactionId: transactionId(), edits })).rejects.toMatchObject({
      field: 'lights.m.reachPx',
    });
    expect((await openScene(id)).revision).toBe(1);
  });

  it('survive the rewriting of the whole document', async () => {
    const { id } = await freshScene();
    let { document } = await openScene(id);
    for (let i = 0; i < PATCHES_KEPT + 5; i++) {
      const edits = [i === 0 ? create('lights', 'l', lamp(0)) : change(document, 'lights', 'l', { x: i })!];
      document = applyEdits(document, edits);
      await patchScene(id, i + 1, { transactionId: transactionId(), edits });
    }
    const opened = await openScene(id);
    expect(opened.document).toEqual(document);
    const [row] = await withConnection((c) =>
      rowsOf<{ document_revision: number }>(c, sql`SELECT document_revision FROM scene WHERE id = ${id}`),
    );
    expect(row.document_revision).toBeGreaterThan(PATCHES_KEPT);
  });

  it('sent at once by many are taken one by one, each revision once', async () => {
    const { id } = await freshScene();
    const results = await Promise.allSettled(
      Array.from({ length: 8 }, (_, i) =>
        patchScene(id, 1, { transactionId: transactionId(), edits: [create('lights', `l${i}`, lamp(i))] }),
      ),
    );
    expect(results.filter((r) => r.status === 'fulfilled').length).toBe(1);
    expect((await openScene(id)).revision).toBe(2);
  });
});

describe('artworks', () => {
  const bytes = encodePng({ width: 2, height: 2, data: new Uint8Array(16).fill(200) });
  const other = encodePng({ width: 2, height: 2, data: new Uint8Array(16).fill(90) });

  it('belong to the project: what one scene brings in another one sees', async () => {
    const { projectId, id } = await freshScene();
    const other = await makeScene(projectId, 'Other', newScene());
    const imageSha = await keepBlob(bytes, 'image/png');
    const edits = [
      create(
        'artworks',
        'stone',
        newArtwork({ name: 'Stone', imageSha, widthPx: 2, heightPx: 2, pixelArt: true }),
      ),
      create('reliefs', 'stone', newRelief({ recipe: recipeWith({}) })),
    ];
    await patchScene(id, 1, { transactionId: transactionId(), edits });
    expect((await openScene(other)).document.artworks.stone.name).toBe('Stone');
    const { document } = await openScene(id);
    await patchScene(id, 2, {
      transactionId: transactionId(),
      edits: [remove(document, 'artworks', 'stone')],
    });
    expect((await openScene(other)).document.artworks.stone).toBeUndefined();
  });

  it('have strokes and recipes beside them, which go along with a copy of the project', async () => {
    const { projectId, id } = await freshScene();
    const [imageSha, pictureSha] = [await keepBlob(bytes, 'image/png'), await keepBlob(other, 'image/png')];
    const stroke = { ...strokeWith({ points: [1, 1, 0.5] }), artworkId: 'stone', layerId: 'low', order: 'a' };
    const edits = [
      create(
        'artworks',
        'stone',
        newArtwork({ name: 'Stone', imageSha, widthPx: 2, heightPx: 2, pixelArt: true }),
      ),
      create(
        'reliefs',
        'stone',
        newRelief({ recipe: recipeWith({}), layers: [{ id: 'low', name: 'Low', hidden: false }] }),
      ),
      create('strokes', 's1', stroke),
      create('strokes', 's2', { ...stroke, kind: 'paste-face', pictureSha, order: 'b' }),
      create('recipes', 'bold', { name: 'Bold', recipe: recipeWith({ strength: 3 }) }),
    ];
    await patchScene(id, 1, { transactionId: transactionId(), edits });
    const { document } = await openScene(id);
    expect(document.strokes.s1).toEqual(stroke);
    expect(document.recipes.bold.recipe.strength).toBe(3);
    const copyId = await copyProject(projectId, 'Copy');
    const copy = (await allProjects()).find((project) => project.id === copyId)!;
    const copied = (await openScene(copy.scenes[0].id)).document;
    expect([copied.strokes, copied.recipes, copied.reliefs]).toEqual([
      document.strokes,
      document.recipes,
      document.reliefs,
    ]);
    await patchScene(id, 2, { transactionId: transactionId(), edits: [remove(document, 'strokes', 's1')] });
    expect(Object.keys((await openScene(id)).document.strokes)).toEqual(['s2']);
  });

  it('written before there were strokes are read as they would be written now', async () => {
    const { projectId, id } = await freshScene();
    const imageSha = await keepBlob(bytes, 'image/png');
    const old = {
      name: 'Old',
      imageSha,
      widthPx: 2,
      heightPx: 2,
      pixelArt: true,
      pivotX: 1,
      pivotY: 1,
      glowSha: null,
    };
    const recipe = { format: 'oilwick-recipe', version: 1, strength: 2 };
    await withConnection(async (connection) => {
      await run(
        connection,
        sql`INSERT INTO artwork (project_id, id, document) VALUES (${projectId}, 'old', ${JSON.stringify(old)})`,
      );
      await run(
        connection,
        sql`INSERT INTO relief (project_id, id, document) VALUES (${projectId}, 'old', ${JSON.stringify({ recipe })})`,
      );
    });
    const { document } = await openScene(id);
    expect(document.artworks.old.cells).toBeNull();
    expect(document.reliefs.old.layers).toEqual([]);
    await patchScene(id, 1, {
      transactionId: transactionId(),
      edits: [change(document, 'reliefs', 'old', { recipe: recipeWith({ strength: 4 }) })!],
    });
    expect((await openScene(id)).document.reliefs.old.recipe.strength).toBe(4);
  });

  it('whose strokes or maps name a file that was not uploaded are refused', async () => {
    const { id } = await freshScene();
    const imageSha = await keepBlob(bytes, 'image/png');
    const stone = newArtwork({ name: 'Stone', imageSha, widthPx: 2, heightPx: 2, pixelArt: true });
    const missing = '7'.repeat(64);
    const normals = { sha: missing, yUp: true, use: 'facings' as const, share: 1 };
    for (const edit of [
      create('reliefs', 'stone', newRelief({ recipe: recipeWith({}), normals })),
      create('reliefs', 'stone', newRelief({ recipe: recipeWith({}), rimSha: missing })),
      create('strokes', 's', {
        ...strokeWith({ kind: 'paste-height', pictureSha: missing }),
        artworkId: 'stone',
        layerId: 'low',
        order: 'a',
      }),
    ]) {
      const late = patchScene(id, 1, {
        transactionId: transactionId(),
        edits: [create('artworks', 'stone', stone), edit],
      });
      await expect(late).rejects.toThrow(missing);
    }
    expect((await openScene(id)).document.artworks).toEqual({});
  });

  it('changed from another scene in between are a conflict', async () => {
    const { projectId, id } = await freshScene();
    const other = await makeScene(projectId, 'Other', newScene());
    const imageSha = await keepBlob(bytes, 'image/png');
    const stone = newArtwork({ name: 'Stone', imageSha, widthPx: 2, heightPx: 2, pixelArt: true });
    await patchScene(id, 1, { transactionId: transactionId(), edits: [create('artworks', 'stone', stone)] });
    const { document } = await openScene(id);
    await patchScene(other, 1, {
      transactionId: transactionId(),
      edits: [change(document, 'artworks', 'stone', { name: 'Slab' })!],
    });
    const late = patchScene(id, 2, {
      transactionId: transactionId(),
      edits: [change(document, 'artworks', 'stone', { name: 'Rock' })!],
    });
    await expect(late).rejects.toBeInstanceOf(StaleFault);
  });

  it('whose file was not uploaded are refused', async () => {
    const { id } = await freshScene();
    const ghost = newArtwork({
      name: 'Ghost',
      imageSha: '0'.repeat(64),
      widthPx: 2,
      heightPx: 2,
      pixelArt: true,
    });
    await expect(
      patchScene(id, 1, { transactionId: transactionId(), edits: [create('artworks', 'g', ghost)] }),
    ).rejects.toThrow(/not uploaded/);
  });
});

describe('files', () => {
  it('of several chunks come back byte for byte, and are stored once', async () => {
    const large = new Uint8Array(9 * 1024 * 1024).map((_, i) => (i * 2654435761) >>> 24);
    const sha = await keepBlob(large, 'application/octet-stream');
    expect(await keepBlob(large, 'application/octet-stream')).toBe(sha);
    const stored = await blobOf(sha);
    expect(sha256Of(stored.bytes)).toBe(sha);
    const rows = await withConnection((c) =>
      rowsOf<{ place: number }>(c, sql`SELECT place FROM blob_chunk WHERE sha256 = ${sha}`),
    );
    expect(rows.length).toBe(3);
    await expect(blobOf('f'.repeat(64))).rejects.toThrow(/no file/);
  });
});

describe('projects and scenes', () => {
  it('are renamed, copied, binned, restored and deleted for good only from the bin', async () => {
    const { projectId, id } = await freshScene();
    await renameProject(projectId, 'Halt 🚂');
    await renameScene(id, 'Evening');
    await patchScene(id, 1, { transactionId: transactionId(), edits: [create('lights', 'l', lamp(7))] });
    const copyId = await copyProject(projectId, 'Halt copy');
    const copied = (await allProjects()).find((p) => p.id === copyId)!;
    expect(copied.scenes.map((s) => s.name)).toEqual(['Evening']);
    expect((await openScene(copied.scenes[0].id)).document.lights.l.x).toBe(7);
    const sceneCopy = await copyScene(id, 'Evening copy');
    await binScene(sceneCopy);
    expect((await allProjects()).find((p) => p.id === projectId)!.scenes.map((s) => s.isBinned)).toEqual([
      false,
      true,
    ]);
    await expect(destroyBinnedProject(projectId)).rejects.toThrow(/no project/);
    await binProject(projectId);
    await restoreProject(projectId);
    await binProject(projectId);
    await destroyBinnedProject(projectId);
    await expect(openScene(id)).rejects.toThrow(/no scene/);
    expect((await allProjects()).some((p) => p.name === 'Halt 🚂')).toBe(false);
  });
});

describe('the small picture of a scene', () => {
  const bytes = encodePng({ width: 2, height: 1, data: new Uint8Array(8).fill(90) });

  it('is kept with the revision that it shows, goes along with a copy, and is missing in words', async () => {
    const { projectId, id } = await freshScene();
    await expect(scenePicture(id)).rejects.toThrow(/no picture/);
    await patchScene(id, 1, { transactionId: transactionId(), edits: [create('lights', 'l', lamp(1))] });
    await keepScenePicture(id, bytes);
    await keepScenePicture(id, bytes);
    expect(new Uint8Array(await scenePicture(id))).toEqual(bytes);
    const copyId = await copyScene(id, 'Copy');
    const { scenes } = (await allProjects()).find((project) => project.id === projectId)!;
    expect(scenes.map((scene) => [scene.id, scene.pictureRevision])).toEqual([
      [id, 2],
      [copyId, 1],
    ]);
    await expect(keepScenePicture('none', bytes)).rejects.toThrow(/no scene/);
  });
});

describe('a bundle', () => {
  it('opens in another project as the same scene; art that is there under the same id otherwise gets a new one', async () => {
    const image = emptyImage(3, 3);
    image.data.fill(180);
    const bytes = encodePng(image);
    const document = newScene();
    document.artworks.stone = newArtwork({
      name: 'Stone',
      imageSha: sha256Of(bytes),
      widthPx: 3,
      heightPx: 3,
      pixelArt: true,
    });
    document.sprites.s = newSprite({
      name: 'Stone',
      planeId: 'plane-near',
      order: 'a',
      artworkId: 'stone',
      x: 1,
      y: 1,
    });
    const bundle = await writeBundle('Scene', document, new Map([[sha256Of(bytes), bytes]]), deflateSync);
    const projectId = await makeProject('Second');
    const first = await openScene(await keepBundle(projectId, 'Opened', bundle));
    expect(first.document).toEqual(document);
    const edit = change(first.document, 'artworks', 'stone', { name: 'Changed' })!;
    await patchScene(first.id, 1, { transactionId: transactionId(), edits: [edit] });
    const second = await openScene(await keepBundle(projectId, 'Again', bundle));
    const { artworkId } = second.document.sprites.s;
    expect(artworkId).not.toBe('stone');
    expect(second.document.artworks[artworkId!].name).toBe('Stone');
    expect(second.document.artworks.stone.name).toBe('Changed');
  });
});

describe('one side of a conflict', () => {
  it('is kept as a scene of its own, with artworks that the project does not have yet', async () => {
    const { projectId, document } = await freshScene();
    const bytes = encodePng({ width: 1, height: 1, data: Uint8Array.of(7, 7, 7, 255) });
    const stone = newArtwork({
      name: 'Mine',
      imageSha: sha256Of(bytes),
      widthPx: 1,
      heightPx: 1,
      pixelArt: true,
    });
    const mine = { ...document, artworks: { mine: stone } };
    await expect(keepDocument(projectId, 'Scene (mine)', mine)).rejects.toThrow(/not uploaded/);
    await keepBlob(bytes, 'image/png');
    const id = await keepDocument(projectId, 'Scene (mine)', mine);
    expect((await openScene(id)).document.artworks.mine.name).toBe('Mine');
  });
});

describe('the demo', () => {
  it('is there when there is nothing else, and comes back when asked', async () => {
    for (const { id, isBinned } of await allProjects()) {
      if (!isBinned) await binProject(id);
      await destroyBinnedProject(id);
    }
    await seedWhenEmpty(database.pool);
    await seedWhenEmpty(database.pool);
    expect((await allProjects()).map((p) => p.name)).toEqual(['Fennel Halt']);
    const sceneId = await seedDemo(database.pool);
    expect((await openScene(sceneId)).document).toEqual(fennelHalt(sha256Of).document);
  });
});

describe('a kill', () => {
  it('of MariaDB at any moment loses no acknowledged patch', async () => {
    const { id } = await freshScene();
    for (let i = 0; i < 6; i++)
      await patchScene(id, i + 1, {
        transactionId: transactionId(),
        edits: [create('lights', `l${i}`, lamp(i))],
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
