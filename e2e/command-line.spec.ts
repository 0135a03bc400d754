/** The command line, without browser and server. */
import { deflateSync } from 'node:zlib';
import { execFile } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { expect, test } from '@playwright/test';
import { readCube } from '../src/core/finish/cube-file';
import { writeBundle } from '../src/core/handoff/bundle';
import { decodePng, inspectPng } from '../src/core/raster/png';
import { withHeaderSize } from '../src/core/raster/testing/hand-made-png';
import { newWick } from '../src/core/scene/records/wick';
import { fennelHalt } from '../src/demo/fennel-halt';
import { sha256Of } from '../src/server/queries/blobs';
import { png } from './helpers';
import { lamplight, lampScene } from './scenes';

const oilwick = (...args: string[]) => promisify(execFile)(process.execPath, ['bin/oilwick.mjs', ...args]);

test('the command line makes reliefs; a broken file is named and does not stop the others', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'oilwick-cli-'));
  try {
    const file = (name: string, bytes: Buffer | string) => {
      writeFileSync(join(folder, name), bytes);
      return join(folder, name);
    };
    const dome = file(
      'dome.png',
      png(40, 40, (x, y) => [150, 140, 130, (x - 19.5) ** 2 + (y - 19.5) ** 2 < 300 ? 255 : 0]),
    );
    const recipe = file('r.json', JSON.stringify({ body: { kind: 'inflate' }, grain: { heightPx: 0 } }));
    const out = join(folder, 'out');
    await oilwick('relief', dome, '--out', out, '--recipe', recipe, '--suffix', '_up');
    await oilwick('relief', dome, '--out', out, '--recipe', recipe, '--suffix', '_down', '--y-down');
    const green = (name: string) =>
      decodePng(readFileSync(join(out, name))).image.data[4 * (6 * 40 + 20) + 1];
    expect(green('dome_up.png')).toBeGreaterThan(170);
    expect(green('dome_down.png')).toBe(255 - green('dome_up.png'));

    const bad = file('notes.png', 'hello');
    const mixed = await oilwick('relief', bad, dome, '--out', out, '--json').catch(
      (fault: { code: number; stdout: string; stderr: string }) => fault,
    );
    expect(mixed).toMatchObject({ code: 1 });
    expect(mixed.stderr).toContain('notes.png: This is not a PNG file.');
    // On threads each is told as it is done.
    const told = mixed.stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { art: string });
    expect(told.sort((a, b) => a.art.localeCompare(b.art))).toMatchObject([
      {
        art: dome,
        maps: [join(out, 'dome_n.png')],
        seen: expect.stringContaining('silhouette') as unknown as string,
        chosen: expect.stringMatching(/^bevel of \d/) as unknown as string,
      },
      { art: bad, fault: 'This is not a PNG file.' },
    ]);
    // Without JSON it is said in words, and only where it was chosen here.
    const { stderr } = await oilwick('relief', dome, '--out', out);
    expect(stderr).toMatch(/dome\.png: .*silhouette.*: bevel of [\d.]+ px/);
    expect((await oilwick('relief', dome, '--out', out, '--recipe', recipe)).stderr).toBe('');
    const more = ['--also', 'height,rim,occlusion,glow', '--depth', '16', '--no-alpha', '--flat-padding'];
    await oilwick('relief', dome, '--out', join(out, 'more'), '--recipe', recipe, ...more);
    const header = (name: string) => inspectPng(readFileSync(join(out, 'more', name)));
    expect(header('dome_n.png')).toMatchObject({ depth: 16, colourType: 2 });
    expect(header('dome_h.png')).toMatchObject({ depth: 16, colourType: 0 });
    for (const kind of ['rim', 'occlusion', 'glow'])
      expect(header(`dome_${kind}.png`)).toMatchObject({ width: 40, depth: 8, colourType: 0 });
    expect(readFileSync(join(out, 'more', 'dome_n.png')).toString('latin1')).toMatch(/Orientation\0Y up/);

    const wrong = await oilwick('relief', dome).catch((fault: { code: number; stderr: string }) => fault);
    expect(wrong).toMatchObject({ code: 2 });
    const unknown = file('u.json', '{"colour":1}');
    await expect(oilwick('relief', dome, '--out', out, '--recipe', unknown)).rejects.toMatchObject({
      code: 1,
      stderr: expect.stringContaining('colour') as unknown as string,
    });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

