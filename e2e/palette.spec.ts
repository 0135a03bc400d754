/** The palette: every action by its words, why one cannot be done, and things by their names. */
import { expect, test } from '@playwright/test';
import { expectColours, openDocument, stage } from './helpers';
import { BLACK, lampScene } from './scenes';

test('an action is found by its words and done; one that cannot be done says why', async ({ page }) => {
  await openDocument(page, lampScene(), {});
  await expectColours(page, [[400, 250, BLACK]]);
  await stage(page).focus();
  await page.keyboard.press('Control+k');
  const actions = page.getByRole('listbox');
  const field = page.getByLabel('What to do, or what to pick');
  await expect(field).toBeFocused();
  await field.fill('work la');
  await expect(actions.getByRole('option').first()).toHaveText(/Work lamp\s*W/);
  await page.keyboard.press('Enter');
  await expect(field).toBeHidden();
  await expect(page.getByRole('button', { name: 'Work lamp' })).toHaveAttribute('aria-pressed', 'true');
  // What is picked by its name has its controls on the desk.
  await page.keyboard.press('Control+k');
  await field.fill('lamp one');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Name of the light')).toHaveValue('Lamp one');
  await page.keyboard.press('Control+k');
  await field.fill('undo');
  await expect(actions.getByRole('option').first()).toContainText('There is nothing to undo.');
  await field.fill('xyzzy');
  await expect(page.getByText('Nothing is called that.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(field).toBeHidden();
});
