/** The Time bench: a figure on its rounds, led by keys and by the pointer, and its walk kept as a path. */
import { expect, test, type Page } from '@playwright/test';
import { newLight } from '../src/core/scene/records/light';
import { newOccluder } from '../src/core/scene/records/occluder';
import { newSprite } from '../src/core/scene/records/sprite';
import { newWash, newWashPoint } from '../src/core/scene/records/wash';
import {
  dragScene,
  expectColours,
  hideReadouts,
  isSame,
  keptDocument,
  onStage,
  openDocument,
  pixelAt,
  saved,
  setNumber,
  settledPixels,
  stage,
  stagePixels,
  shownColour,
} from './helpers';
import { bright, wall, WHITE } from './scenes';

const CLAY = [160, 40, 20];
const AT_ROUNDS = '?bench=time&part=rounds&hour=12.00&at=0.00&pick=sprites:keeper';

const keeper = (x: number, y: number) =>
  newSprite({
    ...{ name: 'Keeper', planeId: 'plane-near', order: 'n', artworkId: null, x, y },
    plain: { colour: '#a02814', widthPx: 20, heightPx: 20 },
  });

function withKeeper(x = 100, y = 135) {
  const scene = bright();
  scene.sprites = { wall: wall(), keeper: keeper(x, y) };
  return scene;
}

const turn = (page: Page, label: string) => page.getByRole('switch', { name: label, exact: true }).click();

async function walkOff(page: Page, speed: number): Promise<void> {
  await page.getByRole('button', { name: 'Walk “Keeper”' }).click();
  await setNumber(page, 'Speed', `${speed}`);
  await stage(page).focus();
}

const at = async (page: Page, x: number, y: number) => shownColour(page, ...(await onStage(page, x, y)));

/** Where the middle of the figure is, scene px: of all that has its colour. */
async function whereKeeper(page: Page): Promise<[number, number]> {
  const image = await stagePixels(page);
  const [left, top] = await onStage(page, 0, 0);
  let [sumX, sumY, count] = [0, 0, 0];
  for (let y = 0; y < image.height; y += 2)
    for (let x = 0; x < image.width; x += 2) {
      const [r, g] = pixelAt(image, x, y);
      if (r < 120 || g > 60) continue;
      sumX += (x - left) / 2;
      sumY += (y - top) / 2;
      count++;
    }
  return [sumX / count, sumY / count];
}

test('a figure is walked by the arrow keys, stopped by what stops light, and is where it was when its rounds end', async ({
  page,
}) => {
  const scene = withKeeper();
  scene.occluders.post = newOccluder({
    ...{ name: 'Post', planeId: 'plane-near', kind: 'closed' },
    outlines: [[200, 100, 210, 100, 210, 170, 200, 170]],
  });
  const { sceneId } = await openDocument(page, scene, {}, AT_ROUNDS);
  await hideReadouts(page);
  const before = await settledPixels(page);
  await turn(page, 'Occluders stop it');
  await turn(page, 'View goes along');
  // On a busy machine it is looked at seldom, and must not be out of sight by then.
  await walkOff(page, 20);
  await page.keyboard.down('ArrowRight');
  // Its middle comes to the post, and no farther.
  await expect.poll(async () => (await whereKeeper(page))[0], { intervals: [50] }).toBeGreaterThan(190);
  await page.waitForTimeout(500);
  const [x, y] = await whereKeeper(page);
  expect(Math.abs(x - 199.5)).toBeLessThan(3);
  expect(Math.abs(y - 135)).toBeLessThan(2);
  // Along it the way is free; past its end it goes on to the right.
  await page.keyboard.down('ArrowDown');
  await expect.poll(async () => (await whereKeeper(page))[1], { intervals: [50] }).toBeGreaterThan(172);
  await page.keyboard.up('ArrowDown');
  await expect.poll(async () => (await whereKeeper(page))[0], { intervals: [50] }).toBeGreaterThan(220);
  await page.keyboard.up('ArrowRight');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Walk “Keeper”' })).toBeVisible();
  expect(isSame(await settledPixels(page), before)).toBe(true);
  expect((await keptDocument(page, sceneId)).sprites.keeper).toMatchObject({ x: 100, y: 135, path: null });
});

test('the view goes along with a figure, and back', async ({ page }) => {
  await openDocument(page, withKeeper(), {}, AT_ROUNDS);
  await hideReadouts(page);
  const before = await settledPixels(page);
  await walkOff(page, 150);
  await page.keyboard.down('ArrowRight');
  // The wall's left edge, at 0, has gone to the left by more than 60 px; the figure is where it was on the stage.
  await expect.poll(async () => (await at(page, 480 - 60, 135))[0]).toBeLessThan(60);
  expect(await at(page, 100, 135)).toEqual(CLAY);
  await page.keyboard.up('ArrowRight');
  await page.getByRole('button', { name: 'End the rounds' }).click();
  await page.getByRole('button', { name: 'Walk “Keeper”' }).waitFor();
  expect(isSame(await settledPixels(page), before)).toBe(true);
  // Nor is it gone when the page is closed while it walks.
  await page.getByRole('button', { name: 'Walk “Keeper”' }).click();
  await stage(page).focus();
  await page.keyboard.down('ArrowRight');
  await expect.poll(async () => (await at(page, 480 - 60, 135))[0]).toBeLessThan(60);
  await page.waitForTimeout(500);
  await page.reload();
  await saved(page);
  await hideReadouts(page);
  expect(isSame(await settledPixels(page), before)).toBe(true);
});

