import { createHash } from 'node:crypto';
import { zipSync, zlibSync } from 'fflate';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { InputFault } from '../faults';
import { NO_TABLES, readTable, type TableSource } from '../finish/colour-table';
import { readCube } from '../finish/cube-file';
import { renderReference } from '../light/reference';
import { gateView, momentAt } from '../moment/moment-at';
import { NOTHING_PASSING } from '../moment/passing';
import { emptyImage } from '../raster/image';
import { decodePng, encodePng } from '../raster/png';
import { withHeaderSize } from '../raster/testing/hand-made-png';
import { recipeWith } from '../relief/recipe';
import { newScene } from '../scene/new-scene';
import { newArtwork } from '../scene/records/artwork';
import { newTable } from '../scene/records/colour-table';
import { newCue } from '../scene/records/cue';
import { newLight } from '../scene/records/light';
import { newLook } from '../scene/records/look';
import { newOccluder } from '../scene/records/occluder';
import { newRelief } from '../scene/records/relief';
import { newSprite } from '../scene/records/sprite';
import { bundlePictures, bundleTables, filesNeeded, readBundle, writeBundle } from './bundle';
import { lookCube } from './look-cube';
import { packFiles, unpackFiles } from './zip';

const sha256 = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');

function scene() {
  const image = emptyImage(16, 16);
  for (let i = 0; i < 256; i++) image.data.set([90 + (i % 16) * 8, 120, 80, i % 16 < 14 ? 255 : 0], 4 * i);
  const art = encodePng(image);
  const glow = encodePng({ ...image, data: image.data.map((v) => v >> 1) });
  const document = newScene({ gateWidthPx: 40, gateHeightPx: 30 });
  document.artworks.b1 = newArtwork({
    name: 'Böses / Brett',
    imageSha: sha256(art),
    widthPx: 16,
    heightPx: 16,
    pixelArt: true,
    glowSha: sha256(glow),
  });
  document.artworks.unused = newArtwork({
    name: 'Unused',
    imageSha: 'b'.repeat(64),
    widthPx: 1,
    heightPx: 1,
    pixelArt: true,
  });
  document.reliefs.b1 = newRelief({ recipe: recipeWith({ body: { kind: 'inflate' } }) });
  document.sprites.s = newSprite({
    name: '',
    planeId: 'plane-near',
    order: 'a',
    artworkId: 'b1',
    x: 20,
    y: 15,
    turnDeg: 30,
    flipX: true,
  });
  document.lights.l = newLight({ name: 'Lamp', planeId: 'plane-near', order: 'a', x: 8, y: 8 });
  document.occluders.o = newOccluder({
    name: 'Box',
    planeId: 'plane-near',
    spriteId: 's',
    kind: 'closed',
    outlines: [[4, 4, 8, 4, 8, 8, 4, 8]],
  });
  const pictures = new Map([
    [sha256(art), art],
    [sha256(glow), glow],
  ]);
  return { document, pictures, art };
}

const deflate = (bytes: Uint8Array) => zlibSync(bytes);

