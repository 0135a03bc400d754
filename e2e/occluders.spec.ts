/** What stops light: taken from art and kept with it, drawn, joined and split, read from SVG; and layered paintings. */
import { expect, test, type Page } from '@playwright/test';
import { strToU8, zipSync } from 'fflate';
import { newScene } from '../src/core/scene/new-scene';
import { newOccluder } from '../src/core/scene/records/occluder';
import { NEW_SHADE } from '../src/core/scene/records/shade';
import { newSprite } from '../src/core/scene/records/sprite';
import {
  clickScene,
  dragScene,
  dropFiles,
  expectColours,
  keptDocument,
  onStage,
  openDocument,
  pixelAt,
  png,
  saved,
  stage,
  stagePixels,
} from './helpers';
import { BLACK, WHITE, art, lamplight, man, standing } from './scenes';

/** Two bars with a slit between them, within a frame of nothing. */
const bars = () =>
  png(40, 60, (x, y) => (x >= 10 && x < 30 && (y < 25 || y >= 35) ? [150, 120, 90, 255] : [0, 0, 0, 0]));

const toArt = async (page: Page, name: string) => {
  await page.keyboard.press('Alt+1');
  await page
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .first()
    .click();
  await page.getByRole('button', { name: 'Outline' }).click();
};

test('an outline is taken from alpha with its points counted, stops light at every copy, and one copy has its own', async ({
  page,
}) => {
  const scene = lamplight();
  scene.artworks.bars = art('Bars', 40, 60);
  const sprite = (id: string, x: number) =>
    (scene.sprites[id] = newSprite({
      name: id,
      planeId: 'plane-near',
      order: 'a1',
      artworkId: 'bars',
      x,
      y: 135,
    }));
  sprite('left', 140);
  sprite('right', 340);
  await openDocument(page, scene, { bars: bars() });
  await expectColours(page, [
    [60, 120, WHITE],
    [420, 120, WHITE],
  ]);
  await toArt(page, 'Bars');
  const from = page.getByRole('region', { name: 'From the picture' });
  await expect(from).toContainText('8 points');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('list', { name: 'Occluders of the artwork' })).toContainText('Outline 1 8');
  await page.keyboard.press('Alt+3');
  // Behind the bars it is dark on both sides, but not through the slits.
  await expectColours(page, [
    [60, 110, BLACK],
    [420, 110, BLACK],
    [60, 135, WHITE],
    [420, 135, WHITE],
  ]);

  await clickScene(page, 340, 112);
  await page.getByRole('button', { name: 'Make its own' }).click();
  await page.getByRole('region', { name: 'Occluder' }).getByRole('button', { name: 'Outline 1' }).click();
  await page.keyboard.press('Delete');
  await expectColours(page, [
    [60, 110, BLACK],
    [420, 110, WHITE],
  ]);
  await clickScene(page, 340, 112);
  await page.getByRole('button', { name: 'As the artwork again' }).click();
  await expectColours(page, [[420, 110, BLACK]]);
});

test('walls of an opaque picture are found by a colour that is clicked, and stop light', async ({ page }) => {
  const scene = lamplight();
  scene.artworks.map = art('Map', 64, 64);
  scene.sprites.map = newSprite({
    name: 'Map',
    planeId: 'plane-middle',
    order: 'a1',
    artworkId: 'map',
    x: 240,
    y: 60,
  });
  // A brown wall across a green floor.
  const map = png(64, 64, (_, y) => (y >= 40 && y < 48 ? [120, 80, 40, 255] : [200, 200, 200, 255]));
  await openDocument(page, scene, { map });
  await expectColours(page, [[240, 40, WHITE]]);
  await toArt(page, 'Map');
  await page.getByRole('combobox', { name: 'Solid' }).selectOption({ label: 'Some colours' });
  const from = page.getByRole('region', { name: 'From the picture' });
  await expect(from).toContainText('0 points');
  const view = page.getByRole('application', { name: 'Art' });
  const box = (await view.boundingBox())!;
  const zoom = Math.floor(Math.min((box.width - 80) / 64, (box.height - 80) / 64));
  await view.click({ position: { x: box.width / 2, y: box.height / 2 + (44 - 32) * zoom } });
  await expect(from).toContainText('4 points');
  await page.getByRole('button', { name: 'Add it' }).click();
  await page.keyboard.press('Alt+3');
  // The wall stands at 68 to 76: what is farther from the lamp is dark, what is nearer is not.
  await expectColours(page, [
    [240, 40, BLACK],
    [240, 84, WHITE],
  ]);
});

