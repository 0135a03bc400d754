import { createHash } from 'node:crypto';
import { zlibSync } from 'fflate';
import { describe, expect, it, vi } from 'vitest';
import { InputFault } from '../../faults';
import { emptyImage } from '../../raster/image';
import { decodePng, encodePng } from '../../raster/png';
import { recipeWith } from '../../relief/recipe';
import { newScene } from '../../scene/new-scene';
import { newArtwork } from '../../scene/records/artwork';
import { newRelief } from '../../scene/records/relief';
import { newSprite } from '../../scene/records/sprite';
import { writeBundle } from '../bundle';
import { drawHere } from '../draw-here';
import { EXPORT_NAMES, exportNamed } from './all-exports';
import { bundle } from './bundle';
import { exportOptions, type ExportHost, type ExportSource } from './kind';
import { maps } from './maps';

const deflate = (bytes: Uint8Array) => zlibSync(bytes);
const host = () => ({ deflate, progress: vi.fn<ExportHost['progress']>(), draw: drawHere });

function source(): ExportSource {
  const image = emptyImage(12, 8);
  for (let i = 0; i < 96; i++) image.data.set([40 + 2 * i, 90, 60, i % 12 < 10 ? 255 : 0], 4 * i);
  const art = encodePng(image);
  const imageSha = createHash('sha256').update(art).digest('hex');
  const scene = newScene({ gateWidthPx: 40, gateHeightPx: 30 });
  for (const id of ['stool', 'other']) {
    scene.artworks[id] = newArtwork({ name: 'Stool', imageSha, widthPx: 12, heightPx: 8, pixelArt: true });
    scene.reliefs[id] = newRelief({ recipe: recipeWith({ body: { kind: 'inflate' } }) });
    scene.sprites[id] = newSprite({ name: '', planeId: 'plane-near', order: id, artworkId: id, x: 20, y: 9 });
  }
  scene.artworks.unused = newArtwork({ name: 'Unused', imageSha, widthPx: 12, heightPx: 8, pixelArt: true });
  return { name: 'Rainy evening', scene, files: new Map([[imageSha, art]]) };
}

describe('an export', () => {
  it('gives the bundle as the one archive it is, under the name of the scene', async () => {
    const from = source();
    const files = await bundle.files(from, {}, host());
    expect(Object.keys(files)).toEqual(['rainy-evening.zip']);
    const same = await writeBundle(from.name, from.scene, from.files, deflate);
    expect(Buffer.compare(files['rainy-evening.zip'], same)).toBe(0);
  });

  it('gives the chosen maps of the artworks that stand in the scene, each under a name of its own', async () => {
    const watched = host();
    const files = await maps.files(source(), exportOptions(maps, { maps: 'normals,height' }), watched);
    expect(Object.keys(files).sort()).toEqual([
      'stool-2_h.png',
      'stool-2_n.png',
      'stool_h.png',
      'stool_n.png',
    ]);
    expect(decodePng(files['stool_n.png']).image).toMatchObject({ width: 12, height: 8 });
    expect(watched.progress.mock.calls).toEqual([
      [0, 2],
      [1, 2],
      [2, 2],
    ]);
  });

  it('turns the green of normals around where Y points down', async () => {
    const up = await maps.files(source(), exportOptions(maps, {}), host());
    const down = await maps.files(source(), exportOptions(maps, { yUp: 'false' }), host());
    const [a, b] = [up, down].map((files) => decodePng(files['stool_n.png']).image);
    const inside = [...Array(96).keys()].filter((i) => i % 12 < 10);
    expect(inside.every((i) => Math.abs(a.data[4 * i + 1] + b.data[4 * i + 1] - 255) <= 1)).toBe(true);
    expect(inside.some((i) => a.data[4 * i + 1] !== b.data[4 * i + 1])).toBe(true);
  });

  it('is stopped by its host between two pieces of work', async () => {
    const stop = new Error('stopped');
    const halted = {
      ...host(),
      progress: (done: number) => {
        if (done === 1) throw stop;
      },
    };
    await expect(maps.files(source(), exportOptions(maps, {}), halted)).rejects.toBe(stop);
  });
});

describe('options of exports', () => {
  it.each(EXPORT_NAMES)('of %s have defaults that fit', (name) => {
    const kind = exportNamed(name);
    expect(exportOptions(kind, {})).toEqual(kind.options.getDefault() ?? {});
  });

  it.each(EXPORT_NAMES)('of %s are called nothing that the command line calls its own', (name) => {
    const own = ['as', 'out', 'json', 'jobs', 'list', 'help'];
    expect(Object.keys(exportNamed(name).options.fields).filter((field) => own.includes(field))).toEqual([]);
  });

  it('come as values or as texts', () => {
    expect(exportOptions(maps, { depth: '16', alpha: 'false', maps: 'rim' })).toMatchObject({
      depth: 16,
      alpha: false,
      maps: ['rim'],
      padding: 'outward',
      suffixes: { normals: 'n', height: 'h' },
    });
    const suffixes = 'normals=_nrm,height=';
    expect(exportOptions(maps, { suffixes }).suffixes).toMatchObject({
      normals: '_nrm',
      height: '',
      rim: 'rim',
    });
  });

  it.each([
    [
      { dept: 8 },
      'dept',
      'Maps has no option "dept"; there are maps, yUp, depth, alpha, padding, names, suffixes.',
    ],
    [{ depth: 12 }, 'depth', /^Maps: depth .*8, 16/],
    [{ maps: 'normals,shine' }, 'maps[1]', /^Maps: maps\[1\] .*normals, height/],
    [{ maps: [] }, 'maps', /^Maps: maps /],
    [{ suffixes: 'shine=s' }, 'suffixes.shine', /^Maps has no option "suffixes.shine"; there are normals/],
    [{ suffixes: { rim: 'r'.repeat(99) } }, 'suffixes.rim', /^Maps: suffixes.rim .*40/],
  ])('that do not fit are named: %j', (given, field, words) => {
    const refused = () => exportOptions(maps, given);
    expect(refused).toThrow(InputFault);
    expect(refused).toThrow(words);
    try {
      refused();
    } catch (thrown) {
      expect((thrown as InputFault).field).toBe(field);
    }
  });
});
