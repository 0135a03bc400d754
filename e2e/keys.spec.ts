/** Keys that are changed, steps that are gone to, luminaires of the shelf, and what others have picked. */
import { expect, test } from '@playwright/test';
import { expectColours, openDocument, onStage, stage, shownColour } from './helpers';
import { BLACK, lampScene, RED } from './scenes';

test('a key is changed by a press, a clash is said, and it is remembered', async ({ page }) => {
  await openDocument(page, lampScene(), {});
  await stage(page).focus();
  await page.keyboard.press('?');
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: /: key of Work lamp$/ }).click();
  await page.keyboard.press('x');
  await expect(dialog.getByRole('status')).toHaveText(
    'X was the key of “Next wipe”: it stands for “Work lamp” now.',
  );
  await expect(dialog.getByRole('button', { name: /: key of Next wipe$/ })).toHaveText('none');
  await dialog.getByRole('button', { name: 'Close' }).click();
  await page.reload();
  await stage(page).focus();
  await page.keyboard.press('x');
  await expect(page.getByRole('button', { name: 'Work lamp' })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('?');
  await dialog.getByRole('button', { name: 'All usual keys' }).click();
  await expect(dialog.getByRole('button', { name: /: key of Next wipe$/ })).toHaveText('X');
});

test('the history of steps is looked at, and gone to', async ({ page }) => {
  await openDocument(page, lampScene(), {});
  const level = page.getByLabel('Level of Lamp one, number');
  for (const value of ['0.5', '0.25', '0']) {
    await level.fill(value);
    await level.press('Enter');
  }
  await expectColours(page, [[112, 60, BLACK]]);
  await stage(page).focus();
  await page.keyboard.press('Alt+z');
  const steps = page.getByRole('list', { name: 'Steps, newest first' });
  await expect(steps.getByRole('button')).toHaveText([
    'Level',
    'Level',
    'Level',
    'As it was when first opened',
  ]);
  await steps.getByRole('button', { name: 'As it was when first opened' }).click();
  await expectColours(page, [[112, 60, RED]]);
  await steps.getByRole('button').nth(1).click();
  await expect(level).toHaveValue('0.25');
});

test('a luminaire that comes with Oilwick is taken from the shelf, stands and burns', async ({ page }) => {
  await openDocument(page, lampScene(), {});
  await page.getByRole('button', { name: 'Open the shelf' }).click();
  await page.getByRole('button', { name: 'Luminaires' }).click();
  await page.getByTitle('Ember bed: comes with Oilwick').click();
  await expect(page.getByTitle('Ember bed: 0 in this scene')).toBeVisible();
  const [x, y] = await onStage(page, 300, 80);
  const box = (await stage(page).boundingBox())!;
  await page.mouse.click(box.x + x, box.y + y);
  await expect(page.getByLabel('Channels').getByRole('button', { name: 'Pick Ember bed' })).toBeVisible();
  await expect
    .poll(async () => (await shownColour(page, ...(await onStage(page, 330, 74))))[0])
    .toBeGreaterThan(20);
});

test('what somebody else picks is shown on the stage and its channel', async ({ page, browser }) => {
  const { sceneId } = await openDocument(page, lampScene(), {});
  const context = await browser.newContext({ baseURL: process.env.OILWICK_TEST_URL });
  await context.addInitScript(
    (text) => localStorage.setItem('oilwick-person', text),
    JSON.stringify({ id: 'person-ben', name: 'Ben' }),
  );
  const other = await context.newPage();
  await other.goto(`/scenes/${sceneId}`);
  await expect(page.getByRole('button', { name: 'Ben is here' })).toBeVisible();
  await expect(other.getByRole('button', { name: /here/ })).toBeVisible();
  await other.getByRole('button', { name: 'Pick Lamp one' }).click();
  await expect(page.getByTitle('Ben picked this')).toBeVisible();
  await other.keyboard.press('Escape');
  await expect(page.getByTitle('Ben picked this')).toBeHidden();
  await context.close();
});
