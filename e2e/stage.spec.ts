/** The stage by mouse and keyboard, judged by its pixels. */
import { expect, test } from '@playwright/test';
import {
  brightness,
  clickStage,
  drag,
  dropFiles,
  hideReadouts,
  isSame,
  keptDocument,
  meanOf,
  openNewScene,
  openWall,
  png,
  post,
  saved,
  settledPixels,
  stage,
  stagePixels,
  whiteWall,
} from './helpers';

test('dropped files stand on the stage; what is no good is named and the others go through', async ({
  page,
}) => {
  await openNewScene(page);
  const broken = whiteWall();
  broken[60] ^= 1;
  await dropFiles(
    page,
    stage(page),
    [
      { name: 'wall.png', bytes: whiteWall() },
      { name: 'notes.png', bytes: Buffer.from('not a picture') },
      { name: 'broken.png', bytes: broken },
      { name: 'post.png', bytes: post() },
    ],
    { x: 500, y: 256 },
  );
  const alert = page.getByRole('alert').filter({ hasText: 'Not taken' });
  await expect(alert).toContainText('notes.png: This is not a PNG file.');
  await expect(alert).toContainText(/broken\.png: The PNG file is damaged/);
  await expect(page.getByLabel('Name of the sprite')).toHaveValue('post');
  await saved(page);
  await page.reload();
  await page.getByRole('button', { name: 'Shelf' }).click();
  await expect(page.getByRole('button', { name: 'wall' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'post' })).toBeVisible();
});

test('a light is placed by press and drag, throws a shadow behind a drawn outline, and says where it throws none', async ({
  page,
}) => {
  await openWall(page);
  await page.keyboard.press('p');
  await drag(page, [540, 250], [840, 250]);
  await expect(page.getByLabel('Name of the light')).toHaveValue('Light 1');
  await expect.poll(() => brightness(page, 610, 270)).toBeGreaterThan(60);
  await page.keyboard.press('Escape');
  const lit = await stagePixels(page);
  expect(meanOf(lit, 560, 270)).toBeGreaterThan(meanOf(lit, 720, 270));

  // A closed outline between lamp and wall, drawn by the pen.
  await page.keyboard.press('k');
  for (const [x, y] of [
    [640, 200],
    [660, 200],
    [660, 300],
    [640, 300],
  ])
    await clickStage(page, x, y);
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Name of the occluder')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect.poll(() => brightness(page, 700, 260)).toBeLessThan(3);
  expect(await brightness(page, 600, 270)).toBeGreaterThan(60);

  // Shadows off: light again behind it, and a clear sign.
  await page.getByRole('switch', { name: 'Shadows of Light 1' }).click();
  await expect.poll(() => brightness(page, 700, 260)).toBeGreaterThan(20);
  await expect(page.getByRole('switch', { name: 'Shadows of Light 1' })).toHaveText('no shadows');
  await page.keyboard.press('Control+z');
  await expect.poll(() => brightness(page, 700, 260)).toBeLessThan(3);
});

test('everything can be undone and done again, and stands after a reload', async ({ page }) => {
  await openWall(page);
  await page.keyboard.press('p');
  await drag(page, [560, 250], [760, 250]);
  await expect.poll(() => brightness(page, 600, 270)).toBeGreaterThan(40);
  await page.keyboard.press('Control+z');
  await expect.poll(() => brightness(page, 600, 270)).toBeLessThan(3);
  await page.keyboard.press('Control+Shift+z');
  await expect.poll(() => brightness(page, 600, 270)).toBeGreaterThan(40);
  await saved(page);
  await page.reload();
  await expect.poll(() => brightness(page, 600, 270)).toBeGreaterThan(40);
  // The history is kept over the reload too.
  await page.keyboard.press('Control+z');
  await expect.poll(() => brightness(page, 600, 270)).toBeLessThan(3);
});

