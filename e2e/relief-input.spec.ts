/** The Relief bench: art of every kind, art that is no good, and work that is interrupted. */
import { expect, test } from '@playwright/test';
import { encode } from 'fast-png';
import { handMadePng, withHeaderSize } from '../src/core/raster/testing/hand-made-png';
import { isSame, png, saved, type Dropped } from './helpers';
import { block, drop, frame, normalMap, notice, openBench, paint, pixel } from './relief-helpers';

test('art that is no good is named with what is wrong, and the others come in', async ({ page }) => {
  const good = block();
  const refused: [string, Buffer, RegExp][] = [
    ['cut.png', good.subarray(0, good.length >> 1), /cut off/],
    ['crc.png', Buffer.from(good.map((v, i) => (i === good.length - 20 ? v ^ 1 : v))), /checksum/],
    ['large.png', Buffer.from(withHeaderSize(good, 8192, 8192)), /8192 x 8192 px; at most 4096 x 4096/],
    ['empty.png', Buffer.from(withHeaderSize(good, 0, 0)), /empty/],
    ['notes.png', Buffer.from('Platform 2 is to be repainted.'), /not a PNG/],
  ];
  await openBench(page, [
    { name: 'good.png', bytes: good },
    ...refused.map(([name, bytes]): Dropped => ({ name, bytes })),
    { name: 'last.png', bytes: block(200) },
  ]);
  await expect(frame(page, 'last')).toBeVisible();
  const words = await notice(page).innerText();
  for (const [name, , fault] of refused) expect(words).toMatch(new RegExp(`${name}: [^—]*${fault.source}`));
  await expect(page.getByLabel('Contact sheet').getByRole('button', { name: /: / })).toHaveCount(2);
  await saved(page);
});

test('art of unusual kinds gets a relief: 16 bit, a palette, one pixel wide, empty, of one colour', async ({
  page,
}) => {
  const deep = new Uint16Array(4 * 24 * 24).map((_, i) =>
    i % 4 === 3 ? ((((i >> 2) % 24) - 12) ** 2 + (((i / 96) | 0) - 12) ** 2 < 100 ? 65535 : 0) : 30000,
  );
  const files: Dropped[] = [
    {
      name: 'deep.png',
      bytes: Buffer.from(encode({ width: 24, height: 24, data: deep, depth: 16, channels: 4 })),
    },
    { name: 'palette.png', bytes: palettePng() },
    { name: 'thin.png', bytes: png(1, 40, (_x, y) => [y * 6, 90, 90, y < 20 ? 255 : 120]) },
    { name: 'clear.png', bytes: png(20, 12, () => [200, 10, 10, 0]) },
    { name: 'plain.png', bytes: png(20, 12, () => [90, 120, 60, 255]) },
  ];
  await openBench(page, files);
  const map = async (name: string) => {
    await frame(page, name).click();
    return normalMap(page);
  };
  const round = await map('deep');
  expect(pixel(round, 4, 12)[0]).toBeLessThan(90);
  expect(pixel(round, 19, 12)[0]).toBeGreaterThan(165);
  const colours = await map('palette');
  expect([colours.width, colours.height]).toEqual([16, 16]);
  expect(pixel(colours, 5, 8)[0]).toBeLessThan(128);
  expect(pixel(colours, 10, 8)[0]).toBeGreaterThan(128);
  // The same column, up and down only: nothing leans to a side where there is none.
  const thin = await map('thin');
  expect([thin.width, thin.height]).toEqual([1, 40]);
  expect(Math.abs(pixel(thin, 0, 10)[0] - 128)).toBeLessThan(3);
  const clear = await map('clear');
  expect(clear.data.every((v, i) => v === [128, 128, 255, 0][i % 4])).toBe(true);
  await expect(frame(page, 'clear')).toHaveAccessibleName(/empty/);
  // A full tile of one colour has nothing to make a form of: level, and said to be.
  const plain = await map('plain');
  expect(plain.data.every((v, i) => v === [128, 128, 255, 255][i % 4])).toBe(true);
  await expect(frame(page, 'plain')).toHaveAccessibleName(/flat/);
});

