/** The Relief bench: strokes and parts. */
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { decodePng } from '../src/core/raster/png';
import { isSame, meanOf, png, saved } from './helpers';
import { art, block, frame, normalMap, openBench, paint, pixel, placeOf, shown } from './relief-helpers';

test('a stroke shows under the brush, survives another recipe, and is taken back in order', async ({
  page,
}) => {
  await openBench(page, [{ name: 'block.png', bytes: block() }]);
  await page.keyboard.press('2');
  const before = await normalMap(page);
  const [px, py] = await placeOf(page, 40, 10, 12);
  const calm = meanOf(await shown(page), Math.round(px), Math.round(py));
  await page.keyboard.press('c');
  const ball = page.getByRole('slider', { name: 'Direction' });
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
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute(
    'title',
    'Undo: Paint normals (Ctrl+Z)',
  );
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
  await expect(page.getByRole('button', { name: 'Redo' })).toHaveAttribute(
    'title',
    'Redo: Paint normals (Ctrl+Shift+Z)',
  );
  expect(isSame(await normalMap(page), before)).toBe(true);
  await saved(page);
  await page.keyboard.press('Control+Shift+z');
  await saved(page);
  await page.reload();
  await expect(frame(page, 'block')).toHaveAccessibleName(/painted/);
  expect(isSame(await normalMap(page), after)).toBe(true);
});

test(
  'raising goes on in a straight line with Shift, and a sprite of 2048 px follows the brush',
  { tag: '@slow' },
  async ({ page }) => {
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
    await page.getByLabel('Amount, number').fill('30');
    await page.getByLabel('Amount, number').press('Enter');
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
    await expect.poll(async () => isSame(await shown(page), before)).toBe(false);
    await page.mouse.up();
    await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute(
      'title',
      'Undo: Raise (Ctrl+Z)',
      {
        timeout: 20_000,
      },
    );
    await page.keyboard.down('Shift');
    await page.mouse.move(middle[0] + 60, middle[1] + 50);
    await page.mouse.down();
    await page.mouse.up();
    await page.keyboard.up('Shift');
    await page.getByRole('tab', { name: 'Strokes' }).click();
    await expect(page.getByRole('list', { name: 'Layers of strokes' })).toContainText(/^2/, {
      timeout: 20_000,
    });
    await expect(page.getByLabel('Name of the layer')).toHaveValue('Layer 1');
  },
);

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
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute(
    'title',
    'Undo: Fill a part (Ctrl+Z)',
  );
  const map = await normalMap(page);
  // The ball faces up to begin with: green above the middle, the same on all of the part and on no other.
  expect(pixel(map, 10, 10)[1]).toBeGreaterThan(180);
  expect(pixel(map, 14, 30)).toEqual(pixel(map, 10, 10));
  expect(pixel(map, 30, 10)[1]).toBeLessThan(150);
});

test('a pen presses: what it raises softly is lower than what it raises firmly', async ({ page }) => {
  await openBench(page, [{ name: 'flat.png', bytes: png(40, 40, () => [120, 120, 120, 255]) }]);
  await page.getByLabel('Shape', { exact: true }).selectOption('none');
  await page.keyboard.press('r');
  await page.getByLabel('Hardness, number').fill('1');
  await page.getByLabel('Amount, number').fill('8');
  await page.getByLabel('Amount, number').press('Enter');
  const pen = await page.context().newCDPSession(page);
  const box = (await art(page).boundingBox())!;
  const draw = async (row: number, force: number) => {
    const at = async (x: number) => {
      const [px, py] = await placeOf(page, 40, x, row);
      return { x: box.x + px, y: box.y + py };
    };
    const send = async (type: 'mousePressed' | 'mouseMoved' | 'mouseReleased', x: number) =>
      pen.send('Input.dispatchMouseEvent', {
        type,
        ...(await at(x)),
        button: 'left',
        buttons: type === 'mouseReleased' ? 0 : 1,
        clickCount: 1,
        pointerType: 'pen',
        force,
      });
    await send('mousePressed', 5);
    for (const x of [12, 20, 28, 35]) await send('mouseMoved', x);
    await send('mouseReleased', 35);
  };
  await draw(10, 0.25);
  await draw(28, 1);
  await page.getByRole('tab', { name: 'Strokes' }).click();
  await expect(page.getByRole('list', { name: 'Layers of strokes' })).toContainText(/^2/);
  await expect(page.getByLabel('Name of the layer')).toHaveValue('Layer 1');
  await page.keyboard.press('3');
  const grey = async (row: number) => {
    const [px, py] = await placeOf(page, 40, 20, row);
    return meanOf(await shown(page), Math.round(px), Math.round(py));
  };
  await expect.poll(async () => (await grey(28)) - (await grey(10))).toBeGreaterThan(60);
  expect(await grey(10)).toBeGreaterThan((await grey(19)) + 15);
});

