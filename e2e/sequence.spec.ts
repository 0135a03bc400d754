/** No wrong frame: whatever was edited before, a renderer draws what a fresh one would. */
import { expect, test } from '@playwright/test';
import type { SequenceReport } from '../src/gpu/testing/sequence-page';
import { pageBundle } from './page-bundle';

interface SequenceWindow {
  sequence: {
    run(seed: number, count: number, isHalf: boolean): SequenceReport;
  };
}

/** Runs and steps of each; `npm run ordeal` takes many more. */
const STEPS = Number(process.env.OILWICK_SEQUENCE_STEPS ?? 110);
const RUNS = Number(process.env.OILWICK_SEQUENCE_RUNS ?? 1);
// Runs share nothing: each has a page of its own.
test.describe.configure({ mode: 'parallel' });
/** What a renderer may hold beside what one frame needs: its budgets, targets of another size, and a page to grow into. */
const MOST_BYTES = 48 * 1024 * 1024;
const MOST_TEXTURES = 200;

for (let run = 1; run <= RUNS; run++) {
  const isHalf = run % 2 === 0;
  test(`a run of edits draws no wrong frame: ${run}${isHalf ? ', in half floats' : ''}`, async ({
    browser,
  }) => {
    test.setTimeout(60_000 + 1000 * STEPS);
    const page = await browser.newPage();
    await page.addScriptTag({ content: await pageBundle('src/gpu/testing/sequence-page.ts') });
    const report = await page.evaluate(
      ([seed, count, half]) =>
        (window as unknown as SequenceWindow).sequence.run(seed as number, count as number, half as boolean),
      [1000 * run, STEPS, isHalf] as const,
    );
    await page.close();
    expect(report.failure, JSON.stringify(report.failure)).toBeNull();
    expect(report.frames).toBe(STEPS);
    expect(report.mostBytes).toBeLessThan(MOST_BYTES);
    expect(report.mostTextures).toBeLessThan(MOST_TEXTURES);
  });
}
