/** Every way to leave, made on its bench. */
import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { EXPORT_NAMES, exportNamed, type ExportName } from '../src/core/handoff/exports/all-exports';
import { litYard } from '../src/core/handoff/testing/lit-yard';
import { unpackFiles, type Files } from '../src/core/handoff/zip';
import { decodePng } from '../src/core/raster/png';
import { openDocument } from './helpers';

const ways = (page: Page) => page.getByRole('navigation', { name: 'Ways to leave' });

async function openAtHandoff(page: Page): Promise<void> {
  await openDocument(page, litYard(), {});
  await page.getByRole('link', { name: 'Hand-off' }).click();
}

/** What comes of a way to leave, by the names of its files. */
async function leave(page: Page, name: ExportName): Promise<Files> {
  const { word } = exportNamed(name);
  await ways(page).getByRole('button', { name: word, exact: true }).click();
  const part = page.getByRole('region', { name: word, exact: true });
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    part.getByRole('button', { name: `Download the ${word.toLowerCase()}` }).click(),
  ]);
  const bytes = new Uint8Array(await readFile(await file.path()));
  const own = file.suggestedFilename();
  return own.endsWith('.zip') ? unpackFiles(bytes) : { [own]: bytes };
}

/** Files that tell each way from the others. */
const EXPECTED: Partial<Record<ExportName, string[]>> = {
  bundle: ['scene.json', 'CONVENTIONS.md'],
  lights: ['lights.json', 'lights/stove.png', 'luminaires/lantern-flame.png'],
  occluders: ['occluders.json', 'occluders.svg'],
  tracks: ['day.csv', 'flicker/stove.csv'],
  stills: [],
  loop: ['loop.json'],
};

test('each way to leave gives its files', async ({ page }) => {
  await openAtHandoff(page);
  // A scene without art has no maps.
  for (const name of EXPORT_NAMES.filter((one) => one !== 'maps')) {
    const files = await leave(page, name);
    expect(Object.keys(files), name).toEqual(expect.arrayContaining(EXPECTED[name] ?? []));
    expect(Object.keys(files).length, name).toBeGreaterThan(0);
  }
});

test('what is chosen is done, and remembered; what does not fit is said', async ({ page }) => {
  await openAtHandoff(page);
  await ways(page).getByRole('button', { name: 'Stills' }).click();
  const part = page.getByRole('region', { name: 'Stills' });
  await part.getByLabel('Hours').fill('6, 18.5');
  await part.getByLabel('Enlarged').fill('2');
  const files = await leave(page, 'stills');
  expect(Object.keys(files).sort()).toEqual(['0600-x2.png', '1830-x2.png']);
  expect(decodePng(files['0600-x2.png']).image).toMatchObject({ width: 96, height: 72 });
  await page.reload();
  await ways(page).getByRole('button', { name: 'Stills' }).click();
  await expect(part.getByLabel('Enlarged')).toHaveValue('2');
  await part.getByLabel('Enlarged').fill('2.5');
  await part.getByRole('button', { name: 'Download the stills' }).click();
  await expect(part.getByRole('alert')).toContainText('Stills: enlarge[0] must be an integer');
});
