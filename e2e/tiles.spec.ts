/** Tile planes: laid by every tool, turned, read from CSV, and stopping light as whole walls. */
import { expect, test, type Page } from '@playwright/test';
import type { SceneDocument } from '../src/core/scene/document';
import { newLight } from '../src/core/scene/records/light';
import { NEW_SHADE } from '../src/core/scene/records/shade';
import {
  clickScene,
  dragScene,
  expectColours,
  keptDocument,
  onStage,
  openDocument,
  png,
  saved,
  setNumber,
  stage,
  shownColour,
} from './helpers';
import { BACKDROP, art, bright, wall } from './scenes';
import { cellOf } from '../src/core/art/tiles';
import { newTileGrid } from '../src/core/scene/records/plane';

const RED = [200, 40, 40];
const GREEN = [40, 180, 60];

/** Two tiles of 16 px: one half red and half blue, one green. */
const sheet = () =>
  png(32, 16, (x) => (x < 8 ? [200, 40, 40, 255] : x < 16 ? [40, 60, 200, 255] : [40, 180, 60, 255]));

function document(): SceneDocument {
  const scene = bright();
  const cell = { top: 0, widthPx: 16, heightPx: 16, shiftX: 0, shiftY: 0, seconds: null };
  scene.artworks.sheet = {
    ...art('Ground', 32, 16),
    frames: [
      { ...cell, name: 'half', left: 0 },
      { ...cell, name: 'grass', left: 16 },
    ],
    occluders: [
      {
        id: 'body',
        name: 'Body',
        kind: 'closed',
        ...NEW_SHADE,
        outlines: [],
        smooth: [],
        frames: [{ frame: 1, outlines: [[0, 0, 16, 0, 16, 16, 0, 16]], smooth: [] }],
      },
    ],
  };
  return scene;
}

async function openTiles(page: Page, scene = document()) {
  const ids = await openDocument(page, scene, { sheet: sheet() });
  await page.getByLabel('Elevation').getByRole('button', { name: 'Middle', exact: true }).click();
  return ids;
}

test('a plane is laid with tiles cell by cell, in boxes and floods; they are turned, matched, lifted and undone', async ({
  page,
}) => {
  await openTiles(page);
  await page.getByRole('combobox', { name: 'Tiles' }).selectOption({ label: 'Ground' });
  await expect(page.getByLabel('Tiles of the sheet').getByRole('button')).toHaveCount(2);
  // A drag lays every cell on its way; only the cells' own pixels are covered.
  await dragScene(page, [168, 104], [216, 104]);
  await expectColours(page, [
    [164, 104, RED],
    [196, 104, RED],
    [212, 104, RED],
    [230, 104, BACKDROP],
    [164, 118, BACKDROP],
  ]);

  // Flipped left to right, red is on the other side.
  await stage(page).focus();
  await page.keyboard.press('h');
  await clickScene(page, 248, 104);
  await expectColours(page, [
    [244, 104, [40, 60, 200]],
    [252, 104, RED],
  ]);
  await page.keyboard.press('h');

  // A box of grass, then a flood within it: red goes where grass hangs together.
  await page.getByLabel('Tiles of the sheet').getByRole('button', { name: 'Tile 1, grass' }).click();
  await stage(page).focus();
  await page.keyboard.press('u');
  await dragScene(page, [168, 136], [280, 168]);
  await expectColours(page, [
    [168, 136, GREEN],
    [280, 168, GREEN],
  ]);
  await page.getByLabel('Tiles of the sheet').getByRole('button', { name: 'Tile 0, half' }).click();
  await stage(page).focus();
  await page.keyboard.press('i');
  await clickScene(page, 232, 152);
  await expectColours(page, [
    [164, 136, RED],
    [276, 168, RED],
  ]);
  await page.keyboard.press('Control+z');
  await expectColours(page, [[276, 168, GREEN]]);

  // Matching takes up the tile that is there, and lays it next.
  await page.keyboard.press('m');
  await clickScene(page, 200, 152);
  await expect(stage(page)).toHaveAttribute('data-tool', 'paint');
  await clickScene(page, 328, 104);
  await expectColours(page, [[322, 104, GREEN]]);

  await page.keyboard.press('o');
  await dragScene(page, [168, 104], [216, 104]);
  await expectColours(page, [
    [164, 104, BACKDROP],
    [212, 104, BACKDROP],
  ]);
  await saved(page);
  await page.reload();
  await expectColours(page, [
    [322, 104, GREEN],
    [164, 104, BACKDROP],
  ]);
});

