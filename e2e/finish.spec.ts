/** The finish, by mouse and keys: passes switched and set, looks tried, taken, put on a cue and wiped, what is clipped marked. */
import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { newLight } from '../src/core/scene/records/light';
import {
  dropFiles,
  expectColours,
  keptDocument,
  openDocument,
  onStage,
  setNumber,
  shownColour,
  stage,
} from './helpers';
import { bright, lampScene, wall } from './scenes';

const AT_FINISH = '?bench=finish&hour=12.00&at=0.00';
const part = (page: Page, name: string) =>
  page.getByRole('group', { name: 'Parts of the finish' }).getByRole('button', { name, exact: true });
const look = (page: Page, name: string) =>
  page.getByRole('list', { name: 'Contact sheet of looks' }).getByRole('button', { name, exact: true });
const colourAt = async (page: Page, x: number, y: number) =>
  shownColour(page, ...(await onStage(page, x, y)));
/** How far the channels of a colour are apart. */
const spread = (colour: readonly number[]) => Math.max(...colour) - Math.min(...colour);

/** A red lamp on a wall, white hot in its middle. */
function redLamp() {
  const scene = lampScene();
  scene.lights = {
    l: newLight({
      ...{ name: 'Lamp', planeId: 'plane-near', order: 'a', x: 240, y: 135 },
      ...{ colour: '#ff3018', level: 6, reachPx: 120 },
    }),
  };
  return scene;
}

/** The column of a pass, brought into view if the page has no room for every column. */
const columnOf = async (page: Page, name: string) => {
  const heading = page.getByRole('navigation', { name: 'More columns' }).getByRole('button', { name });
  if (await heading.isVisible()) await heading.click();
  return page.getByRole('region', { name });
};

test('a look is tried by hover, taken by a press, wiped against none, and undone', async ({ page }) => {
  const { sceneId } = await openDocument(page, redLamp(), {}, AT_FINISH);
  await part(page, 'Looks').click();
  // Each is a real picture of the gate: that without colour has none.
  const silver = look(page, 'Silver gelatin');
  await expect(silver.getByRole('img', { name: 'Silver gelatin' })).toBeVisible();
  const before = await colourAt(page, 270, 135);
  expect(spread(before)).toBeGreaterThan(60);
  await silver.hover();
  await expect.poll(async () => spread(await colourAt(page, 270, 135))).toBeLessThan(3);
  await page.mouse.move(1240, 790);
  await expect.poll(() => colourAt(page, 270, 135)).toEqual(before);
  await silver.click();
  await expect(silver).toHaveAttribute('aria-pressed', 'true');
  await page.mouse.move(1240, 790);
  await expect.poll(async () => spread(await colourAt(page, 270, 135))).toBeLessThan(3);
  const kept = await keptDocument(page, sceneId);
  expect(kept.settings.scene.lookId).toBe('look-silver-gelatin');
  expect(kept.looks['look-silver-gelatin']).toMatchObject({ name: 'Silver gelatin', saturation: 0 });

  // Half of it leaves half of the colour.
  await setNumber(page, 'Share', '0.5');
  await expect.poll(async () => spread(await colourAt(page, 270, 135))).toBeGreaterThan(20);
  await setNumber(page, 'Share', '1');

  await page.getByRole('button', { name: /^Compare with/ }).click();
  await expect.poll(async () => spread(await colourAt(page, 210, 135))).toBeGreaterThan(60);
  expect(spread(await colourAt(page, 270, 135))).toBeLessThan(3);
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect.poll(() => colourAt(page, 270, 135)).toEqual(before);
});

test('looks on cues go over into one another, and by keys alone a look is found and taken', async ({
  page,
}) => {
  const { sceneId } = await openDocument(page, redLamp(), {}, AT_FINISH);
  await part(page, 'Looks').click();
  await look(page, 'Silver gelatin').focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Put on a cue' }).click();
  await expect.poll(async () => Object.values((await keptDocument(page, sceneId)).cues).length).toBe(1);
  // With a cue that names one, a press changes that of the cue; another hour gets its own.
  await page.goto(page.url().replace(/hour=[\d.]+/, 'hour=0.00'));
  await part(page, 'Looks').click();
  await look(page, 'Slide film').click();
  await page.getByRole('button', { name: 'Put on a cue' }).click();
  const cues = Object.values((await keptDocument(page, sceneId)).cues).map(({ clockHours, lookId }) => [
    clockHours,
    lookId,
  ]);
  expect(cues.sort()).toEqual([
    [0, 'look-slide-film'],
    [12, 'look-slide-film'],
  ]);
});

