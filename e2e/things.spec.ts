/** Building a scene quickly: flats, scattering, aligning, sets, copies elsewhere, and what planes give to what stands on them. */
import { expect, test } from '@playwright/test';
import {
  clickScene,
  dragScene,
  dropFiles,
  expectColours,
  openDocument,
  openNewScene,
  png,
  saved,
  stage,
  stagePixels,
} from './helpers';
import { BACKDROP, RED, art, bright, lampScene, man, manArt, standing } from './scenes';

const leaf = () => png(8, 8, () => [60, 160, 60, 255]);
const berry = () => png(8, 8, () => [200, 40, 60, 255]);

test('a flat is dragged out, several are aligned, distributed, changed at once and named as a set', async ({
  page,
}) => {
  await openDocument(page, bright(), {});
  await page.getByRole('button', { name: 'Flat' }).click();
  await dragScene(page, [100, 50], [140, 80]);
  await expect(page.getByLabel('Name of the sprite')).toHaveValue('Flat');
  await expectColours(page, [
    [108, 66, [107, 112, 118]],
    [132, 70, [107, 112, 118]],
    [150, 92, BACKDROP],
  ]);
  await page.keyboard.press('Control+d');
  await dragScene(page, [120, 70], [180, 90]);
  await page.keyboard.press('Control+d');
  await dragScene(page, [200, 110], [330, 150]);
  await page.keyboard.press('Control+a');
  await expect(page.getByText('3 sprites')).toBeVisible();

  await page.getByRole('button', { name: 'Align: top' }).click();
  await expect(page.getByRole('button', { name: 'Down', exact: true })).toBeEnabled();
  const down = page.getByLabel('Y, number', { exact: true });
  await expect(down).toHaveValue('65');
  // They still differ in how far across they stand, and say so.
  await expect(page.getByLabel('X, number', { exact: true })).toHaveValue('differs');
  await page.getByRole('button', { name: 'Across', exact: true }).click();

  const colour = page.getByLabel('Colour, hex').last();
  await colour.fill('#30a050');
  await colour.press('Enter');
  const green = [48, 160, 80];
  await expectColours(page, [
    [120, 65, green],
    [215, 65, green],
  ]);
  await page.keyboard.press('Control+z');
  await expectColours(page, [[120, 65, [107, 112, 118]]]);
  await page.keyboard.press('Control+Shift+z');

  await page.getByRole('button', { name: 'Name as a set' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByText('The scene')).toBeVisible();
  await page.getByRole('button', { name: 'Pick Set 1' }).click();
  await expect(page.getByText('3 sprites')).toBeVisible();
  await page.getByRole('button', { name: 'Hide or show Set 1' }).click();
  await expectColours(page, [
    [120, 65, BACKDROP],
    [215, 65, BACKDROP],
  ]);
});

test('two artworks are scattered over a box by a seed, the same way twice, and undone at once', async ({
  page,
}) => {
  const scene = bright();
  scene.artworks = { leaf: art('Leaf', 8, 8), berry: art('Berry', 8, 8) };
  await openDocument(page, scene, { leaf: leaf(), berry: berry() });
  await page.getByRole('button', { name: 'Scatter' }).click();
  await page.getByRole('button', { name: 'Choose artworks' }).click();
  const shelf = page.getByLabel('Shelf');
  await shelf.getByRole('button', { name: 'Leaf' }).click();
  await shelf.getByRole('button', { name: 'Berry' }).click({ modifiers: ['Control'] });
  await shelf.getByRole('button', { name: 'Close' }).click();
  const count = async () => {
    const image = await stagePixels(page);
    const seen = { green: 0, red: 0 };
    for (let p = 0; p < image.data.length; p += 4) {
      if (Math.abs(image.data[p + 1] - 160) < 6 && image.data[p] < 70) seen.green++;
      if (Math.abs(image.data[p] - 200) < 6 && image.data[p + 1] < 50) seen.red++;
    }
    return seen;
  };
  const strew = async () => {
    await dragScene(page, [80, 60], [400, 220]);
    await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute(
      'title',
      'Undo: Scatter (Ctrl+Z)',
    );
    // What is picked has marks on it.
    await page.keyboard.press('q');
    await page.keyboard.press('Escape');
  };
  await strew();
  await expect.poll(async () => (await count()).green).toBeGreaterThan(600);
  const first = await count();
  expect(first.red).toBeGreaterThan(600);
  // Twelve of 8 x 8 px at twice the size, those within the spacing never over each other.
  expect(first.green + first.red).toBeGreaterThan(10 * 256);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await count()).green).toBeLessThan(100);
  await page.getByRole('button', { name: 'Scatter' }).click();
  await page.getByLabel('Seed, number').fill('1');
  await page.getByLabel('Seed, number').press('Enter');
  await strew();
  await expect.poll(count).toEqual(first);
});

