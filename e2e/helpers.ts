import { expect, type Locator, type Page } from '@playwright/test';
import { decodePng, encodePng } from '../src/core/raster/png';
import { emptyImage, type Image } from '../src/core/raster/image';
import type { SceneDocument } from '../src/core/scene/document';

/** A PNG whose pixels a function gives. */
export function png(
  width: number,
  height: number,
  colour: (x: number, y: number) => readonly [number, number, number, number],
): Buffer {
  const image = emptyImage(width, height);
  for (let i = 0; i < width * height; i++) image.data.set(colour(i % width, Math.floor(i / width)), 4 * i);
  return Buffer.from(encodePng(image));
}

export const whiteWall = () => png(160, 90, () => [230, 230, 230, 255]);
export const post = () => png(12, 40, () => [200, 120, 80, 255]);

export interface Dropped {
  name: string;
  bytes: Buffer;
}

/** Drops files onto something, as from a file manager. */
export async function dropFiles(
  page: Page,
  target: Locator,
  files: Dropped[],
  at: { x: number; y: number },
): Promise<void> {
  const transfer = await page.evaluateHandle(
    (list) => {
      const data = new DataTransfer();
      for (const { name, base64 } of list) {
        const bytes = Uint8Array.from(atob(base64), (c) => c.charCodeAt(0));
        data.items.add(new File([bytes], name, { type: 'image/png' }));
      }
      return data;
    },
    files.map(({ name, bytes }) => ({ name, base64: bytes.toString('base64') })),
  );
  const box = (await target.boundingBox())!;
  await target.dispatchEvent('drop', {
    dataTransfer: transfer,
    clientX: box.x + at.x,
    clientY: box.y + at.y,
  });
}

/** Asks the server for something to be made. @returns what it says of it */
async function made(
  page: Page,
  path: string,
  body: object | Buffer,
): Promise<{ id: string; sha256: string }> {
  const isFile = Buffer.isBuffer(body);
  const answer = await page.request.post(path, {
    data: isFile ? body : JSON.stringify(body),
    headers: {
      'content-type': isFile ? 'image/png' : 'application/json',
      // As a page of the server asks: from elsewhere it would be refused.
      origin: new URL(process.env.OILWICK_TEST_URL!).origin,
    },
  });
  if (!answer.ok()) throw new Error(await answer.text());
  return (await answer.json()) as { id: string; sha256: string };
}

interface Opened {
  projectId: string;
  sceneId: string;
}

async function openMade(page: Page, scene: object, query: string): Promise<Opened> {
  const { id: projectId } = await made(page, '/api/projects', { name: 'Test' });
  const { id: sceneId } = await made(page, `/api/projects/${projectId}/scenes`, { name: 'Scene', ...scene });
  await page.goto(`/scenes/${sceneId}${query}`);
  await expect(stage(page)).toBeVisible();
  return { projectId, sceneId };
}

/** Makes a project with one scene over HTTP and opens it. */
export function openNewScene(page: Page, query = ''): Promise<Opened> {
  return openMade(page, {}, query);
}

export const stage = (page: Page) => page.getByRole('application', { name: 'Stage' });

/** What the stage shows as pixels, handles and words included. */
export async function stagePixels(page: Page): Promise<Image> {
  return decodePng(await stage(page).screenshot()).image;
}

