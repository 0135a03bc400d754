/** What is named is renamed, copied and deleted; what is a number is typed. */
import { expect, test } from '@playwright/test';
import { newSprite } from '../src/core/scene/records/sprite';
import { newWick } from '../src/core/scene/records/wick';
import { expectColours, keptDocument, openDocument, setNumber } from './helpers';
import { BLACK, RED, bright, lampScene } from './scenes';

test('a wick is duplicated, renamed and deleted, and comes back by undo', async ({ page }) => {
  const scene = lampScene();
  scene.wicks.w = newWick({ name: 'Flame', seed: 4 });
  scene.lights.l1 = { ...scene.lights.l1, wickId: 'w' };
  const { sceneId } = await openDocument(page, scene, {}, '?bench=time&part=wicks');
  const names = async () => Object.values((await keptDocument(page, sceneId)).wicks).map(({ name }) => name);
  const column = page.getByRole('region', { name: 'Wicks', exact: true });
  await column.getByRole('button', { name: 'Duplicate' }).click();
  await page.getByLabel('Name of the wick').fill('Calm');
  await page.getByLabel('Name of the wick').press('Enter');
  await expect.poll(async () => (await names()).sort()).toEqual(['Calm', 'Flame']);
  await column.getByRole('button', { name: 'Flame', exact: true }).click();
  await column.getByRole('button', { name: 'Delete' }).click();
  await expect.poll(names).toEqual(['Calm']);
  expect((await keptDocument(page, sceneId)).lights.l1.wickId).toBeNull();
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await keptDocument(page, sceneId)).lights.l1.wickId).toBe('w');
});

test('a set is renamed, copied and deleted, gains and loses members', async ({ page }) => {
  const scene = bright();
  const flat = (name: string, x: number, setIds: string[]) =>
    newSprite({
      ...{ name, planeId: 'plane-middle', order: 'a', artworkId: null, x, y: 60, setIds },
      plain: { colour: '#206040', widthPx: 20, heightPx: 20 },
    });
  scene.sets.pair = { name: 'Pair', order: 'a1' };
  scene.sprites = { a: flat('A', 100, ['pair']), b: flat('B', 160, ['pair']), c: flat('C', 220, []) };
  const { sceneId } = await openDocument(page, scene, {});
  const membersOf = async (name: string) => {
    const { sets, sprites } = await keptDocument(page, sceneId);
    const id = Object.entries(sets).find(([, set]) => set.name === name)?.[0];
    return Object.keys(sprites).filter((one) => id !== undefined && sprites[one].setIds.includes(id));
  };
  await page.getByLabel('Name of Pair').fill('Row');
  await page.getByLabel('Name of Pair').press('Enter');
  await page.getByRole('button', { name: 'Duplicate Row', exact: true }).click();
  await expect.poll(() => membersOf('Row copy')).toEqual(['a', 'b']);
  await page.getByRole('button', { name: 'Delete Row copy' }).click();
  await expect(page.getByLabel('Name of Row copy')).toBeHidden();
  expect(await membersOf('Row')).toEqual(['a', 'b']);
  await page.keyboard.press('Control+a');
  await page.getByRole('button', { name: 'Add what is picked to Row' }).click();
  await expect.poll(() => membersOf('Row')).toEqual(['a', 'b', 'c']);
  await page.getByRole('button', { name: 'Take what is picked out of Row' }).click();
  await expect.poll(() => membersOf('Row')).toEqual([]);
});

test('a circuit is renamed, copied with its wires and deleted', async ({ page }) => {
  const { sceneId } = await openDocument(page, lampScene(), {});
  await page.getByLabel('Name of circuit A').fill('Lanterns');
  await page.getByLabel('Name of circuit A').press('Enter');
  await page.getByRole('button', { name: 'Duplicate circuit A' }).click();
  await expect(page.getByLabel('Name of circuit B')).toHaveValue('Lanterns copy');
  const { circuits, lights } = await keptDocument(page, sceneId);
  expect(
    Object.values(circuits)
      .map(({ name }) => name)
      .sort(),
  ).toEqual(['Lanterns', 'Lanterns copy']);
  expect(lights.l1.circuitIds.length).toBe(2);
  await page.getByRole('button', { name: 'Delete circuit B' }).click();
  await expect.poll(async () => (await keptDocument(page, sceneId)).lights.l1.circuitIds.length).toBe(1);
});

test('the hour at which a scene opens is set, and the place of a light is typed', async ({ page }) => {
  const { sceneId } = await openDocument(page, lampScene(), {});
  await setNumber(page, 'Opens at', '6.5');
  await page.getByRole('button', { name: 'Pick Lamp one' }).click();
  await expectColours(page, [[110, 65, RED]]);
  await setNumber(page, 'X', '300');
  await setNumber(page, 'Y', '200');
  await expectColours(page, [
    [310, 205, RED],
    [110, 65, BLACK],
  ]);
  expect((await keptDocument(page, sceneId)).lights.l1).toMatchObject({ x: 300, y: 200 });
  await page.goto(`/scenes/${sceneId}`);
  await expect(page.locator('p.figure').filter({ hasText: '06:30' })).toBeVisible();
});
