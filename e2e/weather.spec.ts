/** The Time bench: shadows of clouds and mist, by their fields, over the day and by themselves. */
import { expect, test } from '@playwright/test';
import { newCue } from '../src/core/scene/records/cue';
import {
  dragScene,
  hideReadouts,
  isSame,
  keptDocument,
  onStage,
  openDocument,
  setNumber,
  settledPixels,
  shownColour,
} from './helpers';
import { bright, wall } from './scenes';

const wallScene = () => {
  const scene = bright();
  scene.sprites.wall = wall();
  return scene;
};

test('clouds and mist are laid on by their fields, and a plane can do without', async ({ page }) => {
  const { sceneId } = await openDocument(
    page,
    wallScene(),
    {},
    '?bench=time&part=weather&hour=12.00&at=0.00',
  );
  const at = await onStage(page, 240, 60);
  const colour = async () => shownColour(page, ...at);
  await expect.poll(colour).toEqual([200, 200, 200]);
  const clouds = page.getByRole('region', { name: 'Shadows of clouds' });
  await setNumber(clouds, 'Fades far', '0');
  await setNumber(clouds, 'Cloud cover', '1');
  await setNumber(clouds, 'Clouds', '1');
  await clouds.getByLabel('Cloud shadow, hex').fill('#800000');
  await clouds.getByLabel('Cloud shadow, hex').press('Enter');
  await expect.poll(async () => (await colour())[1]).toBe(0);
  await setNumber(clouds, 'Clouds', '0');
  await expect.poll(colour).toEqual([200, 200, 200]);
  const mist = page.getByRole('region', { name: 'Mist', exact: true });
  await setNumber(mist, 'Mist cover', '1');
  await setNumber(mist, 'Mist', '1');
  // All of the mist, whose colour the full ambient light shows.
  await expect.poll(colour).toEqual([213, 219, 226]);
  await page.getByRole('region', { name: 'It drifts over' }).getByRole('switch', { name: 'Far' }).click();
  await expect.poll(colour).toEqual([200, 200, 200]);
  const { settings, planes } = await keptDocument(page, sceneId);
  expect(settings.scene).toMatchObject({ cloudStrength: 0, cloudColour: '#800000', mistStrength: 1 });
  expect(planes['plane-far'].takesDrift).toBe(false);
});

test('the wind moves a cloud by itself, and a cue holds it', async ({ page }) => {
  const scene = wallScene();
  Object.assign(scene.settings.scene, {
    ...{ cloudColour: '#000000', cloudCover: 0.5, cloudSoftness: 0.02, cloudFarFade: 0 },
    ...{ cloudScalePx: 120, cloudWindX: 60, driftLoopSeconds: 60 },
  });
  scene.cues.noon = newCue({ clockHours: 12, cloudStrength: 1 });
  scene.cues.night = newCue({ clockHours: 0, cloudStrength: 0 });
  await openDocument(page, scene, {}, '?bench=time&part=weather&hour=12.00');
  const at = await onStage(page, 240, 60);
  const level = async () => (await shownColour(page, ...at))[0];
  // Edges pass over one place: it is lit and dark in turn.
  await expect.poll(level).toBeLessThan(20);
  await expect.poll(level).toBeGreaterThan(180);
  // What a cue holds is tried at its hour, and recorded.
  const clouds = page.getByRole('region', { name: 'Shadows of clouds' });
  await setNumber(clouds, 'Clouds', '0');
  await expect(clouds.getByText('Clouds *')).toBeVisible();
  await expect.poll(level).toBe(200);
  await page.keyboard.press('Alt+r');
  await expect(page.getByRole('checkbox', { name: /^Clouds/ })).toBeChecked();
});

test('wind and scale are set on the stage', async ({ page }) => {
  const scene = wallScene();
  Object.assign(scene.settings.scene, {
    ...{ cloudStrength: 1, cloudColour: '#000000', cloudSoftness: 0.02, cloudFarFade: 0 },
    ...{ cloudScalePx: 160, cloudWindX: 10, cloudWindY: 0 },
  });
  const { sceneId } = await openDocument(page, scene, {}, '?bench=time&part=weather&hour=12.00&at=20.00');
  await hideReadouts(page);
  const before = await settledPixels(page);
  // Its handles stand at 0.3 of the gate each way: the wind's ring four seconds on, the corner of a quarter of a tile.
  await dragScene(page, [144 + 40, 81], [144 + 20, 81 + 60]);
  const settings = async () => (await keptDocument(page, sceneId)).settings.scene;
  await expect.poll(settings).toMatchObject({ cloudWindX: 5, cloudWindY: 15, cloudScalePx: 160 });
  await expect(page.getByLabel('Wind down, number').first()).toHaveValue('15');
  await dragScene(page, [144 + 20, 81 + 20], [144 + 40, 81 + 30]);
  await expect.poll(settings).toMatchObject({ cloudWindX: 5, cloudWindY: 15, cloudScalePx: 320 });
  expect(isSame(await settledPixels(page), before)).toBe(false);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect.poll(settings).toMatchObject({ cloudWindX: 10, cloudWindY: 0, cloudScalePx: 160 });
  await page.mouse.move(0, 0);
  expect(isSame(await settledPixels(page), before)).toBe(true);
});