test('a drag that is broken off with Escape leaves the light where it was', async ({ page }) => {
  const { sceneId } = await openWall(page);
  const box = (await stage(page).boundingBox())!;
  /** What is there with nothing picked and the pointer out of the way. */
  const untouched = async () => {
    await page.keyboard.press('Escape');
    await page.mouse.move(box.x + 20, box.y + 20);
    return settledPixels(page);
  };
  await page.keyboard.press('p');
  await drag(page, [560, 250], [700, 250]);
  await expect.poll(() => brightness(page, 600, 270)).toBeGreaterThan(40);
  await hideReadouts(page);
  const before = await untouched();
  const places = async () =>
    Object.values((await keptDocument(page, sceneId)).lights).map(({ x, y }) => [x, y]);
  const place = await places();
  await page.mouse.move(box.x + 560, box.y + 250);
  await page.mouse.down();
  await page.mouse.move(box.x + 660, box.y + 250);
  await page.mouse.move(box.x + 680, box.y + 260);
  await expect.poll(async () => isSame(before, await stagePixels(page))).toBe(false);
  await page.keyboard.press('Escape');
  await page.mouse.up();
  expect(isSame(before, await untouched())).toBe(true);
  expect(await places()).toEqual(place);
});

test('an isolux line and the wheel with Alt shape the light', async ({ page }) => {
  await openWall(page);
  await page.keyboard.press('p');
  await drag(page, [588, 256], [708, 256]);
  const reach = page.getByLabel('Reach, number');
  await expect(reach).toHaveValue('60');
  // The end line anywhere along its circle: 60 scene px are 120 screen px.
  await drag(page, [588, 256 + 120], [588, 256 + 180]);
  await expect(reach).toHaveValue(/^(89|90|91)/);
  const level = Number(await page.getByLabel('Level, number').inputValue());
  await page.mouse.move(
    (await stage(page).boundingBox())!.x + 300,
    (await stage(page).boundingBox())!.y + 100,
  );
  await page.keyboard.down('Alt');
  await page.mouse.wheel(0, -100);
  await page.mouse.wheel(0, -100);
  await page.keyboard.up('Alt');
  await expect
    .poll(async () => Number(await page.getByLabel('Level, number').inputValue()))
    .toBeGreaterThan(level);
});

test('a value is typed as a sum, stepped by arrows and reset by a double click', async ({ page }) => {
  await openWall(page);
  await page.keyboard.press('p');
  await drag(page, [588, 256], [708, 256]);
  const height = page.getByLabel('Height, number');
  await height.fill('2*48');
  await height.press('Enter');
  await expect(height).toHaveValue('96');
  const slider = page.getByRole('slider', { name: 'Height', exact: true });
  await slider.press('ArrowRight');
  await expect(height).toHaveValue('97');
  await slider.dblclick();
  await expect(height).toHaveValue('32');
});

test('solo, mute and the wipe show what they say and leave the scene alone', async ({ page }) => {
  await openWall(page);
  for (const [x, y] of [
    [540, 230],
    [640, 290],
  ]) {
    await page.keyboard.press('p');
    await drag(page, [x, y], [x + 60, y]);
  }
  await page.keyboard.press('Escape');
  const near = async () => [await brightness(page, 552, 244), await brightness(page, 652, 304)];
  expect(Math.min(...(await near()))).toBeGreaterThan(60);
  await page.getByRole('button', { name: 'Solo Light 1' }).click();
  await expect.poll(async () => (await near())[1]).toBeLessThan(30);
  expect((await near())[0]).toBeGreaterThan(60);
  await page.getByRole('button', { name: 'Solo Light 1' }).click();
  await page.getByRole('button', { name: 'Mute Light 1' }).click();
  await expect.poll(async () => (await near())[0]).toBeLessThan(30);
  await page.getByRole('button', { name: 'Mute Light 1' }).click();
  await page.getByLabel('Wipe').selectOption('unlit');
  await expect.poll(() => brightness(page, 450, 200)).toBeGreaterThan(200);
  expect(await brightness(page, 720, 200)).toBeLessThan(60);
  // The edge is dragged to the left: what was unlit is lit.
  await drag(page, [588, 100], [300, 100]);
  await expect.poll(() => brightness(page, 450, 200)).toBeLessThan(60);
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute('title', /Undo: Place a light/);
});

