/** The Art bench: from files to artworks that are cut, played, and stand on the stage. */
import { expect, test, type Page } from '@playwright/test';
import { GifWriter } from 'omggif';
import { decodePng } from '../src/core/raster/png';
import type { Image } from '../src/core/raster/image';
import { dropFiles, openNewScene, png, saved, stage, type Dropped, shownColour } from './helpers';

const view = (page: Page) => page.getByRole('application', { name: 'Artwork and its frames' });
const sheet = (page: Page) => page.getByLabel('Contact sheet');
const strip = (page: Page) => page.getByLabel('Frame strip');

/** Four squares of 16 px side by side, each in a colour of its own. */
const FOUR = [
  [220, 40, 40],
  [40, 200, 60],
  [60, 80, 230],
  [230, 200, 40],
] as const;
const flag = () => png(64, 16, (x) => [...FOUR[Math.floor(x / 16)], 255]);

/** Three discs of different sizes, apart from each other. */
const discs = () =>
  png(60, 24, (x, y) => {
    const isIn = [
      [8, 12, 6],
      [28, 12, 9],
      [50, 14, 7],
    ].some(([cx, cy, r]) => (x + 0.5 - cx) ** 2 + (y + 0.5 - cy) ** 2 < r * r);
    return [200, 190, 170, isIn ? 255 : 0];
  });

async function openArt(page: Page, files: Dropped[]): Promise<{ sceneId: string }> {
  const ids = await openNewScene(page);
  await page.getByRole('link', { name: /^\d Art$/ }).click();
  await expect(view(page)).toBeVisible();
  await dropFiles(page, view(page), files, { x: 200, y: 150 });
  await expect(
    sheet(page)
      .getByRole('button', { name: /: 1 frame/ })
      .first(),
  ).toBeVisible();
  return ids;
}

const shown = async (page: Page): Promise<Image> => decodePng(await view(page).screenshot()).image;

function pixelAt({ data, width }: Image, x: number, y: number): number[] {
  const p = 4 * (Math.round(y) * width + Math.round(x));
  return [...data.subarray(p, p + 3)];
}

/** The place on the canvas of a pixel of a picture or figure of this size. */
async function placeOf(page: Page, w: number, h: number, x: number, y: number): Promise<[number, number]> {
  const box = (await view(page).boundingBox())!;
  const zoom = Math.floor(Math.min((box.width - 80) / w, (box.height - 80) / h));
  return [box.width / 2 + (x - w / 2) * zoom, box.height / 2 + (y - h / 2) * zoom];
}

const near = (a: readonly number[], b: readonly number[]) => a.every((v, c) => Math.abs(v - b[c]) < 12);

