/** Front page, Relief, Time and Hand-off. */
import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { decodePng } from '../src/core/raster/png';
import { unpackFiles } from '../src/core/handoff/zip';
import {
  brightness,
  drag,
  dropFiles,
  hideReadouts,
  isSame,
  openNewScene,
  openWall,
  png,
  saved,
  settledPixels,
  stage,
  meanOf,
  stagePixels,
  newProject,
} from './helpers';

async function openDemo(page: Page, query: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('link', { name: 'Open Evening train' }).first().click();
  await page.waitForURL(/scenes\//);
  await page.goto(`${new URL(page.url()).pathname}${query}`);
}

test('projects and scenes are made, renamed, duplicated, binned and restored', async ({ page }) => {
  const orchard = `Orchard ${Date.now()}`;
  await page.goto('/');
  await expect(page.getByRole('link', { name: 'Open Evening train' }).first()).toBeVisible();
  const still = page.locator('img[src*="/picture"]').first();
  await expect.poll(() => still.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBe(480);
  const name = (await newProject(page)).getByLabel('Name of the project');
  await name.fill(orchard);
  await name.press('Enter');
  const project = page.getByRole('region', { name: orchard, exact: true });
  await project.getByRole('button', { name: 'New scene' }).click();
  const sceneName = project.getByRole('textbox', { name: 'Name of the scene' });
  await sceneName.fill('Dew');
  await sceneName.press('Enter');
  await expect(project.getByRole('link', { name: 'Open Dew', exact: true })).toBeVisible();
  await project.getByRole('button', { name: 'Duplicate Dew' }).click();
  await expect(project.getByRole('link', { name: 'Open Dew copy' })).toBeVisible();
  await project.getByRole('button', { name: 'Bin Dew', exact: true }).click();
  await expect(project.getByRole('link', { name: 'Open Dew', exact: true })).toBeHidden();
  await page.getByRole('button', { name: `Duplicate project ${orchard}` }).click();
  await expect(page.getByRole('region', { name: `${orchard} copy` })).toBeVisible();
  await page.getByRole('button', { name: `Bin project ${orchard} copy` }).click();
  await expect(page.getByRole('region', { name: `${orchard} copy` })).toBeHidden();
  await page.getByRole('button', { name: /^Bin \d/ }).click();
  await page
    .getByRole('region', { name: orchard, exact: true })
    .getByRole('button', { name: 'Restore' })
    .click();
  await page.getByRole('button', { name: /^Bin/ }).first().click();
  await expect(project.getByRole('link', { name: 'Open Dew', exact: true })).toBeVisible();
});

test('relief: seen at once, tuned without blocking, looked at in four ways, saved Y up and Y down', async ({
  page,
}) => {
  await openNewScene(page);
  const dome = png(64, 64, (x, y) => [150, 140, 130, (x - 31.5) ** 2 + (y - 31.5) ** 2 < 900 ? 255 : 0]);
  await dropFiles(page, stage(page), [{ name: 'dome.png', bytes: dome }], { x: 588, y: 256 });
  await expect(page.getByLabel('Name of the sprite')).toHaveValue('dome');
  await page.getByRole('link', { name: 'its relief' }).click();
  const art = page.getByLabel('Artwork under the hand lamp');
  await page.getByLabel('Shape', { exact: true }).selectOption('inflate');
  const fullness = page.getByLabel('Fullness, number');
  await fullness.fill('1');
  await fullness.press('Enter');
  const box = (await art.boundingBox())!;
  const [cx, cy] = [box.width / 2, box.height / 2];
  const lightAt = async (x: number, y: number) => {
    const { data, width } = decodePng(await art.screenshot()).image;
    const p = 4 * (Math.round(y) * width + Math.round(x));
    return data[p] + data[p + 1] + data[p + 2];
  };
  // The lamp at the left lights the left flank; carried to the right, the right one.
  await page.mouse.move(box.x + cx - 150, box.y + cy);
  await expect
    .poll(async () => (await lightAt(cx - 120, cy + 40)) - (await lightAt(cx + 120, cy + 40)))
    .toBeGreaterThan(80);
  await page.mouse.move(box.x + cx + 150, box.y + cy);
  await expect
    .poll(async () => (await lightAt(cx + 120, cy + 40)) - (await lightAt(cx - 120, cy + 40)))
    .toBeGreaterThan(80);
  await page.keyboard.down('Alt');
  await page.mouse.wheel(0, -100);
  await page.keyboard.up('Alt');
  await page.getByRole('button', { name: 'Hand lamp' }).click();
  await expect(page.getByLabel('Height, number').last()).not.toHaveValue('16');
  await page.keyboard.press('Escape');
  await page.getByRole('radio', { name: 'Normals' }).click();
  await expect
    .poll(async () => {
      const { data, width } = decodePng(await art.screenshot()).image;
      const p = 4 * (Math.round(cy) * width + Math.round(cx));
      return data[p + 2] > 245 && Math.abs(data[p] - 128) < 12;
    })
    .toBe(true);
  await page.getByRole('radio', { name: 'Height' }).click();
  await expect.poll(() => lightAt(cx, cy)).toBeGreaterThan(700);
  await page.getByRole('radio', { name: 'Art' }).click();
  await expect.poll(() => lightAt(cx, cy)).toBe(420);

  await page.getByRole('tab', { name: 'Maps' }).click();
  const save = async () => {
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Save normal map' }).click(),
    ]);
    expect(file.suggestedFilename()).toBe('dome_n.png');
    return decodePng(readFileSync(await file.path())).image;
  };
  const up = await save();
  await page.getByLabel('Green').selectOption('Y down');
  const down = await save();
  const top = 4 * (8 * 64 + 32);
  expect(up.data[top + 1]).toBeGreaterThan(160);
  expect(down.data[top + 1]).toBe(255 - up.data[top + 1]);
  expect([up.data[3], up.data[top + 3]]).toEqual([0, 255]);
  await page.keyboard.press('Control+z');
  await saved(page);
});

