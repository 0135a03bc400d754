/** Controls fit what is picked: those that would do nothing are not there, and what a tool needs comes by itself. */
import { expect, test, type Page } from '@playwright/test';
import { newGobo } from '../src/core/scene/records/light-look';
import { clickScene, expectColours, onStage, openDocument, png, shownColour } from './helpers';
import { BLACK, WHITE, art, bright, lamplight, sheet, twoFrames } from './scenes';

const field = (page: Page, name: string) => page.getByLabel(name, { exact: true });

test('a control that would do nothing for the light at hand is not shown', async ({ page }) => {
  const scene = lamplight();
  scene.artworks.disc = art('Disc', 20, 20);
  const gobo = newGobo({ artworkId: 'disc', widthPx: 60, heightPx: 60 });
  scene.lights.l = { ...scene.lights.l, locked: false, gobo };
  await openDocument(page, scene, { disc: png(20, 20, () => [255, 255, 255, 255]) });
  await clickScene(page, 240, 135);
  const [kind, blend] = [field(page, 'Kind'), field(page, 'Blend')];
  await expect(field(page, 'Bands, number')).toBeVisible();
  for (const word of ['Sun', 'Gobo']) {
    await kind.selectOption({ label: word });
    await expect(field(page, 'Blocks, number')).toBeVisible();
    await expect(field(page, 'Bands, number')).toHaveCount(0);
  }
  await kind.selectOption({ label: 'Point' });
  await expect(field(page, 'Air, number')).toBeVisible();
  await blend.selectOption({ label: 'Subtract' });
  await expect(field(page, 'Air, number')).toHaveCount(0);
  await blend.selectOption({ label: 'Add' });
  await page.getByRole('switch', { name: 'Rim only' }).click();
  await expect(blend).toHaveCount(0);
  await expect(field(page, 'Air, number')).toHaveCount(0);
  // In a scene of pixel art gobos are read by their nearest pixel anyhow.
  await expect(page.getByRole('region', { name: 'Gobo' })).toBeVisible();
  await expect(page.getByRole('switch', { name: 'Pixels' })).toHaveCount(0);
  await page.keyboard.press('Escape');
  await page.getByRole('combobox', { name: 'Art' }).selectOption({ label: 'Painted' });
  await page.getByRole('button', { name: 'Pick Lamp' }).click();
  await expect(page.getByRole('switch', { name: 'Pixels' })).toBeVisible();
});

test('the work lamp comes with every tool that draws outlines, as far as it is dark', async ({ page }) => {
  const dark = lamplight();
  dark.lights = {};
  await openDocument(page, dark, {});
  await expectColours(page, [[100, 100, BLACK]]);
  for (const key of ['k', 'j', 'n', 'e']) {
    await page.keyboard.press(key);
    await expectColours(page, [[100, 100, [130, 130, 130]]]);
    await page.keyboard.press('Escape');
    await expectColours(page, [[100, 100, BLACK]]);
  }
  await page.keyboard.press('p');
  await expectColours(page, [[100, 100, BLACK]]);

  const light = bright();
  light.sprites.wall = dark.sprites.wall;
  await openDocument(page, light, {});
  await expectColours(page, [[100, 100, WHITE]]);
  await page.keyboard.press('k');
  await expectColours(page, [[100, 100, WHITE]]);
});

test('a light that is still holds its gobo at the frame of second 0', async ({ page }) => {
  const scene = lamplight();
  scene.artworks.sheet = sheet();
  const gobo = newGobo({ artworkId: 'sheet', widthPx: 100, heightPx: 100, speed: 2 });
  scene.lights.l = { ...scene.lights.l, locked: false, shadows: false, gobo };
  await openDocument(page, scene, { sheet: twoFrames() });
  await expectColours(page, [[230, 125, BLACK]]);
  await clickScene(page, 240, 135);
  await page.getByRole('switch', { name: 'Motion' }).click();
  await expectColours(page, [[230, 125, WHITE]]);
  const place = await onStage(page, 230, 125);
  for (let i = 0; i < 8; i++) {
    expect((await shownColour(page, ...place))[0]).toBeGreaterThan(180);
    await page.waitForTimeout(120);
  }
});
