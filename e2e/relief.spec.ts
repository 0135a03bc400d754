/** The Relief bench: strokes, parts, swatches, borrowed and imported reliefs, many at once, maps out and back. */
import { execFile } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { promisify } from 'node:util';
import { expect, test, type Page } from '@playwright/test';
import { zipSync } from 'fflate';
import { unpackFiles } from '../src/core/handoff/zip';
import type { Image } from '../src/core/raster/image';
import { decodePng, encodePng } from '../src/core/raster/png';
import { dropFiles, meanOf, openNewScene, png, saved, type Dropped } from './helpers';

const art = (page: Page) => page.getByRole('application', { name: 'Artwork under the hand lamp' });
const frame = (page: Page, name: string) =>
  page.getByLabel('Contact sheet').getByRole('button', { name: new RegExp(`^${name}:`) });

/** A scene on the Relief bench with these artworks, the first of them shown. */
async function openBench(page: Page, files: Dropped[]): Promise<void> {
  await openNewScene(page);
  await page.getByRole('button', { name: 'Relief' }).click();
  await expect(art(page)).toBeVisible();
  await drop(page, files);
  await expect(frame(page, files[0].name.replace('.png', ''))).toBeVisible();
}

/** What the studio says; the page has an announcer of its own. */
const notice = (page: Page) =>
  page.getByRole('alert').filter({ has: page.getByRole('button', { name: 'Close' }) });

const drop = (page: Page, files: Dropped[]) => dropFiles(page, art(page), files, { x: 200, y: 200 });

/** A grey block of 40 x 40 with an ink line down its middle. */
const block = (red = 140) =>
  png(40, 40, (x, y) => {
    const inside = x > 2 && x < 37 && y > 2 && y < 37;
    return x === 20 && inside ? [16, 14, 18, 255] : [red, 130, 120, inside ? 255 : 0];
  });

/** Where a pixel of the art of this size lies in the middle of the view, px from its corner. */
async function placeOf(page: Page, size: number, x: number, y: number): Promise<[number, number]> {
  const box = (await art(page).boundingBox())!;
  const zoom = Math.floor(Math.min((box.width - 80) / size, (box.height - 80) / size));
  return [box.width / 2 + (x - size / 2) * zoom, box.height / 2 + (y - size / 2) * zoom];
}

async function paint(page: Page, size: number, ...points: [number, number][]): Promise<void> {
  const box = (await art(page).boundingBox())!;
  for (const [i, [x, y]] of points.entries()) {
    const [px, py] = await placeOf(page, size, x, y);
    await page.mouse.move(box.x + px, box.y + py, { steps: 4 });
    if (i === 0) await page.mouse.down();
  }
}

const shown = async (page: Page): Promise<Image> => decodePng(await art(page).screenshot()).image;

/** The normal map of the artwork that is shown, as it would be saved. */
async function normalMap(page: Page): Promise<Image> {
  await page.getByRole('tab', { name: 'Maps' }).click();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save normal map' }).click(),
  ]);
  return decodePng(readFileSync(await file.path())).image;
}

const pixel = ({ data, width }: Image, x: number, y: number) => [
  ...data.subarray(4 * (y * width + x), 4 * (y * width + x) + 3),
];
const same = (a: Image, b: Image) => Buffer.compare(Buffer.from(a.data), Buffer.from(b.data)) === 0;

