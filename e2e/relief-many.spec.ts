/** The Relief bench: recipes for many artworks, and art that changes. */
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { emptyImage } from '../src/core/raster/image';
import { unpackFiles } from '../src/core/handoff/zip';
import { isSame, png, saved } from './helpers';
import { block, drop, frame, normalMap, notice, openBench, paint } from './relief-helpers';

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
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute(
    'title',
    'Undo: Apply Bold to 8 (Ctrl+Z)',
  );
  await frame(page, 'part5').click();
  await page.getByRole('tab', { name: 'Form' }).click();
  await expect(page.getByLabel('Strength, number')).toHaveValue('2');
  await page.getByRole('tab', { name: 'Maps' }).click();
  await page.getByLabel('Names', { exact: true }).fill('maps/?/*');
  await page.getByRole('group', { name: 'Maps' }).getByRole('button', { name: 'Height' }).click();
  const [archive] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save 8 picked' }).click(),
  ]);
  const names = Object.keys(unpackFiles(readFileSync(await archive.path()))).sort();
  expect(names.length).toBe(16);
  expect(names).toEqual(expect.arrayContaining(['maps/n/part0.png', 'maps/h/part7.png']));
  await page.keyboard.press('Control+z');
  await page.getByRole('tab', { name: 'Form' }).click();
  await expect(page.getByLabel('Strength, number')).toHaveValue('1');
});

test('applying a recipe goes on after a reload, and can be cancelled', { tag: '@slow' }, async ({ page }) => {
  const files = Array.from({ length: 14 }, (_, i) => ({
    name: `tile${String(i).padStart(2, '0')}.png`,
    bytes: png(300, 300, (x, y) => [(x * (i + 3)) & 255, (y * 5) & 255, (x ^ y) & 255, 255]),
  }));
  await openBench(page, files);
  await expect(frame(page, 'tile13')).toBeVisible();
  await saved(page);
  await page.getByRole('button', { name: 'all', exact: true }).click();
  await page.getByLabel('Recipe of the shelf').selectOption({ label: 'Cushion: full and round' });
  await page.getByRole('button', { name: 'Apply to 14 picked' }).click();
  const bar = page.getByRole('status').filter({ hasText: 'of 14' });
  await expect(bar).toContainText(/[3-9] of 14|1\d of 14/);
  await page.reload();
  // What is left goes on by itself, and what was made before the reload is kept.
  const rest = page.getByRole('status').filter({ hasText: /\d+ of \d+/ });
  await expect(rest).toBeVisible();
  await expect(rest).toBeHidden({ timeout: 60_000 });
  for (const name of ['tile00', 'tile13']) {
    await frame(page, name).click();
    await expect(page.getByLabel('Shape', { exact: true })).toHaveValue('inflate');
  }
  await page.getByRole('button', { name: 'all', exact: true }).click();
  await page.getByLabel('Recipe of the shelf').selectOption({ label: 'Carving: dark is deep, no body' });
  await page.getByRole('button', { name: 'Apply to 14 picked' }).click();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(bar).toBeHidden();
  await frame(page, 'tile13').click();
  await expect(page.getByLabel('Shape', { exact: true })).toHaveValue('inflate');
});

test('a sheet is made cell by cell: each as it would be by itself', async ({ page }) => {
  const disc = (x: number, y: number): [number, number, number, number] => [
    160,
    120,
    90,
    (x - 9.5) ** 2 + (y - 9.5) ** 2 < 90 ? 255 : 0,
  ];
  const slab = (_x: number, y: number): [number, number, number, number] => [90, 120, 160, y > 4 ? 255 : 0];
  await openBench(page, [
    { name: 'sheet.png', bytes: png(40, 20, (x, y) => (x < 20 ? disc(x, y) : slab(x - 20, y))) },
    { name: 'disc.png', bytes: png(20, 20, disc) },
    { name: 'slab.png', bytes: png(20, 20, slab) },
  ]);
  const map = async (name: string) => {
    await frame(page, name).click();
    return normalMap(page);
  };
  const halves = async () => {
    const sheet = await map('sheet');
    const cell = (from: number) => {
      const out = emptyImage(20, 20);
      for (let y = 0; y < 20; y++)
        out.data.set(sheet.data.subarray(4 * (40 * y + from), 4 * (40 * y + from + 20)), 80 * y);
      return out;
    };
    return [cell(0), cell(20)];
  };
  for (const name of ['sheet', 'disc', 'slab']) {
    await frame(page, name).click();
    await page.getByRole('tab', { name: 'Form' }).click();
    await page.getByLabel('Shape', { exact: true }).selectOption('inflate');
  }
  const [disc1, slab1] = [await map('disc'), await map('slab')];
  expect(isSame((await halves())[1], slab1)).toBe(false);
  await page.getByLabel('Columns, number').fill('2');
  await page.getByLabel('Columns, number').press('Enter');
  const [left, right] = await halves();
  expect([isSame(left, disc1), isSame(right, slab1)]).toEqual([true, true]);
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
  await dialog.getByRole('button', { name: 'Import it beside' }).click();
  await expect(page.getByLabel('Contact sheet').getByRole('button', { name: /^block:/ })).toHaveCount(2);
});

test('the contact sheet is searched, and leaves out what is in the bin', async ({ page }) => {
  await openBench(page, [
    { name: 'lamp one.png', bytes: block(90) },
    { name: 'lamp two.png', bytes: block(150) },
    { name: 'wall.png', bytes: block(210) },
  ]);
  const frames = page.getByLabel('Contact sheet').getByRole('button', { name: /: / });
  await expect(frames).toHaveCount(3);
  await page.getByLabel('Search artworks').fill('lamp');
  await expect(frames).toHaveCount(2);
  await page.getByLabel('Search artworks').fill('');
  await page.getByRole('link', { name: 'Art' }).click();
  await page.getByRole('button', { name: /^wall:/ }).click();
  await page.getByRole('button', { name: 'Bin', exact: true }).click();
  await page.getByRole('link', { name: 'Relief' }).click();
  await expect(frames).toHaveCount(2);
  await expect(frame(page, 'wall')).toHaveCount(0);
});
