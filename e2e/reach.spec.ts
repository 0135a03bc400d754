/** What could not be reached once: each found, done and seen on the stage. */
import { expect, test } from '@playwright/test';
import { newLamp } from '../src/core/scene/records/lamp';
import { newGobo, NEW_LOOK } from '../src/core/scene/records/light-look';
import { newLightPart } from '../src/core/scene/records/luminaire';
import { newOccluder } from '../src/core/scene/records/occluder';
import { newTileGrid } from '../src/core/scene/records/plane';
import { newSprite } from '../src/core/scene/records/sprite';
import { cellOf } from '../src/core/art/tiles';
import { clickScene, dragScene, expectColours, openDocument, stage, setNumber } from './helpers';
import {
  BLACK,
  RED,
  WHITE,
  art,
  bright,
  lamp,
  lampScene,
  lamplight,
  man,
  standing,
  sheet,
  twoFrames,
} from './scenes';

/** A scene with one lamp of a luminaire that shines as `lamp` does. */
function withLamp() {
  const scene = lampScene();
  const { name: _name, x: _x, y: _y, ...look } = lamp('', 0, 0, 'a');
  const fields = Object.fromEntries(Object.keys(NEW_LOOK).map((key) => [key, look[key as 'level']]));
  scene.lights = {};
  scene.luminaires.kind = {
    name: 'Kind',
    lights: [newLightPart({ ...fields, id: 'glow', name: 'Glow' })],
    flames: [],
  };
  const bare = { luminaireId: 'kind', planeId: 'plane-near', y: 60 };
  scene.lamps = {
    one: newLamp({ ...bare, name: 'One', order: 'a1', x: 100 }),
    two: newLamp({ ...bare, name: 'Two', order: 'a2', x: 300 }),
  };
  return scene;
}

test('a playing gobo moves on the stage by itself; it is stopped at a frame, and its speed is chosen', async ({
  page,
}) => {
  const scene = lamplight();
  scene.artworks.sheet = sheet();
  const gobo = newGobo({ artworkId: 'sheet', widthPx: 100, heightPx: 100 });
  scene.lights.l = { ...scene.lights.l, locked: false, shadows: false, gobo };
  await openDocument(page, scene, { sheet: twoFrames() });
  // Nobody touches anything: the light goes out and comes back.
  await expectColours(page, [[230, 125, BLACK]]);
  await expectColours(page, [[230, 125, WHITE]]);
  await clickScene(page, 240, 135);
  await page.getByRole('region', { name: 'Gobo' }).getByRole('switch', { name: 'Frames' }).click();
  await setNumber(page, 'Frame', '1');
  await expectColours(page, [[230, 125, BLACK]]);
  await setNumber(page, 'Frame', '0');
  await expectColours(page, [[230, 125, WHITE]]);
  await page.getByRole('region', { name: 'Gobo' }).getByRole('switch', { name: 'Frames' }).click();
  await setNumber(page, 'Speed', '0.05');
  await expect(page.getByLabel('Speed, number')).toHaveValue('0.05');
});

test('a locked occluder, and one that is hidden, are picked in the bay of their plane and in the elevation', async ({
  page,
}) => {
  const scene = lamplight();
  const wall = (x: number) => [[x, 100, x + 10, 100, x + 10, 170, x, 170]];
  const occluder = (name: string, x: number, fields: object) =>
    newOccluder({ name, planeId: 'plane-near', kind: 'closed', outlines: wall(x), ...fields });
  scene.occluders.a = occluder('Locked wall', 300, { locked: true });
  scene.occluders.b = occluder('Hidden wall', 160, { hidden: true });
  await openDocument(page, scene, {});
  await expectColours(page, [
    [420, 135, BLACK],
    [60, 135, WHITE],
  ]);
  await clickScene(page, 300, 120);
  await expect(page.getByText('The scene')).toBeVisible();
  await page.getByLabel('Elevation').getByRole('button', { name: 'Near', exact: true }).click();
  const list = page.getByRole('list', { name: 'Occluders on the plane' });
  await expect(list).toContainText('hidden');
  await list.getByRole('button', { name: 'Hidden wall' }).click();
  await page.getByRole('switch', { name: 'Visible' }).click();
  await expectColours(page, [[60, 135, BLACK]]);
  await page
    .getByLabel('Elevation')
    .getByRole('button', { name: /^Occluder Locked wall/ })
    .click();
  await page.getByRole('switch', { name: 'Locked' }).click();
  await page.keyboard.press('Delete');
  await expectColours(page, [[420, 135, WHITE]]);
  // A marquee takes occluders too.
  await page.keyboard.press('Escape');
  await dragScene(page, [140, 90], [190, 180]);
  await expect(page.getByLabel('Name of the occluder')).toHaveValue('Hidden wall');
});