test('a stroke shows under the brush, survives another recipe, and is taken back in order', async ({
  page,
}) => {
  await openBench(page, [{ name: 'block.png', bytes: block() }]);
  await page.keyboard.press('2');
  const before = await normalMap(page);
  const [px, py] = await placeOf(page, 40, 10, 12);
  const calm = meanOf(await shown(page), Math.round(px), Math.round(py));
  await page.keyboard.press('c');
  const ball = page.getByRole('slider', { name: 'Facing' });
  const box = (await ball.boundingBox())!;
  await ball.click({ position: { x: box.width * 0.85, y: box.height / 2 } });
  await expect(ball).toHaveAttribute('aria-valuetext', /^right/);
  await page.getByLabel('Opacity, number').fill('1');
  await page.getByLabel('Hardness, number').fill('1');
  await page.getByLabel('Hardness, number').press('Enter');
  await paint(page, 40, [10, 8], [10, 20]);
  // Before the button is let go, the normals under the brush are others.
  await expect
    .poll(async () => Math.abs(meanOf(await shown(page), Math.round(px), Math.round(py)) - calm))
    .toBeGreaterThan(5);
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute('title', 'Undo: Paint a facing');
  const after = await normalMap(page);
  expect(pixel(after, 10, 12)[0]).toBeGreaterThan(200);
  expect(pixel(after, 30, 30)).toEqual(pixel(before, 30, 30));

  await page.getByRole('tab', { name: 'Form' }).click();
  await page.getByLabel('Shape', { exact: true }).selectOption('inflate');
  const inflated = await normalMap(page);
  expect(pixel(inflated, 10, 12)[0]).toBeGreaterThan(200);
  expect(pixel(inflated, 30, 30)).not.toEqual(pixel(before, 30, 30));

  await page.getByRole('tab', { name: 'Strokes' }).click();
  await page.getByRole('button', { name: 'Hide Layer 1' }).click();
  expect(pixel(await normalMap(page), 10, 12)[0]).toBeLessThan(180);
  for (let i = 0; i < 3; i++) await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: 'Redo' })).toHaveAttribute('title', 'Redo: Paint a facing');
  expect(same(await normalMap(page), before)).toBe(true);
  await saved(page);
  await page.keyboard.press('Control+Shift+z');
  await saved(page);
  await page.reload();
  await expect(frame(page, 'block')).toHaveAccessibleName(/painted/);
  expect(same(await normalMap(page), after)).toBe(true);
});

test('raising goes on in a straight line with Shift, and a sprite of 2048 px follows the brush', async ({
  page,
}) => {
  const large = png(2048, 2048, (x, y) => {
    const inside = (x - 1024) ** 2 + (y - 1024) ** 2 < 900_000;
    return [120 + ((x >> 4) & 31), 110, 100, inside ? 255 : 0];
  });
  await openBench(page, [{ name: 'boulder.png', bytes: large }]);
  // The relief of four million pixels is there when the painted state can be asked for.
  await expect
    .poll(async () => (await page.getByLabel('Section').textContent()) ?? '', { timeout: 60_000 })
    .toMatch(/\d…\d+\.\d/);
  await page.keyboard.press('2');
  await page.keyboard.press('r');
  await page.getByLabel('Size, number').fill('120');
  await page.getByLabel('By, number').fill('30');
  await page.getByLabel('By, number').press('Enter');
  const box = (await art(page).boundingBox())!;
  const middle: [number, number] = [box.x + box.width / 2, box.y + box.height / 2];
  // The page's own thread is free while the stroke is drawn: a beat every few milliseconds.
  await page.evaluate(() => {
    const hold = window as unknown as { longest: number };
    hold.longest = 0;
    let last = performance.now();
    const beat = () => {
      const now = performance.now();
      hold.longest = Math.max(hold.longest, now - last);
      last = now;
      setTimeout(beat, 4);
    };
    beat();
  });
  const before = await shown(page);
  await page.mouse.move(...middle);
  await page.mouse.down();
  await page.mouse.move(middle[0] + 60, middle[1], { steps: 12 });
  await expect.poll(async () => same(await shown(page), before)).toBe(false);
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute('title', 'Undo: Raise', {
    timeout: 20_000,
  });
  await page.keyboard.down('Shift');
  await page.mouse.move(middle[0] + 60, middle[1] + 50);
  await page.mouse.down();
  await page.mouse.up();
  await page.keyboard.up('Shift');
  await page.getByRole('tab', { name: 'Strokes' }).click();
  await expect(page.getByRole('list', { name: 'Layers of strokes' })).toContainText('Layer 1 2', {
    timeout: 20_000,
  });
});

