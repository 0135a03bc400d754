/** The desk itself: what it says of many, at the pointer, of what is refused, in bright rooms and in narrow windows. */
import { expect, test } from '@playwright/test';
import { newCue } from '../src/core/scene/records/cue';
import { newGobo } from '../src/core/scene/records/light-look';
import { newSprite } from '../src/core/scene/records/sprite';
import { clickScene, expectColours, openDocument, png, saved, stage, setNumber } from './helpers';
import { BLACK, RED, art, bright, lampScene, lamplight, sheet, twoFrames } from './scenes';

test('the hour of another cue is refused where it is typed, and nothing stays unsaved', async ({ page }) => {
  const scene = bright();
  scene.cues.a = newCue({ clockHours: 8, ambientLevel: 1 });
  scene.cues.b = newCue({ clockHours: 20, ambientLevel: 0.2 });
  await openDocument(page, scene, {}, '?bench=time&pick=cues:a');
  await setNumber(page, 'Hour', '20');
  await expect(page.getByRole('region', { name: /^Cue at/ })).toContainText(
    'There is a cue at 20:00 already.',
  );
  await expect(page.getByLabel('Hour, number')).toHaveValue('8');
  await setNumber(page, 'Hour', '9');
  await expect(page.getByRole('region', { name: 'Cue at 09:00' })).toBeVisible();
  await saved(page);
});

test('several lights and flats say in which fields they differ, and keep the others when one is set', async ({
  page,
}) => {
  const scene = lamplight();
  scene.artworks.sheet = sheet();
  scene.artworks.disc = art('Disc', 20, 20);
  const light = { ...scene.lights.l, locked: false };
  const gobo = { heightPx: 40, fadePx: 3 };
  scene.lights = {
    a: {
      ...{ ...light, name: 'A', x: 120, y: 135 },
      gobo: newGobo({ ...gobo, artworkId: 'sheet', widthPx: 100 }),
      stops: [{ at: 0.5, colour: '#ff0000' }],
    },
    b: {
      ...{ ...light, name: 'B', x: 360, y: 135 },
      gobo: newGobo({ ...gobo, artworkId: 'disc', widthPx: 60 }),
    },
  };
  const flat = { planeId: 'plane-middle', artworkId: null, y: 60 };
  scene.sprites = {
    f: newSprite({
      ...{ ...flat, name: 'F', order: 'a', x: 200 },
      plain: { colour: '#206040', widthPx: 20, heightPx: 20 },
    }),
    g: newSprite({
      ...{ ...flat, name: 'G', order: 'b', x: 280 },
      plain: { colour: '#602040', widthPx: 40, heightPx: 20 },
    }),
  };
  await openDocument(page, scene, { sheet: twoFrames(), disc: png(20, 20, () => [255, 255, 255, 255]) });
  await clickScene(page, 120, 135);
  await clickScene(page, 360, 135, ['Shift']);
  const column = page.getByRole('region', { name: 'Gobo' });
  const picture = column.getByLabel('Picture').locator('option:checked');
  await expect(picture).toHaveText('differs');
  await expect(page.getByLabel('Width, number')).toHaveValue('differs');
  await expect(page.getByLabel('Fade, number')).toHaveValue('3');
  const lightColumn = page.getByRole('region', { name: 'Light', exact: true });
  await expect(lightColumn.getByText('differs')).toBeVisible();
  await setNumber(page, 'Width', '80');
  await expect(page.getByLabel('Width, number')).toHaveValue('80');
  await expect(picture).toHaveText('differs');
  await page.keyboard.press('Escape');
  await clickScene(page, 360, 135);
  await expect(picture).toHaveText('Disc');
  await expect(page.getByLabel('Width, number')).toHaveValue('80');

  await page.keyboard.press('Escape');
  await clickScene(page, 200, 60);
  await clickScene(page, 280, 60, ['Shift']);
  const flats = page.getByRole('region', { name: 'Flat' });
  await expect(flats.getByLabel('Colour, hex')).toHaveValue('differs');
  await expect(flats.getByLabel('Wide, number')).toHaveValue('differs');
  await expect(flats.getByLabel('High, number')).toHaveValue('20');
});

test('a tool tells its next step at the pointer while it is new, and in the corner else', async ({
  page,
}) => {
  await openDocument(page, bright(), {});
  const hint = page.locator('p[data-at]');
  const box = (await stage(page).boundingBox())!;
  await page.mouse.move(box.x + 300, box.y + 200);
  await expect(hint).toHaveAttribute('data-at', 'corner');
  await page.keyboard.press('p');
  await expect(hint).toHaveAttribute('data-at', 'pointer');
  await expect(hint).toHaveText('Press where the lamp stands, drag to its reach');
  const from = async (x: number, y: number) => {
    const { x: left, y: top, width, height } = (await hint.boundingBox())!;
    return Math.hypot(Math.max(left - x, 0, x - left - width), Math.max(top - y, 0, y - top - height));
  };
  expect(await from(box.x + 300, box.y + 200)).toBeLessThan(30);
  // At the lower right there is room above and left of the pointer only.
  await page.mouse.move(box.x + box.width - 10, box.y + box.height - 10);
  expect(await from(box.x + box.width - 10, box.y + box.height - 10)).toBeLessThan(30);
  const there = (await hint.boundingBox())!;
  expect(there.x + there.width).toBeLessThanOrEqual(box.x + box.width);
  expect(there.y + there.height).toBeLessThanOrEqual(box.y + box.height);
  // Who presses has read it; what comes next is told anew.
  await page.keyboard.press('k');
  await clickScene(page, 200, 100);
  await expect(hint).toContainText('Click the first point or press Enter to close');
  await expect(hint).toHaveAttribute('data-at', 'pointer');
  await expect(hint).toHaveAttribute('data-at', 'corner', { timeout: 10_000 });
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await expect(hint).toContainText('Click to pick');
});

test('the light theme turns the surfaces bright, for all pages, and the stage stays as it is', async ({
  page,
}) => {
  await openDocument(page, lampScene(), {});
  const ground = () =>
    page.evaluate(() => getComputedStyle(document.querySelector('header')!).backgroundColor);
  const dark = await ground();
  await page.getByRole('button', { name: 'Use the light theme' }).click();
  await expect.poll(ground).not.toBe(dark);
  await expectColours(page, [
    [100, 70, RED],
    [250, 70, BLACK],
  ]);
  await page.reload();
  await page.locator('header').waitFor();
  await expect.poll(ground).not.toBe(dark);
});

test('in a narrow window the stage plays alone, and the desk comes back as it was', async ({ page }) => {
  await openDocument(page, lampScene(), {});
  await clickScene(page, 100, 60);
  await page.setViewportSize({ width: 900, height: 700 });
  await expect(page.getByText('at least 1024 px')).toBeVisible();
  await expect(page.getByLabel('Name of the light')).toHaveCount(0);
  await page.getByRole('button', { name: 'Play day' }).click();
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  await page.getByRole('button', { name: 'Stop' }).click();
  await page.setViewportSize({ width: 1280, height: 800 });
  await expect(page.getByLabel('Name of the light')).toHaveValue('Lamp one');
});
