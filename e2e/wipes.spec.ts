/** The wipe between any two views, and the revisions of a scene. */
import { expect, test } from '@playwright/test';
import { expectColours, openDocument, stage } from './helpers';
import { BLACK, lampScene, RED } from './scenes';

test('both sides of the wipe are chosen: one light, an hour, eyes, the reference', async ({ page }) => {
  const scene = lampScene();
  const [first] = Object.keys(scene.lights);
  scene.lights.second = { ...scene.lights[first], name: 'Lamp two', x: 400, order: 'b' };
  await openDocument(page, scene, {});
  await expectColours(page, [[112, 60, RED]]);
  await page.getByLabel('Wipe', { exact: true }).selectOption('unlit');
  const bar = page.getByRole('group', { name: 'Wipe, both sides' });
  await expect(bar.getByLabel('Left of the edge', { exact: true })).toHaveValue('unlit');
  await expect(bar.getByLabel('Right of the edge', { exact: true })).toHaveValue('lit');
  // Only the second light, on the left where the first one shines.
  await bar.getByLabel('Left of the edge', { exact: true }).selectOption({ label: 'One light' });
  await bar.getByLabel('Left of the edge: which light').selectOption({ label: 'Lamp two' });
  await expectColours(page, [[112, 60, BLACK]]);
  await bar.getByRole('button', { name: 'Swap' }).click();
  await expect(bar.getByLabel('Right of the edge: which light')).toBeVisible();
  await bar.getByLabel('Left of the edge', { exact: true }).selectOption({ label: 'Colour vision' });
  await expect(bar.getByLabel('Left of the edge: whose eyes')).toHaveValue('protanope');
  await bar.getByLabel('Left of the edge', { exact: true }).selectOption({ label: 'Another hour' });
  await expect(bar.getByLabel('Hour, number')).toHaveValue('7');
  await bar.getByRole('button', { name: 'End' }).click();
  await expect(bar).toBeHidden();
});

test('a revision is named, compared, restored as a step, and made a scene of its own', async ({ page }) => {
  const scene = lampScene();
  const name = Object.values(scene.lights)[0].name;
  await openDocument(page, scene, {});
  const level = page.getByLabel(`Level of ${name}, number`);
  const lit = await level.inputValue();
  await level.fill('0');
  await level.press('Enter');
  await expectColours(page, [[112, 60, BLACK]]);
  await expect(page.getByRole('status').getByText('Saved')).toBeVisible();
  await stage(page).focus();
  await page.keyboard.press('Alt+h');
  const list = page.getByRole('list', { name: 'Revisions of the scene' });
  await expect(list.getByRole('listitem')).toHaveCount(2);
  await expect(list.getByText(/you · 1 light/)).toBeVisible();
  await list.getByLabel('Name of revision 1').fill('First light');
  await list.getByLabel('Name of revision 1').press('Enter');
  await page.reload();
  await stage(page).focus();
  await page.keyboard.press('Alt+h');
  await expect(list.getByLabel('Name of revision 1')).toHaveValue('First light');
  await list.getByRole('button', { name: 'Compare with revision 1' }).click();
  await expect(page.getByLabel('Left of the edge: which revision')).toHaveValue('1');
  await list.getByRole('button', { name: 'Compare with revision 1' }).click();
  await page.getByRole('button', { name: 'Every save by itself' }).click();
  await list.getByRole('button', { name: 'Restore revision 1' }).click();
  await expect(level).toHaveValue(lit);
  await expect(list.getByRole('listitem')).toHaveCount(3);
  await page.keyboard.press('Control+z');
  await expect(level).toHaveValue('0.00');
  const opened = page.waitForEvent('popup');
  await list.getByRole('button', { name: 'Branch off revision 1' }).click();
  const branch = await opened;
  await expect(branch.getByLabel(`Level of ${name}, number`)).toHaveValue(lit);
});
