/** Building a scene quickly: lamps that follow, things that hang, boards, scattering, lining up, sets, and copies elsewhere. */
import { expect, test } from '@playwright/test';
import { newArtwork, newLight, newScene, newSprite } from '../src/core/scene/defaults';
import type { SceneDocument, Sprite } from '../src/core/scene/document';
import {
  clickScene,
  dragScene,
  expectColours,
  openDocument,
  png,
  saved,
  stage,
  stagePixels,
} from './helpers';

const DARK = [10, 10, 14];

const man = () => png(20, 40, () => [180, 150, 120, 255]);
const leaf = () => png(8, 8, () => [60, 160, 60, 255]);
const berry = () => png(8, 8, () => [200, 40, 60, 255]);

/** Evenly lit, on a dark backdrop that is as it is. */
function bright(): SceneDocument {
  return newScene({
    lightSpace: 'display',
    ambientColour: '#ffffff',
    ambientLevel: 1,
    backdropColour: '#0a0a0e',
    backdropLit: false,
  });
}

const art = (name: string, widthPx: number, heightPx: number) =>
  newArtwork({ name, imageSha: 'a'.repeat(64), widthPx, heightPx, pixelArt: true });

const standing = (fields: Partial<Sprite> & Pick<Sprite, 'name' | 'x' | 'y'>): Sprite =>
  newSprite({ planeId: 'plane-near', order: 'a1', artworkId: null, ...fields });

const wall = (): Sprite =>
  standing({
    name: 'Wall',
    planeId: 'plane-far',
    plain: { colour: '#c8c8c8', widthPx: 480, heightPx: 270 },
    x: 240,
    y: 135,
    locked: true,
  });

const lamp = (name: string, x: number, y: number, order: string) =>
  newLight({
    name,
    planeId: 'plane-near',
    order,
    x,
    y,
    colour: '#ff0000',
    level: 0.8,
    curve: 'even',
    reachPx: 20,
    relief: 0,
    shadows: false,
  });

/** A dark wall with red lamps that end sharply. */
function lampScene(): SceneDocument {
  const scene = bright();
  scene.settings.scene.ambientLevel = 0;
  scene.sprites.wall = wall();
  scene.lights = { l1: lamp('Lamp one', 100, 60, 'a1') };
  return scene;
}

const LIT = [160, 0, 0];
const BLACK = [0, 0, 0];

test('a luminaire is made of a light and stamped; its copies follow it but for what they override', async ({
  page,
}) => {
  await openDocument(page, lampScene(), {});
  await clickScene(page, 100, 60);
  await page.getByRole('button', { name: 'Make a luminaire' }).click();
  await expect(page.getByLabel('Name of the luminaire')).toHaveValue('Lamp one');
  await page.getByRole('button', { name: 'Open the shelf' }).click();
  await page
    .getByLabel('Shelf')
    .getByRole('button', { name: /^Lamp one/ })
    .click();
  await clickScene(page, 200, 60);
  await clickScene(page, 300, 60);
  await page.getByLabel('Shelf').getByRole('button', { name: 'Close' }).click();
  await expectColours(page, [
    [100, 70, LIT],
    [200, 70, LIT],
    [300, 70, LIT],
    [250, 70, BLACK],
  ]);

  // One differs in its reach, and says so.
  await clickScene(page, 200, 60);
  const part = page.getByRole('region', { name: 'Part' });
  await part.getByLabel('Reach, number').fill('40');
  await part.getByLabel('Reach, number').press('Enter');
  await expect(part).toContainText('1 of its own');
  await expect(part).toContainText('Reach *');
  await expectColours(page, [
    [200, 95, LIT],
    [100, 95, BLACK],
  ]);

  // Pushed back, all are so; the lamp has nothing of its own any more.
  await page.getByRole('button', { name: 'Push back to all' }).click();
  await expect(part).toContainText('all as the luminaire');
  await expectColours(page, [
    [100, 95, LIT],
    [300, 95, LIT],
  ]);

  // The channel of a lamp dims the whole lamp; taken apart it is a light again.
  await page.getByRole('slider', { name: 'Level of Lamp one' }).first().focus();
  await page.keyboard.press('Home');
  await expectColours(page, [
    [100, 70, BLACK],
    [300, 70, LIT],
  ]);
  await clickScene(page, 300, 60);
  await page.getByRole('button', { name: 'Take apart' }).click();
  await expect(page.getByLabel('Name of the light')).toHaveValue('Lamp one');
  await expectColours(page, [[300, 95, LIT]]);
});