test('shapes of an SVG stop light and its scripts do nothing; a box and an ellipse are drawn, joined and split', async ({
  page,
}) => {
  await openDocument(page, lamplight(), {});
  const file = (name: string, text: string) => ({ name, bytes: Buffer.from(text) });
  const at = { x: 300, y: 200 };
  await dropFiles(page, stage(page), [file('bad.svg', '<svg><path d="M0 0')], at);
  await expect(page.getByText(/bad.svg: This is not an SVG file/)).toBeVisible();
  const shapes =
    '<svg xmlns="http://www.w3.org/2000/svg"><script>window.wasRun = true</script>' +
    '<rect x="150" y="100" width="10" height="70"/></svg>';
  await dropFiles(page, stage(page), [file('wall.svg', shapes)], at);
  await expect(page.getByLabel('Name of the occluder')).toHaveValue('wall');
  await page.keyboard.press('Escape');
  await expectColours(page, [
    [60, 135, BLACK],
    [420, 135, WHITE],
  ]);
  expect(await page.evaluate(() => 'wasRun' in window)).toBe(false);

  await page.getByRole('button', { name: 'Box', exact: false }).first().click();
  await dragScene(page, [320, 90], [330, 130]);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Ellipse' }).click();
  await dragScene(page, [310, 120], [340, 180]);
  await expect(page.getByRole('region', { name: 'Mount' })).toContainText('8');
  await page.keyboard.press('Escape');
  await expectColours(page, [
    [420, 100, BLACK],
    [420, 150, BLACK],
    [420, 250, WHITE],
  ]);

  // Picked by their borders, two become one.
  await clickScene(page, 320, 100);
  await clickScene(page, 340, 150, ['Shift']);
  await page.getByRole('button', { name: 'Join' }).click();
  await expect(page.getByLabel('Name of the occluder')).toHaveValue('Rectangle 2');
  await page.keyboard.press('Escape');
  await expectColours(page, [
    [420, 100, BLACK],
    [420, 150, BLACK],
  ]);
  await clickScene(page, 320, 100);
  await page.keyboard.press('Delete');
  await expectColours(page, [[420, 135, WHITE]]);

  // The rectangle of the file is split along its diagonal: two triangles, as dark as before.
  await clickScene(page, 150, 130);
  const alt = async (x: number, y: number) => {
    const [px, py] = await onStage(page, x, y);
    await stage(page).click({ position: { x: px, y: py }, modifiers: ['Alt'] });
  };
  await alt(150, 100);
  await alt(160, 170);
  await expect(page.getByRole('region', { name: 'Mount' })).toContainText('6');
  await page.keyboard.press('Escape');
  await expectColours(page, [[60, 135, BLACK]]);
});

test('the points of an occluder are made smooth, and it bulges', async ({ page }) => {
  const scene = lamplight();
  scene.occluders.o = newOccluder({
    name: 'Wedge',
    planeId: 'plane-near',
    kind: 'closed',
    ownShade: 'dark',
    outlines: [[300, 120, 380, 20, 380, 120]],
  });
  await openDocument(page, scene, {});
  await expectColours(page, [[338, 70, WHITE]]);
  await clickScene(page, 340, 120);
  await clickScene(page, 380, 20, ['Shift']);
  await page.keyboard.press('Escape');
  // The side toward the lamp swings out over where it was lit.
  await expectColours(page, [[338, 70, BLACK]]);
});