test(
  'the command line makes many reliefs on threads, to the same pixels, and no bad one stops the others',
  { tag: '@slow' },
  async () => {
    const folder = mkdtempSync(join(tmpdir(), 'oilwick-many-'));
    try {
      const arts = Array.from({ length: 6 }, (_, i) => {
        const path = join(folder, `art${i}.png`);
        writeFileSync(
          path,
          png(48 + i, 40, (x, y) => [(x * 9) & 255, (y * 11) & 255, 90, x > i && y > 2 ? 255 : 0]),
        );
        return path;
      });
      const good = readFileSync(arts[0]);
      const bad: [string, Uint8Array, RegExp][] = [
        ['cut.png', good.subarray(0, good.length >> 1), /cut off/],
        ['crc.png', Buffer.from(good.map((v, i) => (i === good.length - 20 ? v ^ 1 : v))), /checksum/],
        ['large.png', withHeaderSize(good, 8192, 8192), /8192 x 8192 px; at most 4096 x 4096/],
        ['empty.png', withHeaderSize(good, 0, 0), /empty/],
      ];
      for (const [name, bytes] of bad) writeFileSync(join(folder, name), bytes);
      const run = async (jobs: string, out: string) =>
        oilwick(
          'relief',
          ...arts,
          ...bad.map(([name]) => join(folder, name)),
          '--out',
          join(folder, out),
          '--jobs',
          jobs,
          '--json',
        ).catch((fault: { code: number; stdout: string; stderr: string }) => fault);
      const [one, four] = [await run('1', 'one'), await run('4', 'four')];
      for (const result of [one, four]) {
        expect(result).toMatchObject({ code: 1 });
        for (const [name, , words] of bad) {
          const line = result.stderr.split('\n').find((text) => text.includes(name));
          expect(line).toMatch(words);
        }
        // In the order in which they were named, whichever was made first.
        const lines = result.stdout.trim().split('\n');
        expect(lines.map((line) => (JSON.parse(line) as { art: string }).art)).toEqual([
          ...arts,
          ...bad.map(([name]) => join(folder, name)),
        ]);
      }
      for (let i = 0; i < arts.length; i++) {
        const [a, b] = ['one', 'four'].map(
          (out) => decodePng(readFileSync(join(folder, out, `art${i}_n.png`))).image,
        );
        expect(Buffer.compare(Buffer.from(a.data), Buffer.from(b.data))).toBe(0);
      }
      for (const wrong of [
        ['--jobs', '0'],
        ['--depth', '12'],
        ['--also', 'colour'],
      ]) {
        await expect(oilwick('relief', arts[0], '--out', folder, ...wrong)).rejects.toMatchObject({
          code: 2,
        });
      }
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  },
);

/** A red lamp on a wall, with a small gate and corners that are darkened, in a bundle. */
async function lampBundle(folder: string): Promise<string> {
  const scene = lampScene();
  const gate = { gateWidthPx: 96, gateHeightPx: 54, ambientLevel: 0.5 };
  scene.settings.scene = { ...scene.settings.scene, ...gate, vignetteLevel: 0.8, bloomLevel: 0.4 };
  scene.lights.l1 = { ...scene.lights.l1, x: 40, y: 20 };
  const bundle = join(folder, 'lamp.zip');
  writeFileSync(bundle, await writeBundle('Lamp', scene, new Map(), deflateSync));
  return bundle;
}

/** @returns the picture of a bundle, shaded with these options */
async function shade(bundle: string, ...options: string[]) {
  const out = `${bundle}.png`;
  await oilwick('shade', bundle, ...options, '--out', out);
  return decodePng(readFileSync(out)).image;
}

const mean = (data: Uint8Array) => data.reduce((sum, v) => sum + v, 0) / data.length;

test('the command line shades a bundle at an hour and a second, and accounts for its pixels', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'oilwick-cli-'));
  try {
    const { sceneName, document, pictures } = fennelHalt(sha256Of);
    const bundle = join(folder, 'halt.zip');
    writeFileSync(bundle, await writeBundle(sceneName, document, pictures, deflateSync));
    const dusk = await shade(bundle, '--hour', '19.5', '--at', '2.0');
    expect([dusk.width, dusk.height]).toEqual([480, 270]);
    expect(mean((await shade(bundle, '--hour', '13', '--at', '2.0')).data)).toBeGreaterThan(
      mean(dusk.data) + 20,
    );
    const later = await shade(bundle, '--hour', '19.5', '--at', '2.7');
    expect(Buffer.compare(Buffer.from(later.data), Buffer.from(dusk.data))).not.toBe(0);
    await expect(
      oilwick('shade', join(folder, 'none.zip'), '--out', join(folder, 'x.png')),
    ).rejects.toMatchObject({ code: 1 });
    const account = (...place: string[]) =>
      oilwick('account', bundle, '--hour', '19.5', '--at', '2.0', ...place, '--json');
    const { stdout } = await account('--x', '60', '--y', '150');
    const read = JSON.parse(stdout) as { pixel: number[]; surface: { words: string }; gives: object[] };
    expect(read.surface.words).toBe('Goods wagon');
    expect(read.pixel).toEqual([...dusk.data.subarray(4 * (150 * 480 + 60), 4 * (150 * 480 + 60) + 3)]);
    expect(read.gives.length).toBeGreaterThan(0);
    await expect(account('--x', '480', '--y', '0')).rejects.toMatchObject({ code: 1 });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

test('the command line shades with a look, without a finish, and enlarged', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'oilwick-cli-'));
  try {
    const bundle = await lampBundle(folder);
    const own = await shade(bundle);
    // A grey look in the place of the finish leaves no colour.
    const look = join(folder, 'grey.json');
    writeFileSync(look, JSON.stringify({ saturation: 0 }));
    const { data } = await shade(bundle, '--finish', look);
    const colour = (pixels: Uint8Array, i: number) => [...pixels.subarray(i, i + 3)];
    const isGrey = (pixels: Uint8Array, i: number) => new Set(colour(pixels, i)).size === 1;
    for (let i = 0; i < data.length; i += 4) if (!isGrey(data, i)) expect(colour(data, i)).toBe('grey');
    expect(isGrey(own.data, 4 * (20 * 96 + 40))).toBe(false);
    writeFileSync(look, JSON.stringify({ saturation: 'none' }));
    await expect(shade(bundle, '--finish', look)).rejects.toMatchObject({ code: 1 });
    // Without a finish nothing is darkened in the corners.
    const bare = await shade(bundle, '--finish', 'none');
    const corner = (pixels: Uint8Array) => mean(pixels.subarray(0, 4 * 8));
    expect(corner(bare.data)).toBeGreaterThan(corner(own.data) + 4);
    // Enlarged each pixel is a square of the same.
    const large = await shade(bundle, '--enlarge', '37');
    expect([large.width, large.height]).toEqual([96 * 37, 54 * 37]);
    for (const [x, y] of [
      [0, 0],
      [36, 36],
      [37, 36],
      [1800, 901],
      [96 * 37 - 1, 54 * 37 - 1],
    ]) {
      const from = 4 * (Math.floor(y / 37) * 96 + Math.floor(x / 37));
      const at = 4 * (y * large.width + x);
      expect([...large.data.subarray(at, at + 4)]).toEqual([...own.data.subarray(from, from + 4)]);
    }
    await expect(shade(bundle, '--enlarge', '114')).rejects.toMatchObject({
      stderr: expect.stringContaining('a whole number from 1 to 113 for a gate of 96 × 54 px; got 114'),
    });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

test('the command line exports a bundle and checks it', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'oilwick-cli-'));
  try {
    const { sceneName, document, pictures } = fennelHalt(sha256Of);
    const bundle = join(folder, 'halt.zip');
    const bytes = await writeBundle(sceneName, document, pictures, deflateSync);
    writeFileSync(bundle, bytes);
    expect((await oilwick('export', '--list')).stdout).toMatch(/^bundle\n[^]*^maps\n[^]*--depth[^]*^cube\n/m);
    await oilwick('export', bundle, '--as', 'cube', '--out', folder);
    const cube = readCube(readFileSync(join(folder, 'halt.cube'), 'utf8'), '', 'halt.cube');
    expect([cube.title, cube.table.size]).toEqual(['halt', 33]);
    const out = join(folder, 'out');
    const rows = await oilwick('export', bundle, '--as', 'maps', '--out', out, '--json', '--maps', 'rim');
    const files = rows.stdout
      .trim()
      .split('\n')
      .map((row) => (JSON.parse(row) as { file: string }).file);
    expect(files).toContain(join(out, 'goods-wagon_rim.png'));
    for (const file of files) expect(inspectPng(readFileSync(file)).width).toBeGreaterThan(0);
    await expect(
      oilwick('export', bundle, '--as', 'maps', '--out', out, '--shine', '1'),
    ).rejects.toMatchObject({
      code: 1,
      stderr: expect.stringContaining('has no option "shine"'),
    });
    await expect(oilwick('export', bundle, '--as', 'paper')).rejects.toMatchObject({
      stderr: expect.stringContaining('There is no export "paper"; there are bundle, maps, '),
    });

    expect((await oilwick('check', bundle, '--no-flashes')).stdout).toBe('');
    const [id] = Object.keys(document.lights);
    document.lights[id] = { ...document.lights[id], name: 'Beacon', circuitIds: ['cellar'] };
    writeFileSync(bundle, await writeBundle(sceneName, document, pictures, deflateSync));
    const found = JSON.parse((await oilwick('check', bundle, '--no-flashes', '--json')).stdout) as object[];
    expect(found).toMatchObject([{ snag: 'lost-name', records: [`lights/${id}`] }]);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

test('the command line finds what flashes dangerously, and ends with 1', { tag: '@slow' }, async () => {
  const folder = mkdtempSync(join(tmpdir(), 'oilwick-flash-'));
  try {
    const bundle = join(folder, 'blinking.zip');
    const scene = lamplight();
    scene.wicks.blinker = newWick({
      ...{ name: 'Blinker', seed: 1, kind: 'pulse', rateHz: 5, levelLow: 0, levelHigh: 1, loopSeconds: 2 },
    });
    scene.lights.l.wickId = 'blinker';
    const write = async () =>
      writeFileSync(bundle, await writeBundle('Blinking', scene, new Map(), deflateSync));
    await write();
    const fault = expect.stringMatching(
      /^Flashes at \d\.\d\d s: 5\.\d a second over \d+ px of 1024 x 768, from Blinker\.$/m,
    );
    await expect(oilwick('check', bundle)).rejects.toMatchObject({ code: 1, stdout: fault });
    const { stdout } = (await oilwick('check', bundle, '--json').catch((thrown: unknown) => thrown)) as {
      stdout: string;
    };
    expect(JSON.parse(stdout)).toMatchObject([
      { kind: 'flash', flash: 'general', isFault: true, cause: 'Blinker', records: ['wicks/blinker'] },
    ]);
    await expect(oilwick('check', bundle, '--hour', '25')).rejects.toMatchObject({
      code: 1,
      stderr: expect.stringContaining('--hour runs from 0 to 24; got 25.'),
    });
    scene.wicks.blinker.rateHz = 1;
    await write();
    expect((await oilwick('check', bundle)).stdout).toBe('');
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});