test('a slider of a large relief never blocks the page', async ({ page }) => {
  await openNewScene(page);
  const large = png(1024, 1024, (x, y) => [(x * 7) & 255, (y * 5) & 255, (x ^ y) & 255, 255]);
  await dropFiles(page, stage(page), [{ name: 'large.png', bytes: large }], { x: 588, y: 256 });
  await expect(page.getByLabel('Name of the sprite')).toHaveValue('large');
  await page.getByRole('link', { name: 'its relief' }).click();
  await page.evaluate(() => {
    const hold = window as unknown as { beats: number };
    hold.beats = 0;
    const beat = () => {
      hold.beats++;
      setTimeout(beat, 5);
    };
    beat();
  });
  const beats = () => page.evaluate(() => (window as unknown as { beats: number }).beats);
  const strength = page.getByRole('slider', { name: 'Strength' });
  const start = await beats();
  for (let i = 0; i < 6; i++) await strength.press('ArrowRight');
  await expect(page.getByText(/relief \d+ ms/)).toBeVisible();
  // A million pixels of relief were made meanwhile, and the page went on.
  expect((await beats()) - start).toBeGreaterThan(20);
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute(
    'title',
    'Undo: Strength (Ctrl+Z)',
  );
});

test('a breeze makes a light flicker, no two in step, and freezing holds it', async ({ page }) => {
  await openWall(page);
  for (const x of [540, 640]) {
    await page.keyboard.press('p');
    await drag(page, [x, 256], [x + 80, 256]);
    await page
      .getByRole('combobox', { name: 'Wick' })
      .selectOption({ label: x === 540 ? 'New: Draughty lantern' : 'Draughty lantern' });
  }
  await page.keyboard.press('Escape');
  const low = page.getByLabel('Level, lowest');
  await page.getByRole('button', { name: 'Pick Light 1' }).click();
  await low.fill('0.2');
  await low.press('Enter');
  await page.keyboard.press('Escape');
  const series: [number, number][] = [];
  for (let i = 0; i < 14; i++) {
    const image = await stagePixels(page);
    series.push([meanOf(image, 548, 268), meanOf(image, 648, 268)]);
  }
  const spread = (k: 0 | 1) => Math.max(...series.map((s) => s[k])) - Math.min(...series.map((s) => s[k]));
  expect(spread(0)).toBeGreaterThan(4);
  expect(spread(1)).toBeGreaterThan(4);
  expect(Math.max(...series.map(([a, b]) => Math.abs(a - b)))).toBeGreaterThan(4);
  await page.keyboard.press('f');
  await page.waitForTimeout(150);
  const still = await brightness(page, 548, 268);
  await page.waitForTimeout(400);
  expect(await brightness(page, 548, 268)).toBe(still);
});