test('parts are shown, joined and split by strokes, and filled with one facing', async ({ page }) => {
  await openBench(page, [{ name: 'block.png', bytes: block() }]);
  await page.getByLabel('Parts by').selectOption('outlines');
  await page.keyboard.press('4');
  await page.keyboard.press('p');
  const colours = async () => {
    const image = await shown(page);
    const at = async (x: number) => {
      const [px, py] = await placeOf(page, 40, x, 10);
      const p = 4 * (Math.round(py) * image.width + Math.round(px));
      return [...image.data.subarray(p, p + 3)];
    };
    const [a, b] = [await at(12), await at(28)];
    return Math.max(...a.map((v, c) => Math.abs(v - b[c])));
  };
  await expect.poll(colours).toBeGreaterThan(25);
  await page.keyboard.press('j');
  await paint(page, 40, [10, 20], [30, 20]);
  await page.mouse.up();
  await expect.poll(colours).toBeLessThan(6);
  await page.keyboard.press('Control+z');
  await expect.poll(colours).toBeGreaterThan(25);
  await page.keyboard.press('i');
  const [px, py] = await placeOf(page, 40, 10, 10);
  await page.getByLabel('Opacity, number').fill('1');
  await page.getByLabel('Opacity, number').press('Enter');
  await art(page).click({ position: { x: px, y: py } });
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute('title', 'Undo: Fill a part');
  const map = await normalMap(page);
  // The ball faces up to begin with: green above the middle, the same on all of the part and on no other.
  expect(pixel(map, 10, 10)[1]).toBeGreaterThan(180);
  expect(pixel(map, 14, 30)).toEqual(pixel(map, 10, 10));
  expect(pixel(map, 30, 10)[1]).toBeLessThan(150);
});

test('a colour found on the art is muted, and a livery borrows the relief of another', async ({ page }) => {
  await openBench(page, [
    { name: 'blue.png', bytes: block(60) },
    { name: 'red.png', bytes: block(220) },
  ]);
  await frame(page, 'red').click();
  const own = await normalMap(page);
  await page.getByRole('tab', { name: 'Form' }).click();
  await page.keyboard.press('w');
  const [px, py] = await placeOf(page, 40, 20, 20);
  await art(page).click({ position: { x: px, y: py } });
  const swatch = page.getByRole('button', { name: '#100e12' });
  await expect(swatch).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('switch', { name: 'Tone' }).click();
  await expect(page.getByRole('button', { name: '#100e12, muted' })).toBeVisible();
  await page.getByLabel('Height of #100e12').focus();
  await page.keyboard.press('PageUp');
  const raised = await normalMap(page);
  expect(pixel(raised, 21, 20)[0]).not.toBe(pixel(own, 21, 20)[0]);

  await frame(page, 'blue').click();
  await page.getByRole('tab', { name: 'Maps' }).click();
  await page.getByLabel('Body', { exact: true }).selectOption({ label: 'Borrowed: red' });
  await expect(frame(page, 'blue')).toHaveAccessibleName(/borrowed/);
  expect(same(await normalMap(page), raised)).toBe(true);
  // A lender cannot borrow from its borrower.
  await frame(page, 'red').click();
  await expect(page.getByLabel('Body', { exact: true }).getByRole('option')).toHaveText(['Its own recipe']);
});