test('what is copied in one project is pasted in another, with its art, its lamp and its luminaire', async ({
  page,
}) => {
  const scene = lampScene();
  scene.artworks.man = {
    ...manArt(),
    answer: 'self-lit',
  };
  scene.sprites.man = standing({
    name: 'Man',
    artworkId: 'man',
    x: 240,
    y: 150,
    answer: 'self-lit',
    order: 'a2',
  });
  scene.lights.l1 = { ...scene.lights.l1, x: 0, y: 0, hangsOn: { spriteId: 'man', bracketId: 'hand' } };
  await openDocument(page, scene, { man: man() });
  await clickScene(page, 236, 160);
  await expect(page.getByLabel('Name of the sprite')).toHaveValue('Man');
  await page.keyboard.press('Control+c');

  const other = lampScene();
  other.lights = {};
  await openDocument(page, other, {});
  await stage(page).focus();
  await page.keyboard.press('Control+v');
  await expectColours(page, [
    [236, 160, [180, 150, 120]],
    [262, 140, RED],
  ]);
  await saved(page);
  await page.reload();
  await expectColours(page, [
    [236, 160, [180, 150, 120]],
    [262, 140, RED],
  ]);
  await expect(page.getByLabel('Channels').getByRole('button', { name: 'Pick Lamp one' })).toBeVisible();
});

test('an overlay plane is never lit, a plane is looked at alone, and a circuit leaves a sprite in the dark', async ({
  page,
}) => {
  const scene = lampScene();
  scene.settings.scene.ambientLevel = 0.2;
  const plain = (colour: string) => ({ colour, widthPx: 20, heightPx: 20 });
  scene.sprites.label = standing({ name: 'Label', plain: plain('#ffcc00'), x: 60, y: 200 });
  scene.sprites.lit = standing({
    name: 'Lit',
    planeId: 'plane-middle',
    plain: plain('#c8c8c8'),
    x: 100,
    y: 60,
  });
  await openDocument(page, scene, {});
  await expectColours(page, [[60, 200, [51, 41, 0]]]);
  await page.getByLabel('Elevation').getByRole('button', { name: 'Near', exact: true }).click();
  await page.getByRole('switch', { name: 'Overlay' }).click();
  await expectColours(page, [[60, 200, [255, 204, 0]]]);

  // The sprite is wired to a circuit that nothing feeds.
  await expectColours(page, [[100, 60 + 8, [200, 40, 40]]]);
  await clickScene(page, 94, 52);
  await page.getByRole('button', { name: 'Listens: a new circuit' }).click();
  await page.getByRole('button', { name: 'Listens: House' }).click();
  await expectColours(page, [
    [94, 66, [40, 40, 40]],
    [100, 76, [200, 40, 40]],
  ]);
  await page.getByRole('button', { name: 'As the plane' }).click();
  await expectColours(page, [[94, 66, [200, 40, 40]]]);

  await page.getByRole('button', { name: 'Look at Far alone' }).click();
  await expectColours(page, [
    [60, 200, [40, 40, 40]],
    [94, 66, [40, 40, 40]],
  ]);
  await page.getByRole('button', { name: 'Look at Far alone' }).click();
  await expectColours(page, [[60, 200, [255, 204, 0]]]);
});

test('what is dragged snaps to the grid', async ({ page }) => {
  const scene = bright();
  scene.sprites.board = standing({
    name: 'Board',
    plain: { colour: '#a00000', widthPx: 20, heightPx: 20 },
    x: 32,
    y: 32,
  });
  await openDocument(page, scene, {});
  const grid = page.getByLabel('Grid, number');
  await grid.fill('32');
  await grid.press('Enter');
  await dragScene(page, [32, 32], [105, 70]);
  await expect(page.getByLabel('X, number', { exact: true })).toHaveValue('96');
  await expect(page.getByLabel('Y, number', { exact: true })).toHaveValue('64');
  await page.keyboard.press('Escape');
  await expectColours(page, [
    [87, 64, RED],
    [104, 73, RED],
    [108, 64, BACKDROP],
    [96, 76, BACKDROP],
  ]);
});

test('bringing in many pictures can be stopped; what had come in stays', async ({ page }) => {
  await openNewScene(page);
  // A slow line to the server.
  await page.route('**/api/blobs', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 400));
    await route.continue();
  });
  const files = Array.from({ length: 24 }, (_, i) => ({
    name: `leaf ${i}.png`,
    bytes: png(8, 8, () => [10 * i, 160, 60, 255]),
  }));
  await dropFiles(page, stage(page), files, { x: 300, y: 200 });
  const status = page.getByRole('status').filter({ hasText: /Importing [3-9] of 24/ });
  await expect(status).toBeVisible();
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Stop', exact: true })).toHaveCount(0);
  await page.getByRole('button', { name: 'Open the shelf' }).click();
  const leaves = page.getByLabel('Shelf').getByRole('button', { name: /^leaf/ });
  const count = await leaves.count();
  expect(count).toBeGreaterThan(1);
  expect(count).toBeLessThan(20);
  await page.unroute('**/api/blobs');
  await saved(page);
});
