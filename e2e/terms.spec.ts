/** Every term of the light model that stands twice gives the same in TypeScript and in GLSL, over a grid of arguments. */
import { expect, test } from '@playwright/test';
import type { TermReport } from '../src/gpu/testing/terms-page';
import { pageBundle } from './page-bundle';

interface TermsWindow {
  terms: { names: string[]; report(name: string): TermReport };
}

test('terms are the same in TypeScript and in GLSL', async ({ page }) => {
  await page.addScriptTag({ content: await pageBundle('src/gpu/testing/terms-page.ts') });
  const names = await page.evaluate(() => (window as unknown as TermsWindow).terms.names);
  expect(names.length).toBeGreaterThan(15);
  for (const name of names) {
    const report = await page.evaluate((one) => (window as unknown as TermsWindow).terms.report(one), name);
    test.info().annotations.push({ type: name, description: JSON.stringify(report) });
    expect.soft(report.apart, `${name}: ${JSON.stringify(report)}`).toBe(0);
    expect.soft(report.asked, name).toBeGreaterThan(100);
    if (name !== 'fall, even') expect.soft(report.span[1], name).toBeGreaterThan(report.span[0]);
  }
});
