/** The Relief bench: strokes and parts. */
import { expect, test } from '@playwright/test';
import { meanOf, png, saved } from './helpers';
import {
  art,
  block,
  frame,
  normalMap,
  openBench,
  paint,
  pixel,
  placeOf,
  same,
  shown,
} from './relief-helpers';

test('a stroke shows under the brush, survives another recipe, and is taken back in order', async ({
  page,
}) => {
  await openBench(page, [{ name: 'block.png', bytes: block() }]);
  await page.keyboard.press('2');
  const before = await normalMap(page);
  const [px, py] = await placeOf(page, 40, 10, 12);
  const calm = meanOf(await shown(page), Math.round(px), Math.round(py));
  await page.keyboard.press('c');
  const ball = page.getByRole('slider', { name: 'Facing' });
  const box = (await ball.boundingBox())!;
  await ball.click({ position: { x: box.width * 0.85, y: box.height / 2 } });
  await expect(ball).toHaveAttribute('aria-valuetext', /^right/);
  await page.getByLabel('Opacity, number').fill('1');
  await page.getByLabel('Hardness, number').fill('1');
  await page.getByLabel('Hardness, number').press('Enter');
  await paint(page, 40, [10, 8], [10, 20]);
  // Before the button is let go, the normals under the brush are others.
  await expect
    .poll(async () => Math.abs(meanOf(await shown(page), Math.round(px), Math.round(py)) - calm))
    .toBeGreaterThan(5);
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute('title', 'Undo: Paint a facing');
  const after = await normalMap(page);
  expect(pixel(after, 10, 12)[0]).toBeGreaterThan(200);
  expect(pixel(after, 30, 30)).toEqual(pixel(before, 30, 30));

  await page.getByRole('tab', { name: 'Form' }).click();
  await page.getByLabel('Shape', { exact: true }).selectOption('inflate');
  const inflated = await normalMap(page);
  expect(pixel(inflated, 10, 12)[0]).toBeGreaterThan(200);
  expect(pixel(inflated, 30, 30)).not.toEqual(pixel(before, 30, 30));

  await page.getByRole('tab', { name: 'Strokes' }).click();
  await page.getByRole('button', { name: 'Hide Layer 1' }).click();
  expect(pixel(await normalMap(page), 10, 12)[0]).toBeLessThan(180);
  for (let i = 0; i < 3; i++) await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: 'Redo' })).toHaveAttribute('title', 'Redo: Paint a facing');
  expect(same(await normalMap(page), before)).toBe(true);
  await saved(page);
  await page.keyboard.press('Control+Shift+z');
  await saved(page);
  await page.reload();
  await expect(frame(page, 'block')).toHaveAccessibleName(/painted/);
  expect(same(await normalMap(page), after)).toBe(true);
});

test('raising goes on in a straight line with Shift, and a sprite of 2048 px follows the brush', async ({
  page,
}) => {
  const large = png(2048, 2048, (x, y) => {
    const inside = (x - 1024) ** 2 + (y - 1024) ** 2 < 900_000;
    return [120 + ((x >> 4) & 31), 110, 100, inside ? 255 : 0];
  });
  await openBench(page, [{ name: 'boulder.png', bytes: large }]);
  // The relief of four million pixels is there when the painted state can be asked for.
  await expect
    .poll(async () => (await page.getByLabel('Section').textContent()) ?? '', { timeout: 60_000 })
    .toMatch(/\d…\d+\.\d/);
  await page.keyboard.press('2');
  await page.keyboard.press('r');
  await page.getByLabel('Size, number').fill('120');
  await page.getByLabel('By, number').fill('30');
  await page.getByLabel('By, number').press('Enter');
  const box = (await art(page).boundingBox())!;
  const middle: [number, number] = [box.x + box.width / 2, box.y + box.height / 2];
  // The page's own thread is free while the stroke is drawn: a beat every few milliseconds.
  await page.evaluate(() => {
    const hold = window as unknown as { longest: number };
    hold.longest = 0;
    let last = performance.now();
    const beat = () => {
      const now = performance.now();
      hold.longest = Math.max(hold.longest, now - last);
      last = now;
      setTimeout(beat, 4);
    };
    beat();
  });
  const before = await shown(page);
  await page.mouse.move(...middle);
  await page.mouse.down();
  await page.mouse.move(middle[0] + 60, middle[1], { steps: 12 });
  await expect.poll(async () => same(await shown(page), before)).toBe(false);
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute('title', 'Undo: Raise', {
    timeout: 20_000,
  });
  await page.keyboard.down('Shift');
  await page.mouse.move(middle[0] + 60, middle[1] + 50);
  await page.mouse.down();
  await page.mouse.up();
  await page.keyboard.up('Shift');
  await page.getByRole('tab', { name: 'Strokes' }).click();
  await expect(page.getByRole('list', { name: 'Layers of strokes' })).toContainText('Layer 1 2', {
    timeout: 20_000,
  });
});

test('parts are shown, joined and split by strokes, and filled with one facing', async ({ page }) => {
  await openBench(page, [{ name: 'block.png', bytes: block() }]);
  await page.getByLabel('Parts by').selectOption('outlines');
  await page.keyboard.press('4');
  await page.keyboard.press('p');
  const colours = async () => {
    const image = await shown(page);
    const at = async (x: number) => {
      const [px, py] = await placeOf(page, 40, x, 10);
      const p = 4 * (Math.round(py) * image.width + Math.round(px));
      return [...image.data.subarray(p, p + 3)];
    };
    const [a, b] = [await at(12), await at(28)];
    return Math.max(...a.map((v, c) => Math.abs(v - b[c])));
  };
  await expect.poll(colours).toBeGreaterThan(25);
  await page.keyboard.press('j');
  await paint(page, 40, [10, 20], [30, 20]);
  await page.mouse.up();
  await expect.poll(colours).toBeLessThan(6);
  await page.keyboard.press('Control+z');
  await expect.poll(colours).toBeGreaterThan(25);
  await page.keyboard.press('i');
  const [px, py] = await placeOf(page, 40, 10, 10);
  await page.getByLabel('Opacity, number').fill('1');
  await page.getByLabel('Opacity, number').press('Enter');
  await art(page).click({ position: { x: px, y: py } });
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute('title', 'Undo: Fill a part');
  const map = await normalMap(page);
  // The ball faces up to begin with: green above the middle, the same on all of the part and on no other.
  expect(pixel(map, 10, 10)[1]).toBeGreaterThan(180);
  expect(pixel(map, 14, 30)).toEqual(pixel(map, 10, 10));
  expect(pixel(map, 30, 10)[1]).toBeLessThan(150);
});