test('the pen draws an outline on the artwork, with smooth points, and every copy stops light by it', async ({
  page,
}) => {
  const scene = lamplight();
  scene.artworks.bars = art('Bars', 40, 60);
  scene.sprites.bars = standing({ name: 'Bars', artworkId: 'bars', x: 340, y: 135 });
  await openDocument(page, scene, { bars: bars() });
  await toArt(page, 'Bars');
  const view = page.getByRole('application', { name: 'Art' });
  const box = (await view.boundingBox())!;
  const zoom = Math.floor(Math.min((box.width - 80) / 40, (box.height - 80) / 60));
  const press = (x: number, y: number, modifiers: 'Shift'[] = []) =>
    view.click({
      position: { x: box.width / 2 + (x - 20) * zoom, y: box.height / 2 + (y - 30) * zoom },
      modifiers,
    });
  const list = page.getByRole('list', { name: 'Occluders of the artwork' });
  await page.getByRole('button', { name: 'An outline' }).click();
  await press(10, 10);
  await press(30, 10);
  await page.keyboard.press('Escape');
  await expect(list).toContainText('None yet');

  await page.getByRole('button', { name: 'An outline' }).click();
  await press(10, 5);
  await press(30, 5);
  await press(30, 20);
  await press(20, 30, ['Shift']);
  await press(10, 20);
  await page.keyboard.press('Enter');
  await expect(list).toContainText('Outline 1 5');
  // A line is finished by a second press on its last point.
  await page.getByRole('button', { name: 'A line' }).click();
  await press(20, 45);
  await press(20, 55);
  await press(20, 55);
  await expect(list).toContainText('Outline 2 2');
  await page.keyboard.press('Alt+3');
  // The picture's corner stands at 320, 105: the outline spans 110 to about 133 there, the line 150 to 160.
  await expectColours(page, [
    [420, 105, BLACK],
    [420, 141, WHITE],
    [420, 170, BLACK],
    [420, 190, WHITE],
  ]);
  await page.keyboard.press('Control+z');
  await expectColours(page, [
    [420, 105, BLACK],
    [420, 170, WHITE],
  ]);
});

test('an occluder is fixed to a sprite and goes with it; one traced at a sprite is kept with its artwork', async ({
  page,
}) => {
  const scene = lamplight();
  scene.artworks.man = art('Man', 20, 40);
  scene.sprites.left = standing({ name: 'Left man', artworkId: 'man', x: 140, y: 135 });
  scene.sprites.right = standing({ name: 'Right man', artworkId: 'man', x: 360, y: 220 });
  scene.occluders.o = newOccluder({
    name: 'Shield',
    planeId: 'plane-near',
    kind: 'closed',
    outlines: [[320, 100, 330, 100, 330, 170, 320, 170]],
  });
  await openDocument(page, scene, { man: man() });
  await clickScene(page, 320, 130);
  await page.getByRole('button', { name: 'Fix to a sprite' }).click();
  await clickScene(page, 360, 220);
  await page.keyboard.press('Escape');
  await dragScene(page, [360, 220], [360, 170]);
  await expectColours(page, [
    [420, 60, BLACK],
    [420, 135, WHITE],
  ]);
  await clickScene(page, 320, 80);
  await page.getByRole('region', { name: 'Mount' }).getByRole('button', { name: 'Detach' }).click();
  await page.keyboard.press('Escape');
  await dragScene(page, [360, 170], [360, 135]);
  await expectColours(page, [[420, 60, BLACK]]);

  await expectColours(page, [
    [60, 135, WHITE],
    [440, 135, WHITE],
  ]);
  await clickScene(page, 140, 135);
  await page.getByRole('button', { name: 'Trace its outline' }).click();
  await expectColours(page, [
    [60, 135, BLACK],
    [440, 135, WHITE],
  ]);
  await page.getByRole('button', { name: 'Keep with the artwork' }).click();
  await expectColours(page, [
    [60, 135, BLACK],
    [440, 135, BLACK],
  ]);
});

const layer = (r: number, g: number, b: number) => new Uint8Array(png(30, 20, () => [r, g, b, 255]));

