/** The channels of the desk, the wiring and the elevation: many lights seen and set at once. */
import { expect, test, type Page } from '@playwright/test';
import { newOccluder } from '@/core/scene/records/occluder';
import { newLight } from '@/core/scene/records/light';
import { expectColours, openDocument, stage } from './helpers';
import { BLACK, lampScene, RED } from './scenes';

/** So many lamps in a row, dark ones between bright ones. */
function rowOfLamps(count: number) {
  const scene = lampScene();
  scene.lights = {};
  for (let i = 0; i < count; i++) {
    const order = `a${String(i).padStart(5, '0')}`;
    scene.lights[`l${i}`] = newLight({
      ...{ name: `Lamp ${i + 1}`, planeId: 'plane-middle', order, x: (i * 37) % 480, y: 100 },
      ...{ level: 1, reachPx: 30, circuitIds: ['house'] },
    });
  }
  return scene;
}

const channels = (page: Page) => page.getByRole('group', { name: 'Channels' });
const fader = (page: Page, name: string) =>
  page.getByRole('slider', { name: `Level of ${name}`, exact: true });

async function dragAcross(page: Page, from: string, to: string, share: number) {
  const [a, b] = [await fader(page, from).boundingBox(), await fader(page, to).boundingBox()];
  const y = a!.y + a!.height * (1 - share);
  await page.mouse.move(a!.x + a!.width / 2, y);
  await page.mouse.down();
  await page.mouse.move(b!.x + b!.width / 2, y, { steps: 12 });
  await page.mouse.up();
}

test('a drag across faders sets all that it passes, as one step; a group keeps its proportions', async ({
  page,
}) => {
  const scene = rowOfLamps(5);
  scene.sets.row = { name: 'Front row', order: 'a' };
  for (const id of ['l0', 'l1', 'l2']) scene.lights[id].setIds = ['row'];
  await openDocument(page, scene, {});
  await expectColours(page, [[300, 200, BLACK]]);
  await dragAcross(page, 'Lamp 1', 'Lamp 3', 0.75);
  const value = (name: string) => page.getByLabel(`Level of ${name}, number`);
  const set = await value('Lamp 1').inputValue();
  expect(Number(set)).toBeGreaterThan(2);
  await expect(value('Lamp 3')).toHaveValue(set);
  await expect(value('Lamp 4')).toHaveValue('1.00');
  await page.keyboard.press('Control+z');
  await expect(value('Lamp 1')).toHaveValue('1.00');
  await expect(value('Lamp 3')).toHaveValue('1.00');
  // Mutes are dragged over too; they are no step.
  const [m1, m2] = [
    (await page.getByRole('button', { name: 'Mute Lamp 1', exact: true }).boundingBox())!,
    (await page.getByRole('button', { name: 'Mute Lamp 2', exact: true }).boundingBox())!,
  ];
  await page.mouse.move(m1.x + 4, m1.y + 4);
  await page.mouse.down();
  await page.mouse.move(m2.x + 4, m2.y + 4, { steps: 6 });
  await page.mouse.up();
  for (const name of ['Mute Lamp 1', 'Mute Lamp 2'])
    await expect(page.getByRole('button', { name, exact: true })).toHaveAttribute('aria-pressed', 'true');
  // Folded by set: one fader for three lamps.
  await value('Lamp 2').fill('0.5');
  await value('Lamp 2').press('Enter');
  await page.getByLabel('Channels folded into one').selectOption({ label: 'By set' });
  await expect(fader(page, 'Lamp 1')).toHaveCount(0);
  await value('Front row').fill('5/3');
  await value('Front row').press('Enter');
  await page.getByRole('button', { name: 'Unfold Front row' }).click();
  await expect(value('Lamp 1')).toHaveValue('2.00');
  await expect(value('Lamp 2')).toHaveValue('1.00');
  await fader(page, 'Lamp 2').press('Delete');
  await expect(value('Lamp 2')).toHaveValue('1.50');
});

test('fifteen hundred channels are found by name, ordered, and only those in sight exist', async ({
  page,
}) => {
  await openDocument(page, rowOfLamps(1500), {});
  await expect(fader(page, 'Lamp 1')).toBeVisible();
  expect(await channels(page).getByRole('slider').count()).toBeLessThan(20);
  await page.getByLabel('Find a channel').fill('lamp 149');
  await expect(fader(page, 'Lamp 149')).toBeVisible();
  await expect(channels(page).getByTitle('Channels', { exact: true })).toHaveText('11');
  await page.getByLabel('Find a channel').fill('');
  await page.getByLabel('Order of the channels').selectOption({ label: 'Left to right' });
  await page.reload();
  // How they are ordered is remembered. Lamp 481 stands at the same place as the first: it is the next.
  await expect(fader(page, 'Lamp 481')).toBeVisible();
  // The master stays in sight, and exposes the whole picture.
  await page.getByLabel('Master: exposure, number').fill('-1');
  await page.getByLabel('Master: exposure, number').press('Enter');
  await expect(page.getByRole('slider', { name: 'Master: exposure' })).toHaveAttribute('aria-valuenow', '-1');
});

