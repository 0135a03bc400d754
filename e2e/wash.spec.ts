/** The Time bench: washes, by their fields, by their points on the stage, and over the day. */
import { expect, test } from '@playwright/test';
import { newCue } from '../src/core/scene/records/cue';
import { newWash, newWashPoint } from '../src/core/scene/records/wash';
import { dragScene, keptDocument, onStage, openDocument, setNumber, stage, shownColour } from './helpers';
import { bright, wall } from './scenes';

const wallScene = () => {
  const scene = bright();
  scene.sprites.wall = wall();
  return scene;
};

test('a wash is made, its points are dragged, added and taken away on the stage, and a key shows it in full', async ({
  page,
}) => {
  const { sceneId } = await openDocument(page, wallScene(), {}, '?bench=time&part=wash&hour=12.00&at=0.00');
  const at = async (x: number, y: number) => shownColour(page, ...(await onStage(page, x, y)));
  await page.getByRole('button', { name: 'New wash' }).click();
  const wash = page.getByRole('region', { name: 'Wash', exact: true });
  await expect(wash.getByLabel('Name of the wash')).toHaveValue('Wash 1');
  // Rose in the upper left, slate in the lower right, faintly over the grey.
  await expect.poll(async () => (await at(60, 40))[0] - (await at(420, 240))[0]).toBeGreaterThan(8);
  await setNumber(wash, 'Opacity', '1');
  const points = page.getByRole('region', { name: 'Points' });
  await points.getByLabel('Colour 1, hex').fill('#ff0000');
  await points.getByLabel('Colour 1, hex').press('Enter');
  await points.getByLabel('Colour 2, hex').fill('#0000ff');
  await points.getByLabel('Colour 2, hex').press('Enter');
  await setNumber(points, 'Spread 1', '60');
  await setNumber(points, 'Spread 2', '60');
  await expect.poll(async () => (await at(60, 40))[0]).toBeGreaterThan(230);
  // The red point changes sides.
  await dragScene(page, [120, 68], [400, 60]);
  await expect.poll(async () => (await at(440, 30))[0]).toBeGreaterThan(230);
  const kept = await keptDocument(page, sceneId);
  expect(Object.values(kept.washes)[0].points[0]).toMatchObject({ x: 400, y: 60, colour: '#ff0000' });
  // A double click adds one, and takes it away again.
  const [px, py] = await onStage(page, 60, 200);
  await stage(page).dblclick({ position: { x: px, y: py } });
  await expect(points.getByRole('group')).toHaveCount(3);
  await stage(page).dblclick({ position: { x: px, y: py } });
  await expect(points.getByRole('group')).toHaveCount(2);
  await setNumber(wash, 'Opacity', '0');
  await expect.poll(() => at(440, 30)).toEqual([200, 200, 200]);
  await stage(page).focus();
  await page.keyboard.down('Shift');
  await page.keyboard.down('W');
  await expect.poll(async () => (await at(440, 30))[1]).toBeLessThan(60);
  await page.keyboard.up('W');
  await page.keyboard.up('Shift');
  await expect.poll(() => at(440, 30)).toEqual([200, 200, 200]);
});

test('cues exchange washes, which fade into each other', async ({ page }) => {
  const scene = wallScene();
  const one = (name: string, order: string, colour: string) =>
    newWash({ name, order, opacity: 1, points: [newWashPoint({ x: 240, y: 135, colour })] });
  scene.washes = { rose: one('Rose', 'a', '#ff0000'), slate: one('Slate', 'b', '#0000ff') };
  scene.cues = { morning: newCue({ clockHours: 6, washId: 'rose' }), evening: newCue({ clockHours: 18 }) };
  await openDocument(page, scene, {}, '?bench=time&part=day&hour=18.00&at=0.00&pick=cues:evening');
  const colour = async () => shownColour(page, ...(await onStage(page, 240, 60)));
  await expect.poll(colour).toEqual([255, 0, 0]);
  await page
    .getByRole('region', { name: 'What it holds' })
    .getByLabel('Wash shown')
    .selectOption({ label: 'Slate' });
  await expect.poll(colour).toEqual([0, 0, 255]);
  await page.getByRole('button', { name: '06:00', exact: true }).first().click();
  await expect.poll(colour).toEqual([255, 0, 0]);
});