function painting(): Buffer {
  const stack =
    '<?xml version="1.0"?><image w="60" h="40"><stack>' +
    '<layer name="arm" src="data/arm.png" x="20" y="10" opacity="0.5"/>' +
    '<layer name="body" src="data/body.png" x="0" y="0"/></stack></image>';
  return Buffer.from(
    zipSync({
      mimetype: strToU8('image/openraster'),
      'stack.xml': strToU8(stack),
      'data/arm.png': layer(0, 200, 0),
      'data/body.png': layer(200, 0, 0),
    }),
  );
}

test('a layered painting comes in as planes, or as one figure whose parts move together, with its opacity', async ({
  page,
}) => {
  const scene = newScene({
    lightSpace: 'display',
    ambientColour: '#ffffff',
    ambientLevel: 1,
    backdropColour: '#000000',
    backdropLit: false,
  });
  await openDocument(page, scene, {});
  const drop = async (name: string) => {
    const [x, y] = await onStage(page, 100, 100);
    await dropFiles(page, stage(page), [{ name, bytes: painting() }], { x, y });
  };
  await drop('scenery.ora');
  await page.getByRole('button', { name: 'As planes' }).click();
  await expect(page.getByLabel('Elevation').getByRole('button', { name: 'body', exact: true })).toBeVisible();
  await page.keyboard.press('Escape');
  // Red from the gate's corner; over it half of green, as the painting has it.
  await expectColours(page, [
    [5, 16, [200, 0, 0]],
    [25, 17, [100, 100, 0]],
    [45, 25, [0, 100, 0]],
  ]);
  await page.keyboard.press('Control+z');

  await drop('figure.ora');
  await page.getByRole('button', { name: 'As one figure' }).click();
  await page.keyboard.press('Escape');
  await expectColours(page, [
    [90, 95, [200, 0, 0]],
    [110, 105, [100, 100, 0]],
    [130, 115, [0, 100, 0]],
  ]);
  await dragScene(page, [90, 95], [290, 95]);
  await page.keyboard.press('h');
  await page.keyboard.press('Escape');
  // Flipped about its middle at 300, the arm is on the other side.
  await expectColours(page, [
    [310, 95, [200, 0, 0]],
    [270, 115, [0, 100, 0]],
  ]);
  await saved(page);
});

test('the outline of an artwork is drawn while its sprite is picked, and a new one snaps to it', async ({
  page,
}) => {
  const scene = lamplight();
  scene.artworks.post = {
    ...art('Post', 20, 40),
    occluders: [
      {
        ...{ id: 'body', name: 'Body', kind: 'closed', ...NEW_SHADE, smooth: [[]], frames: [] },
        outlines: [[4, 4, 16, 4, 16, 36, 4, 36]],
      },
    ],
  };
  scene.sprites.post = standing({ name: 'Post', artworkId: 'post', x: 140, y: 135 });
  const { sceneId } = await openDocument(page, scene, { post: man() });
  const { pivotX, pivotY } = scene.artworks.post;
  const [left, top] = [140 - pivotX, 135 - pivotY];
  // On its right edge, and within it.
  const [edge, inside] = [await onStage(page, left + 16, top + 25), await onStage(page, left + 8, top + 12)];
  const look = async () => {
    const image = await stagePixels(page);
    return [pixelAt(image, ...edge), pixelAt(image, ...inside)];
  };
  // His art is there.
  await expect.poll(async () => (await look())[1]).toEqual([180, 150, 120]);
  const before = await look();
  await clickScene(page, left + 10, top + 20);
  await expect(page.getByLabel('Name of the sprite')).toHaveValue('Post');
  await expect.poll(async () => (await look())[0]).not.toEqual(before[0]);
  expect((await look())[1]).toEqual(before[1]);
  // A press two px beside its corner is taken to the corner.
  await page.keyboard.press('j');
  await clickScene(page, left + 18, top + 2);
  await clickScene(page, left + 100, top + 30);
  await page.keyboard.press('Enter');
  await expect
    .poll(async () =>
      Object.values((await keptDocument(page, sceneId)).occluders).map((one) => one.outlines[0]),
    )
    .toEqual([[left + 16, top + 4, left + 100, top + 30]]);
});
