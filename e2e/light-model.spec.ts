/** What else the light model holds, on the stage: ambient by an outline, suns, drawn falloffs, colours, blends, passes. */
import { expect, test, type Page } from '@playwright/test';
import { stopsTable } from '../src/core/moment/tables';
import { newOccluder } from '../src/core/scene/records/occluder';
import { decodePng } from '../src/core/raster/png';
import { clickScene, dragScene, expectColours, openDocument, pixelAt, saved, stage } from './helpers';
import { BLACK, RED, WHITE, lamp, lampScene, lamplight } from './scenes';

const number = async (page: Page, label: string, value: string) => {
  const field = page.getByLabel(`${label}, number`, { exact: true });
  await field.fill(value);
  await field.press('Enter');
};
const choose = (page: Page, label: string, value: string) =>
  page.getByLabel(label, { exact: true }).selectOption(value);

/** Takes the light tool and a kind for it. */
const takeLight = async (page: Page, kind: string) => {
  await stage(page).focus();
  await page.keyboard.press('p');
  await page.getByRole('group', { name: 'Kind of new lights' }).getByRole('button', { name: kind }).click();
};

test('a box of ambient light makes a shed dark while the yard is not, or adds to it', async ({ page }) => {
  const scene = lampScene();
  scene.settings.scene.ambientLevel = 0.5;
  await openDocument(page, scene, {});
  const yard = [100, 100, 100];
  await expectColours(page, [[300, 100, yard]]);
  await takeLight(page, 'Ambient');
  await dragScene(page, [260, 60], [380, 180]);
  // A tenth of a slate blue in the place of half a white.
  await expectColours(page, [
    [320, 120, [10, 11, 14]],
    [230, 120, yard],
  ]);
  await number(page, 'Level', '1');
  await page.getByRole('switch', { name: 'Ambient' }).click();
  await expectColours(page, [
    [320, 120, [200, 213, 238]],
    [230, 120, yard],
  ]);
  await expect(
    page.getByRole('region', { name: 'Ambient 1' }).getByText('ambient', { exact: true }),
  ).toBeVisible();
  await saved(page);
});

test('a sun is dragged toward where it stands, lights everything, and throws shadows away from there', async ({
  page,
}) => {
  const scene = lampScene();
  scene.lights = {};
  const outlines = [[300, 100, 320, 100, 320, 140, 300, 140]];
  scene.occluders.o = newOccluder({ name: 'Post', planeId: 'plane-near', kind: 'closed', outlines });
  await openDocument(page, scene, {});
  await takeLight(page, 'Sun');
  // From the left: it comes from a bearing of 180 degrees.
  await dragScene(page, [240, 200], [140, 200]);
  await expect(page.getByLabel('Bearing, number')).toHaveValue(/^-?180$/);
  await number(page, 'Altitude', '90');
  await number(page, 'Level', '1');
  const lit = [200, 190, 169];
  await expectColours(page, [
    [200, 60, lit],
    [400, 220, lit],
  ]);
  await number(page, 'Altitude', '30');
  // Half of it on a flat wall, and none behind the post.
  await expectColours(page, [
    [200, 60, lit.map((v) => v / 2)],
    [400, 120, BLACK],
    [280, 120, lit.map((v) => v / 2)],
  ]);
});