test('a sheet is cut by a grid that is seen before it is taken, played, and its frames stand on the stage', async ({
  page,
}) => {
  await openArt(page, [{ name: 'flag.png', bytes: flag() }]);
  await page.getByLabel('Columns, number').fill('4');
  await page.getByLabel('Columns, number').press('Enter');
  await expect(page.getByRole('region', { name: 'Cut' })).toContainText('4 frames');
  // A dashed line of the grid stands on the border between the second and the third square.
  const [gx, gy] = await placeOf(page, 64, 16, 32, 8);
  const image = await shown(page);
  const column = Array.from({ length: 40 }, (_, i) => pixelAt(image, gx, gy - 20 + i));
  expect(column.some((rgb) => near(rgb, [201, 162, 92]))).toBe(true);
  await page.getByRole('button', { name: 'Cut it' }).click();
  await expect(strip(page).getByRole('listitem')).toHaveCount(4);
  await expect(sheet(page).getByRole('button', { name: /^flag: 4 frames/ })).toBeVisible();

  await page.keyboard.press('2');
  await page.getByRole('switch', { name: 'Frames' }).click();
  const [x, y] = await placeOf(page, 16, 16, 8, 4);
  for (const [number, colour] of FOUR.entries()) {
    await strip(page)
      .getByRole('button', { name: new RegExp(`^Frame ${number + 1}`) })
      .click();
    await expect.poll(async () => near(pixelAt(await shown(page), x, y), colour)).toBe(true);
  }
  await page.getByLabel('Rate, number').fill('20');
  await page.getByLabel('Rate, number').press('Enter');
  await view(page).focus();
  await page.keyboard.press('l');
  const seen = new Set<number>();
  // Looked at out of step with the fifth of a second that four frames take.
  await expect
    .poll(
      async () => {
        const rgb = pixelAt(await shown(page), x, y);
        seen.add(FOUR.findIndex((colour) => near(rgb, colour)));
        return seen.size;
      },
      { intervals: [70, 130, 170] },
    )
    .toBe(4);

  // On the stage a sprite of it is one frame large, and plays.
  await page.getByRole('link', { name: 'Stage' }).click();
  await page.getByRole('button', { name: 'Shelf' }).click();
  await page.getByLabel('Shelf').getByRole('button', { name: 'flag', exact: true }).click();
  const box = (await stage(page).boundingBox())!;
  const [sx, sy] = [Math.round(box.width / 2), 150];
  await stage(page).click({ position: { x: sx, y: sy } });
  await expect(page.getByLabel('Name of the sprite')).toHaveValue('flag');
  await page.getByLabel('Answer').last().selectOption('self-lit');
  await page.getByRole('switch', { name: 'Frames' }).click();
  await page.keyboard.press('Escape');
  const standing = async () => shownColour(page, sx, sy + 3);
  await expect.poll(async () => near(await standing(), FOUR[0])).toBe(true);
  await page.getByLabel('Frame, number').fill('2');
  await page.getByLabel('Frame, number').press('Enter');
  await expect.poll(async () => near(await standing(), FOUR[2])).toBe(true);
  await saved(page);
  await page.reload();
  await expect.poll(async () => near(await standing(), FOUR[2])).toBe(true);
});

