/** The Relief bench: swatches, borrowed and imported reliefs, maps out and back. */
import { execFile } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { promisify } from 'node:util';
import { expect, test } from '@playwright/test';
import { zipSync } from 'fflate';
import { decodePng, encodePng } from '../src/core/raster/png';
import { isSame, meanOf, png, openNewScene, type Dropped } from './helpers';
import {
  art,
  block,
  drop,
  frame,
  normalMap,
  notice,
  openBench,
  pixel,
  placeOf,
  shown,
} from './relief-helpers';

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
  expect(isSame(await normalMap(page), raised)).toBe(true);
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
  await page.getByRole('link', { name: 'Relief' }).click();
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
  await page.getByRole('link', { name: 'Relief' }).click();
  await drop(page, [
    { name: 'figure_rim.ora', bytes: painting([['head', layer(40, 40, [200, 200, 200]), 0, 0]]) },
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
  await expect(notice(page)).toContainText('rim mask to figure head');
  await expect(frame(page, 'figure head')).toHaveAccessibleName(/made/);
  await frame(page, 'figure arm').click();
  const map = await normalMap(page);
  expect([map.width, map.height]).toEqual([10, 12]);
  expect(pixel(map, 5, 5)).toEqual([255, 128, 128]);
});

test('a map goes out, is painted on elsewhere, and comes back as a layer of what changed', async ({
  page,
}) => {
  await openBench(page, [{ name: 'block.png', bytes: block() }]);
  await page.getByRole('tab', { name: 'Strokes' }).click();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export normals' }).click(),
  ]);
  const { image } = decodePng(readFileSync(await file.path()));
  for (let y = 10; y < 14; y++)
    for (let x = 10; x < 14; x++) image.data.set([240, 128, 190], 4 * (y * 40 + x));
  await page.getByLabel('Returned map').setInputFiles({
    name: 'by hand.png',
    mimeType: 'image/png',
    buffer: Buffer.from(encodePng(image)),
  });
  await expect(page.getByLabel('Name of the layer')).toHaveValue('by hand');
  await expect(page.getByRole('list', { name: 'Layers of strokes' })).toContainText(/^1/);
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
      page.getByRole('button', { name: 'To file: save the recipe' }).click(),
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
      expect(isSame(decodePng(readFileSync(join(folder, name))).image, inPage)).toBe(true);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});
