/** The Relief bench: section, wipe and lamp. */
import { expect, test } from '@playwright/test';
import { isSame } from './helpers';
import { block, openBench, paint, placeOf, shown } from './relief-helpers';

test('the section follows its line, the wipe compares, and the lamp goes round by itself', async ({
  page,
}) => {
  await openBench(page, [{ name: 'block.png', bytes: block() }]);
  await page.keyboard.press('x');
  await paint(page, 40, [20, 0], [20, 40]);
  await page.mouse.up();
  await expect(page.getByLabel('Section')).toContainText('Section, 40 px');
  const line = page.getByLabel('Section').locator('path').last();
  const down = await line.getAttribute('d');
  await paint(page, 40, [0, 8], [40, 30]);
  await page.mouse.up();
  expect(await line.getAttribute('d')).not.toBe(down);
  await page.keyboard.press('Escape');
  await page.keyboard.press('2');
  await page.getByLabel('Wipe').selectOption('height/now');
  const image = await shown(page);
  const [lx, y] = await placeOf(page, 40, 10, 20);
  const [rx] = await placeOf(page, 40, 30, 20);
  const at = (x: number) => [
    ...image.data.subarray(
      4 * (Math.round(y) * image.width + Math.round(x)),
      4 * (Math.round(y) * image.width + Math.round(x)) + 3,
    ),
  ];
  // Grey on the left of the edge, the blue of normals on its right.
  expect(Math.abs(at(lx)[0] - at(lx)[2])).toBeLessThan(3);
  expect(at(rx)[2] - at(rx)[0]).toBeGreaterThan(60);
  await page.keyboard.press('v');
  await page.keyboard.press('v');
  await page.keyboard.press('1');
  await page.keyboard.press('o');
  const one = await shown(page);
  await expect.poll(async () => isSame(await shown(page), one)).toBe(false);
});