test('a light hangs on a bracket, goes with its carrier, is copied with it, and is taken off where it is', async ({
  page,
}) => {
  const scene = lampScene();
  scene.artworks.man = {
    ...art('Man', 20, 40),
    brackets: [{ id: 'hand', name: 'hand', x: 18, y: 10, turnDeg: 0, places: [] }],
  };
  scene.sprites.man = standing({ name: 'Man', artworkId: 'man', x: 240, y: 180, order: 'a2' });
  await openDocument(page, scene, { man: man() });
  await clickScene(page, 100, 60);
  await stage(page).focus();
  await page.keyboard.press('g');
  // The man's pivot is his middle: his hand is at 248, 170.
  await clickScene(page, 248, 170);
  await expect(page.getByRole('region', { name: 'Stands' })).toContainText('Man, hand');
  await page.keyboard.press('Escape');
  await expectColours(page, [
    [262, 170, LIT],
    [100, 70, BLACK],
  ]);

  await dragScene(page, [236, 190], [336, 190]);
  await expectColours(page, [
    [362, 170, LIT],
    [262, 170, BLACK],
  ]);
  await page.keyboard.press('h');
  // Flipped, he holds it on the other side.
  await expectColours(page, [[318, 170, LIT]]);

  await page.keyboard.press('Control+d');
  await dragScene(page, [344, 198], [144, 198]);
  await expectColours(page, [
    [126, 178, LIT],
    [318, 170, LIT],
  ]);

  await page.getByLabel('Channels').getByRole('button', { name: 'Pick Lamp one' }).first().click();
  await page.getByRole('button', { name: 'Off', exact: true }).click();
  await dragScene(page, [336, 190], [436, 190]);
  await expectColours(page, [[318, 170, LIT]]);
});