test('a table of numbers becomes tiles, and one that is none is refused with its line', async ({ page }) => {
  await openTiles(page);
  await page.getByRole('combobox', { name: 'Tiles' }).selectOption({ label: 'Ground' });
  const file = (text: string) => ({ name: 'map.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  const read = page.getByLabel('Import CSV (first tile 0)');
  await read.setInputFiles(file('1,1,x\n'));
  await expect(page.getByText('"x" in line 1, column 3 is no tile number')).toBeVisible();
  await read.setInputFiles(file('0,1\n7,0\n'));
  await expect(
    page.getByText('no tile 7, as in line 2, column 1: the sheet has 2, from 0 to 1'),
  ).toBeVisible();
  const rows = Array.from({ length: 10 }, (_, y) =>
    Array.from({ length: 18 }, (_, x) => (y === 6 && x > 9 && x < 15 ? 1 : -1)).join(';'),
  );
  await read.setInputFiles(file(rows.join('\r\n')));
  await expect(page.getByText('5 tiles read from map.csv')).toBeVisible();
  await expectColours(page, [
    [164, 104, GREEN],
    [236, 104, GREEN],
    [150, 104, BACKDROP],
  ]);
});

test('tiles stop light as one wall, which opens where a tile is lifted', async ({ page }) => {
  const scene = document();
  scene.settings.scene.ambientLevel = 0.05;
  scene.planes['plane-middle'].tiles = newTileGrid({ artworkId: 'sheet', cellWidthPx: 16, cellHeightPx: 16 });
  const cells = new Array<number>(1024).fill(0);
  for (let x = 6; x < 24; x++) cells[8 * 32 + x] = 2;
  scene.chunks.c = { planeId: 'plane-middle', column: 0, row: 0, cells };
  scene.sprites.wall = wall();
  scene.lights.l = newLight({
    name: 'Lamp',
    planeId: 'plane-middle',
    order: 'a1',
    x: 240,
    y: 60,
    reachPx: 400,
    curve: 'even',
    level: 1,
    colour: '#ffffff',
    relief: 0,
  });
  await openTiles(page, scene);
  const lit = [210, 210, 210];
  const dark = [10, 10, 10];
  await expectColours(page, [
    [240, 100, lit],
    [240, 220, dark],
  ]);
  await page.getByRole('button', { name: 'Erase' }).click();
  await dragScene(page, [232, 136], [248, 136]);
  await expectColours(page, [[240, 220, lit]]);
  await page.keyboard.press('Control+z');
  await expectColours(page, [[240, 220, dark]]);
});

test('a plane of tiles listens to circuits, is drawn over all, and has a gain where it is seen when lit', async ({
  page,
}) => {
  const scene = document();
  scene.planes['plane-middle'].tiles = newTileGrid({ artworkId: 'sheet', cellWidthPx: 16, cellHeightPx: 16 });
  const cells = new Array<number>(1024).fill(0);
  for (let x = 0; x < 30; x++)
    for (let y = 0; y < 16; y++) cells[y * 32 + x] = cellOf({ frame: 1, orientation: 0 });
  scene.chunks.c = { planeId: 'plane-middle', column: 0, row: 0, cells };
  scene.settings.scene.ambientLevel = 0;
  scene.lights.l = newLight({
    ...{ name: 'Lamp', planeId: 'plane-middle', order: 'a', x: 240, y: 135, colour: '#ffffff', level: 0.1 },
    ...{ curve: 'even', reachPx: 400, relief: 0, shadows: false },
  });
  await openTiles(page, scene);
  const dim = GREEN.map((v) => v * 0.1);
  await expectColours(page, [[100, 100, dim]]);
  await page.getByRole('button', { name: 'Listens: House' }).click();
  await expectColours(page, [[100, 100, [0, 0, 0]]]);
  await page.getByRole('switch', { name: 'Overlay' }).click();
  await expectColours(page, [[100, 100, GREEN]]);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expectColours(page, [[100, 100, dim]]);
  await expect(page.getByLabel('Gain, number')).toHaveCount(0);
  await page
    .getByRole('region', { name: 'Plane', exact: true })
    .getByLabel('Answer')
    .selectOption('seen-when-lit');
  // A tenth of the light lets a tenth of it show, times the gain; what shows is as bright as the light makes it.
  await setNumber(page, 'Gain', '1');
  const place = await onStage(page, 100, 100);
  const green = async () => (await shownColour(page, ...place))[1];
  await expect.poll(green).toBeLessThan(14);
  await setNumber(page, 'Gain', '32');
  await expect.poll(green).toBeGreaterThan(15);
});

test('a slope and half a height begin the outline of a tile, and stop light as that', async ({ page }) => {
  const scene = document();
  scene.artworks.sheet.occluders = [];
  const { sceneId } = await openDocument(page, scene, { sheet: sheet() });
  await page.getByRole('link', { name: 'Art' }).click();
  await page.getByRole('button', { name: 'Outline' }).click();
  const begin = page.getByRole('combobox', { name: 'Begin with' });
  await begin.selectOption({ label: 'Slope, up to the right' });
  const kept = page.getByRole('list', { name: 'Occluders of the artwork' }).getByRole('listitem');
  await expect(kept).toHaveCount(1);
  const outlines = async () =>
    Object.values((await keptDocument(page, sceneId)).artworks)[0].occluders.flatMap(({ frames }) =>
      frames.flatMap((frame) => frame.outlines),
    );
  // Half of a cell of 16 px: three corners, the upper left one left out.
  await expect.poll(async () => (await outlines()).map((points) => points.length)).toEqual([6]);
  expect((await outlines())[0]).not.toEqual(expect.arrayContaining([[0, 0]]));
  await begin.selectOption({ label: 'Lower half' });
  await expect
    .poll(async () => (await outlines()).some((points) => Math.min(...points.filter((_, i) => i % 2)) === 8))
    .toBe(true);
});