test('a pass is switched on, set, switched off and back as it was; a dial parts the channels', async ({
  page,
}) => {
  const { sceneId } = await openDocument(page, redLamp(), {}, AT_FINISH);
  const bloom = page.getByRole('region', { name: 'Bloom' });
  const outside = () => colourAt(page, 240, 88);
  const dark = await outside();
  await bloom.getByRole('switch', { name: 'Bloom' }).click();
  await setNumber(bloom, 'Level', '1.5');
  await setNumber(bloom, 'Spread', '0.9');
  await expect.poll(async () => (await outside())[0]).toBeGreaterThan(dark[0] + 8);
  await bloom.getByRole('switch', { name: 'Bloom' }).click();
  await expect.poll(outside).toEqual(dark);
  await bloom.getByRole('switch', { name: 'Bloom' }).click();
  await expect(bloom.getByLabel('Level, number')).toHaveValue('1.5');
  await bloom.getByRole('switch', { name: 'Bloom' }).click();
  const grade = await columnOf(page, 'Grade');
  const slope = grade.getByRole('button', { name: 'Slope: colour' });
  const box = (await slope.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  // A drag that is broken off leaves nothing.
  await page.mouse.down();
  await page.mouse.move(box.x + 12, box.y + box.height / 2, { steps: 4 });
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await expect(grade.getByLabel('Slope red, number')).toHaveValue('1');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 2, box.y + box.height / 2, { steps: 4 });
  await page.mouse.up();
  const { slopeRed, slopeGreen, slopeBlue } = (await keptDocument(page, sceneId)).settings.scene;
  expect(slopeRed).toBeLessThan(0.6);
  expect(slopeGreen).toBeGreaterThan(1.1);
  expect((slopeRed + slopeGreen + slopeBlue) / 3).toBeCloseTo(1, 2);
  await slope.dblclick();
  await expect
    .poll(async () => (await keptDocument(page, sceneId)).settings.scene.slopeRed)
    .toBeCloseTo(1, 2);
});

test('the histogram tells what is burnt out, and a held key marks it on the stage', async ({ page }) => {
  const scene = bright();
  scene.sprites = { wall: wall() };
  scene.settings.scene = { ...scene.settings.scene, exposureStops: 6 };
  await openDocument(page, scene, {}, AT_FINISH);
  const band = page.getByRole('group', { name: 'Histogram of the gate' });
  await expect(band).toContainText(/\d % burnt out/);

  await expect(band.getByText(/burnt out/)).not.toHaveText('0 % burnt out');
  const key = band.getByRole('button', { name: 'Mark clipped' });
  const box = (await key.boundingBox())!;
  await page.mouse.move(box.x + 5, box.y + 5);
  await page.mouse.down();
  await expectColours(page, [[240, 135, [227, 51, 41]]]);
  await page.mouse.up();
  await expectColours(page, [[240, 135, [255, 255, 255]]]);
  await expect(stage(page)).toBeVisible();
});

test('the hours are a sheet that is gone to', async ({ page }) => {
  await openDocument(page, redLamp(), {}, AT_FINISH);
  await part(page, 'Hours').click();
  const six = page.getByRole('button', { name: 'Go to 18:00' });
  await expect(six.getByRole('img')).toBeVisible();
  await six.click();
  await expect(page).toHaveURL(/hour=18\.00/);
});

test('a lookup table is brought in, mixed in, leaves as a cube, and is deleted', async ({ page }) => {
  const { sceneId } = await openDocument(page, redLamp(), {}, AT_FINISH);
  const column = await columnOf(page, 'Table');
  const before = await colourAt(page, 270, 135);
  expect(before[0]).toBeGreaterThan(before[2] + 60);
  const bring = (name: string, text: string) =>
    column
      .getByLabel('Bring in a table')
      .setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
  await bring('cut.cube', 'LUT_3D_SIZE 2\n0 0 0\n1 0 0\n0 1\n');
  await expect(page.getByText('cut.cube, line 4: three numbers are expected, not “0 1”.')).toBeVisible();
  expect((await keptDocument(page, sceneId)).tables).toEqual({});

  // Red and blue change places.
  const corners = [0, 1].flatMap((b) => [0, 1].flatMap((g) => [0, 1].map((r) => `${b} ${g} ${r}`)));
  await bring('swap.cube', ['TITLE "Red for blue"', 'LUT_3D_SIZE 2', ...corners].join('\r\n'));
  await expect.poll(() => colourAt(page, 270, 135)).toEqual([before[2], before[1], before[0]]);
  await expect(column.getByRole('combobox', { name: 'Which' })).toContainText('Red for blue');
  const { settings, tables } = await keptDocument(page, sceneId);
  expect(tables[settings.scene.tableId!]).toMatchObject({ name: 'Red for blue', format: 'cube' });

  await setNumber(column, 'Share', '0.5');
  await expect
    .poll(async () => {
      const [red, , blue] = await colourAt(page, 270, 135);
      return Math.abs(red - blue);
    })
    .toBeLessThanOrEqual(1);
  const half = await colourAt(page, 270, 135);

  // What leaves does the same, and is brought in again as another table.
  const leaving = page.waitForEvent('download');
  await column.getByRole('button', { name: 'Write .cube' }).click();
  const written = await readFile(await (await leaving).path(), 'utf8');
  expect(written).toMatch(/^LUT_3D_SIZE 33$/m);
  await bring('whole.cube', written);
  await setNumber(column, 'Share', '1');
  await expect
    .poll(async () => {
      const now = await colourAt(page, 270, 135);
      return Math.max(...now.map((v, c) => Math.abs(v - half[c])));
    })
    .toBeLessThanOrEqual(1);

  // It is there when the scene is opened again, and gone when it is deleted.
  await page.reload();
  await expect
    .poll(async () => Math.max(...(await colourAt(page, 270, 135)).map((v, c) => Math.abs(v - half[c]))))
    .toBeLessThanOrEqual(1);
  await columnOf(page, 'Table');
  await column.getByRole('button', { name: 'Delete' }).click();
  await expect.poll(() => colourAt(page, 270, 135)).toEqual(before);
});