test('islands become frames that stand on one line; one is drawn by hand, named, moved and deleted', async ({
  page,
}) => {
  await openArt(page, [{ name: 'discs.png', bytes: discs() }]);
  await page.getByLabel('Way').selectOption('islands');
  await expect(page.getByRole('region', { name: 'Cut' })).toContainText('3 frames');
  await page.getByLabel('Merge gap, number').fill('6');
  await page.getByLabel('Merge gap, number').press('Enter');
  await expect(page.getByRole('region', { name: 'Cut' })).toContainText('1 frame');
  await page.getByLabel('Merge gap, number').fill('0');
  await page.getByLabel('Merge gap, number').press('Enter');
  await expect(page.getByRole('region', { name: 'Cut' })).toContainText('3 frames');
  await page.getByRole('button', { name: 'Cut it' }).click();
  await expect(strip(page).getByRole('listitem')).toHaveCount(3);
  // The figure is as large as the largest of them.
  await expect(page.getByRole('region', { name: 'Stand' })).toContainText('18 × 18 px');

  await page.getByRole('button', { name: 'Frame F' }).click();
  const box = (await view(page).boundingBox())!;
  const [ax, ay] = await placeOf(page, 60, 24, 20, 2);
  const [bx, by] = await placeOf(page, 60, 24, 35.5, 21.5);
  await page.mouse.move(box.x + ax + 2, box.y + ay + 2);
  await page.mouse.down();
  await page.mouse.move(box.x + bx, box.y + by, { steps: 5 });
  await page.mouse.up();
  await expect(strip(page).getByRole('listitem')).toHaveCount(4);
  const drawn = strip(page).getByRole('button', { name: /^Frame 4/ });
  await expect(drawn).toHaveAttribute('title', /16 × 20 px/);
  await page.getByLabel('Name of the frame').fill('Face');
  await page.getByLabel('Name of the frame').press('Enter');
  await expect(strip(page).getByRole('button', { name: 'Frame 4: Face' })).toBeVisible();
  await page.getByLabel('Hold, number').fill('400');
  await page.getByLabel('Hold, number').press('Enter');
  await expect(strip(page)).toContainText('0.78 s a round');
  await strip(page)
    .getByRole('button', { name: 'Frame 4: Face' })
    .dragTo(strip(page).getByRole('button', { name: /^Frame 1/ }));
  await expect(strip(page).getByRole('button', { name: 'Frame 1: Face' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await view(page).focus();
  await page.keyboard.press('Delete');
  await expect(strip(page).getByRole('listitem')).toHaveCount(3);
  for (let i = 0; i < 5; i++) await page.keyboard.press('Control+z');
  await expect(strip(page).getByRole('listitem')).toHaveCount(3);
  await page.keyboard.press('Control+z');
  await expect(strip(page).getByRole('listitem')).toHaveCount(1);
});

test('pivot, foot and brackets are set on the figure; a bracket moves in one frame', async ({ page }) => {
  await openArt(page, [{ name: 'flag.png', bytes: flag() }]);
  await page.getByLabel('Columns, number').fill('4');
  await page.getByLabel('Columns, number').press('Enter');
  await page.getByRole('button', { name: 'Cut it' }).click();
  await page.keyboard.press('2');
  await strip(page)
    .getByRole('button', { name: /^Frame 1/ })
    .click();
  const at = async (x: number, y: number) => {
    const [px, py] = await placeOf(page, 16, 16, x, y);
    return { position: { x: px, y: py } };
  };
  await view(page).focus();
  await page.keyboard.press('p');
  await view(page).click(await at(4, 14));
  await expect(page.getByLabel('Pivot x, number')).toHaveValue('4');
  await expect(page.getByLabel('Pivot y, number')).toHaveValue('14');
  await page.keyboard.press('b');
  await view(page).click(await at(12, 3));
  const list = page.getByRole('list', { name: 'Brackets of the artwork' });
  await expect(list).toContainText('Bracket 1');
  await page.getByLabel('Name of the bracket').fill('Tip');
  await page.getByLabel('Name of the bracket').press('Enter');
  await strip(page)
    .getByRole('button', { name: /^Frame 3/ })
    .click();
  const box = (await view(page).boundingBox())!;
  const [from, to] = [(await at(12, 3)).position, (await at(9, 6)).position];
  await page.mouse.move(box.x + from.x, box.y + from.y);
  await page.mouse.down();
  await page.mouse.move(box.x + to.x, box.y + to.y, { steps: 4 });
  await page.mouse.up();
  await expect(list).toContainText('Tip moves in 1');
  // Its ring is drawn where it is in this frame, and where it is in general in the others.
  const ringAt = async (x: number, y: number) => {
    const image = await shown(page);
    const { position } = await at(x, y);
    // A thin line runs through parts of pixels: the one that has most of it is somewhere about its radius.
    return [4, 5, 6].some((away) => {
      const [r, g, b] = pixelAt(image, position.x, position.y - away);
      return g - r > 50 && b - r > 35;
    });
  };
  await expect.poll(() => ringAt(9, 6)).toBe(true);
  expect(await ringAt(12, 3)).toBe(false);
  await page.keyboard.press(',');
  await expect.poll(() => ringAt(12, 3)).toBe(true);
  await page.keyboard.press('t');
  const [a, b] = [(await at(2, 16)).position, (await at(14, 16)).position];
  await page.mouse.move(box.x + a.x, box.y + a.y);
  await page.mouse.down();
  await page.mouse.move(box.x + b.x, box.y + b.y, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByRole('region', { name: 'Stand' })).toContainText('a line');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('region', { name: 'Stand' })).toContainText('none');
});

test('animations come in with their frames and times; WebP and JPEG as the browser reads them; broken ones are named', async ({
  page,
}) => {
  const colours = [0x000000, 0xdc2828, 0x28c83c, 0x3c50e6];
  const buffer = new Uint8Array(4096);
  const writer = new GifWriter(buffer, 16, 16, { loop: 0, palette: colours });
  for (const [i, delay] of [20, 20, 60].entries())
    writer.addFrame(0, 0, 16, 16, Array(256).fill(i + 1), { delay });
  const gif = Buffer.from(buffer.slice(0, writer.end()));
  await page.goto('/');
  const made = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(24, 8);
    const context = canvas.getContext('2d')!;
    context.fillStyle = '#3c50e6';
    context.fillRect(0, 0, 24, 8);
    const read = async (type: string) => [
      ...new Uint8Array(await (await canvas.convertToBlob({ type, quality: 1 })).arrayBuffer()),
    ];
    return { webp: await read('image/webp'), jpeg: await read('image/jpeg') };
  });
  const huge = Buffer.from(made.jpeg);
  const frame = huge.indexOf(Buffer.of(0xff, 0xc0));
  huge.writeUInt16BE(9000, frame + 7);
  await openArt(page, [
    { name: 'signal.gif', bytes: gif },
    { name: 'sky.webp', bytes: Buffer.from(made.webp) },
    { name: 'yard.jpg', bytes: Buffer.from(made.jpeg) },
    { name: 'cut.gif', bytes: gif.subarray(0, gif.length - 30) },
    { name: 'torn.webp', bytes: Buffer.from(made.webp).subarray(0, 26) },
    { name: 'huge.jpg', bytes: huge },
  ]);
  const words = await page.getByRole('alert').filter({ hasText: 'Not taken' }).innerText();
  expect(words).toMatch(/cut\.gif: The GIF file is damaged or cut off/);
  expect(words).toMatch(/torn\.webp: The WebP file is damaged/);
  expect(words).toMatch(/huge\.jpg: The picture has 9000 x 8 px; at most 4096/);
  await sheet(page)
    .getByRole('button', { name: /^signal: 3 frames/ })
    .click();
  await expect(strip(page)).toContainText('1.00 s a round');
  await expect(page.getByLabel('Rate, number')).toHaveValue('5');
  await page.getByRole('alert').getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'Figure' }).click();
  const [x, y] = await placeOf(page, 16, 16, 8, 3);
  for (const [i, colour] of [
    [220, 40, 40],
    [40, 200, 60],
    [60, 80, 230],
  ].entries()) {
    await strip(page)
      .getByRole('button', { name: new RegExp(`^Frame ${i + 1}`) })
      .click();
    await expect.poll(async () => near(pixelAt(await shown(page), x, y), colour)).toBe(true);
  }
  for (const name of ['sky', 'yard']) {
    await sheet(page)
      .getByRole('button', { name: new RegExp(`^${name}: 1 frame`) })
      .click();
    const [px, py] = await placeOf(page, 24, 8, 6, 2);
    await expect.poll(async () => near(pixelAt(await shown(page), px, py), [60, 80, 230])).toBe(true);
  }
});