test('a batch names what fails and leaves it as it was; the others are made', async ({ page }) => {
  const facing = png(40, 40, () => [128, 128, 255, 255]);
  await openBench(page, [
    { name: 'one.png', bytes: block(90) },
    { name: 'two.png', bytes: block(150) },
    { name: 'two_n.png', bytes: facing },
    { name: 'three.png', bytes: block(210) },
  ]);
  await drop(page, [{ name: 'two.png', bytes: png(24, 30, () => [90, 90, 90, 255]) }]);
  await page.getByRole('dialog').getByRole('button', { name: 'Exchange the art' }).click();
  await expect(frame(page, 'two')).toHaveAccessibleName(/out of date/);
  await page.getByRole('button', { name: 'all', exact: true }).click();
  await page.getByLabel('Recipe of the shelf').selectOption({ label: 'Cushion: full and round' });
  await page.getByRole('button', { name: 'Apply to 3 picked' }).click();
  const failed = page.getByRole('alert').filter({ hasText: '1 failed' });
  await expect(failed).toContainText(/two: .*40 x 40.*24 x 30|two: .*24 x 30.*40 x 40/);
  for (const [name, shape] of [
    ['one', 'inflate'],
    ['two', 'bevel'],
    ['three', 'inflate'],
  ]) {
    await frame(page, name).click();
    await expect(page.getByLabel('Shape', { exact: true })).toHaveValue(shape);
  }
});

test('a stroke that is broken off by a reload or by Escape leaves nothing; one made without the server is kept', async ({
  page,
}) => {
  await openBench(page, [{ name: 'block.png', bytes: block() }]);
  await saved(page);
  const before = await normalMap(page);
  await page.keyboard.press('r');
  await page.getByLabel('Amount, number').fill('6');
  await page.getByLabel('Amount, number').press('Enter');
  await paint(page, 40, [10, 10], [10, 30]);
  await page.reload();
  await page.mouse.up();
  await expect(frame(page, 'block')).toHaveAccessibleName(/made/);
  expect(isSame(await normalMap(page), before)).toBe(true);
  await page.keyboard.press('r');
  await paint(page, 40, [10, 10], [10, 30]);
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await expect(frame(page, 'block')).toHaveAccessibleName(/made/);
  expect(isSame(await normalMap(page), before)).toBe(true);

  await page.route('**/api/scenes/**', (route) => route.abort());
  await page.keyboard.press('r');
  await paint(page, 40, [10, 10], [10, 30]);
  await page.mouse.up();
  await expect(frame(page, 'block')).toHaveAccessibleName(/painted/);
  await expect(page.getByRole('status').filter({ hasText: 'Not saved' })).toBeVisible();
  const painted = await normalMap(page);
  expect(isSame(painted, before)).toBe(false);
  await page.unroute('**/api/scenes/**');
  await page.reload();
  await saved(page);
  await expect(frame(page, 'block')).toHaveAccessibleName(/painted/);
  expect(isSame(await normalMap(page), painted)).toBe(true);
});