test('many are wired by dragging over the matrix, and the light follows', async ({ page }) => {
  const scene = lampScene();
  await openDocument(page, scene, {});
  const lit = [112, 60] as const;
  await expectColours(page, [[...lit, RED]]);
  await stage(page).focus();
  await page.keyboard.press('Alt+w');
  const wiring = page.getByRole('complementary', { name: 'Wiring' });
  await expect(wiring).toBeVisible();
  const name = Object.values(scene.lights)[0].name;
  await expect(wiring.getByRole('button', { name: `${name}, House` })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  const cells = wiring.getByRole('button', { name: /, House$/ });
  const [first, second] = [(await cells.nth(0).boundingBox())!, (await cells.nth(1).boundingBox())!];
  await page.mouse.move(first.x + 8, first.y + 8);
  await page.mouse.down();
  await page.mouse.move(second.x + 8, second.y + 8, { steps: 5 });
  await page.mouse.up();
  await expect(cells.nth(0)).toHaveAttribute('aria-pressed', 'false');
  await expect(cells.nth(1)).toHaveAttribute('aria-pressed', 'false');
  await expectColours(page, [[...lit, BLACK]]);
  await page.keyboard.press('Control+z');
  await expect(cells.nth(1)).toHaveAttribute('aria-pressed', 'true');
  // A press on a heading sets every row that is shown.
  await wiring.getByLabel('What the wiring shows').selectOption({ label: 'Sprites' });
  await wiring.getByRole('button', { name: /^Shadows: all/ }).click();
  await expect(wiring.getByRole('button', { name: /, Shadows$/ }).first()).toHaveAttribute(
    'aria-pressed',
    'false',
  );
});

test('in the elevation heights, statures, spans and planes are dragged', async ({ page }) => {
  const scene = rowOfLamps(1);
  scene.lights.l0.heightPx = 400;
  await openDocument(page, scene, {});
  const elevation = page.getByLabel('Elevation', { exact: true });
  // What is far above the others is scaled into the strip.
  const dot = elevation.getByRole('button', { name: /^Lamp 1, 400 px above its plane/ });
  await dot.click();
  await expect(elevation.getByText('up to 400 px')).toBeVisible();
  const box = (await dot.boundingBox())!;
  await page.mouse.move(box.x + 4, box.y + 4);
  await page.mouse.down();
  await page.mouse.move(box.x + 4, box.y + 32, { steps: 4 });
  await page.mouse.up();
  const lower = elevation.getByRole('button', { name: /^Lamp 1, \d+ px above its plane/ });
  await expect
    .poll(async () => Number(/\d+(?= px)/.exec((await lower.getAttribute('aria-label'))!)![0]))
    .toBeLessThan(300);
  await lower.focus();
  const before = await lower.getAttribute('aria-label');
  await page.keyboard.press('Shift+ArrowUp');
  await expect(lower).not.toHaveAttribute('aria-label', before!);
  // Its span ends at another plane.
  const end = elevation.getByRole('button', { name: /^Lamp 1 reaches back to Far/ });
  await end.focus();
  await page.keyboard.press('ArrowDown');
  await expect(elevation.getByRole('button', { name: /^Lamp 1 reaches back to Middle/ })).toBeVisible();
  // A plane changes its place.
  const names = () => elevation.getByRole('listitem').allInnerTexts();
  expect((await names()).map((text) => text.trim())).toEqual(['Far', 'Middle', 'Near']);
  await elevation.getByRole('button', { name: 'Near', exact: true }).focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect
    .poll(async () => (await names()).map((text) => text.trim()))
    .toEqual(['Far', 'Near', 'Middle']);
});

test('the border moves, columns fold, and both are as they were left', async ({ page }) => {
  await openDocument(page, lampScene(), {});
  const border = page.getByRole('separator', { name: 'Border between bay and channels' });
  const box = (await border.boundingBox())!;
  await page.mouse.move(box.x + 2, box.y + 80);
  await page.mouse.down();
  await page.mouse.move(box.x - 198, box.y + 80, { steps: 4 });
  await page.mouse.up();
  const left = (await channels(page).boundingBox())!.x;
  expect(left).toBeLessThan(box.x - 150);
  const backdrop = page.getByRole('region', { name: 'Backdrop' });
  await backdrop.getByRole('button', { name: 'Fold' }).click();
  await expect(backdrop.getByLabel('Colour', { exact: true })).toBeHidden();
  await page.reload();
  await expect(backdrop.getByRole('button', { name: 'Backdrop' })).toBeVisible();
  expect((await channels(page).boundingBox())!.x).toBe(left);
  await backdrop.getByRole('button', { name: 'Backdrop' }).click();
  await expect(backdrop.getByLabel('Colour', { exact: true })).toBeVisible();
});

test('a post of the elevation is as high as its stature, and is pulled to another', async ({ page }) => {
  const scene = lampScene();
  scene.occluders.post = newOccluder({
    ...{ name: 'Post', planeId: 'plane-near', kind: 'closed', staturePx: 40 },
    outlines: [[150, 20, 160, 20, 160, 110, 150, 110]],
  });
  await openDocument(page, scene, {});
  const elevation = page.getByLabel('Elevation', { exact: true });
  const post = elevation.getByRole('button', { name: 'Occluder Post, 40 px high' });
  const box = (await post.boundingBox())!;
  await page.mouse.move(box.x + 2, box.y + 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 2, box.y + 8, { steps: 3 });
  await page.mouse.up();
  const lower = elevation.getByRole('button', { name: /^Occluder Post, (1|2|3)?\d px high/ });
  await expect(lower).toBeVisible();
  await page.mouse.move(box.x + 2, box.y + 9);
  await page.mouse.down();
  await page.mouse.move(box.x + 2, box.y - 160, { steps: 6 });
  await page.mouse.up();
  await expect(elevation.getByRole('button', { name: 'Occluder Post, endless shadow' })).toBeVisible();
});