test('artworks are searched by name and tag, changed together, put into the bin and taken out', async ({
  page,
}) => {
  await openArt(
    page,
    ['oil lamp', 'wall lamp', 'hut'].map((name) => ({ name: `${name}.png`, bytes: flag() })),
  );
  const rows = sheet(page).getByRole('button', { name: /: 1 frame/ });
  await expect(rows).toHaveCount(3);
  await page.getByLabel('Search artworks').fill('lamp');
  await expect(rows).toHaveCount(2);
  await rows.first().click();
  await rows.last().click({ modifiers: ['Control'] });
  await rows.first().click({ modifiers: ['Control'] });
  await page.getByLabel('Tags').fill('night, brass, night');
  await page.getByLabel('Tags').press('Enter');
  await page.getByRole('region', { name: 'Artwork' }).getByLabel('Answer').selectOption('self-lit');
  await page.getByLabel('Search artworks').fill('brass');
  await expect(rows).toHaveCount(2);
  await sheet(page).getByRole('button', { name: 'Bin 2' }).click();
  await expect(rows).toHaveCount(0);
  await page.getByLabel('Search artworks').fill('');
  await expect(rows).toHaveCount(1);
  await sheet(page).getByRole('button', { name: 'Bin: 2' }).click();
  await expect(rows).toHaveCount(2);
  await rows.first().click();
  await sheet(page).getByRole('button', { name: 'Restore' }).click();
  await expect(rows).toHaveCount(1);
  await saved(page);
  await page.reload();
  await expect(rows).toHaveCount(2);
  // What is in the bin is not on the shelf of the stage; what is placed answers as its artwork says.
  await page.getByRole('link', { name: 'Stage' }).click();
  await page.getByRole('button', { name: 'Shelf' }).click();
  await expect(page.getByLabel('Shelf').getByRole('button', { name: 'oil lamp', exact: true })).toBeVisible();
  await expect(page.getByLabel('Shelf').getByRole('button', { name: 'wall lamp' })).toHaveCount(0);
  await page.getByLabel('Shelf').getByRole('button', { name: 'oil lamp', exact: true }).click();
  await stage(page).click({ position: { x: 500, y: 150 } });
  await expect(page.getByLabel('Answer').last()).toHaveValue('self-lit');
});