test('a lamp is shaped on the stage: its reach, its level, its flip and the planes that it lights', async ({
  page,
}) => {
  await openDocument(page, withLamp(), {});
  await expectColours(page, [
    [100, 70, RED],
    [100, 95, BLACK],
  ]);
  await clickScene(page, 100, 60);
  // The handle of the line where its light ends, 60 degrees up.
  await dragScene(page, [110, 60 - 17.3], [120, 60 - 34.6]);
  await expectColours(page, [
    [100, 95, RED],
    [300, 95, BLACK],
  ]);
  await expect(page.getByRole('region', { name: 'Part' })).toContainText('1 override');
  await page.keyboard.down('Alt');
  await page.mouse.wheel(0, 100);
  await page.keyboard.up('Alt');
  await expect(page.getByLabel('Level, number').first()).toHaveValue('0.94');
  await page.getByRole('region', { name: 'Planes lit' }).getByLabel('From').selectOption({ label: 'Near' });
  await expectColours(page, [[100, 70, BLACK]]);
  await page.keyboard.press('Control+z');
  await page
    .getByLabel('Elevation')
    .getByRole('button', { name: /^One, \d+ px above its plane/ })
    .click();
  // Another light for all lamps of the luminaire, moved beside the first.
  await page.getByRole('button', { name: 'Add a light' }).click();
  await setNumber(page, 'Offset X', '60');
  await page.getByRole('button', { name: 'Update luminaire' }).click();
  await expect(page.getByRole('region', { name: 'Part' })).toContainText('no overrides');
  await page.getByRole('region', { name: 'Wick' }).getByLabel('Wick').selectOption({ label: 'New: Candle' });
  await expect(page.getByRole('region', { name: 'Wick' }).getByLabel('Rate, number')).toHaveValue('2.2');
  await page.getByRole('region', { name: 'Luminaire' }).getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByLabel('Part', { exact: true }).locator('option')).toHaveText(['Glow']);
});

test('with Alt a drag leaves what was picked and moves a copy of it, as one step', async ({ page }) => {
  const scene = lampScene();
  await openDocument(page, scene, {});
  await stage(page).hover();
  await page.keyboard.down('Alt');
  await dragScene(page, [100, 60], [200, 60]);
  await page.keyboard.up('Alt');
  await expectColours(page, [
    [100, 70, RED],
    [200, 70, RED],
  ]);
  await page.keyboard.press('Control+z');
  await expectColours(page, [
    [100, 70, RED],
    [200, 70, BLACK],
  ]);
});

test('what is picked is hidden and locked by keys, many at once, and all of it comes back', async ({
  page,
}) => {
  const scene = lampScene();
  scene.lights.l2 = lamp('Lamp two', 200, 60, 'a2');
  await openDocument(page, scene, {});
  await clickScene(page, 100, 60);
  await clickScene(page, 200, 60, ['Shift']);
  await page.keyboard.press('Shift+H');
  await expectColours(page, [
    [100, 70, BLACK],
    [200, 70, BLACK],
  ]);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Show all' }).click();
  await expectColours(page, [[100, 70, RED]]);
  await clickScene(page, 100, 60);
  await page.keyboard.press('Shift+K');
  await page.keyboard.press('Escape');
  await clickScene(page, 100, 60);
  await expect(page.getByText('The scene')).toBeVisible();
  await page.getByRole('button', { name: 'Unlock all' }).click();
  await clickScene(page, 100, 60);
  await expect(page.getByLabel('Name of the light')).toHaveValue('Lamp one');
});