test('looks and tables are taken from the shelf, while the stage is lit', async ({ page }) => {
  const { sceneId } = await openDocument(page, redLamp(), {});
  const colour = () => colourAt(page, 270, 135);
  const before = await colour();
  await page.getByRole('button', { name: 'Open the shelf' }).click();
  const shelf = page.getByLabel('Shelf');
  await shelf.getByRole('button', { name: 'Looks' }).click();
  const look = shelf.getByRole('button', { name: 'Cyanotype', exact: true });
  await expect(look.getByRole('img')).toBeVisible();
  await look.hover();
  await expect.poll(colour).not.toEqual(before);
  await page.mouse.move(600, 200);
  await expect.poll(colour).toEqual(before);
  await look.click();
  await page.mouse.move(600, 200);
  await expect.poll(async () => (await colour())[2]).toBeGreaterThan(before[2]);
  const { settings, looks } = await keptDocument(page, sceneId);
  expect(looks[settings.scene.lookId!].name).toBe('Cyanotype');
  await shelf.getByRole('button', { name: 'Delete the chosen one' }).click();
  await expect.poll(colour).toEqual(before);

  await shelf.getByRole('button', { name: 'Tables' }).click();
  await expect(shelf).toContainText('No lookup tables yet');
  const darkened = { name: 'dark.cube', mimeType: 'text/plain' };
  await shelf
    .getByLabel('Bring in tables')
    .setInputFiles({ ...darkened, buffer: Buffer.from('LUT_1D_SIZE 2\n0 0 0\n0.5 0.5 0.5\n') });
  const table = shelf.getByRole('button', { name: 'dark', exact: true });
  await expect(table.getByRole('img')).toBeVisible();
  expect(await colour()).toEqual(before);
  await table.dragTo(stage(page), { targetPosition: { x: 600, y: 100 } });
  await expect.poll(async () => Math.abs((await colour())[0] - before[0] / 2)).toBeLessThanOrEqual(1);
  await table.click();
  await expect.poll(colour).toEqual(before);
});

test("a table that is dropped is the project's; one that cannot be had is said, and changes nothing", async ({
  page,
}) => {
  const { sceneId } = await openDocument(page, redLamp(), {}, AT_FINISH);
  const column = await columnOf(page, 'Table');
  const before = await colourAt(page, 270, 135);
  // There is none to be switched on yet.
  await column.getByRole('switch', { name: 'Table' }).click();
  await expect(page.getByText('Table: there is nothing to switch on yet.')).toBeVisible();

  const dark = Buffer.from('LUT_1D_SIZE 2\n0 0 0\n0.5 0.5 0.5\n');
  await dropFiles(
    page,
    stage(page),
    [
      { name: 'dark.cube', bytes: dark },
      { name: 'empty.cube', bytes: Buffer.from('# nothing\n') },
    ],
    { x: 400, y: 200 },
  );
  await expect(
    page.getByText(/Attached: dark\.cube as a lookup table\..*empty\.cube, line 2: the file ends/),
  ).toBeVisible();
  expect(await colourAt(page, 270, 135)).toEqual(before);
  await column.getByRole('switch', { name: 'Table' }).click();
  const darker = await colourAt(page, 270, 135);
  expect(darker[0]).toBeLessThan(before[0] - 40);

  // Without the server nothing is brought in, and what is there stands.
  await page.route('**/api/blobs', (route) => route.abort());
  await column.getByLabel('Bring in a table').setInputFiles({
    name: 'other.cube',
    mimeType: 'text/plain',
    buffer: Buffer.from('LUT_1D_SIZE 2\n1 1 1\n0 0 0\n'),
  });
  await expect(page.getByText('Not taken: The server does not answer.')).toBeVisible();
  expect(Object.keys((await keptDocument(page, sceneId)).tables)).toHaveLength(1);
  expect(await colourAt(page, 270, 135)).toEqual(darker);
  await page.unroute('**/api/blobs');

  // A file that is gone from the server is named in the column, and colours are as without it.
  await page.route('**/api/blobs/*', (route) => route.fulfill({ status: 404, body: '{}' }));
  await page.reload();
  await columnOf(page, 'Table');
  await expect(column.getByText('A file could not be loaded from the server.')).toBeVisible();
  await expect.poll(() => colourAt(page, 270, 135)).toEqual(before);
});