test('maps come with their art by suffix; orientation is judged, another size is refused', async ({
  page,
}) => {
  const dome = (x: number, y: number) => {
    const [dx, dy] = [(x - 19.5) / 18, (y - 19.5) / 18];
    return { dx, dy, dz: Math.sqrt(Math.max(0, 1 - dx * dx - dy * dy)), isIn: dx * dx + dy * dy < 1 };
  };
  const files: Dropped[] = [
    {
      name: 'ball_n.png',
      bytes: png(40, 40, (x, y) => {
        const { dx, dy, dz, isIn } = dome(x, y);
        const byte = (v: number) => Math.floor((v + 1) * 127.5 + 0.5);
        return [byte(dx), byte(dy), byte(dz), isIn ? 255 : 0];
      }),
    },
    { name: 'ball.png', bytes: png(40, 40, (x, y) => [150, 140, 130, dome(x, y).isIn ? 255 : 0]) },
    { name: 'ball_rim.png', bytes: png(40, 40, (x) => [x * 6, x * 6, x * 6, 255]) },
    { name: 'ball_h.png', bytes: png(20, 40, () => [9, 9, 9, 255]) },
  ];
  await openNewScene(page);
  await page.getByRole('button', { name: 'Relief' }).click();
  await drop(page, files);
  const said = notice(page);
  await expect(said).toContainText('judged Y down');
  await expect(said).toContainText('rim mask to ball');
  await expect(said).toContainText('ball_h.png');
  await expect(said).toContainText('20 x 40');
  await expect(said).toContainText('40 x 40');
  await expect(frame(page, 'ball')).toHaveAccessibleName(/imported/);
  // Taken as it is, turned to Y up: the upper flank is green.
  const map = await normalMap(page);
  expect(pixel(map, 20, 5)[1]).toBeGreaterThan(200);
  expect(pixel(map, 20, 34)[1]).toBeLessThan(60);
  await page.getByLabel('Used').selectOption('height');
  await expect.poll(async () => pixel(await normalMap(page), 20, 8)[1]).toBeGreaterThan(180);
  await page.keyboard.press('5');
  const [px, py] = await placeOf(page, 40, 30, 20);
  await expect
    .poll(async () => Math.round(meanOf(await shown(page), Math.round(px), Math.round(py)) / 6))
    .toBe(30);
});

test('layered paintings bring their normals layer by layer', async ({ page }) => {
  const layer = (w: number, h: number, rgb: [number, number, number]) => png(w, h, () => [...rgb, 255]);
  const painting = (layers: [string, Buffer, number, number][]) => {
    const stack = layers
      .map(([name, , x, y], i) => `<layer name="${name}" src="data/${i}.png" x="${x}" y="${y}"/>`)
      .join('');
    const files: Record<string, Uint8Array> = {
      mimetype: new TextEncoder().encode('image/openraster'),
      'stack.xml': new TextEncoder().encode(
        `<?xml version="1.0"?><image w="40" h="40"><stack>${stack}</stack></image>`,
      ),
    };
    layers.forEach(([, bytes], i) => (files[`data/${i}.png`] = bytes));
    return Buffer.from(zipSync(files));
  };
  await openNewScene(page);
  await page.getByRole('button', { name: 'Relief' }).click();
  await drop(page, [
    { name: 'figure_n.ora', bytes: painting([['arm', layer(20, 20, [255, 128, 128]), 0, 0]]) },
    {
      name: 'figure.ora',
      bytes: painting([
        ['arm', layer(10, 12, [200, 90, 60]), 4, 3],
        ['head', layer(8, 8, [220, 180, 150]), 20, 0],
      ]),
    },
  ]);
  await expect(frame(page, 'figure arm')).toHaveAccessibleName(/imported/);
  await expect(frame(page, 'figure head')).toHaveAccessibleName(/made/);
  await frame(page, 'figure arm').click();
  const map = await normalMap(page);
  expect([map.width, map.height]).toEqual([10, 12]);
  expect(pixel(map, 5, 5)).toEqual([255, 128, 128]);
});

test('a recipe of the shelf is applied to many, and their maps leave in one archive', async ({ page }) => {
  const files = Array.from({ length: 8 }, (_, i) => ({ name: `part${i}.png`, bytes: block(60 + 20 * i) }));
  await openBench(page, files);
  await page.getByLabel('Strength, number').fill('2');
  await page.getByLabel('Strength, number').press('Enter');
  await page.getByLabel('Name of the recipe').fill('Bold');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await page.getByRole('button', { name: 'all', exact: true }).click();
  await page.getByLabel('Recipe of the shelf').selectOption({ label: 'Bold' });
  await page.getByRole('button', { name: 'Apply to 8 picked' }).click();
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute('title', 'Undo: Apply Bold to 8');
  await frame(page, 'part5').click();
  await page.getByRole('tab', { name: 'Form' }).click();
  await expect(page.getByLabel('Strength, number')).toHaveValue('2');
  await page.getByRole('tab', { name: 'Maps' }).click();
  await page.getByLabel('Names of the files').fill('maps/?/*');
  await page.getByRole('group', { name: 'Maps that leave' }).getByRole('button', { name: 'Height' }).click();
  const [archive] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save of 8 picked' }).click(),
  ]);
  const names = Object.keys(unpackFiles(readFileSync(await archive.path()))).sort();
  expect(names.length).toBe(16);
  expect(names).toEqual(expect.arrayContaining(['maps/n/part0.png', 'maps/h/part7.png']));
  await page.keyboard.press('Control+z');
  await page.getByRole('tab', { name: 'Form' }).click();
  await expect(page.getByLabel('Strength, number')).toHaveValue('1');
});

