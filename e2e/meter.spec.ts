/** The meter: what a pixel is made of, read under the pointer, pinned, followed, and mended. */
import { expect, test, type Page } from '@playwright/test';
import { newOccluder } from '../src/core/scene/records/occluder';
import { clickScene, keptDocument, onStage, openDocument, setNumber, stage, shownColour } from './helpers';
import { lampScene, lamp } from './scenes';

const AT = '?bench=stage&hour=12.00&at=0.00';
const pin = (page: Page, n: number) => page.getByRole('region', { name: `Pin ${n}`, exact: true });

/** A dark wall with a red lamp at its left, and a post between that and the right side. */
function withPost() {
  const scene = lampScene();
  scene.lights.l1 = { ...scene.lights.l1, shadows: true, reachPx: 400, curve: 'even' };
  scene.occluders.post = newOccluder({
    ...{ name: 'Post', planeId: 'plane-near', kind: 'closed' },
    outlines: [[200, 20, 210, 20, 210, 110, 200, 110]],
  });
  return scene;
}

test('a pixel is read, pinned, and its dark lights are told with what stands in their way', async ({
  page,
}) => {
  const { sceneId } = await openDocument(page, withPost(), {}, AT);
  await page.getByRole('button', { name: /^Meter/ }).click();
  await clickScene(page, 150, 60);
  await clickScene(page, 300, 60);
  // Where the light falls it is the one thing that gives something; its pixel is what the stage shows.
  await expect(pin(page, 1).getByRole('button', { name: 'Lamp one' })).toBeVisible();
  const bytes = await shownColour(page, ...(await onStage(page, 140, 60)));
  const hex = `#${bytes.map((byte) => byte.toString(16).padStart(2, '0')).join('')}`;
  await expect(pin(page, 1).getByText(hex)).toBeVisible();
  // Behind the post it says so, and leads there.
  await expect(pin(page, 2).getByText('“Post” stands in its way.')).toBeVisible();
  await pin(page, 2).getByRole('button', { name: 'Go to it' }).click();
  await expect(page.getByLabel('Name of the occluder')).toHaveValue('Post');
  // Mended from there it is one step, and the pins follow.
  await page.keyboard.press('r');
  await pin(page, 2).getByRole('button', { name: 'Turn its shadows off' }).click();
  await expect(pin(page, 2).getByText('“Post” stands in its way.')).toBeHidden();
  await expect(pin(page, 2).getByText(hex)).toBeVisible();
  expect((await keptDocument(page, sceneId)).lights.l1.shadows).toBe(false);
  await page.keyboard.press('Control+z');
  await expect(pin(page, 2).getByText('“Post” stands in its way.')).toBeVisible();
  // Pressed again a pin goes; Escape takes all away.
  await clickScene(page, 300, 60);
  await expect(pin(page, 2)).toBeHidden();
  await page.keyboard.press('Escape');
  await expect(pin(page, 1)).toBeHidden();
});

test('pins follow edits, mutes and the clock, and of five the first goes', async ({ page }) => {
  const scene = withPost();
  scene.lights.l2 = { ...lamp('Lamp two', 120, 60, 'a2'), curve: 'even', reachPx: 300 };
  await openDocument(page, scene, {}, AT);
  await stage(page).focus();
  await page.keyboard.press('r');
  for (const x of [60, 90, 120, 150, 180]) await clickScene(page, x, 40);
  await expect(page.getByRole('region', { name: /^Pin \d$/ })).toHaveCount(4);
  const first = pin(page, 1);
  await expect(first.getByRole('img', { name: 'What it is made of' }).locator('span')).toHaveCount(2);
  await page.getByRole('button', { name: 'Mute Lamp two' }).click();
  await expect(first.getByText('It is muted.')).toBeVisible();
  await first.getByRole('button', { name: 'Unmute it' }).click();
  await expect(first.getByText('It is muted.')).toBeHidden();
  await page.getByRole('button', { name: 'Pick Lamp two' }).click();
  await page.keyboard.press('q');
  await setNumber(page, 'Level', '0');
  await page.keyboard.press('r');
  await expect(first.getByText('Its level is 0.')).toBeVisible();
  await first.getByRole('button', { name: 'Level 1' }).click();
  await expect(first.getByText('Its level is 0.')).toBeHidden();
});

test('of a pixel that others glow into the light is told at once, and its finish soon after', async ({
  page,
}) => {
  const scene = withPost();
  scene.lights.l1 = { ...scene.lights.l1, level: 8 };
  scene.settings.scene = { ...scene.settings.scene, bloomLevel: 1, bloomThreshold: 0.2 };
  await openDocument(page, scene, {}, AT);
  await page.getByRole('button', { name: /^Meter/ }).click();
  await clickScene(page, 150, 60);
  await expect(pin(page, 1).getByRole('button', { name: 'Lamp one' })).toBeVisible();
  await expect(pin(page, 1).getByText('Bloom')).toBeVisible();
  const shown = async () =>
    `#${(await shownColour(page, ...(await onStage(page, 140, 60)))).map((byte) => byte.toString(16).padStart(2, '0')).join('')}`;
  await expect(pin(page, 1).getByText(await shown())).toBeVisible();
  // It follows an edit of the finish.
  await page.keyboard.press('Alt+5');
  await setNumber(page.getByRole('region', { name: 'Bloom' }), 'Level', '0.25');
  await page.keyboard.press('Alt+3');
  await stage(page).focus();
  await page.keyboard.press('r');
  await expect(pin(page, 1).getByText(await shown())).toBeVisible();
});