test('a flipped and a turned sprite turn their relief', async ({ page }) => {
  await openNewScene(page);
  const disc = png(80, 80, (x, y) => [200, 200, 200, (x - 39.5) ** 2 + (y - 39.5) ** 2 < 1440 ? 255 : 0]);
  await dropFiles(page, stage(page), [{ name: 'disc.png', bytes: disc }], { x: 588, y: 256 });
  await expect(page.getByLabel('Name of the sprite')).toHaveValue('disc');
  await page.keyboard.press('Escape');
  await page.getByRole('slider', { name: 'Level of the ambient light' }).press('Home');
  await page.keyboard.press('p');
  await drag(page, [440, 256], [840, 256]);
  const height = page.getByLabel('Height, number');
  await height.fill('4');
  await height.press('Enter');
  await page.keyboard.press('Escape');
  const flanks = async () => {
    const pixels = await stagePixels(page);
    return meanOf(pixels, 588 - 70, 262, 2) - meanOf(pixels, 588 + 70, 262, 2);
  };
  // Wherever it is turned, the side toward the lamp is the bright one.
  await expect.poll(flanks).toBeGreaterThan(60);
  const before = await flanks();
  await clickStage(page, 588, 290);
  await expect(page.getByLabel('Name of the sprite')).toHaveValue('disc');
  for (const key of ['h', 't', 't', 'v']) {
    await page.keyboard.press(key);
    await expect.poll(async () => Math.abs((await flanks()) - before)).toBeLessThan(25);
  }
  await expect(page.getByLabel('Turn, number')).toHaveValue('180');
  await page.keyboard.press('Delete');
  await expect(page.getByText('Nothing stands on this stage yet.')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('Nothing stands on this stage yet.')).toBeHidden();
});

test('an outline is taken from alpha by one press and throws its shadow', async ({ page }) => {
  await openWall(page);
  const bar = png(10, 40, () => [10, 200, 10, 255]);
  await dropFiles(page, stage(page), [{ name: 'bar.png', bytes: bar }], { x: 640, y: 256 });
  await expect(page.getByLabel('Name of the sprite')).toHaveValue('bar');
  await page.getByRole('button', { name: 'Trace its outline' }).click();
  await expect(page.getByRole('button', { name: 'bar outline', exact: true })).toBeVisible();
  await page.keyboard.press('p');
  await drag(page, [560, 256], [860, 256]);
  await page.keyboard.press('Escape');
  await expect.poll(() => brightness(page, 700, 256)).toBeLessThan(3);
  expect(await brightness(page, 600, 280)).toBeGreaterThan(40);
  // The outline moves with its sprite.
  await drag(page, [641, 268], [641, 398]);
  await expect.poll(() => brightness(page, 700, 256)).toBeGreaterThan(20);
});

test('planes are added, reordered, hidden, and hide what stands on them', async ({ page }) => {
  await openWall(page);
  await page.getByRole('slider', { name: 'Level of the ambient light' }).press('PageUp');
  await expect.poll(() => brightness(page, 588, 256)).toBeGreaterThan(100);
  await page.getByRole('button', { name: 'Hide Near' }).click();
  await expect.poll(() => brightness(page, 588, 256)).toBeLessThan(60);
  await page.getByRole('button', { name: 'Show Near' }).click();
  await page.getByRole('button', { name: 'Add a plane in front' }).first().click();
  await expect(page.getByLabel('Name of the plane')).toHaveValue('Plane 4');
  await page.getByRole('button', { name: 'Farther' }).click();
  await expect(page.getByText('plane 3 of 4, counted from the farthest')).toBeVisible();
});