test('a lender of another size is named where the art is looked at, and one that is deleted gives its borrower back', async ({
  page,
}) => {
  await openBench(page, [
    { name: 'blue.png', bytes: block(60) },
    { name: 'red.png', bytes: block(220) },
  ]);
  const own = await normalMap(page);
  const body = page.getByLabel('Body', { exact: true });
  await body.selectOption({ label: 'Borrowed: red' });
  await expect(frame(page, 'blue')).toHaveAccessibleName(/borrowed/);
  await drop(page, [{ name: 'red.png', bytes: png(24, 30, () => [90, 90, 90, 255]) }]);
  await page.getByRole('dialog').getByRole('button', { name: 'Exchange the art' }).click();
  const fault = page.getByRole('status').filter({ hasText: 'No relief' });
  await expect(fault).toContainText('24 x 30');
  await expect(fault).toContainText('40 x 40');
  await expect(body.locator('option:checked')).toHaveText('Borrowed: red');
  await page.keyboard.press('Control+z');
  await expect(fault).toBeHidden();

  await page.getByRole('link', { name: 'Stage' }).click();
  await page.getByRole('button', { name: 'Shelf' }).click();
  await page.getByLabel('Shelf').getByRole('button', { name: 'red', exact: true }).click();
  await page.getByRole('button', { name: 'Delete the chosen one' }).click();
  // In the bin it still lends its relief.
  await page.getByRole('link', { name: 'Relief' }).click();
  await expect(frame(page, 'blue')).toHaveAccessibleName(/borrowed/);
  await page.getByRole('link', { name: 'Art' }).click();
  await page.getByRole('button', { name: 'Bin: 1' }).click();
  await page.getByRole('button', { name: 'Empty', exact: true }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Empty the bin' }).click();
  await page.getByRole('link', { name: 'Relief' }).click();
  await frame(page, 'blue').click();
  await expect(frame(page, 'blue')).toHaveAccessibleName(/made/);
  await expect.poll(async () => isSame(await normalMap(page), own)).toBe(true);
});

test('art that the server does not give is said, and made when it gives it again', async ({ page }) => {
  await openBench(page, [{ name: 'block.png', bytes: block() }]);
  await saved(page);
  await page.route('**/api/blobs/**', (route) => route.abort());
  await page.reload();
  const fault = page.getByRole('status').filter({ hasText: 'No relief' });
  await expect(fault).toBeVisible();
  await fault.getByRole('button', { name: 'Try again' }).click();
  await expect(fault).toBeVisible();
  await page.unroute('**/api/blobs/**');
  await fault.getByRole('button', { name: 'Try again' }).click();
  await expect(fault).toBeHidden();
  expect(pixel(await normalMap(page), 4, 20)[0]).toBeLessThan(90);
});

test('a recipe file and a layered painting that are no good are refused in words', async ({ page }) => {
  await openBench(page, [{ name: 'block.png', bytes: block() }]);
  const take = (name: string, text: string) =>
    page.getByLabel('Recipe file').setInputFiles({
      name,
      mimeType: 'application/json',
      buffer: Buffer.from(text),
    });
  const swatches = Array.from({ length: 65 }, (_, i) => ({
    colour: '#0000' + i.toString(16).padStart(2, '0'),
  }));
  for (const [text, words] of [
    ['{"body": {', /JSON/],
    ['{"body": {"kind": "melt"}}', /kind/],
    [JSON.stringify({ swatches }), /64/],
  ] as const) {
    await take('bad.json', text);
    await expect(notice(page)).toContainText(words);
    await notice(page).getByRole('button', { name: 'Close' }).click();
  }
  await drop(page, [
    { name: 'torn.ora', bytes: Buffer.from('PK not a painting') },
    { name: 'other.png', bytes: block(20) },
  ]);
  await expect(notice(page)).toContainText(/torn\.ora: /);
  await expect(frame(page, 'other')).toBeVisible();
  await frame(page, 'block').click();
  await expect(page.getByLabel('Shape', { exact: true })).toHaveValue('bevel');
});

/** A disc in two browns of a palette whose first colour is transparent. */
function palettePng(): Buffer {
  const side = 16;
  const lines = Array.from({ length: side }, (_, y) => [
    0,
    ...Array.from({ length: side }, (_, x) => ((x - 7.5) ** 2 + (y - 7.5) ** 2 < 40 ? 1 + (x & 1) : 0)),
  ]);
  return Buffer.from(
    handMadePng([side, side, 8, 3, 0], lines.flat(), [
      ['PLTE', [255, 0, 255, 140, 90, 60, 143, 92, 62]],
      ['tRNS', [0]],
    ]),
  );
}