test('a board is dragged out, several are lined up, spread, changed at once and named as a set', async ({
  page,
}) => {
  await openDocument(page, bright(), {});
  await page.getByRole('button', { name: 'Board' }).click();
  await dragScene(page, [100, 50], [140, 80]);
  await expect(page.getByLabel('Name of the sprite')).toHaveValue('Board');
  await expectColours(page, [
    [108, 66, [107, 112, 118]],
    [132, 70, [107, 112, 118]],
    [150, 92, DARK],
  ]);
  await page.keyboard.press('Control+d');
  await dragScene(page, [120, 70], [180, 90]);
  await page.keyboard.press('Control+d');
  await dragScene(page, [200, 110], [330, 150]);
  await page.keyboard.press('Control+a');
  await expect(page.getByText('3 sprites')).toBeVisible();

  await page.getByRole('button', { name: 'Line up: top' }).click();
  await page.getByRole('button', { name: 'Down' }).first().isEnabled();
  const tops = () => page.evaluate(() => document.querySelectorAll('[aria-label="Down, number"]').length);
  expect(await tops()).toBeGreaterThan(0);
  const down = page.getByLabel('Down, number');
  await expect(down).toHaveValue('65');
  // They still differ in how far across they stand, and say so.
  await expect(page.getByLabel('Across, number')).toHaveValue('differs');
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
    [120, 65, DARK],
    [215, 65, DARK],
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
    await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute('title', 'Undo: Scatter');
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
    ...art('Man', 20, 40),
    brackets: [{ id: 'hand', name: 'hand', x: 18, y: 10, turnDeg: 0, places: [] }],
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
    [262, 140, LIT],
  ]);
  await saved(page);
  await page.reload();
  await expectColours(page, [
    [236, 160, [180, 150, 120]],
    [262, 140, LIT],
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

test('the gate takes a size by name or by its corner, and the view stays as it was left', async ({
  page,
}) => {
  await openDocument(page, bright(), {});
  await page.getByRole('combobox', { name: 'Size' }).selectOption({ label: 'Quarter, 384 × 216' });
  await expect(page.getByLabel('Width, number')).toHaveValue('384');
  await expect(page.getByLabel('Across, number')).toHaveValue('48');
  // Its lower right corner stands at 432, 243.
  await dragScene(page, [432, 243], [412, 223]);
  await expect(page.getByLabel('Width, number')).toHaveValue('364');
  await expect(page.getByLabel('Height, number')).toHaveValue('196');
  await expect(page.getByRole('combobox', { name: 'Size' })).toHaveValue('hand');

  await stage(page).hover({ position: { x: 300, y: 200 } });
  await page.mouse.wheel(0, -100);
  const words = () => page.locator('p.figure').first().textContent();
  await expect.poll(words).toContain('300 %');
  const before = new URL(page.url()).pathname;
  await page.waitForTimeout(600);
  await page.goto('/');
  await page.goto(before);
  await expect.poll(words).toContain('300 %');
});

test('an artwork brings its lamp along when it is stamped, and a press in the mini-view goes there', async ({
  page,
}) => {
  const scene = lampScene();
  scene.lights = {};
  scene.artworks.man = {
    ...art('Man', 20, 40),
    brackets: [{ id: 'hand', name: 'hand', x: 18, y: 10, turnDeg: 0, places: [] }],
    lamps: [{ luminaireId: 'lantern', bracketId: 'hand', x: 0, y: 0 }],
  };
  const { kind, colour, level, corePx, reachPx, curve, steepness, heightPx, air, relief, shadows } = lamp(
    '',
    0,
    0,
    'a',
  );
  const look = { kind, colour, level, corePx, reachPx, curve, steepness, heightPx, air, relief, shadows };
  scene.luminaires.lantern = {
    name: 'Lantern',
    lights: [{ ...look, id: 'glow', name: 'Glow', x: 0, y: 0, wick: null }],
    flames: [],
  };
  // A wall far to the right makes the scene a large one.
  scene.sprites.far = { ...wall(), x: 1800 };
  await openDocument(page, scene, { man: man() });
  await page.getByRole('button', { name: 'Open the shelf' }).click();
  await page.getByLabel('Shelf').getByRole('button', { name: 'Man' }).click();
  // Twice: each of them has a lamp of its own in the hand, 8 px right of and 10 above the middle.
  await clickScene(page, 100, 60);
  await clickScene(page, 300, 60);
  await page.getByLabel('Shelf').getByRole('button', { name: 'Close' }).click();
  await page.keyboard.press('Escape');
  await expectColours(page, [
    [122, 50, LIT],
    [322, 50, LIT],
    [200, 50, BLACK],
  ]);
  await expect(page.getByLabel('Channels').getByRole('button', { name: 'Pick Lantern' })).toHaveCount(2);

  // The mini-view shows the scene from end to end; its right end is the far wall.
  await expectColours(page, [[510, 100, [10, 10, 14]]]);
  const box = (await stage(page).boundingBox())!;
  await expect
    .poll(async () => {
      const image = await stagePixels(page);
      const p = 4 * (Math.round(24) * image.width + Math.round(box.width - 20));
      return image.data[p];
    })
    .toBeGreaterThan(100);
  await stage(page).click({ position: { x: box.width - 20, y: 24 } });
  // The wall is black there, what is behind it is not.
  await expectColours(page, [
    [240, 135, BLACK],
    [160, 100, BLACK],
    [510, 100, [10, 10, 14]],
  ]);
});
