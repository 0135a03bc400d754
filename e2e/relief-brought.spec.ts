/** The Relief bench: maps that were made elsewhere, looked at and adjusted, and the names that maps leave under. */
import { readFileSync } from 'node:fs';
import { expect, test, type Locator, type Page } from '@playwright/test';
import { unpackFiles } from '../src/core/handoff/zip';
import { decodePng } from '../src/core/raster/png';
import { png, setNumber } from './helpers';
import {
  art,
  block,
  drop,
  frame,
  normalMap,
  notice,
  openBench,
  pixel,
  placeOf,
  shown,
} from './relief-helpers';

/** Boards one over the other, each rounded at its edges: nothing leans sideways, so either reading is a surface. */
const BOARD_PX = 8;
const boards = png(40, 40, (_x, y) => {
  const tone = 150 + (Math.floor(y / BOARD_PX) % 2) * 12;
  return [tone, tone - 20, tone - 40, 255];
});
/** Their normals with Y down: at a board's upper edge green is low. */
const boardNormals = png(40, 40, (_x, y) => {
  const lean = ((y % BOARD_PX) - (BOARD_PX - 1) / 2) / BOARD_PX;
  const byte = (v: number) => Math.floor((v + 1) * 127.5 + 0.5);
  return [128, byte(lean), byte(Math.sqrt(1 - lean * lean)), 255];
});

/** How bright one of the two readings is at the upper and at the lower edge of the third board. */
async function edges(picture: Locator): Promise<{ upper: number; lower: number }> {
  const { image } = decodePng(await picture.screenshot());
  // The picture is as high as it is shown, in the middle.
  const level = (y: number) =>
    pixel(image, image.width / 2, Math.round(((y + 0.5) * image.height) / 40)).reduce((sum, v) => sum + v, 0);
  return { upper: level(2 * BOARD_PX), lower: level(3 * BOARD_PX - 1) };
}

const reading = (page: Page, way: 'up' | 'down') =>
  page.getByRole('dialog').getByRole('img', { name: `boards with green as Y ${way}` });