test('a drawn polygon is filled with one facing, and the ring on the ball says what lies under the pointer', async ({
  page,
}) => {
  await openBench(page, [{ name: 'block.png', bytes: png(40, 40, () => [120, 120, 120, 255]) }]);
  await page.keyboard.press('i');
  await page.getByLabel('Fill', { exact: true }).selectOption('polygon');
  await page.getByLabel('Opacity, number').fill('1');
  await page.getByLabel('Opacity, number').press('Enter');
  const click = async (x: number, y: number) => {
    const [px, py] = await placeOf(page, 40, x, y);
    await art(page).click({ position: { x: px, y: py } });
  };
  for (const [x, y] of [
    [8, 8],
    [32, 8],
    [20, 32],
  ])
    await click(x, y);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute(
    'title',
    'Undo: Fill a polygon (Ctrl+Z)',
  );
  const map = await normalMap(page);
  // A triangle on its tip: within it the facing of the ball, beside it what was there.
  expect(pixel(map, 20, 12)[1]).toBeGreaterThan(180);
  expect(pixel(map, 20, 28)).toEqual(pixel(map, 20, 12));
  expect(pixel(map, 10, 28)).toEqual([128, 128, 255]);
  const ring = page.getByTestId('facing-ring').last();
  const hover = async (x: number, y: number) => {
    const [px, py] = await placeOf(page, 40, x, y);
    await art(page).hover({ position: { x: px, y: py } });
    return (await ring.boundingBox())!;
  };
  const level = await hover(10, 28);
  const up = await hover(20, 12);
  expect(level.y - up.y).toBeGreaterThan(8);
  expect(Math.abs(level.x - up.x)).toBeLessThan(2);
});

test('the rim mask is painted where the brush goes, and rubbed out again', async ({ page }) => {
  await openBench(page, [{ name: 'block.png', bytes: png(40, 40, () => [120, 120, 120, 255]) }]);
  await page.keyboard.press('5');
  const white = async (x: number, y: number) => {
    const [px, py] = await placeOf(page, 40, x, y);
    return meanOf(await shown(page), Math.round(px), Math.round(py));
  };
  await expect.poll(() => white(20, 20)).toBeLessThan(3);
  await page.keyboard.press('b');
  await page.getByLabel('Opacity, number').fill('1');
  await page.getByLabel('Opacity, number').press('Enter');
  await paint(page, 40, [12, 20], [28, 20]);
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute(
    'title',
    'Undo: Paint the rim (Ctrl+Z)',
  );
  await expect.poll(() => white(20, 20)).toBeGreaterThan(200);
  expect(await white(20, 32)).toBeLessThan(3);
  await page.getByRole('tab', { name: 'Maps' }).click();
  const kinds = page.getByRole('group', { name: 'Maps' });
  await kinds.getByRole('button', { name: 'Rim' }).click();
  await kinds.getByRole('button', { name: 'Normals' }).click();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save its maps' }).click(),
  ]);
  const map = decodePng(readFileSync(await file.path())).image;
  expect(pixel(map, 20, 20)[0]).toBeGreaterThan(200);
  expect(pixel(map, 20, 32)[0]).toBe(0);
  await page.keyboard.press('e');
  await paint(page, 40, [12, 20], [28, 20]);
  await page.mouse.up();
  await expect.poll(() => white(20, 20)).toBeLessThan(40);
});

test('layers of strokes are renamed and moved both ways', async ({ page }) => {
  await openBench(page, [{ name: 'block.png', bytes: block() }]);
  await page.getByRole('tab', { name: 'Strokes' }).click();
  await page.getByRole('button', { name: 'New layer' }).click();
  await page.getByLabel('Name of the layer').fill('Cheeks');
  await page.getByLabel('Name of the layer').press('Enter');
  await page.getByRole('button', { name: 'New layer' }).click();
  const row = page.getByRole('list', { name: 'Layers of strokes' }).getByRole('button', { name: /^Raise / });
  const order = () => row.evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')!.slice(6)));
  const [top, bottom] = await order();
  expect(bottom).toBe('Cheeks');
  await page.getByRole('button', { name: 'Raise Cheeks' }).click();
  await expect.poll(order).toEqual(['Cheeks', top]);
  await page.getByRole('button', { name: 'Lower Cheeks' }).click();
  await expect.poll(order).toEqual([top, 'Cheeks']);
  await page.keyboard.press('Control+z');
  await expect.poll(order).toEqual(['Cheeks', top]);
});