describe('a bundle', async () => {
  const { document, pictures, art } = scene();
  const bytes = await writeBundle('Evening', document, pictures, deflate);
  const files = unpackFiles(bytes);

  it('holds the scene, the art byte for byte, maps, outlines and conventions', () => {
    expect(Object.keys(files).sort()).toEqual([
      'CONVENTIONS.md',
      'art/b-ses-brett.png',
      `brought/${document.artworks.b1.glowSha}.png`,
      'glows/b-ses-brett.png',
      'heights/b-ses-brett.png',
      'normals/b-ses-brett.png',
      'occluders.json',
      'occlusions/b-ses-brett.png',
      'rims/b-ses-brett.png',
      'scene.json',
      'scene.schema.json',
    ]);
    expect(files['art/b-ses-brett.png']).toEqual(art);
    const normals = decodePng(files['normals/b-ses-brett.png']).image;
    expect(normals.data[3]).toBe(255);
    expect(normals.data[4 * 15 + 3]).toBe(0);
    const words = new TextDecoder().decode(files['CONVENTIONS.md']);
    expect(words).toMatch(/Y up/);
    expect(words).toMatch(/steepness/);
    expect(JSON.parse(new TextDecoder().decode(files['occluders.json'])).occluders[0].edges.length).toBe(4);
  });

  it('opens as the same scene, and draws the same pixels', async () => {
    const opened = await readBundle(bytes, sha256);
    const { unused, ...used } = document.artworks;
    expect(unused).toBeDefined();
    expect(opened.scene).toEqual({ ...document, artworks: used });
    const draw = (bundle: Parameters<typeof bundlePictures>[0]) =>
      renderReference(
        momentAt(bundle.scene, 19, 2, NOTHING_PASSING, gateView(bundle.scene)),
        bundlePictures(bundle),
      ).data;
    expect(draw(opened)).toEqual(draw({ scene: document, files: pictures }));
    expect(new Set(draw(opened)).size).toBeGreaterThan(20);
  });

  it('has the glow of an artwork without a relief, as far as its mask is covered', async () => {
    const bare = { ...document, reliefs: {} };
    const bundle = await writeBundle('Evening', bare, pictures, deflate);
    const { image } = decodePng(unpackFiles(bundle)['glows/b-ses-brett.png']);
    // The mask's first pixel is 45 at an alpha of 127.
    expect(image.data[0]).toBe(Math.round((45 * 127) / 255));
    const source = bundlePictures(await readBundle(bundle, sha256));
    expect(source('b1')!.glow![0]).toBe(image.data[0]);
  });

  it('is the same bytes when it is made twice', async () => {
    expect(await writeBundle('Evening', document, pictures, deflate)).toEqual(bytes);
  });

  describe('with a lookup table that a cue names by its look', () => {
    const cube = new TextEncoder().encode('LUT_1D_SIZE 2\n1 1 1\n0 0 0\n');
    const withTable = {
      ...document,
      tables: {
        turned: newTable({ name: 'Turned round', order: 'a', fileSha: sha256(cube), format: 'cube' }),
        other: newTable({ name: 'Not used', order: 'b', fileSha: 'd'.repeat(64), format: 'cube' }),
      },
      looks: { negative: newLook({ name: 'Negative', order: 'a', tableId: 'turned' }) },
      cues: { noon: newCue({ clockHours: 12, lookId: 'negative' }) },
    };
    const kept = new Map([...pictures, [sha256(cube), cube]]);

    it('carries its file, and draws through it', async () => {
      const bundled = await writeBundle('Evening', withTable, kept, deflate);
      expect(unpackFiles(bundled)['tables/turned-round.cube']).toEqual(cube);
      expect(filesNeeded(withTable).sort()).toEqual([...kept.keys()].sort());
      const opened = await readBundle(bundled, sha256);
      expect(Object.keys(opened.scene.tables)).toEqual(['turned']);
      const drawn = (tables: TableSource) =>
        renderReference(
          momentAt(opened.scene, 12, 0, NOTHING_PASSING, gateView(opened.scene), tables),
          bundlePictures(opened),
        ).data;
      const [plain, turned] = [drawn(NO_TABLES), drawn(bundleTables(opened))];
      for (let i = 0; i < plain.length; i++)
        expect(Math.abs(turned[i] - (i % 4 === 3 ? 255 : 255 - plain[i]))).toBeLessThanOrEqual(1);
    });

    it('leaves as a cube that does to colours what the finish does', async () => {
      const { table } = readCube(
        lookCube({
          ...{ scene: withTable, clockHours: 12, finish: 'own', title: 'Evening' },
          tables: bundleTables({ scene: withTable, files: kept }),
        }),
        'k',
        'evening.cube',
      );
      const colour = Float64Array.of(0.1, 0.5, 0.93);
      readTable(table, colour, 0);
      [0.9, 0.5, 0.07].forEach((value, c) => expect(colour[c]).toBeCloseTo(value, 5));
    });

    it('is refused where its file is gone or cannot be read, by its name', async () => {
      const bundled = unpackFiles(await writeBundle('Evening', withTable, kept, deflate));
      const { 'tables/turned-round.cube': gone, ...without } = bundled;
      expect(gone).toBeDefined();
      await expect(readBundle(packFiles(without), sha256)).rejects.toThrow(
        'The lookup table "Turned round" is missing from the archive, or was changed.',
      );
      const bad = new TextEncoder().encode('LUT_1D_SIZE 2\n1 1\n0 0 0\n');
      const named = newTable({ ...withTable.tables.turned, fileSha: sha256(bad) });
      const badly = { ...withTable, tables: { turned: named } };
      const badBundle = await writeBundle(
        'Evening',
        badly,
        new Map([...pictures, [sha256(bad), bad]]),
        deflate,
      );
      await expect(readBundle(badBundle, sha256)).rejects.toThrow(
        'Turned round, line 2: three numbers are expected',
      );
    });
  });

  it('says which picture is missing or was changed', async () => {
    const { [`art/b-ses-brett.png`]: gone, ...rest } = files;
    expect(gone).toBeDefined();
    await expect(readBundle(zipSync(rest), sha256)).rejects.toThrow(/Böses \/ Brett/);
    await expect(writeBundle('x', document, new Map(), deflate)).rejects.toThrow(/picture of artwork b1/);
  });

  it.each([
    ['no zip', new TextEncoder().encode('hello'), /not a zip/],
    ['cut off', bytes.slice(0, bytes.length >> 1), /cut off/],
    ['cut off before its end', bytes.slice(0, -40), /cut off/],
    ['a path out of it', zipSync({ '../evil.png': new Uint8Array(3) }), /leads out/],
    ['an absolute path', zipSync({ '/etc/x': new Uint8Array(3) }), /leads out/],
    ['no scene', zipSync({ 'art/a.png': art }), /no scene\.json/],
    ['a scene that is no JSON', zipSync({ 'scene.json': new TextEncoder().encode('{') }), /not JSON/],
    [
      'too many entries',
      zipSync(Object.fromEntries(Array.from({ length: 4100 }, (_, i) => [`f${i}`, new Uint8Array(0)]))),
      /more than 4096/,
    ],
  ])('that is no good is refused in words: %s', async (_, broken, words) => {
    await expect(readBundle(broken, sha256)).rejects.toThrow(words);
  });

  it('of small files that hold very large pictures is refused by their pixels, before any is unpacked', async () => {
    const bomb = newScene();
    const contents: Record<string, Uint8Array> = {};
    for (let i = 0; i < 24; i++) {
      const file = withHeaderSize(
        encodePng({ width: 1, height: 1, data: Uint8Array.of(i, 0, 0, 255) }),
        4096,
        4096,
      );
      contents[`art/${i}.png`] = file;
      const size = { widthPx: 4096, heightPx: 4096, pixelArt: true };
      bomb.artworks[`a${i}`] = newArtwork({ name: '', imageSha: sha256(file), ...size });
    }
    contents['scene.json'] = new TextEncoder().encode(JSON.stringify(bomb));
    await expect(readBundle(packFiles(contents), sha256)).rejects.toThrow(/403 million pixels; at most 268/);
  });

  it('whose scene is nested too deep, or of no format, is refused in words', async () => {
    const deep = (text: string) => packFiles({ 'scene.json': new TextEncoder().encode(text) });
    await expect(readBundle(deep('['.repeat(5_000_000)), sha256)).rejects.toThrow(
      /scene.json is nested deeper than 32/,
    );
    await expect(readBundle(deep('{"version": 5}'), sha256)).rejects.toThrow(/got none/);
  });

  it('never crashes, whatever is changed in it', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.nat(bytes.length - 1), fc.nat(255)), { maxLength: 5 }),
        async (changes) => {
          const broken = bytes.slice();
          for (const [at, value] of changes) broken[at] = value;
          try {
            await readBundle(broken, sha256);
          } catch (thrown) {
            expect(thrown).toBeInstanceOf(InputFault);
          }
        },
      ),
      { numRuns: 150 },
    );
  });
});
