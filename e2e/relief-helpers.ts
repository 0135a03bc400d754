/** What the tests of the Relief bench share: artworks drawn here, strokes with the mouse, maps as they leave. */
import { readFileSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';
import type { Image } from '../src/core/raster/image';
import { decodePng } from '../src/core/raster/png';
import { dropFiles, openNewScene, png, type Dropped } from './helpers';

export const art = (page: Page) => page.getByRole('application', { name: 'Artwork under the hand lamp' });
export const frame = (page: Page, name: string) =>
  page.getByLabel('Contact sheet').getByRole('button', { name: new RegExp(`^${name}:`) });

/** A scene on the Relief bench with these artworks, the first of them shown. */
export async function openBench(page: Page, files: Dropped[]): Promise<void> {
  await openNewScene(page);
  await page.getByRole('link', { name: 'Relief' }).click();
  await expect(art(page)).toBeVisible();
  await drop(page, files);
  await expect(frame(page, files[0].name.replace('.png', ''))).toBeVisible();
}

/** What the studio says; the page has an announcer of its own. */
export const notice = (page: Page) =>
  page.getByRole('alert').filter({ has: page.getByRole('button', { name: 'Close' }) });

export const drop = (page: Page, files: Dropped[]) => dropFiles(page, art(page), files, { x: 200, y: 200 });

/** A grey block of 40 x 40 with an ink line down its middle. */
export const block = (red = 140) =>
  png(40, 40, (x, y) => {
    const inside = x > 2 && x < 37 && y > 2 && y < 37;
    return x === 20 && inside ? [16, 14, 18, 255] : [red, 130, 120, inside ? 255 : 0];
  });

/** Where a pixel of the art of this size lies in the middle of the view, px from its corner. */
export async function placeOf(page: Page, size: number, x: number, y: number): Promise<[number, number]> {
  const box = (await art(page).boundingBox())!;
  const zoom = Math.floor(Math.min((box.width - 80) / size, (box.height - 80) / size));
  return [box.width / 2 + (x - size / 2) * zoom, box.height / 2 + (y - size / 2) * zoom];
}

export async function paint(page: Page, size: number, ...points: [number, number][]): Promise<void> {
  const box = (await art(page).boundingBox())!;
  for (const [i, [x, y]] of points.entries()) {
    const [px, py] = await placeOf(page, size, x, y);
    await page.mouse.move(box.x + px, box.y + py, { steps: 4 });
    if (i === 0) await page.mouse.down();
  }
}

export const shown = async (page: Page): Promise<Image> => decodePng(await art(page).screenshot()).image;

/** The normal map of the artwork that is shown, as it would be saved. */
export async function normalMap(page: Page): Promise<Image> {
  await page.getByRole('tab', { name: 'Maps' }).click();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save normal map' }).click(),
  ]);
  return decodePng(readFileSync(await file.path())).image;
}

export const pixel = ({ data, width }: Image, x: number, y: number) => [
  ...data.subarray(4 * (y * width + x), 4 * (y * width + x) + 3),
];