test('applying a recipe goes on after a reload, and can be cancelled', async ({ page }) => {
  const files = Array.from({ length: 24 }, (_, i) => ({
    name: `tile${String(i).padStart(2, '0')}.png`,
    bytes: png(300, 300, (x, y) => [(x * (i + 3)) & 255, (y * 5) & 255, (x ^ y) & 255, 255]),
  }));
  await openBench(page, files);
  await expect(frame(page, 'tile23')).toBeVisible();
  await saved(page);
  await page.getByRole('button', { name: 'all', exact: true }).click();
  await page.getByLabel('Recipe of the shelf').selectOption({ label: 'Cushion: full and round' });
  await page.getByRole('button', { name: 'Apply to 24 picked' }).click();
  const bar = page.getByRole('status').filter({ hasText: 'of 24' });
  await expect(bar).toContainText(/[3-9] of 24|1\d of 24/);
  await page.reload();
  // What is left goes on by itself, and what was made before the reload is kept.
  const rest = page.getByRole('status').filter({ hasText: /\d+ of \d+/ });
  await expect(rest).toBeVisible();
  await expect(rest).toBeHidden({ timeout: 60_000 });
  for (const name of ['tile00', 'tile23']) {
    await frame(page, name).click();
    await expect(page.getByLabel('Shape', { exact: true })).toHaveValue('inflate');
  }
  await page.getByRole('button', { name: 'all', exact: true }).click();
  await page.getByLabel('Recipe of the shelf').selectOption({ label: 'Carving: dark is deep, no body' });
  await page.getByRole('button', { name: 'Apply to 24 picked' }).click();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(bar).toBeHidden();
  await frame(page, 'tile23').click();
  await expect(page.getByLabel('Shape', { exact: true })).toHaveValue('inflate');
});

test('new art of the same name keeps recipe and strokes; of another size it is asked about', async ({
  page,
}) => {
  await openBench(page, [{ name: 'block.png', bytes: block() }]);
  await page.getByLabel('Strength, number').fill('3');
  await page.getByLabel('Strength, number').press('Enter');
  await page.keyboard.press('r');
  await paint(page, 40, [10, 10], [20, 10]);
  await page.mouse.up();
  await expect(frame(page, 'block')).toHaveAccessibleName(/painted/);
  await drop(page, [{ name: 'block.png', bytes: block(30) }]);
  await expect(notice(page)).toContainText('Art exchanged: 1');
  await expect(frame(page, 'block')).toHaveAccessibleName(/out of date/);
  await page.getByRole('tab', { name: 'Maps' }).click();
  await page.getByRole('button', { name: 'Keep for this' }).click();
  await expect(frame(page, 'block')).toHaveAccessibleName(/painted/);
  await page.getByRole('tab', { name: 'Form' }).click();
  await expect(page.getByLabel('Strength, number')).toHaveValue('3');
  await drop(page, [{ name: 'block.png', bytes: png(24, 30, () => [90, 90, 90, 255]) }]);
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('40 × 40');
  await expect(dialog).toContainText('24 × 30');
  await dialog.getByRole('button', { name: 'Bring it in beside' }).click();
  await expect(page.getByLabel('Contact sheet').getByRole('button', { name: /^block:/ })).toHaveCount(2);
});