test('frames that are moved take tiles along; tiles of a frame that is deleted are asked about', async ({
  page,
}) => {
  const scene = bright();
  scene.artworks.sheet = sheet();
  scene.planes['plane-middle'].tiles = newTileGrid({ artworkId: 'sheet', cellWidthPx: 20, cellHeightPx: 20 });
  const cells = new Array<number>(1024).fill(0);
  for (let x = 5; x < 15; x++) cells[5 * 32 + x] = cellOf({ frame: 0, orientation: 0 });
  scene.chunks.c = { planeId: 'plane-middle', column: 0, row: 0, cells };
  await openDocument(page, scene, { sheet: twoFrames() });
  const white = [255, 255, 255];
  await expectColours(page, [[150, 110, white]]);
  await page.getByRole('link', { name: 'Art' }).click();
  const frames = page.getByLabel('Frame strip').getByRole('button', { name: /^Frame \d/ });
  await frames.nth(1).dragTo(frames.nth(0));
  await expect(frames.nth(0)).toHaveAccessibleName(/Black/);
  await page.getByRole('link', { name: 'Stage' }).click();
  await expectColours(page, [[150, 110, white]]);
  await page.getByRole('link', { name: 'Art' }).click();
  await frames.nth(1).click();
  await page.getByRole('region', { name: 'Frame' }).getByRole('button', { name: 'Delete' }).click();
  const dialog = page.getByRole('dialog', { name: 'Frames of Sheet are in use' });
  await expect(dialog).toContainText('10 painted tiles of frames that go would be empty.');
  await page.keyboard.press('Escape');
  await expect(frames).toHaveCount(2);
});

test('before frames move that other scenes show, those are named', async ({ page }) => {
  const scene = bright();
  scene.artworks.sheet = sheet();
  scene.sprites.flag = newSprite({
    ...{ name: 'Flag', planeId: 'plane-middle', order: 'a', artworkId: 'sheet' },
    ...{ x: 240, y: 135, frame: 1, playing: false },
  });
  const { sceneId } = await openDocument(page, scene, { sheet: twoFrames() });
  await page.request.post(`/api/scenes/${sceneId}/copies`, {
    data: { name: 'Night' },
    headers: { origin: new URL(process.env.OILWICK_TEST_URL!).origin },
  });
  await page.getByRole('link', { name: 'Art' }).click();
  const frames = page.getByLabel('Frame strip').getByRole('button', { name: /^Frame \d/ });
  const dialog = page.getByRole('dialog', { name: 'Frames of Sheet are in use' });
  await frames.nth(1).dragTo(frames.nth(0));
  await expect(dialog).toContainText('Night: sprites, tiles and gobos there keep the numbers');
  await dialog.getByRole('button', { name: 'Leave them' }).click();
  await expect(frames.nth(0)).toHaveAccessibleName(/White/);
  await frames.nth(1).dragTo(frames.nth(0));
  await dialog.getByRole('button', { name: 'Change the frames' }).click();
  await expect(frames.nth(0)).toHaveAccessibleName(/Black/);
});

test('stopped by: any number of planes and sets', async ({ page }) => {
  const scene = lamplight();
  scene.lights.l = { ...scene.lights.l, locked: false };
  const wall = (x: number, planeId: string) =>
    newOccluder({
      ...{ name: planeId, planeId, kind: 'closed' as const },
      outlines: [[x, 100, x + 10, 100, x + 10, 170, x, 170]],
    });
  scene.occluders = {
    near: wall(300, 'plane-near'),
    middle: wall(160, 'plane-middle'),
  };
  await openDocument(page, scene, {});
  await clickScene(page, 240, 135);
  await page.getByLabel('Stopped by').selectOption('chosen');
  await expectColours(page, [
    [420, 135, WHITE],
    [60, 135, WHITE],
  ]);
  const named = page.getByRole('group', { name: 'Planes and sets that stop it' });
  await named.getByRole('button', { name: 'Near' }).click();
  await expectColours(page, [
    [420, 135, BLACK],
    [60, 135, WHITE],
  ]);
  await named.getByRole('button', { name: 'Middle' }).click();
  await expectColours(page, [[60, 135, BLACK]]);
});

test('"Rim only" of one lamp, and a sun whose edges are shown', async ({ page }) => {
  const scene = withLamp();
  scene.artworks.man = art('Man', 20, 40);
  scene.sprites.man = standing({ name: 'Man', artworkId: 'man', x: 104, y: 70, order: 'a2' });
  await openDocument(page, scene, { man: man() });
  await clickScene(page, 100, 60);
  await page.getByRole('region', { name: 'Surface' }).getByRole('switch', { name: 'Rim only' }).click();
  // The wall has no rims any more in its light; the other lamp goes on.
  await expectColours(page, [
    [90, 75, BLACK],
    [300, 70, RED],
  ]);
});
