/** The Time bench: wicks that are made, changed and seen to burn. */
import { expect, test, type Page } from '@playwright/test';
import { decodePng } from '../src/core/raster/png';
import { newWick } from '../src/core/scene/records/wick';
import { newLightPart } from '../src/core/scene/records/luminaire';
import { newLamp } from '../src/core/scene/records/lamp';
import { keptDocument, onStage, openDocument, saved, setNumber, shownColour } from './helpers';
import { lampScene, lamplight } from './scenes';

/** What a canvas of the desk shows: how bright it is on the whole. */
async function brightnessOf(page: Page, name: string | RegExp): Promise<number> {
  const { image } = decodePng(await page.getByRole('img', { name }).screenshot());
  return image.data.reduce((sum, v, i) => (i % 4 === 3 ? sum : sum + v), 0) / image.data.length;
}

const wickColumn = (page: Page) => page.getByRole('region', { name: 'Wick', exact: true });

test('a wick of those that come along is put on a light, and its kind and all its fields are set', async ({
  page,
}) => {
  const scene = lamplight();
  scene.lights.l = { ...scene.lights.l, locked: false };
  await openDocument(page, scene, {}, '?bench=time&part=wicks&pick=lights:l');
  await page.getByLabel('New', { exact: true }).selectOption({ label: 'Crossing lamp' });
  await expect(wickColumn(page).getByLabel('Wick kind')).toHaveValue('beacon');
  await expect(page.getByLabel('Name of the wick')).toHaveValue('Crossing lamp');
  // On and off on the stage, at the light's own place, by itself.
  const at = await onStage(page, 230, 125);
  const level = async () => (await shownColour(page, ...at)).reduce((sum, v) => sum + v, 0);
  await expect.poll(level).toBeGreaterThan(300);
  await expect.poll(level).toBeLessThan(150);
  // A beacon that is always on and has no ramps stays lit.
  await setNumber(page, 'On', '1');
  await expect.poll(level).toBeGreaterThan(300);
  await page.getByRole('button', { name: 'Add a colour' }).click();
  const colour = page.getByLabel('Colour 1 of the cycle');
  await expect(colour).toHaveValue('#ffb347');
  await setNumber(page, 'Rate', '1');
  // It goes from the light's own white to the colour, and comes back.
  const blueOf = async () => (await shownColour(page, ...at))[2];
  await expect.poll(blueOf).toBeLessThan(120);
  await expect.poll(blueOf).toBeGreaterThan(180);

  await wickColumn(page).getByLabel('Wick kind').selectOption({ label: 'Drawn' });
  const points = wickColumn(page).getByRole('slider', { name: /^Point \d of the curve/ });
  await expect(points).toHaveCount(3);
  await points.nth(1).focus();
  await page.keyboard.press('Enter');
  await expect(points).toHaveCount(4);
  await page.keyboard.press('Delete');
  await expect(points).toHaveCount(3);
  for (const [word, field] of [
    ['Breeze', 'Gusts'],
    ['Gutter', 'Slew'],
    ['Fault', 'Failing'],
    ['Storm', 'Flashes'],
  ]) {
    await wickColumn(page).getByLabel('Wick kind').selectOption({ label: word });
    await expect(wickColumn(page).getByLabel(`${field}, number`)).toBeVisible();
  }
  await wickColumn(page).getByLabel('Wick kind').selectOption({ label: 'Pulse' });
  await wickColumn(page).getByLabel('Shape').selectOption({ label: 'Heartbeat' });
  await page.keyboard.press('Control+z');
  await expect(wickColumn(page).getByLabel('Shape')).toHaveValue('sine');
  await saved(page);
});

test('the chart shows the curve, its spread and a light that lives; sway carries the light on the stage', async ({
  page,
}) => {
  const scene = lamplight();
  const steady = { levelLow: 1, levelHigh: 1, reachLow: 1, reachHigh: 1 };
  scene.wicks.w = newWick({ name: 'Sway', seed: 4, kind: 'pulse', rateHz: 0.5, ...steady });
  scene.lights.l = { ...scene.lights.l, reachPx: 60, wickId: 'w' };
  await openDocument(page, scene, {}, '?bench=time&part=wicks');
  for (const name of [/^The curve of the wick/, 'How often the wick is how high', 'A light on this wick'])
    expect(await brightnessOf(page, name)).toBeGreaterThan(3);
  const far = await onStage(page, 320, 135);
  const level = async () => (await shownColour(page, ...far)).reduce((sum, v) => sum + v, 0);
  expect(await level()).toBeLessThan(60);
  await setNumber(page, 'Sway X, highest', '90');
  await expect.poll(level).toBeGreaterThan(300);
  await expect.poll(level).toBeLessThan(60);
  await page.keyboard.press('f');
  const still = await level();
  await page.waitForTimeout(700);
  expect(await level()).toBe(still);
});

test('what is picked and whole luminaires are put on a wick', async ({ page }) => {
  const scene = lampScene();
  scene.wicks.w = newWick({ name: 'Flame', seed: 4 });
  scene.luminaires.kind = {
    name: 'Lantern',
    lights: [newLightPart({ id: 'glow', name: 'Glow' })],
    flames: [],
  };
  const bare = { luminaireId: 'kind', planeId: 'plane-near', y: 60 };
  scene.lamps = {
    one: newLamp({ ...bare, name: 'One', order: 'a1', x: 100 }),
    two: newLamp({ ...bare, name: 'Two', order: 'a2', x: 300 }),
  };
  const { sceneId } = await openDocument(page, scene, {}, '?bench=time&part=wicks&pick=lamps:one');
  const document = () => keptDocument(page, sceneId);
  await page.getByRole('button', { name: 'Put 1 picked on it' }).click();
  const overridden = await document();
  expect(overridden.lamps.one.overrides.glow).toMatchObject({ wick: { name: 'Flame' } });
  expect(overridden.lamps.two.overrides).toEqual({});
  await page.getByLabel('Luminaire', { exact: true }).selectOption({ label: 'Lantern' });
  await expect.poll(async () => (await document()).luminaires.kind.lights[0].wick?.name).toBe('Flame');
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await document()).luminaires.kind.lights[0].wick).toBeNull();
});
