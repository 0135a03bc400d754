/** The GPU renderer against the reference, in a real browser: scenes made by code, and the gallery of data files. */
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import type { Light } from '../src/core/scene/records/light';
import type { Parts } from '../src/gpu/testing/parity-parts';
import type { GalleryScene, ParityReport } from '../src/gpu/testing/parity-page';
import { contactSheet } from './contact-sheet';
import { pageBundle } from './page-bundle';

type Run = { report: ParityReport; png: string };
interface ParityWindow {
  parity: {
    names: string[];
    run(name: string): Promise<Run>;
    runScene(scene: GalleryScene): Promise<Run>;
    manyInHalfFloats(): number;
    edgesAlong(parts: Parts, x: number): { reference: number[]; gpu: number[] };
  };
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
  'lights on every kind of wick, 11',
  'lights on every kind of wick, 12',
  'lights on every kind of wick, 13',
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
  'tiles of painted art from afar',
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

test('hundreds of faint lights add up in half floats too', async () => {
  const most = await page.evaluate(() => (window as unknown as ParityWindow).parity.manyInHalfFloats());
  expect(most).toBeLessThanOrEqual(2);
});

/** A white wall in display light, with a light that is the same up to its edges. */
const board = { artworkId: null, plain: { colour: '#ffffff', widthPx: 96, heightPx: 64 } };
const even = { colour: '#ffffff', level: 1, curve: 'even', reachPx: 300, relief: 0, x: 10, y: 32 } as const;
const edged = (light: Partial<Light>, occluders: Parts['occluders'] = []): Parts => ({
  settings: { lightSpace: 'display', ambientLevel: 0 },
  sprites: [board],
  lights: [{ ...even, ...light }],
  occluders,
});
/** Of a wall at x = 40, seen from (10, 32), the shadow at x = 80 is 70 / 30 times as far off. */
const thrown = (y: number) => 32 + ((y - 32) * 70) / 30;

const EDGES: { name: string; parts: Parts; x: number; at: number[] }[] = [
  {
    name: 'a shadow of a line',
    parts: edged({}, [{ kind: 'line', outlines: [[40, 27.3, 40, 38.9]] }]),
    x: 80,
    at: [thrown(27.3), thrown(38.9)],
  },
  {
    name: 'a shadow of a box, at the corners that the light leaves it by',
    parts: edged({}, [{ outlines: [[40, 30, 44, 30, 44, 36, 40, 36]] }]),
    x: 80,
    at: [thrown(30), thrown(36)],
  },
  {
    name: 'the middle of a soft shadow',
    parts: edged({ sizePx: 1.5 }, [{ kind: 'line', outlines: [[40, 25, 40, 41]] }]),
    x: 80,
    at: [thrown(25), thrown(41)],
  },
  {
    name: 'a sun',
    parts: edged({ kind: 'sun', bearingDeg: 180, altitudeDeg: 30 }, [
      { kind: 'line', outlines: [[40, 20.15, 45, 44.85]] },
    ]),
    x: 80,
    at: [20.15, 44.85],
  },
  { name: 'a reach', parts: edged({ x: 50, reachPx: 20.35 }), x: 50, at: [32 - 20.35, 32 + 20.35] },
  {
    name: 'a field',
    parts: edged({ kind: 'spot', bearingDeg: 0, beamDeg: 30, fieldDeg: 30 }),
    x: 80,
    at: [32 - 70 * Math.tan(Math.PI / 12), 32 + 70 * Math.tan(Math.PI / 12)],
  },
  {
    name: 'an area without a feather',
    parts: edged({
      kind: 'area',
      x: 48,
      y: 32,
      outlines: [[-20, -11.4, 20, -11.4, 20, 9.9, -20, 9.9]],
      featherPx: 0,
    }),
    x: 50,
    at: [20.6, 41.9],
  },
  {
    name: 'a step of bands',
    parts: edged({ x: 50, curve: 'straight', bands: 1, corePx: 0, reachPx: 31 }),
    x: 50,
    at: [16.5, 47.5],
  },
];

for (const { name, parts, x, at } of EDGES) {
  test(`edges stand where they must, to 0.05 px: ${name}`, async () => {
    const found = await page.evaluate(
      ([p, c]) => (window as unknown as ParityWindow).parity.edgesAlong(p as Parts, c as number),
      [parts, x] as const,
    );
    for (const places of [found.reference, found.gpu]) {
      expect(places).toHaveLength(at.length);
      places.forEach((place, i) => expect(Math.abs(place - at[i])).toBeLessThanOrEqual(0.05));
    }
  });
}
