/** What a renderer holds stays bounded, whatever is done again and again. */
import { expect, test } from '@playwright/test';
import type { Held } from '../../src/gpu/testing/sequence-page';
import { pageBundle } from '../page-bundle';

interface BoundedWindow {
  sequence: { held(name: string): Held };
}

/** What each of them may come to, MB and textures, beside 5 MB of targets. */
const REPETITIONS: [string, number, number][] = [
  ['one picture of 256 px is made of another size 400 times', 64, 200],
  ['400 artworks of 256 px are shown and deleted', 96, 200],
  // Masks of some 30 px: it is their number that counts.
  ['a view is panned 300 times over twenty small lights', 64, 2200],
];

for (const [name, megabytes, textures] of REPETITIONS) {
  test(`what a renderer holds stays bounded: ${name}`, async ({ browser }) => {
    const page = await browser.newPage();
    await page.addScriptTag({ content: await pageBundle('src/gpu/testing/sequence-page.ts') });
    const held = await page.evaluate((n) => (window as unknown as BoundedWindow).sequence.held(n), name);
    await page.close();
    test.info().annotations.push({ type: 'held', description: JSON.stringify(held) });
    expect(held.bytes / 1024 / 1024).toBeLessThan(megabytes);
    expect(held.textures).toBeLessThan(textures);
  });
}