test('a map goes out, is painted on elsewhere, and comes back as a layer of what changed', async ({
  page,
}) => {
  await openBench(page, [{ name: 'block.png', bytes: block() }]);
  await page.getByRole('tab', { name: 'Strokes' }).click();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Normals out' }).click(),
  ]);
  const { image } = decodePng(readFileSync(await file.path()));
  for (let y = 10; y < 14; y++)
    for (let x = 10; x < 14; x++) image.data.set([240, 128, 190], 4 * (y * 40 + x));
  await page.getByLabel('Returned map').setInputFiles({
    name: 'by hand.png',
    mimeType: 'image/png',
    buffer: Buffer.from(encodePng(image)),
  });
  await expect(page.getByRole('list', { name: 'Layers of strokes' })).toContainText('by hand 1');
  await page.getByRole('tab', { name: 'Form' }).click();
  await page.getByLabel('Shape', { exact: true }).selectOption('none');
  const map = await normalMap(page);
  expect(pixel(map, 11, 11)[0]).toBeGreaterThan(230);
  expect(pixel(map, 30, 30)[0]).toBeLessThan(140);
});

test('the page and the command line make the same pixels', async ({ page }) => {
  const folder = mkdtempSync(join(tmpdir(), 'oilwick-same-'));
  try {
    const bytes = png(97, 61, (x, y) => [
      (x * 5) & 255,
      (y * 7) & 255,
      (x * y) & 255,
      (x - 48) ** 2 / 2 + (y - 30) ** 2 < 800 ? 255 : x & 1 ? 90 : 0,
    ]);
    await openBench(page, [{ name: 'same.png', bytes }]);
    await page.getByLabel('Shape', { exact: true }).selectOption('inflate');
    await page.getByLabel('Parts by').selectOption('colours');
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Save the recipe as a file' }).click(),
    ]);
    const recipe = join(folder, 'recipe.json');
    writeFileSync(recipe, readFileSync(await file.path()));
    writeFileSync(join(folder, 'same.png'), bytes);
    writeFileSync(join(folder, 'twin.png'), bytes);
    const program = resolve(import.meta.dirname, '../bin/oilwick.mjs');
    await promisify(execFile)(process.execPath, [
      program,
      'relief',
      join(folder, 'same.png'),
      join(folder, 'twin.png'),
      '--recipe',
      recipe,
      '--out',
      folder,
      '--jobs',
      '2',
    ]);
    const inPage = await normalMap(page);
    for (const name of ['same_n.png', 'twin_n.png'])
      expect(same(decodePng(readFileSync(join(folder, name))).image, inPage)).toBe(true);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

test('the section follows its line, the wipe compares, and the lamp goes round by itself', async ({
  page,
}) => {
  await openBench(page, [{ name: 'block.png', bytes: block() }]);
  await page.keyboard.press('x');
  await paint(page, 40, [20, 0], [20, 40]);
  await page.mouse.up();
  await expect(page.getByLabel('Section')).toContainText('Section, 40 px');
  const line = page.getByLabel('Section').locator('path').last();
  const down = await line.getAttribute('d');
  await paint(page, 40, [0, 8], [40, 30]);
  await page.mouse.up();
  expect(await line.getAttribute('d')).not.toBe(down);
  await page.keyboard.press('Escape');
  await page.keyboard.press('2');
  await page.getByLabel('Wipe').selectOption('height/now');
  const image = await shown(page);
  const [lx, y] = await placeOf(page, 40, 10, 20);
  const [rx] = await placeOf(page, 40, 30, 20);
  const at = (x: number) => [
    ...image.data.subarray(
      4 * (Math.round(y) * image.width + Math.round(x)),
      4 * (Math.round(y) * image.width + Math.round(x)) + 3,
    ),
  ];
  // Grey on the left of the edge, the blue of normals on its right.
  expect(Math.abs(at(lx)[0] - at(lx)[2])).toBeLessThan(3);
  expect(at(rx)[2] - at(rx)[0]).toBeGreaterThan(60);
  await page.keyboard.press('v');
  await page.keyboard.press('v');
  await page.keyboard.press('1');
  await page.keyboard.press('o');
  const one = await shown(page);
  await expect.poll(async () => same(await shown(page), one)).toBe(false);
});
