/** Things that move by themselves, as they are set on the Time bench and seen on the stage. */
import { expect, test, type Page } from '@playwright/test';
import { newPath } from '../src/core/scene/records/motion';
import { newSprite } from '../src/core/scene/records/sprite';
import { newLight } from '../src/core/scene/records/light';
import {
  clickScene,
  dragScene,
  keptDocument,
  onStage,
  openDocument,
  saved,
  setNumber,
  stage,
  shownColour,
} from './helpers';
import { bright, lamplight, lampScene } from './scenes';

const shine = async (page: Page, x: number, y: number) =>
  (await shownColour(page, ...(await onStage(page, x, y)))).reduce((sum, v) => sum + v, 0);

/** Writes the second into the address and opens it again: the scene stands at that instant. */
async function goToSecond(page: Page, seconds: number): Promise<void> {
  const address = new URL(page.url());
  address.searchParams.set('at', seconds.toFixed(2));
  await page.goto(address.href);
  await saved(page);
}

test('a path is drawn on the stage, its points are dragged, smoothed, added and taken away, and a lamp goes along it', async ({
  page,
}) => {
  const scene = lampScene();
  const { sceneId } = await openDocument(page, scene, {}, '?bench=time&part=motion&at=0&pick=lights:l1');
  await page.getByRole('button', { name: 'Draw a path' }).click();
  await clickScene(page, 100, 60);
  await clickScene(page, 300, 60);
  await clickScene(page, 300, 200);
  await page.keyboard.press('Enter');
  const path = async () => (await keptDocument(page, sceneId)).lights.l1.path!;
  await expect.poll(async () => (await path())?.points).toEqual([0, 0, 200, 0, 200, 140]);
  await setNumber(page, 'Speed', '100');
  // A corner is dragged, and made smooth.
  await dragScene(page, [300, 60], [320, 80]);
  await expect.poll(async () => (await path()).points.slice(2, 4)).toEqual([220, 20]);
  await clickScene(page, 320, 80, ['Shift']);
  await expect.poll(async () => (await path()).smooth).toEqual([1]);
  await page.keyboard.press('Control+z');
  await dragScene(page, [320, 80], [300, 60]);
  await expect.poll(async () => (await path()).points).toEqual([0, 0, 200, 0, 200, 140]);
  // A double click on a side adds a point, on a point takes it away.
  const [px, py] = await onStage(page, 200, 60);
  await stage(page).dblclick({ position: { x: px, y: py } });
  await expect.poll(async () => (await path()).points.length).toBe(8);
  await page.waitForTimeout(500);
  await stage(page).dblclick({ position: { x: px, y: py } });
  await expect.poll(async () => (await path()).points.length).toBe(6);
  // Two seconds later it has gone 200 px, four later 60 of the way down: there and back 340 px.
  await goToSecond(page, 2);
  await expect.poll(() => shine(page, 306, 72)).toBeGreaterThan(100);
  expect(await shine(page, 110, 66)).toBeLessThan(30);
  await goToSecond(page, 3);
  await expect.poll(() => shine(page, 306, 166)).toBeGreaterThan(100);
  await page.getByRole('button', { name: 'Take away' }).click();
  await expect.poll(() => shine(page, 110, 66)).toBeGreaterThan(100);
});

test('a spot swings, looks at a sprite that goes by, and stands still again', async ({ page }) => {
  const scene = lamplight();
  scene.sprites.cart = newSprite({
    ...{ name: 'Cart', planeId: 'plane-near', order: 'b', artworkId: null, x: 100, y: 200 },
    ...{
      plain: { colour: '#c8c8c8', widthPx: 12, heightPx: 12 },
      path: newPath({ points: [0, 0, 280, 0], speedPx: 140 }),
    },
  });
  scene.lights = {
    spot: newLight({
      ...{ name: 'Spot', planeId: 'plane-near', order: 'a', kind: 'spot', x: 240, y: 60, bearingDeg: 90 },
      ...{
        colour: '#ffffff',
        level: 1,
        curve: 'even',
        reachPx: 260,
        beamDeg: 16,
        fieldDeg: 16,
        relief: 0,
        shadows: false,
      },
    }),
  };
  const { sceneId } = await openDocument(page, scene, {}, '?bench=time&part=motion&at=0&pick=lights:spot');
  const left = () => shine(page, 128, 172);
  const middle = () => shine(page, 240, 170);
  await expect.poll(middle).toBeGreaterThan(400);
  await page.getByLabel('Turns', { exact: true }).selectOption({ label: 'Looks at' });
  await page.getByLabel('At', { exact: true }).selectOption({ label: 'Cart' });
  await expect.poll(left).toBeGreaterThan(400);
  expect(await middle()).toBeLessThan(30);
  await goToSecond(page, 1);
  await expect.poll(middle).toBeGreaterThan(400);
  expect(await left()).toBeLessThan(30);
  await page.getByLabel('Turns', { exact: true }).selectOption({ label: 'To and fro' });
  await setNumber(page, 'From', '45');
  await setNumber(page, 'To', '45');
  await expect.poll(left).toBeGreaterThan(400);
  await page.getByLabel('Turns', { exact: true }).selectOption({ label: 'Not by itself' });
  await expect.poll(middle).toBeGreaterThan(400);
  expect((await keptDocument(page, sceneId)).lights.spot.turning).toBeNull();
});

test('what appears and vanishes takes along the light that hangs on it, and moves on the stage by itself', async ({
  page,
}) => {
  const scene = bright();
  Object.assign(scene.settings.scene, { ambientLevel: 0.2, backdropLit: false });
  scene.sprites.train = newSprite({
    ...{ name: 'Train', planeId: 'plane-near', order: 'b', artworkId: null, x: 60, y: 135 },
    plain: { colour: '#ffffff', widthPx: 60, heightPx: 40 },
  });
  scene.lights.window = newLight({
    ...{
      name: 'Window',
      planeId: 'plane-near',
      order: 'a',
      x: 30,
      y: 20,
      hangsOn: { spriteId: 'train', bracketId: null },
    },
    ...{ colour: '#ffffff', level: 1, curve: 'even', reachPx: 15, relief: 0, shadows: false },
  });
  scene.sprites.train.path = newPath({
    points: [0, 0, 300, 0],
    speedPx: 150,
    ends: 'appear',
    pauseSeconds: 2,
  });
  await openDocument(page, scene, {}, '?bench=time&part=motion&at=0.5');
  await expect(page.getByRole('button', { name: /^Train/ })).toContainText('along a path');
  // Half a second along: 75 px right of where it began, lit by its window.
  const train = () => shine(page, 135 + 8, 140);
  await expect.poll(train).toBeGreaterThan(600);
  await goToSecond(page, 3);
  await expect.poll(train).toBeLessThan(60);
  await goToSecond(page, 4.5);
  await expect.poll(train).toBeGreaterThan(600);
  await page.keyboard.press('f');
  await expect.poll(train).toBeLessThan(60);
});
