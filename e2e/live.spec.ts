/** Several people, or several tabs, on one scene: what one changes the others see, and nothing is lost. */
import { expect, test, type Browser, type Page } from '@playwright/test';
import { drag, openNewScene, openWall, saved, stage, setNumber } from './helpers';

const lamp = async (page: Page) => {
  await page.keyboard.press('p');
  await drag(page, [400, 200], [480, 200]);
  await page.getByLabel('Name of the light').fill('Beacon');
  await page.getByLabel('Name of the light').press('Enter');
  await saved(page);
};

/** Somebody else, in a browser of their own, with the scene open. */
async function somebodyElse(browser: Browser, sceneId: string, name: string): Promise<Page> {
  const context = await browser.newContext({ baseURL: process.env.OILWICK_TEST_URL });
  await context.addInitScript(
    (text) => localStorage.setItem('oilwick-person', text),
    JSON.stringify({ id: `person-${name.toLowerCase()}`, name }),
  );
  const page = await context.newPage();
  await page.goto(`/scenes/${sceneId}`);
  await expect(stage(page)).toBeVisible();
  return page;
}

test('what another tab changes is here within a second, also in the middle of a drag', async ({
  page,
  context,
}) => {
  const { sceneId } = await openNewScene(page);
  await lamp(page);
  const other = await context.newPage();
  await other.goto(`/scenes/${sceneId}`);
  await other.getByRole('button', { name: 'Pick Beacon' }).click();
  await page.getByRole('button', { name: 'Pick Beacon' }).click();
  await setNumber(other, 'Level', '7.5');
  await expect(page.getByLabel('Level, number')).toHaveValue('7.5');
  // One drags the light while the other sets its core.
  const box = (await stage(page).boundingBox())!;
  await page.mouse.move(box.x + 400, box.y + 200);
  await page.mouse.down();
  await page.mouse.move(box.x + 420, box.y + 210);
  await setNumber(other, 'Core', '31');
  await expect(page.getByLabel('Core, number')).toHaveValue('31');
  await page.mouse.move(box.x + 440, box.y + 220);
  await page.mouse.up();
  await saved(page);
  await expect(page.getByLabel('Core, number')).toHaveValue('31');
  const reach = await page.getByLabel('Reach, number').inputValue();
  await expect(other.getByLabel('Reach, number')).toHaveValue(reach);
  await expect(page.getByRole('dialog')).toBeHidden();
});

test(
  'many tabs hear by one stream: the eighth opens like the first, and hears at once',
  { tag: '@slow' },
  async ({ page, context }) => {
    const { sceneId } = await openNewScene(page);
    await lamp(page);
    // A browser keeps six connections to a server; a stream of its own for each tab would take them all.
    const tabs = await Promise.all(Array.from({ length: 7 }, () => context.newPage()));
    for (const tab of tabs) {
      await tab.goto(`/scenes/${sceneId}`);
      await expect(tab.getByRole('button', { name: 'Pick Beacon' })).toBeVisible();
    }
    const last = tabs.at(-1)!;
    await last.getByRole('button', { name: 'Pick Beacon' }).click();
    await page.getByRole('button', { name: 'Pick Beacon' }).click();
    await setNumber(last, 'Level', '7.5');
    await expect(page.getByLabel('Level, number')).toHaveValue('7.5');
    // A tab that goes takes nothing from the others.
    for (const tab of tabs.slice(0, -1)) await tab.close();
    await setNumber(page, 'Level', '3');
    await expect(last.getByLabel('Level, number')).toHaveValue('3');
  },
);