test('the day: the ambient is recorded in cues, the playhead is dragged, the day is played', async ({
  page,
}) => {
  await openWall(page);
  const hour = page.getByRole('group', { name: 'Dayline' }).getByRole('slider', { name: 'Hour' });
  const ambient = page.getByRole('slider', { name: 'Level of the ambient light' });
  await page.getByRole('button', { name: 'Record', exact: true }).click();
  await page.getByRole('button', { name: 'Record 2 values' }).click();
  await expect(page.getByRole('button', { name: 'Cue at 19:00' })).toBeVisible();
  await page.keyboard.press('Escape');
  const track = (await page.getByRole('group', { name: 'Dayline' }).boundingBox())!;
  await page.mouse.click(track.x + 104 + 16 + (track.width - 136) / 2, track.y + 6);
  await expect(hour).toHaveText('12:00');
  await ambient.focus();
  for (let i = 0; i < 2; i++) await page.keyboard.press('PageUp');
  await expect(page.getByText('trial')).toBeVisible();
  await expect.poll(() => brightness(page, 588, 256)).toBeGreaterThan(150);
  await page.getByRole('button', { name: 'record', exact: true }).click();
  await page.getByRole('button', { name: 'Record one value' }).click();
  await expect(page.getByRole('button', { name: 'Cue at 12:00' })).toBeVisible();
  await hour.focus();
  for (let i = 0; i < 7; i++) await page.keyboard.press('PageUp');
  await expect(hour).toHaveText('19:00');
  await expect.poll(() => brightness(page, 588, 256)).toBeLessThan(3);
  await page.keyboard.press('Escape');
  await stage(page).focus();
  await page.keyboard.press('d');
  await expect.poll(async () => (await hour.textContent()) !== '19:00').toBe(true);
  await page.keyboard.press('d');
  await page.keyboard.press('Alt+4');
  await expect(page.getByRole('button', { name: '12:00', exact: true })).toBeVisible();
});

test('a bundle opens in another project as the same scene, pixel for pixel', async ({ page }) => {
  await openDemo(page, '?bench=stage&hour=19.20&at=2.00');
  await expect(page.getByRole('button', { name: 'Pick Platform lamp' })).toBeVisible();
  await hideReadouts(page);
  const before = await settledPixels(page);
  expect(new Set(before.data).size).toBeGreaterThan(100);
  await page.getByRole('link', { name: 'Hand-off' }).click();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Download the bundle' }).click(),
  ]);
  const path = await file.path();
  expect(Object.keys(unpackFiles(readFileSync(path)))).toEqual(
    expect.arrayContaining([
      'scene.json',
      'CONVENTIONS.md',
      'occluders.json',
      'art/goods-wagon.png',
      'normals/goods-wagon.png',
      'glows/oil-lamp.png',
    ]),
  );

  await page.goto('/');
  const project = await newProject(page);
  await project
    .locator('input[type=file]')
    .setInputFiles({ name: 'evening-train.zip', mimeType: 'application/zip', buffer: readFileSync(path) });
  await project.getByRole('link', { name: 'Open evening-train' }).click();
  await page.waitForURL(/scenes\//);
  await page.goto(`${new URL(page.url()).pathname}?bench=stage&hour=19.20&at=2.00`);
  await expect(page.getByRole('button', { name: 'Pick Platform lamp' })).toBeVisible();
  await hideReadouts(page);
  expect(isSame(before, await settledPixels(page))).toBe(true);
});

test('a broken bundle is refused in words and leaves nothing behind', async ({ page }) => {
  await page.goto('/');
  const project = await newProject(page);
  await project
    .locator('input[type=file]')
    .setInputFiles({ name: 'x.zip', mimeType: 'application/zip', buffer: Buffer.from('PK nothing') });
  await expect(page.getByRole('alert').filter({ hasText: /archive/ })).toBeVisible();
  await expect(project.getByRole('link')).toHaveCount(0);
});
