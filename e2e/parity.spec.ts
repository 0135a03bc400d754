/** The GPU renderer against the reference, in a real browser: scenes made by code, and the gallery of data files. */
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import type { GalleryScene, ParityReport } from '../src/gpu/testing/parity-page';
import { contactSheet } from './contact-sheet';
import { pageBundle } from './page-bundle';

type Run = { report: ParityReport; png: string };
interface ParityWindow {
  parity: { names: string[]; run(name: string): Promise<Run>; runScene(scene: GalleryScene): Promise<Run> };
}

const GALLERY: GalleryScene[] = readdirSync('e2e/gallery')
  .filter((file) => file.endsWith('.json'))
  .sort()
  .flatMap((file) => JSON.parse(readFileSync(`e2e/gallery/${file}`, 'utf8')) as GalleryScene[]);

let page: Page;
const sheets: { name: string; png: Buffer }[] = [];
test.beforeAll(async ({ browser }) => {
  page = await browser.newPage();
  await page.addScriptTag({ content: await pageBundle('src/gpu/testing/parity-page.ts') });
});
test.afterAll(async () => {
  await page.close();
  mkdirSync('.oilwick', { recursive: true });
  writeFileSync('.oilwick/gallery.png', contactSheet(sheets.map(({ png }) => png)));
});

/** Within what bar the two pictures agree. */
function holds({ report, png }: Run, name: string, isSoft: boolean): void {
  sheets.push({ name, png: Buffer.from(png, 'base64') });
  test.info().annotations.push({ type: 'parity', description: JSON.stringify(report) });
  expect(report.brightness).toBeGreaterThan(10);
  if (isSoft) {
    expect(report.soft.mean).toBeLessThanOrEqual(0.005);
    expect(report.soft.p99).toBeLessThanOrEqual(0.06);
    expect(report.soft.shareOverTenth).toBeLessThanOrEqual(0.005);
    expect(report.soft.penumbraMean).toBeLessThanOrEqual(0.02);
    expect(report.soft.penumbraP99).toBeLessThanOrEqual(0.12);
    return;
  }
  expect(report.mean).toBeLessThanOrEqual(0.25);
  expect(report.shareOver2).toBeLessThanOrEqual(0.001);
  expect(report.worst).toBeLessThanOrEqual(4);
  expect(report.exemptShare).toBeLessThanOrEqual(0.01);
}

const NAMES = [
  'flat art under one light',
  'relief under one light',
  'flipped, turned and scaled sprites',
  'several planes with translucent edges',
  'one sprite over another on one plane',
  'hard shadows with own shade',
  'coloured overlapping lights in linear light',
  'coloured overlapping lights in display light',
  'painted art at two and a half times',
  'hard shadows on painted art',
  'a glow mask, and a sprite that takes no shadows',
  'a lamp within its lantern',
  'frames of a sheet, and sprites that are half there',
  'frames of painted art, which are never mixed with their neighbours',
  'tiles in all orientations, under a light that grazes them',
  'walls of tiles, joined, throw one shadow',
  'tiles of painted art',
  'plain sprites, an overlay plane, and circuits',
  'an overlay over painted art in display light',
  'things that hang on brackets, and outlines that artworks bring',
  'unlit',
];

test('every scene of the gallery is compared', async () => {
  expect(await page.evaluate(() => (window as unknown as ParityWindow).parity.names)).toEqual(NAMES);
});

for (const name of NAMES) {
  test(`both renderers draw the same: ${name}`, async () => {
    holds(await page.evaluate((n) => (window as unknown as ParityWindow).parity.run(n), name), name, false);
  });
}

test('the gallery has its forty scenes, each with a name of its own', () => {
  expect(GALLERY.length).toBeGreaterThanOrEqual(40);
  expect(new Set(GALLERY.map(({ name }) => name)).size).toBe(GALLERY.length);
});

for (const scene of GALLERY) {
  test(`gallery: ${scene.name}`, async () => {
    const run = await page.evaluate((s) => (window as unknown as ParityWindow).parity.runScene(s), scene);
    holds(run, scene.name, scene.soft ?? false);
  });
}
