/** A newcomer: from an empty project and four files to a lit, shadowed, flickering scene, in few actions, each counted. */
import { expect, test, type Page } from '@playwright/test';
import { decodePng } from '../src/core/raster/png';
import { hash01 } from '../src/core/time/noise';
import {
  dropFiles,
  newProject,
  onStage,
  png,
  saved,
  stage,
  stagePixels,
  pixelAt,
  shownColour,
} from './helpers';

const MOST_ACTIONS = 25;

/** A painted evening sky over hills, as large as the gate. */
const backdrop = () =>
  png(480, 270, (x, y) => {
    const hill = y > 190 + 20 * Math.sin(x / 60);
    return hill ? [50, 70, 60, 255] : [70 + y / 4, 70 + y / 5, 120 + y / 6, 255];
  });
/** A figure with soft edges. */
const figure = () =>
  png(60, 90, (x, y) => {
    const away = Math.hypot((x - 30) / 24, (y - 45) / 42);
    return [170 + x, 130, 100 + y, Math.max(0, Math.min(255, Math.round((1 - away) * 900)))];
  });
/** Four frames of a flame of 16 px. */
const flame = () =>
  png(64, 16, (x, y) => {
    const frame = Math.floor(x / 16);
    const [u, v] = [(x % 16) - 8, y - 8];
    const isIn = Math.abs(u - Math.sin(frame + v / 3)) < 4 - v / 3 && Math.abs(v) < 7;
    return isIn ? [255, 200 - 10 * frame, 80, 255] : [0, 0, 0, 0];
  });
/** Eight opaque tiles of 16 px, each of a colour of its own. */
const tiles = () =>
  png(64, 32, (x, y) => {
    const tile = Math.floor(x / 16) + 4 * Math.floor(y / 16);
    const grain = 14 * hash01(3, 977 * y + x);
    return [60 + 150 * hash01(5, tile) + grain, 60 + 120 * hash01(6, tile) + grain, 70 + grain, 255];
  });

test('a newcomer lights a scene of their own in under 25 actions', { tag: '@slow' }, async ({ page }) => {
  // Each step is looked at, and the scene burns meanwhile.
  test.setTimeout(240_000);
  let actions = 0;
  const act = async (_what: string, work: () => Promise<unknown>) => {
    actions++;
    await work();
    await look(page, actions);
  };
  await page.goto('/');
  let project = page.locator('body');
  await act('a project', async () => {
    project = await newProject(page);
  });
  await act('a scene', () => project.getByRole('button', { name: 'New scene' }).click());
  await act('open it', () => project.getByRole('link', { name: /^Open / }).click());
  await page.waitForURL(/scenes\//);
  const files = [
    { name: 'hills.png', bytes: backdrop() },
    { name: 'keeper.png', bytes: figure() },
    { name: 'flame.png', bytes: flame() },
    { name: 'bricks.png', bytes: tiles() },
  ];
  await act('drop the art', () => dropFiles(page, stage(page), files, { x: 400, y: 200 }));
  const offers = page.getByRole('region', { name: 'With what came in' });
  await expect(offers).toContainText('The scene is drawn as painted art.');
  await expect(offers).toContainText('hills fills the gate.');
  await expect(offers).toContainText('flame: 4 × 1 frames of 16 × 16 px?');
  await expect(offers).toContainText('bricks: 4 × 2 frames of 16 × 16 px?');
  await act('the backdrop', () => offers.getByRole('button', { name: 'Make it a backdrop' }).click());
  await act('the flame', () => offers.getByRole('button', { name: 'Cut into frames' }).first().click());
  await act('the tiles', () => offers.getByRole('button', { name: 'Cut into frames' }).first().click());
  const before = await shownColour(page, ...(await onStage(page, 300, 100)));
  await act('darker', async () => {
    const ambient = page.getByRole('slider', { name: /ambient/i }).first();
    await ambient.focus();
    for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowDown');
  });
  await act('the light tool', () => page.keyboard.press('p'));
  await act('a light', async () => {
    const [x, y] = await onStage(page, 300, 100);
    const box = (await stage(page).boundingBox())!;
    await page.mouse.move(box.x + x, box.y + y);
    await page.mouse.down();
    await page.mouse.move(box.x + x + 300, box.y + y, { steps: 4 });
    await page.mouse.up();
  });
  // It looks as large as it was drawn: three quarters of the way out it is seen.
  const lit = await stagePixels(page);
  const at = async (dx: number) => {
    const [r, g, b] = pixelAt(lit, ...(await onStage(page, 300, 100 + dx)));
    return r + g + b;
  };
  expect(await at(0.6 * -150)).toBeGreaterThan(1.15 * (before[0] + before[1] + before[2]) * 0.5);
  await act('it flickers', () =>
    page.getByRole('combobox', { name: 'Wick', exact: true }).selectOption({ label: 'New: Candle' }),
  );
  await act('nothing picked', () => page.keyboard.press('Escape'));
  await act('the figure', async () => {
    const place = await keeperPlace(page);
    const box = (await stage(page).boundingBox())!;
    await page.mouse.click(box.x + place[0], box.y + place[1]);
  });
  await expect(page.getByLabel('Name of the sprite')).toHaveValue('keeper');
  await act('its outline', () => page.getByRole('button', { name: 'Trace its outline' }).click());
  await saved(page);
  expect(actions).toBeLessThan(MOST_ACTIONS);
  // It lives: two looks at it are not the same.
  const first = await stagePixels(page);
  await expect
    .poll(async () => Buffer.compare(Buffer.from((await stagePixels(page)).data), Buffer.from(first.data)))
    .not.toBe(0);
});

/** Where the figure stands on the stage: its own colour, far from the light. */
async function keeperPlace(page: Page): Promise<[number, number]> {
  const scene = new URL(page.url()).pathname;
  const { document } = (await (await page.request.get(`/api${scene}`)).json()) as {
    document: { sprites: Record<string, { name: string; x: number; y: number }> };
  };
  const keeper = Object.values(document.sprites).find(({ name }) => name === 'keeper')!;
  return onStage(page, keeper.x, keeper.y);
}

/** A picture of each step is kept with the results, to be looked at. */
async function look(page: Page, step: number): Promise<void> {
  await page.waitForTimeout(200);
  const picture = await page.screenshot({
    path: `.oilwick/first-minutes/${String(step).padStart(2, '0')}.png`,
  });
  expect(decodePng(picture).image.width).toBeGreaterThan(0);
}