test('where two change one field the later wins, and the other is told and can have it back', async ({
  page,
  browser,
}) => {
  const { sceneId } = await openNewScene(page);
  await lamp(page);
  const ann = await somebodyElse(browser, sceneId, 'Ann');
  await expect(page.getByRole('button', { name: 'Ann is here' })).toBeVisible();
  await ann.getByRole('button', { name: 'Pick Beacon' }).click();
  await page.getByRole('button', { name: 'Pick Beacon' }).click();
  // Ann is cut off, and both set the level meanwhile.
  await ann.context().setOffline(true);
  await setNumber(ann, 'Level', '3');
  await expect(ann.getByRole('status').filter({ hasText: 'Not saved' })).toBeVisible();
  await setNumber(page, 'Level', '9');
  await saved(page);
  await ann.context().setOffline(false);
  await saved(ann);
  await expect(page.getByLabel('Level, number')).toHaveValue('3');
  const told = page.getByRole('list', { name: 'Changed by others' });
  await expect(told).toContainText('Ann changed level of Beacon to 3; you had set 9.');
  await told.getByRole('button', { name: 'Have mine back' }).click();
  await expect(ann.getByLabel('Level, number')).toHaveValue('9');
  await expect(told).toBeHidden();
  await ann.context().close();
  await expect(page.getByRole('button', { name: 'Ann is here' })).toBeHidden();
});

test('what somebody deletes while it is being changed can be brought back', async ({ page, browser }) => {
  const { sceneId } = await openNewScene(page);
  await lamp(page);
  const ben = await somebodyElse(browser, sceneId, 'Ben');
  await ben.getByRole('button', { name: 'Pick Beacon' }).click();
  await page.getByRole('button', { name: 'Pick Beacon' }).click();
  await page.context().setOffline(true);
  await setNumber(page, 'Level', '9');
  await ben.keyboard.press('Escape');
  await ben.getByRole('button', { name: 'Pick Beacon' }).click();
  await stage(ben).focus();
  await ben.keyboard.press('Delete');
  await saved(ben);
  await page.context().setOffline(false);
  await expect(page.getByRole('button', { name: 'Pick Beacon' })).toBeHidden();
  const told = page.getByRole('list', { name: 'Changed by others' });
  await expect(told).toContainText('Ben deleted Beacon, which you were changing.');
  await told.getByRole('button', { name: 'Bring it back' }).click();
  await ben.getByRole('button', { name: 'Pick Beacon' }).click();
  await expect(ben.getByLabel('Level, number')).toHaveValue('9');
  await ben.context().close();
});

test('a page that is loaded again in the middle of saving loses nothing and asks nothing', async ({
  page,
}) => {
  await openNewScene(page);
  await lamp(page);
  page.on('dialog', (dialog) => void dialog.accept());
  for (const [i, wait] of [0, 120, 340, 400].entries()) {
    await page.getByRole('button', { name: 'Pick Beacon' }).click();
    await setNumber(page, 'Level', String(2 + i));
    await page.waitForTimeout(wait);
    await page.reload();
    await page.getByRole('button', { name: 'Pick Beacon' }).click();
    await expect(page.getByLabel('Level, number')).toHaveValue(String(2 + i));
    await expect(page.getByRole('dialog')).toBeHidden();
    await saved(page);
  }
});

test('what a closed tab could not send is sent by the next one, and two tabs keep theirs apart', async ({
  page,
  context,
}) => {
  const { sceneId } = await openNewScene(page);
  await lamp(page);
  const tabs = [await context.newPage(), await context.newPage()];
  for (const tab of tabs) {
    await tab.goto(`/scenes/${sceneId}`);
    await tab.getByRole('button', { name: 'Pick Beacon' }).click();
  }
  await page.goto('/');
  await context.setOffline(true);
  await setNumber(tabs[0], 'Level', '6');
  await setNumber(tabs[1], 'Core', '17');
  for (const tab of tabs) {
    await expect(tab.getByRole('status').filter({ hasText: 'Not saved' })).toBeVisible();
    await tab.close();
  }
  await context.setOffline(false);
  await page.goto(`/scenes/${sceneId}`);
  await page.getByRole('button', { name: 'Pick Beacon' }).click();
  await expect(page.getByLabel('Level, number')).toHaveValue('6');
  await expect(page.getByLabel('Core, number')).toHaveValue('17');
  await saved(page);
});