test('a normal map that fits both ways is asked about with both readings, and can be compared again', async ({
  page,
}) => {
  await openBench(page, [{ name: 'boards.png', bytes: boards }]);
  await drop(page, [{ name: 'boards_n.png', bytes: boardNormals }]);
  await expect(page.getByRole('dialog')).toContainText('boards');
  // The light is above: with the true reading the upper edges are bright.
  const [right, wrong] = [await edges(reading(page, 'down')), await edges(reading(page, 'up'))];
  expect(right.upper).toBeGreaterThan(right.lower + 60);
  expect(wrong.lower).toBeGreaterThan(wrong.upper + 60);
  await page.getByRole('dialog').getByRole('button', { name: 'Y down' }).click();
  await expect(notice(page)).toContainText('chosen as Y down');
  await expect(frame(page, 'boards')).toHaveAccessibleName(/imported/);
  // What a person decided is not remarked on any more.
  await expect(frame(page, 'boards')).not.toHaveAccessibleName(/doubtful/);
  const chosen = await normalMap(page);
  expect(pixel(chosen, 20, 2 * BOARD_PX)[1]).toBeGreaterThan(160);

  await page.getByRole('button', { name: 'Compare Y up and down' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Y up' }).click();
  await expect(page.getByRole('switch', { name: 'Green' })).toContainText('Y up');
  await expect.poll(async () => pixel(await normalMap(page), 20, 2 * BOARD_PX)[1]).toBeLessThan(96);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('switch', { name: 'Green' })).toContainText('Y down');

  // A level map reads alike both ways: it is not asked about.
  await drop(page, [{ name: 'boards_n.png', bytes: png(40, 40, () => [128, 128, 255, 255]) }]);
  await expect(notice(page)).toContainText('orientation doubtful, taken as Y up');
  await page.getByRole('button', { name: 'Compare Y up and down' }).click();
  await expect(notice(page)).toContainText('Both readings look the same');
  await expect(page.getByRole('dialog')).toBeHidden();
});

test('normals that serve as a height have a share, and heights a range', async ({ page }) => {
  await openBench(page, [{ name: 'block.png', bytes: block() }]);
  await drop(page, [
    {
      name: 'block_n.png',
      bytes: png(40, 40, (x, y) => {
        const [dx, dy] = [(x - 19.5) / 60, (y - 19.5) / 60];
        const byte = (v: number) => Math.floor((v + 1) * 127.5 + 0.5);
        return [byte(dx), byte(-dy), byte(Math.sqrt(1 - dx * dx - dy * dy)), 255];
      }),
    },
  ]);
  await expect(notice(page)).toContainText('judged Y up');
  await page.getByRole('tab', { name: 'Form' }).click();
  await page.getByLabel('Shape', { exact: true }).selectOption('none');
  await page.getByRole('tab', { name: 'Maps' }).click();
  await expect(page.getByLabel('Share, number', { exact: true })).toBeHidden();
  await page.getByLabel('Used').selectOption('height');
  const lean = async () => pixel(await normalMap(page), 32, 10)[0] - 128;
  await expect.poll(lean).toBeGreaterThan(10);
  const whole = await lean();
  await setNumber(page, 'Share', '2');
  await expect.poll(lean).toBeGreaterThan(whole * 1.4);
  await setNumber(page, 'Share', '0');
  await expect.poll(lean).toBeLessThan(whole * 0.6);

  await page.getByRole('button', { name: 'Take the normals away' }).click();
  await drop(page, [{ name: 'block_h.png', bytes: png(40, 40, (x) => [x * 6, x * 6, x * 6, 255]) }]);
  await expect(page.getByLabel('White, number', { exact: true })).toBeVisible();
  await setNumber(page, 'Black', '0');
  await setNumber(page, 'White', '4');
  const slope = async () => pixel(await normalMap(page), 10, 20)[0];
  // It rises to the right, so it faces left; twice as much when white is twice as high; the other way when black is higher.
  await expect.poll(slope).toBeLessThan(122);
  const gentle = await slope();
  await setNumber(page, 'White', '20');
  await expect.poll(slope).toBeLessThan(gentle - 20);
  await setNumber(page, 'White', '-20');
  await expect.poll(slope).toBeGreaterThan(150);
});

test('what glows by itself is seen in the lit view, and what was chosen for new art is said', async ({
  page,
}) => {
  await openBench(page, [{ name: 'block.png', bytes: block(200) }]);
  const chosen = page.getByRole('status').filter({ hasText: 'Relief chosen' });
  await expect(chosen).toContainText(/bevel of [\d.]+ px.*silhouette/);
  // It asks for nothing and goes by itself.
  await expect(chosen).toBeHidden();
  await drop(page, [
    {
      name: 'block_glow.png',
      bytes: png(40, 40, (x) => (x < 20 ? [255, 255, 255, 255] : [0, 0, 0, 255])),
    },
  ]);
  await expect(notice(page)).toContainText('glow mask to block');
  // Away from the lamp one half shows the art's own colour, the other the ambient alone.
  const box = (await art(page).boundingBox())!;
  await page.mouse.move(box.x + 4, box.y + 4);
  const [gx, gy] = await placeOf(page, 40, 12, 28);
  const [dx, dy] = await placeOf(page, 40, 30, 28);
  const redAt = async (x: number, y: number) => pixel(await shown(page), Math.round(x), Math.round(y))[0];
  await expect.poll(() => redAt(gx, gy)).toBeGreaterThan(190);
  expect(await redAt(dx, dy)).toBeLessThan(150);
});

test('the suffixes of maps are edited and remembered, and two maps of one name are refused', async ({
  page,
}) => {
  await openBench(page, [{ name: 'block.png', bytes: block() }]);
  await page.getByRole('tab', { name: 'Maps' }).click();
  await page.getByRole('group', { name: 'Maps' }).getByRole('button', { name: 'Height' }).click();
  const suffix = (map: string) => page.getByLabel(`${map}, Suffixes`, { exact: true });
  await suffix('Normals').fill('facing');
  await suffix('Height').fill('facing');
  await expect(page.getByText('Normals and height would have the same name')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save its maps' })).toBeDisabled();
  await suffix('Height').fill('depth');
  const [archive] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save its maps' }).click(),
  ]);
  const names = Object.keys(unpackFiles(readFileSync(await archive.path()))).sort();
  expect(names).toEqual(['block_depth.png', 'block_facing.png']);
  // They are remembered for the project, also where all maps leave, and known when maps come back under them.
  await page.reload();
  await page.getByRole('tab', { name: 'Maps' }).click();
  await expect(suffix('Normals')).toHaveValue('facing');
  await page.getByRole('link', { name: 'Hand-off' }).click();
  await page.getByRole('navigation', { name: 'Ways to leave' }).getByRole('button', { name: 'Maps' }).click();
  await expect(suffix('Height')).toHaveValue('depth');
  await page.getByRole('link', { name: 'Relief' }).click();
  await drop(page, [{ name: 'block_facing.png', bytes: png(40, 40, () => [128, 128, 255, 255]) }]);
  await expect(notice(page)).toContainText('Attached: normals to block');
});
