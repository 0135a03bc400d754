/** The GPU renderer against the reference, in a real browser. */
import { expect, test, type Page } from '@playwright/test';
import type { ParityReport } from '../src/gpu/testing/parity-page';
import { pageBundle } from './page-bundle';

interface ParityWindow {
  parity: { names: string[]; run(name: string): ParityReport };
}

let page: Page;
test.beforeAll(async ({ browser }) => {
  page = await browser.newPage();
  await page.addScriptTag({ content: await pageBundle('src/gpu/testing/parity-page.ts') });
});
test.afterAll(() => page.close());

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
    const report = await page.evaluate((n) => (window as unknown as ParityWindow).parity.run(n), name);
    test.info().annotations.push({ type: 'parity', description: JSON.stringify(report) });
    expect(report.brightness).toBeGreaterThan(10);
    expect(report.mean).toBeLessThanOrEqual(0.25);
    expect(report.shareOver2).toBeLessThanOrEqual(0.001);
    expect(report.worst).toBeLessThanOrEqual(4);
    expect(report.exemptShare).toBeLessThanOrEqual(0.01);
  });
}
