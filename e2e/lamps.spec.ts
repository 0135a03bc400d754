/** Lamps: luminaires whose copies follow them, and lights that hang on what carries them. */
import { expect, test } from '@playwright/test';
import { newLamp } from '../src/core/scene/records/lamp';
import { newFlamePart, newLightPart } from '../src/core/scene/records/luminaire';
import { lookOf } from '../src/core/scene/looks';
import { clickScene, dragScene, expectColours, openDocument, setNumber, stage } from './helpers';
import { BLACK, RED, lamp, lampScene, man, manArt, sheet, standing, twoFrames } from './scenes';

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
    [100, 70, RED],
    [200, 70, RED],
    [300, 70, RED],
    [250, 70, BLACK],
  ]);

  // One differs in its reach, and says so.
  await clickScene(page, 200, 60);
  const part = page.getByRole('region', { name: 'Part' });
  const figure = page.getByRole('region', { name: 'Figure' });
  await figure.getByLabel('Reach, number').fill('40');
  await figure.getByLabel('Reach, number').press('Enter');
  await expect(part).toContainText('1 override');
  await expect(figure).toContainText('Reach *');
  await expectColours(page, [
    [200, 95, RED],
    [100, 95, BLACK],
  ]);

  // Pushed back, all are so; the lamp has nothing of its own any more.
  await page.getByRole('button', { name: 'Update luminaire' }).click();
  await expect(part).toContainText('no overrides');
  await expectColours(page, [
    [100, 95, RED],
    [300, 95, RED],
  ]);

  // The channel of a lamp dims the whole lamp; taken apart it is a light again.
  await page.getByRole('slider', { name: 'Level of Lamp one' }).first().focus();
  await page.keyboard.press('Home');
  await expectColours(page, [
    [100, 70, BLACK],
    [300, 70, RED],
  ]);
  await clickScene(page, 300, 60);
  await page.getByRole('button', { name: 'Take apart' }).click();
  await expect(page.getByLabel('Name of the light')).toHaveValue('Lamp one');
  await expectColours(page, [[300, 95, RED]]);
});

test('a light hangs on a bracket, goes with its carrier, is copied with it, and is taken off where it is', async ({
  page,
}) => {
  const scene = lampScene();
  scene.artworks.man = manArt();
  scene.sprites.man = standing({ name: 'Man', artworkId: 'man', x: 240, y: 180, order: 'a2' });
  await openDocument(page, scene, { man: man() });
  await clickScene(page, 100, 60);
  await stage(page).focus();
  await page.keyboard.press('g');
  // The man's pivot is his middle: his hand is at 248, 170.
  await clickScene(page, 248, 170);
  await expect(page.getByRole('region', { name: 'Mount' })).toContainText('Man, hand');
  await page.keyboard.press('Escape');
  await expectColours(page, [
    [262, 170, RED],
    [100, 70, BLACK],
  ]);

  await dragScene(page, [236, 190], [336, 190]);
  await expectColours(page, [
    [362, 170, RED],
    [262, 170, BLACK],
  ]);
  await page.keyboard.press('h');
  // Flipped, he holds it on the other side.
  await expectColours(page, [[318, 170, RED]]);

  await page.keyboard.press('Control+d');
  await dragScene(page, [344, 198], [144, 198]);
  await expectColours(page, [
    [126, 178, RED],
    [318, 170, RED],
  ]);

  await page.getByLabel('Channels').getByRole('button', { name: 'Pick Lamp one' }).first().click();
  await page.getByRole('button', { name: 'Detach' }).click();
  await dragScene(page, [336, 190], [436, 190]);
  await expectColours(page, [[318, 170, RED]]);
});

test('an artwork brings its lamp along when it is stamped', async ({ page }) => {
  const scene = lampScene();
  scene.lights = {};
  scene.artworks.man = { ...manArt(), lamps: [{ luminaireId: 'lantern', bracketId: 'hand', x: 0, y: 0 }] };
  scene.luminaires.lantern = {
    name: 'Lantern',
    lights: [newLightPart({ ...lookOf(lamp('Glow', 0, 0, 'a1')), id: 'glow', name: 'Glow' })],
    flames: [],
  };
  await openDocument(page, scene, { man: man() });
  await page.getByRole('button', { name: 'Open the shelf' }).click();
  await page.getByLabel('Shelf').getByRole('button', { name: 'Man' }).click();
  // Twice: each of them has a lamp of its own in the hand, 8 px right of and 10 above the middle.
  await clickScene(page, 100, 60);
  await clickScene(page, 300, 60);
  await page.getByLabel('Shelf').getByRole('button', { name: 'Close' }).click();
  await page.keyboard.press('Escape');
  await expectColours(page, [
    [122, 50, RED],
    [322, 50, RED],
    [200, 50, BLACK],
  ]);
  await expect(page.getByLabel('Channels').getByRole('button', { name: 'Pick Lantern' })).toHaveCount(2);
});

test("a flame's answer, frame, turn and place are changed for one lamp", async ({ page }) => {
  const scene = lampScene();
  scene.lights = {};
  scene.artworks.sheet = { ...sheet(), pivotX: 10, pivotY: 10 };
  scene.luminaires.lantern = {
    name: 'Lantern',
    lights: [],
    flames: [newFlamePart({ id: 'f', name: 'Flame', artworkId: 'sheet', playing: false })],
  };
  scene.lamps.one = newLamp({
    ...{ name: 'One', luminaireId: 'lantern', planeId: 'plane-near', order: 'a1', x: 200, y: 100 },
  });
  await openDocument(page, scene, { sheet: twoFrames() }, '?pick=lamps:one');
  const white = [255, 255, 255];
  await expectColours(page, [[193, 93, white]]);
  const flame = page.getByRole('region', { name: 'Flame' });
  // In the dark what is shaded is black; of its own light it is seen again.
  await flame.getByLabel('Answer').selectOption('shaded');
  await expectColours(page, [[193, 93, BLACK]]);
  await page.keyboard.press('Control+z');
  await expectColours(page, [[193, 93, white]]);
  await setNumber(page, 'Offset X', '60');
  await expectColours(page, [
    [267, 93, white],
    [193, 93, BLACK],
  ]);
  await setNumber(page, 'Offset X *', '0');
  await setNumber(page, 'Scale X', '2');
  await setNumber(page, 'Scale Y', '0.5');
  await setNumber(flame, 'Turn', '90');
  // Forty px wide and ten high, stood on end.
  await expectColours(page, [
    [200, 115, white],
    [212, 100, BLACK],
  ]);
  await setNumber(page, 'Frame', '1');
  await expectColours(page, [[200, 115, BLACK]]);
  await expect(page.getByRole('region', { name: 'Part' })).toContainText('overrides');
});