/** A rectangle of the stage, its corner and its size in whole px, edges included. */
interface Part {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** A part of what the stage shows: far quicker than the whole of it. */
async function partPixels(page: Page, { x, y, width, height }: Part): Promise<Image> {
  const box = (await stage(page).boundingBox())!;
  const clip = { x: Math.round(box.x) + x, y: Math.round(box.y) + y, width, height };
  return decodePng(await page.screenshot({ clip })).image;
}

/** The smallest part of the stage that has all the places. */
function partAround(places: readonly (readonly [x: number, y: number])[]): Part {
  const xs = places.map(([x]) => Math.round(x));
  const ys = places.map(([, y]) => Math.round(y));
  const x = Math.min(...xs);
  const y = Math.min(...ys);
  return { x, y, width: Math.max(...xs) - x + 1, height: Math.max(...ys) - y + 1 };
}

/** Whether two pictures are the same in every byte. */
export const isSame = (a: Image, b: Image) => Buffer.compare(Buffer.from(a.data), Buffer.from(b.data)) === 0;

/** The stage with everything on it: the same in several looks one after the other, while nothing is waited for. */
export async function settledPixels(page: Page): Promise<Image> {
  let last = await stagePixels(page);
  let same = 0;
  await expect
    .poll(
      async () => {
        const isBusy = (await stage(page).getAttribute('aria-busy')) !== 'false';
        const next = await stagePixels(page);
        same = !isBusy && isSame(last, next) ? same + 1 : 0;
        last = next;
        return same;
      },
      { intervals: [100] },
    )
    .toBeGreaterThanOrEqual(3);
  return last;
}

/** Mean brightness, 0 to 255, of a square of the stage. */
export async function brightness(page: Page, x: number, y: number, half = 3): Promise<number> {
  const image = await partPixels(page, {
    x: x - half,
    y: y - half,
    width: 2 * half + 1,
    height: 2 * half + 1,
  });
  return meanOf(image, half, half, half);
}

export function meanOf(image: Image, x: number, y: number, half = 3): number {
  let sum = 0;
  let count = 0;
  for (let j = y - half; j <= y + half; j++) {
    for (let i = x - half; i <= x + half; i++) {
      const p = 4 * (j * image.width + i);
      sum += image.data[p] + image.data[p + 1] + image.data[p + 2];
      count += 3;
    }
  }
  return sum / count;
}

export const saved = (page: Page) =>
  expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();

/** Presses at one point of the stage and lets go at another. */
export async function drag(page: Page, from: [number, number], to: [number, number]): Promise<void> {
  const box = (await stage(page).boundingBox())!;
  await page.mouse.move(box.x + from[0], box.y + from[1]);
  await page.mouse.down();
  await page.mouse.move(box.x + (from[0] + to[0]) / 2, box.y + (from[1] + to[1]) / 2);
  await page.mouse.move(box.x + to[0], box.y + to[1]);
  await page.mouse.up();
}

export async function clickStage(page: Page, x: number, y: number): Promise<void> {
  await stage(page).click({ position: { x, y } });
}

/** A scene with one white wall in the middle of the stage, in the dark, flames at rest. */
export async function openWall(page: Page) {
  const ids = await openNewScene(page);
  await dropFiles(page, stage(page), [{ name: 'wall.png', bytes: whiteWall() }], { x: 588, y: 256 });
  await expect(page.getByLabel('Name of the sprite')).toHaveValue('wall');
  await page.keyboard.press('Escape');
  const fader = page.getByRole('slider', { name: 'Level of the ambient light' });
  await fader.focus();
  await page.keyboard.press('Home');
  await expect.poll(() => brightness(page, 588, 256)).toBeLessThan(3);
  return ids;
}

/**
 * Takes the words away that are no part of the picture: how long drawing took, and what is said in passing and goes by
 * itself. By a rule of the page, so that it holds for what comes later too.
 */
export async function hideReadouts(page: Page): Promise<void> {
  await page.evaluate(() => {
    const rule = new CSSStyleSheet();
    rule.replaceSync('p.figure, p[role=status].pointer-events-none { visibility: hidden !important; }');
    document.adoptedStyleSheets.push(rule);
  });
}

/** Opens a new scene with a document whose artworks have these pictures, by the artworks' ids. */
export async function openDocument(
  page: Page,
  document: SceneDocument,
  pictures: Record<string, Buffer>,
  query = '',
): Promise<Opened> {
  for (const [id, bytes] of Object.entries(pictures))
    document.artworks[id].imageSha = (await made(page, '/api/blobs', bytes)).sha256;
  return openMade(page, { document }, query);
}

/** The colour of one pixel of a picture. */
export function pixelAt({ data, width }: Image, x: number, y: number): [number, number, number] {
  const p = 4 * (Math.round(y) * width + Math.round(x));
  return [data[p], data[p + 1], data[p + 2]];
}

/** The colour that the stage shows at one of its own places. */
export async function shownColour(page: Page, x: number, y: number): Promise<[number, number, number]> {
  const part = partAround([[x, y]]);
  return pixelAt(await partPixels(page, part), 0, 0);
}

/** Where a place of the scene lies on the stage while the gate of 480 x 270 is fitted, at twice its size. */
export async function onStage(page: Page, x: number, y: number): Promise<[number, number]> {
  const box = (await stage(page).boundingBox())!;
  return [box.width / 2 + (x - 240) * 2, box.height / 2 + (y - 135) * 2];
}

/** Waits until the stage shows colours at places of the scene, in one look at it. */
export async function expectColours(
  page: Page,
  wanted: readonly (readonly [x: number, y: number, colour: readonly number[]])[],
): Promise<void> {
  const places = await Promise.all(wanted.map(([x, y]) => onStage(page, x, y)));
  const part = partAround(places);
  const close = (v: number) => expect.closeTo(v, -1) as unknown;
  await expect
    .poll(
      async () => {
        const image = await partPixels(page, part);
        return places.map(([x, y]) => pixelAt(image, Math.round(x) - part.x, Math.round(y) - part.y));
      },
      { intervals: [50, 100, 200] },
    )
    .toEqual(wanted.map(([, , colour]) => colour.map(close)));
}

/** Drags from one place of the scene to another. */
export async function dragScene(
  page: Page,
  from: readonly [number, number],
  to: readonly [number, number],
): Promise<void> {
  await drag(page, await onStage(page, ...from), await onStage(page, ...to));
}

export async function clickScene(
  page: Page,
  x: number,
  y: number,
  modifiers: ('Shift' | 'Control')[] = [],
): Promise<void> {
  const [px, py] = await onStage(page, x, y);
  await stage(page).click({ position: { x: px, y: py }, modifiers });
}

/** Types into a field of a number, as `Level` or `Level, lowest`. */
export async function setNumber(within: Page | Locator, label: string, value: string): Promise<void> {
  const field = within.getByLabel(label.includes(',') ? label : `${label}, number`, { exact: true });
  await field.fill(value);
  await field.press('Enter');
}

/** The document as the server has it, once everything is saved. */
export async function keptDocument(page: Page, sceneId: string): Promise<SceneDocument> {
  await saved(page);
  const answer = await page.request.get(`/api/scenes/${sceneId}`);
  return ((await answer.json()) as { document: SceneDocument }).document;
}

/** Makes a project on the front page, and waits until it stands there: other tests make some too. */
export async function newProject(page: Page) {
  await expect(page.getByText('Reading the projects')).toBeHidden();
  const [answer] = await Promise.all([
    page.waitForResponse((r) => r.request().method() === 'POST' && r.url().endsWith('/api/projects')),
    page.getByRole('button', { name: 'New project' }).click(),
  ]);
  const { id } = (await answer.json()) as { id: string };
  const region = page.locator(`#project-${id}`);
  await expect(region).toBeVisible();
  return region;
}