test('a falloff is drawn by its points, colours run outward, and bands cut it into steps', async ({
  page,
}) => {
  const scene = lampScene();
  scene.lights = {
    l: { ...lamp('Lamp', 240, 135, 'a1'), reachPx: 120, corePx: 0, colour: '#ffffff', level: 1 },
  };
  await openDocument(page, scene, {});
  await clickScene(page, 240, 135);
  await choose(page, 'Curve', 'drawn');
  const chart = page.getByRole('group', { name: 'Drawn falloff, from core to reach' });
  await chart.scrollIntoViewIfNeeded();
  const box = (await chart.boundingBox())!;
  const count = await chart.getByRole('slider').count();
  // The chart has a border and room of 5 px round what is drawn.
  const at = (u: number, v: number) =>
    [box.x + 6 + u * (box.width - 12), box.y + 6 + (1 - v) * (box.height - 12)] as const;
  const press = async (u: number, v: number) => {
    await page.mouse.move(...at(u, v));
    await page.mouse.down();
  };
  // Another point, which is then pulled down to the floor.
  await press(0.25, 0.5);
  await page.mouse.up();
  await expect(chart.getByRole('slider')).toHaveCount(count + 1);
  await press(0.25, 0.5);
  await page.mouse.move(...at(0.25, 0.1), { steps: 3 });
  await page.mouse.move(...at(0.25, 0), { steps: 3 });
  await page.mouse.up();
  await expectColours(page, [[240 + 30, 135 + 2, BLACK]]);
  // By keys: up again, and away.
  const second = chart.getByRole('slider', { name: 'Point 2 of the falloff' });
  await second.focus();
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowUp');
  await expect(second).toHaveAttribute('aria-valuenow', /^0\.1/);
  await page.keyboard.press('Delete');
  await expect(chart.getByRole('slider')).toHaveCount(count);
  await choose(page, 'Curve', 'straight');
  await number(page, 'Bands', '2');
  // Steps of a half: full to a quarter of the reach, half to three quarters, then nothing.
  await expectColours(page, [
    [240, 160, WHITE],
    [240, 195, [100, 100, 100]],
    [240, 233, BLACK],
  ]);
  await number(page, 'Bands', '0');
  await choose(page, 'Curve', 'even');
  const outward = page.getByRole('group', { name: 'Colours from core to reach' });
  const bar = (await outward.boundingBox())!;
  await outward.click({ position: { x: bar.width - 3, y: bar.height / 2 } });
  await page.getByLabel('Colour of the chosen stop').fill('#ff0000');
  await page.getByLabel('Colour of the chosen stop').blur();
  // At a fifth and at four fifths of the way, clear of all handles.
  const table = stopsTable('#ffffff', [{ at: 1, colour: '#ff0000' }], 'display');
  const mixed = (u: number) => [0, 1, 2].map((c) => 200 * table[3 * Math.round(u * 256) + c]);
  await expectColours(page, [
    [240, 135 + 24, mixed(0.2)],
    [240, 135 + 96, mixed(0.8)],
  ]);
  await saved(page);
});

test('lights win over each other, uncover no more than the art, and take away', async ({ page }) => {
  const scene = lampScene();
  scene.lights = {
    a: { ...lamp('Left', 200, 135, 'a1'), reachPx: 60 },
    b: { ...lamp('Right', 262, 150, 'a2'), reachPx: 60 },
  };
  await openDocument(page, scene, {});
  // Both together burn out where they overlap.
  await expectColours(page, [
    [230, 120, [255, 0, 0]],
    [170, 135, RED],
  ]);
  await clickScene(page, 200, 135);
  await clickScene(page, 262, 150, ['Shift']);
  await choose(page, 'Blend', 'lighten');
  await expectColours(page, [[230, 120, RED]]);
  await choose(page, 'Blend', 'uncover');
  // What both leave covered is a twenty-fifth.
  await expectColours(page, [[230, 120, [192, 0, 0]]]);
  await choose(page, 'Blend', 'add');
  await page.keyboard.press('Escape');
  await clickScene(page, 262, 150);
  await choose(page, 'Blend', 'subtract');
  await expectColours(page, [
    [230, 120, BLACK],
    [170, 135, RED],
  ]);
});

test('the passes of a frame are listed with their times, each with its picture, shadows too', async ({
  page,
}) => {
  const scene = lamplight();
  const outlines = [[300, 100, 310, 100, 310, 170, 300, 170]];
  scene.occluders.o = newOccluder({ name: 'Pane', planeId: 'plane-near', kind: 'closed', outlines });
  await openDocument(page, scene, {});
  await expectColours(page, [[420, 135, BLACK]]);
  await page.keyboard.press('Alt+p');
  const passes = page.getByRole('list', { name: 'Passes' });
  await expect(passes.getByRole('button')).toHaveText([
    /^Backdrop\s*[\d.]+ ms$/,
    /^Shadow of Lamp: \d edges?\s*[\d.]+ ms$/,
    /^Far: 1 sprite, 1 light\s*[\d.]+ ms$/,
    /^Overlay and finish\s*[\d.]+ ms$/,
  ]);
  const seen = async (name: RegExp, x: number, y: number) => {
    await passes.getByRole('button', { name }).click();
    const picture = page.getByRole('img', { name: /^The picture after/ });
    const { image } = decodePng(await picture.screenshot());
    return pixelAt(image, (x / 588) * image.width, (y / 256) * image.height);
  };
  // The stage shows 588 x 256 scene px, the gate's middle in its own.
  const [x, y] = [240 + 54, 135 - 7];
  expect(await seen(/^Backdrop/, x, y)).toEqual(await seen(/^Backdrop/, x + 180, y));
  const [lit] = await seen(/^Shadow of Lamp/, x, y);
  const [dark] = await seen(/^Shadow of Lamp/, x + 180, y);
  expect([lit > 240, dark < 10]).toEqual([true, true]);
  expect((await seen(/^Overlay/, x, y))[0]).toBeGreaterThan(190);
  expect((await seen(/^Overlay/, x + 180, y))[0]).toBeLessThan(5);
  await page.keyboard.press('Escape');
});
