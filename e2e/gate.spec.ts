/** The gate, the view of the stage, and the mini-view of what is larger than it. */
import { expect, test } from '@playwright/test';
import { dragScene, expectColours, openDocument, stage, shownColour } from './helpers';
import { BACKDROP, BLACK, bright, lampScene, wall } from './scenes';

test('the gate takes a size that is offered, or one by its corner, and the view stays as it was left', async ({
  page,
}) => {
  await openDocument(page, bright(), {});
  await page.getByRole('combobox', { name: 'Size' }).selectOption({ label: '384 × 216' });
  await expect(page.getByLabel('Width, number')).toHaveValue('384');
  await expect(page.getByLabel('X, number')).toHaveValue('48');
  // Its lower right corner stands at 432, 243.
  await dragScene(page, [432, 243], [412, 223]);
  await expect(page.getByLabel('Width, number')).toHaveValue('364');
  await expect(page.getByLabel('Height, number')).toHaveValue('196');
  await expect(page.getByRole('combobox', { name: 'Size' })).toHaveValue('364 × 196');

  await stage(page).hover({ position: { x: 300, y: 200 } });
  await page.mouse.wheel(0, -100);
  const words = () => page.locator('p.figure').first().textContent();
  await expect.poll(words).toContain('300 %');
  const before = new URL(page.url()).pathname;
  await page.waitForTimeout(600);
  await page.goto('/');
  await page.goto(before);
  await expect.poll(words).toContain('300 %');
});

test('the mini-view shows a large scene from end to end, and a press in it goes there', async ({ page }) => {
  const scene = lampScene();
  scene.lights = {};
  // A wall far to the right makes the scene a large one.
  scene.sprites.far = { ...wall(), x: 1800 };
  await openDocument(page, scene, {});
  await expectColours(page, [[510, 100, BACKDROP]]);
  const box = (await stage(page).boundingBox())!;
  await expect.poll(async () => (await shownColour(page, box.width - 20, 24))[0]).toBeGreaterThan(100);
  await stage(page).click({ position: { x: box.width - 20, y: 24 } });
  // The wall is black there, what is behind it is not.
  await expectColours(page, [
    [240, 135, BLACK],
    [160, 100, BLACK],
    [510, 100, BACKDROP],
  ]);
});
