import { strToU8, zipSync, zlibSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { heightOfStep } from '../raster/height-picture';
import { decodeGrey16, decodePng, encodePng, inspectPng } from '../raster/png';
import { writePng } from '../raster/png-write';
import { plainJob } from '../relief/job';
import { recipeWith } from '../relief/recipe';
import { reliefOf } from '../relief/relief-of';
import { plainSource } from '../relief/source';
import { shapeImage } from '../relief/testing/shapes';
import { checkNames, MAP_KINDS, mapFiles, sourceHash, USUAL_OUTPUT, type OutputOptions } from './maps';
import { readLayeredPainting } from './open-raster';

const deflate = (bytes: Uint8Array) => zlibSync(bytes);
const disc = shapeImage(30, 26, (x, y) => (x - 14) ** 2 + (y - 13) ** 2 < 100);
const recipe = recipeWith({ body: { kind: 'inflate' }, grain: { heightPx: 0 } });
const job = plainJob('a'.repeat(64), recipe);
const made = (options: Partial<OutputOptions>) =>
  mapFiles('disc', plainSource(disc, recipe), job, { ...USUAL_OUTPUT, ...options }, deflate);

describe('map files', () => {
  const { normals, heights } = reliefOf(plainSource(disc, recipe));

  it('have the normals byte for byte, with the alpha of the art', async () => {
    const { image, facts } = decodePng((await made({}))['disc_n.png']);
    expect(facts).toMatchObject({ depth: 8, colourType: 6 });
    for (let i = 0; i < 30 * 26; i++) {
      expect([...image.data.subarray(4 * i, 4 * i + 4)]).toEqual([
        ...normals.subarray(4 * i, 4 * i + 3),
        disc.data[4 * i + 3],
      ]);
    }
  });

  it('turn green, leave the alpha out, lie flat beyond the silhouette, as asked', async () => {
    const files = await made({ yUp: false, alpha: false, padding: 'flat' });
    const { image, facts } = decodePng(files['disc_n.png']);
    expect(facts.colourType).toBe(2);
    const at = (x: number, y: number) => 4 * (y * 30 + x);
    expect(image.data[at(14, 6) + 1]).toBe(255 - normals[at(14, 6) + 1]);
    expect([...image.data.subarray(at(14, 2), at(14, 2) + 3)]).toEqual([128, 127, 255]);
  });

  it('have all maps, each under its name, and say their orientation and what they were made of', async () => {
    const files = await made({ maps: MAP_KINDS, depth: 16, names: '?/*' });
    expect(Object.keys(files).sort()).toEqual([
      'glow/disc.png',
      'h/disc.png',
      'n/disc.png',
      'occlusion/disc.png',
      'rim/disc.png',
    ]);
    expect(inspectPng(files['n/disc.png'])).toMatchObject({ depth: 16, colourType: 6 });
    const heightMap = decodeGrey16(files['h/disc.png']);
    for (let i = 0; i < heights.length; i += 5)
      expect(heightOfStep(heightMap.values[i])).toBeCloseTo(heights[i], 2);
    const words = new TextDecoder('latin1').decode(files['n/disc.png']);
    expect(words).toContain('Orientation\0Y up');
    expect(words).toContain(`Recipe\0${sourceHash(job)}`);
    for (const chunk of ['gAMA', 'iCCP', 'sRGB']) expect(words).not.toContain(chunk);
  });

  it('have another hash when anything is other', () => {
    const hashes = [
      job,
      plainJob('b'.repeat(64), recipe),
      plainJob('a'.repeat(64), recipeWith({ strength: 2 })),
      { ...job, cells: { columns: 2, rows: 1, marginPx: 0, gapPx: 0 } },
    ].map(sourceHash);
    expect(new Set(hashes).size).toBe(hashes.length);
    expect(hashes[0]).toMatch(/^[0-9a-f]{16}$/);
  });

  it.each([
    [{ names: 'map' }, /\*/],
    [{ names: '*', maps: ['normals', 'height'] as const }, /\?/],
    [{ names: '../*' }, /within a folder/],
    [{ names: '/etc/*' }, /within a folder/],
    [{ names: 'a:*' }, /within a folder/],
    [{ suffixes: { ...USUAL_OUTPUT.suffixes, normals: '/../n' } }, /within a folder/],
    [
      { maps: MAP_KINDS, suffixes: { ...USUAL_OUTPUT.suffixes, glow: 'RIM' } },
      'Rim and glow would have the same name, "art_RIM.png".',
    ],
  ])('are refused under names that lead astray: %j', (fields, words) => {
    expect(() => checkNames({ ...USUAL_OUTPUT, ...fields })).toThrow(words);
  });
});

describe('PNG files of our own', () => {
  it('come back as they were, at every depth and number of channels', async () => {
    for (const channels of [1, 3, 4] as const) {
      for (const Kind of [Uint8Array, Uint16Array]) {
        const data = new Kind(7 * 5 * channels).map((_: number, i: number) => (i * 7919) % 65536);
        const bytes = await writePng({ width: 7, height: 5, channels, data }, {}, deflate);
        expect(inspectPng(bytes)).toMatchObject({ width: 7, height: 5, depth: Kind === Uint8Array ? 8 : 16 });
        if (channels === 1 && Kind === Uint16Array) expect(decodeGrey16(bytes).values).toEqual(data);
        if (channels === 4 && Kind === Uint8Array) expect(decodePng(bytes).image.data).toEqual(data);
        if (channels === 3 && Kind === Uint8Array)
          expect([...decodePng(bytes).image.data.subarray(0, 3)]).toEqual([...data.subarray(0, 3)]);
      }
    }
  });

  it('are refused where the values do not fit the sides', async () => {
    await expect(
      writePng({ width: 2, height: 2, channels: 4, data: new Uint8Array(3) }, {}, deflate),
    ).rejects.toThrow(/expected 16/);
  });
});

describe('a layered painting', () => {
  const png = encodePng(shapeImage(4, 3, () => true));
  const painting = (xml: string, files: Record<string, Uint8Array> = { 'data/0.png': png }) =>
    zipSync({ 'stack.xml': strToU8(xml), ...files });

  it('has its layers from the lowest on, with their places, nested ones too, and names of their own', () => {
    const read = readLayeredPainting(
      painting(
        `<image w="20" h="10"><stack><layer name="top" src="data/0.png" x="5" y="-2"/><stack x="3" y="1">` +
          `<layer name="limb" src="data/0.png" x="1"/><layer name="limb" src="data/0.png"/></stack></stack></image>`,
      ),
    );
    expect(read).toMatchObject({ widthPx: 20, heightPx: 10 });
    expect(read.layers.map(({ name, x, y, widthPx }) => [name, x, y, widthPx])).toEqual([
      ['limb 2', 3, 1, 4],
      ['limb', 4, 1, 4],
      ['top', 5, -2, 4],
    ]);
  });

  it.each([
    ['no stack', zipSync({ a: new Uint8Array(1) }), /stack\.xml/],
    [
      'a missing file',
      painting('<image w="1" h="1"><stack><layer name="arm" src="data/9.png"/></stack></image>'),
      /"arm".*data\/9\.png/,
    ],
    [
      'a layer that is no picture',
      painting('<image w="1" h="1"><stack><layer name="arm" src="data/0.png"/></stack></image>', {
        'data/0.png': strToU8('hello'),
      }),
      /"arm": This is not a PNG/,
    ],
    ['broken markup', painting('<image w="1"><stack>'), /damaged/],
    ['no layers', painting('<image w="1" h="1"><stack/></image>'), /no layers/],
    ['no archive', strToU8('hello'), /zip/],
    [
      'a document type with entities',
      painting(
        '<!DOCTYPE i [<!ENTITY a "aaaa">]><image w="1" h="1"><stack><layer name="&a;" src="x"/></stack></image>',
      ),
      /damaged|not there/,
    ],
  ])('with %s is refused in words', (_, bytes, words) => {
    expect(() => readLayeredPainting(bytes)).toThrow(words);
  });
});
