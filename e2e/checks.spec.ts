/** The Time bench: what flashes dangerously, and whether a figure can be seen. */
import { expect, test } from '@playwright/test';
import { newCue } from '../src/core/scene/records/cue';
import { newWick } from '../src/core/scene/records/wick';
import { clickStage, openDocument, onStage, setNumber, shownColour } from './helpers';
import { bright, lamplight, MEANT_DARK, standing, wall } from './scenes';

test('a light that blinks too fast is found, gone to, and mended', async ({ page }) => {
  const scene = lamplight();
  scene.wicks.blinker = newWick({
    ...{ name: 'Blinker', seed: 1, kind: 'pulse', rateHz: 5, levelLow: 0, levelHigh: 1, loopSeconds: 2 },
  });
  scene.lights.l.wickId = 'blinker';
  await openDocument(page, scene, {}, '?bench=time&part=checks&hour=12.00&at=0.00');
  await page.getByRole('button', { name: 'Look for flashes at this hour' }).click();
  const found = page
    .getByRole('list', { name: 'Dangerous flashes' })
    .getByRole('button', { name: /^Flashes at \d\.\d\d s: 5\.\d a second over \d+ px/ });
  await expect(found).toHaveText(/from Blinker\.$/);
  await expect(page.getByRole('group', { name: 'Luminance and flashes over time' })).toBeVisible();
  // At the worst of it the light is at an extreme: full, or out.
  await found.click();
  const at = await onStage(page, 240, 100);
  await expect
    .poll(async () => {
      const [r] = await shownColour(page, ...at);
      return r < 25 || r > 185;
    })
    .toBe(true);
  await expect(page.getByRole('button', { name: 'Freeze' })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: '1 snag' }).click();
  await expect(page.getByRole('list', { name: 'Snags' })).toContainText('dangerous to some');
  await page.getByRole('button', { name: 'Go there' }).click();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Go to the wick' }).click();
  await expect(page.getByLabel('Name of the wick')).toHaveValue('Blinker');
  await setNumber(page, 'Rate', '1');
  // What was found is of the scene as it was.
  await expect(page.getByRole('button', { name: '1 snag' })).toBeHidden();
  await page.getByRole('button', { name: 'Checks', exact: true }).click();
  await expect(page.getByText('The scene has changed since.')).toBeVisible();
  await page.getByRole('button', { name: 'Look for flashes at this hour' }).click();
  await expect(page.getByText(/^Nothing flashes dangerously in 2 s/)).toBeVisible();
});

test('a figure is compared with what surrounds it, over the day and for others’ eyes', async ({ page }) => {
  const scene = bright();
  scene.settings.scene.asides = [MEANT_DARK];
  scene.sprites.wall = { ...wall(), plain: { colour: '#708030', widthPx: 480, heightPx: 270 } };
  scene.sprites.figure = standing({
    ...{ name: 'Figure', planeId: 'plane-near', x: 240, y: 135 },
    plain: { colour: '#b06030', widthPx: 20, heightPx: 40 },
  });
  scene.cues.night = newCue({ clockHours: 2, ambientLevel: 0.002 });
  scene.cues.noon = newCue({ clockHours: 12, ambientLevel: 1 });
  await openDocument(page, scene, {}, '?bench=time&part=checks&hour=12.00&at=0.00');
  await expect(page.getByRole('button', { name: 'Look at what is picked' })).toBeDisabled();
  await clickStage(page, ...(await onStage(page, 240, 135)));
  await page.getByRole('button', { name: 'Look at “Figure” over the day' }).click();
  const worst = page.getByRole('list', { name: 'Worst moments' });
  await expect(worst.getByRole('button')).toHaveText([
    /^Worst for typical eyes: \d\.\d at 02:00$/,
    /^Worst for a protanope: \d\.\d at 0\d:\d\d$/,
    /^Worst for a deuteranope: \d\.\d at 0\d:\d\d$/,
    /^Worst for a tritanope: \d\.\d at 0\d:\d\d$/,
  ]);
  await expect(page.getByRole('group', { name: 'Contrast over the day' })).toBeVisible();
  await page.getByRole('button', { name: '1 snag' }).click();
  await expect(page.getByRole('list', { name: 'Snags' })).toContainText('“Figure” is hardly seen at 02:00');
  await page.keyboard.press('Escape');
  await worst.getByRole('button', { name: 'Worst for a deuteranope' }).click();
  // It is night there, and the stage is seen by those eyes.
  const at = await onStage(page, 100, 60);
  await expect.poll(async () => (await shownColour(page, ...at))[1]).toBeLessThan(30);
  await expect(page.getByLabel('Seen by')).toHaveValue('deuteranope');
  await setNumber(page, 'Wanted contrast', '0');
  await expect(page.getByRole('button', { name: '1 snag' })).toBeHidden();
});