test('the history of a closed tab goes on in the next one', async ({ page, context }) => {
  const { sceneId } = await openNewScene(page);
  await lamp(page);
  await page.waitForTimeout(500);
  await page.close();
  const next = await context.newPage();
  await next.goto(`/scenes/${sceneId}`);
  await expect(next.getByRole('button', { name: 'Pick Beacon' })).toBeVisible();
  for (let i = 0; i < 2; i++) await next.getByRole('button', { name: 'Undo' }).click();
  await expect(next.getByRole('button', { name: 'Pick Beacon' })).toBeHidden();
  await expect(next.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await saved(next);
});

test('a change that the server refuses is set apart and undone by one press; what comes after it is saved', async ({
  page,
}) => {
  await openNewScene(page);
  await lamp(page);
  await page.getByRole('button', { name: 'Pick Beacon' }).click();
  let refusals = 1;
  await page.route('**/patches', (route) =>
    refusals-- > 0
      ? route.fulfill({
          status: 422,
          contentType: 'application/problem+json',
          json: { status: 422, detail: 'too bright', refused: [{ edit: 0, why: 'too bright', field: null }] },
        })
      : route.continue(),
  );
  await setNumber(page, 'Level', '200');
  const aside = page.getByRole('button', { name: '1 change not saved' });
  await expect(aside).toBeVisible();
  await setNumber(page, 'Core', '12');
  await saved(page);
  await aside.click();
  await expect(page.getByRole('list', { name: 'Changes not saved' })).toContainText('Beacon: too bright');
  await page.getByRole('button', { name: 'Undo them' }).click();
  await expect(aside).toBeHidden();
  await page.getByRole('button', { name: 'Pick Beacon' }).click();
  await expect(page.getByLabel('Level, number')).not.toHaveValue('200');
  await page.reload();
  await page.getByRole('button', { name: 'Pick Beacon' }).click();
  await expect(page.getByLabel('Core, number')).toHaveValue('12');
});

test('an artwork of the shelf goes to the bin, which is emptied only after it was said where it is shown', async ({
  page,
}) => {
  const { sceneId } = await openWall(page);
  await saved(page);
  const copy = await page.request.post(`/api/scenes/${sceneId}/copies`, {
    data: { name: 'Night' },
    headers: { origin: new URL(process.env.OILWICK_TEST_URL!).origin },
  });
  const { id: otherId } = (await copy.json()) as { id: string };
  await page.getByRole('button', { name: 'Open the shelf' }).click();
  const shelf = page.getByLabel('Shelf');
  const wall = shelf.getByRole('button', { name: 'wall', exact: true });
  await wall.click();
  await shelf.getByRole('button', { name: 'Delete the chosen one' }).click();
  await expect(wall).toHaveCount(0);
  await expect(page.getByText('wall is in the bin, and still shown in this scene, Night.')).toBeVisible();
  await page.getByRole('link', { name: 'Art' }).click();
  await page.getByRole('button', { name: 'Bin: 1' }).click();
  await page.getByRole('button', { name: 'Empty', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: 'Delete 1 artwork for good?' });
  await expect(dialog.getByRole('listitem')).toHaveText(['wall in this scene, Night']);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: /^wall:/ })).toBeVisible();
  await page.getByRole('button', { name: 'Empty', exact: true }).click();
  await dialog.getByRole('button', { name: 'Empty the bin' }).click();
  await expect(page.getByText('The bin is empty.')).toBeVisible();
  await saved(page);
  const other = await page.context().newPage();
  await other.goto(`/scenes/${otherId}`);
  await other.getByRole('button', { name: /snag/ }).click();
  const snags = other.getByRole('list', { name: 'Snags' });
  await expect(snags).toContainText('which is not there');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: 'Bin: 1' })).toBeVisible();
  await expect(snags).not.toContainText('which is not there');
  await page.getByRole('button', { name: /^wall:/ }).click();
  await page.getByRole('button', { name: 'Restore' }).click();
  await page.getByRole('link', { name: 'Stage' }).click();
  await expect(wall).toBeVisible();
});