test('a figure goes after the pointer, and its lamp is turned to it', async ({ page }) => {
  const scene = withKeeper(240, 135);
  scene.settings.scene.ambientLevel = 0;
  scene.lights.torch = newLight({
    ...{ name: 'Torch', planeId: 'plane-near', order: 'a', x: 10, y: 10, kind: 'spot' },
    ...{ hangsOn: { spriteId: 'keeper', bracketId: null }, colour: '#ffffff', level: 1, curve: 'even' },
    ...{ reachPx: 200, relief: 0, shadows: false, bearingDeg: 0, beamDeg: 30, fieldDeg: 40 },
  });
  await openDocument(page, scene, {}, AT_ROUNDS);
  const lit = async (x: number, y: number) => (await at(page, x, y))[0];
  await turn(page, 'Lamp follows the pointer');
  await turn(page, 'View goes along');
  await walkOff(page, 60);
  await expect.poll(() => lit(340, 135)).toBeGreaterThan(120);
  const [px, py] = await onStage(page, 240, 60);
  const box = (await stage(page).boundingBox())!;
  await page.mouse.move(box.x + px, box.y + py);
  await expect.poll(() => lit(240, 40)).toBeGreaterThan(120);
  expect(await lit(340, 135)).toBeLessThan(20);
  expect(await lit(240, 100)).toBeGreaterThan(120);
  // Led by the pointer it walks there, and shines on beyond it.
  await page.getByLabel('Led by', { exact: true }).selectOption('After the pointer');
  await page.mouse.move(box.x + px, box.y + py + 2);
  await expect.poll(() => lit(240, 100)).toBeLessThan(20);
  expect(await lit(240, 35)).toBeGreaterThan(120);
});

test('a walk is recorded as the figure’s path, and walked again by itself', async ({ page }) => {
  const { sceneId } = await openDocument(page, withKeeper(), {}, AT_ROUNDS);
  await turn(page, 'View goes along');
  // Slowly, so that a busy machine sees it before it is out of sight.
  await walkOff(page, 25);
  await page.getByRole('button', { name: 'Record its walk' }).click();
  await stage(page).focus();
  await page.keyboard.down('ArrowRight');
  await expect.poll(async () => (await whereKeeper(page))[0], { intervals: [50] }).toBeGreaterThan(195);
  await page.keyboard.up('ArrowRight');
  await page.keyboard.down('ArrowDown');
  await expect.poll(async () => (await whereKeeper(page))[1], { intervals: [50] }).toBeGreaterThan(175);
  await page.keyboard.up('ArrowDown');
  await page.getByRole('button', { name: 'Keep as its path' }).click();
  const { path } = (await keptDocument(page, sceneId)).sprites.keeper;
  const [x0, y0, x1, y1, x2, y2] = path!.points;
  expect(path!.points.length).toBe(6);
  expect([x0, y0, y1]).toEqual([0, 0, 0]);
  expect(x1).toBeGreaterThan(90);
  expect(x2).toBe(x1);
  expect(y2).toBeGreaterThan(35);
  expect(path!.speedPx).toBe(25);
  // Two seconds later it is 50 px on its way.
  const address = new URL(page.url());
  address.searchParams.set('at', '2');
  await page.goto(address.href);
  await saved(page);
  await expectColours(page, [
    [150, 135, CLAY],
    [135, 135, WHITE],
    [100, 135, WHITE],
  ]);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => (await keptDocument(page, sceneId)).sprites.keeper.path).toBeNull();
});

test('a wash lies on the picture while the player is in its area', async ({ page }) => {
  const scene = withKeeper();
  scene.washes.cave = newWash({
    ...{ name: 'Cave', order: 'a', opacity: 1, x: 300, y: 30, widthPx: 100, heightPx: 200, fadePx: 10 },
    points: [newWashPoint({ x: 0, y: 0, colour: '#2040a0' })],
  });
  const { sceneId } = await openDocument(page, scene, {}, AT_ROUNDS.replace('part=rounds', 'part=wash'));
  await turn(page, 'In its area');
  await expect(page.getByText('No sprite is the player yet')).toBeVisible();
  // Its area is drawn, and sized at a corner.
  await dragScene(page, [300, 30], [200, 50]);
  await page.getByRole('button', { name: 'Rounds', exact: true }).click();
  await turn(page, 'The player');
  const kept = await keptDocument(page, sceneId);
  expect(kept.washes.cave).toMatchObject({ x: 200, y: 50, widthPx: 200, heightPx: 180, onEntering: true });
  expect(kept.settings.scene.figureId).toBe('keeper');
  await turn(page, 'View goes along');
  await walkOff(page, 60);
  expect(await at(page, 20, 20)).toEqual(WHITE);
  await page.keyboard.down('ArrowRight');
  await expectColours(page, [[20, 20, [0x20, 0x40, 0xa0]]]);
  await page.keyboard.up('ArrowRight');
  await page.keyboard.press('Escape');
  await expectColours(page, [[20, 20, WHITE]]);
});
