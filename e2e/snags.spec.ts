/** Snags of light: named in the bar, mended there, set aside with a note and brought back. */
import { expect, test } from '@playwright/test';
import { newOccluder } from '../src/core/scene/records/occluder';
import { expectColours, keptDocument, openDocument } from './helpers';
import { BLACK, lampScene, MEANT_DARK } from './scenes';

const LIT = [200, 0, 0];

/** A red lamp that throws no shadows, and a post in its reach. */
function withPost() {
  const scene = lampScene();
  scene.lights.l1 = { ...scene.lights.l1, colour: '#ff0000', level: 1, curve: 'even', reachPx: 300 };
  scene.occluders.post = newOccluder({
    ...{ name: 'Post', planeId: 'plane-near', kind: 'closed' },
    outlines: [[150, 20, 160, 20, 160, 110, 150, 110]],
  });
  return scene;
}

test('shadows that were never switched on are a snag, and one press mends it', async ({ page }) => {
  await openDocument(page, withPost(), {});
  await expectColours(page, [[220, 60, LIT]]);
  await page.getByRole('button', { name: '1 snag' }).click();
  const snag = page.getByRole('list', { name: 'Snags', exact: true }).getByRole('listitem');
  await expect(snag).toContainText('“Lamp one” throws no shadows, although “Post” stands in its reach.');
  await snag.getByRole('button', { name: 'Pick the other' }).click();
  await expect(page.getByLabel('Name of the occluder')).toHaveValue('Post');
  await snag.getByRole('button', { name: 'Turn its shadows on' }).click();
  await expect(page.getByRole('button', { name: 'No snags' })).toBeVisible();
  await expectColours(page, [[220, 60, BLACK]]);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: '1 snag' })).toBeVisible();
  await expectColours(page, [[220, 60, LIT]]);
});

test('what is meant so is set aside with a note, and brought back', async ({ page }) => {
  const { sceneId } = await openDocument(page, withPost(), {});
  await page.getByRole('button', { name: '1 snag' }).click();
  await page.getByRole('button', { name: 'Set aside …' }).click();
  await page.getByLabel('Why it is meant so').fill('A fill light');
  await page.getByLabel('Why it is meant so').press('Enter');
  await expect(page.getByRole('button', { name: 'No snags' })).toBeVisible();
  const aside = page.getByRole('region', { name: 'Set aside' });
  await expect(aside).toContainText('A fill light');
  expect((await keptDocument(page, sceneId)).settings.scene.asides).toEqual([
    MEANT_DARK,
    { about: 'shadows-off lights/l1', note: 'A fill light' },
  ]);
  await aside.getByRole('button', { name: 'Bring back' }).click();
  await expect(page.getByRole('button', { name: '1 snag' })).toBeVisible();
  await expect(aside).toBeHidden();
});

test('a picture that is burnt out is a snag, gone with its cause; the work lamp is told of', async ({
  page,
}) => {
  const scene = lampScene();
  scene.lights.l1 = { ...scene.lights.l1, level: 2.5, colour: '#ffe0c0', curve: 'even', reachPx: 300 };
  await openDocument(page, scene, {});
  await page.getByRole('button', { name: /^\d snags?$/ }).click();
  const snags = page.getByRole('list', { name: 'Snags', exact: true });
  const burnt = snags.getByRole('listitem').filter({ hasText: /of the picture is burnt out at 19:00/ });
  await burnt.getByRole('button', { name: 'Let bright light roll off by a shoulder' }).click();
  await expect(burnt).toBeHidden();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+z');
  await page.getByRole('button', { name: /^\d snags?$/ }).click();
  await expect(burnt).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Work lamp' }).click();
  await page.getByRole('button', { name: /snag/ }).click();
  const lamp = snags.getByRole('listitem').filter({ hasText: 'The work lamp is on' });
  await lamp.getByRole('button', { name: 'Turn it off' }).click();
  await expect(lamp).toBeHidden();
});
