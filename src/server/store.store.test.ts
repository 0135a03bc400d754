import { deflateSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { writeBundle } from '@/core/handoff/bundle';
import { emptyImage } from '@/core/raster/image';
import { encodePng } from '@/core/raster/png';
import { recipeWith } from '@/core/relief/recipe';
import { strokeWith } from '@/core/relief/testing/strokes';
import { newScene } from '@/core/scene/new-scene';
import { newArtwork } from '@/core/scene/records/artwork';
import { newRelief } from '@/core/scene/records/relief';
import { newSprite } from '@/core/scene/records/sprite';
import { change, create, remove } from '@/core/scene/edits';
import { fennelHalt } from '@/demo/fennel-halt';
import { withConnection } from './database/pool';
import { rowsOf, sql } from './database/sql';
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
import { patchScene } from './queries/patches';
import { binScene, copyScene, makeScene, openScene, renameScene } from './queries/scenes';
import { keepScenePicture, scenePicture } from './queries/scene-pictures';
import { seedDemo, seedWhenEmpty } from './seed';
import { testDatabase } from './testing/database';
import { at, freshScene, testLamp, transactionId } from './testing/samples';

const database = testDatabase();

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
    await patchScene(id, at(1), { transactionId: transactionId(), edits });
    expect((await openScene(other)).document.artworks.stone.name).toBe('Stone');
    const { document } = await openScene(id);
    await patchScene(id, at(2), {
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
    await patchScene(id, at(1), { transactionId: transactionId(), edits });
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
    await patchScene(id, at(2), {
      transactionId: transactionId(),
      edits: [remove(document, 'strokes', 's1')],
    });
    expect(Object.keys((await openScene(id)).document.strokes)).toEqual(['s2']);
  });

  it('whose strokes or maps name a file that was not uploaded are refused', async () => {
    const { id } = await freshScene();
    const imageSha = await keepBlob(bytes, 'image/png');
    const stone = newArtwork({ name: 'Stone', imageSha, widthPx: 2, heightPx: 2, pixelArt: true });
    const missing = '7'.repeat(64);
    const normals = { sha: missing, yUp: true, orientationChosen: false, use: 'facings' as const, share: 1 };
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
      const late = patchScene(id, at(1), {
        transactionId: transactionId(),
        edits: [create('artworks', 'stone', stone), edit],
      });
      await expect(late).rejects.toThrow(missing);
    }
    expect((await openScene(id)).document.artworks).toEqual({});
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
      patchScene(id, at(1), { transactionId: transactionId(), edits: [create('artworks', 'g', ghost)] }),
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
    for (const odd of ['', '..', 'é'.repeat(64), '\0', 'F'.repeat(64)])
      await expect(blobOf(odd)).rejects.toThrow(/64 digits/);
  });
});

describe('projects and scenes', () => {
  it('are renamed, copied, binned, restored and deleted for good only from the bin', async () => {
    const { projectId, id } = await freshScene();
    await renameProject(projectId, 'Halt 🚂');
    await renameScene(id, 'Evening');
    await patchScene(id, at(1), {
      transactionId: transactionId(),
      edits: [create('lights', 'l', testLamp(7))],
    });
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
    await patchScene(id, at(1), {
      transactionId: transactionId(),
      edits: [create('lights', 'l', testLamp(1))],
    });
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
    await patchScene(first.id, at(1), { transactionId: transactionId(), edits: [edit] });
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

describe('a project', () => {
  it('keeps to its limits when scenes bring records of their own', async () => {
    const { projectId, document } = await freshScene();
    const recipes = (from: number) =>
      Object.fromEntries(
        Array.from({ length: 600 }, (_, i) => [`r${from + i}`, { name: '', recipe: recipeWith({}) }]),
      );
    await keepDocument(projectId, 'First', { ...document, recipes: recipes(0) });
    await keepDocument(projectId, 'Again', { ...document, recipes: recipes(0) });
    await expect(keepDocument(projectId, 'Second', { ...document, recipes: recipes(600) })).rejects.toThrow(
      /at most 1000 recipes/,
    );
    expect((await allProjects()).find(({ id }) => id === projectId)!.scenes.map(({ name }) => name)).toEqual([
      'Scene',
      'First',
      'Again',
    ]);
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
    expect((await allProjects()).map((p) => p.name)).toEqual(['Fennel Halt', 'Orchid House']);
    const sceneId = await seedDemo(database.pool);
    expect((await openScene(sceneId)).document).toEqual(fennelHalt(sha256Of).document);
    // Each time both demos are drawn by the reference renderer.
  }, 180_000);
});
