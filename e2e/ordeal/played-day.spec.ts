/** The demo's day is played for minutes on end: nothing that is held grows. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { saved } from '../helpers';
import { startOwn } from '../start-own';

const MINUTES = Number(process.env.OILWICK_PLAYED_MINUTES ?? 5);
/** The heap after garbage is gone may wander by so much, MB. */
const WANDERS_MB = 2;

interface PlayedWindow {
  frameTimes: number[];
}

test('a day that is played for five minutes holds no more at the end than after the first minute', async ({
  page,
}) => {
  test.setTimeout((MINUTES + 2) * 60_000);
  const folder = mkdtempSync(join(tmpdir(), 'oilwick-'));
  const { address, child } = await startOwn(folder);
  await page.goto(address);
  await page.getByRole('link', { name: 'Open Evening train' }).click();
  await saved(page);
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('Performance.enable');
  const heapMb = async () => {
    await devtools.send('HeapProfiler.collectGarbage');
    const { metrics } = await devtools.send('Performance.getMetrics');
    return metrics.find(({ name }) => name === 'JSHeapUsedSize')!.value / 1024 / 1024;
  };
  await page.evaluate(() => {
    const times: number[] = ((window as unknown as PlayedWindow).frameTimes = []);
    let last = performance.now();
    const frame = (now: number) => {
      times.push(now - last);
      last = now;
      requestAnimationFrame(frame);
    };
    requestAnimationFrame(frame);
  });
  await page.getByRole('button', { name: 'Play day' }).click();
  const heaps: number[] = [];
  const frames: string[] = [];
  for (let minute = 0; minute < MINUTES; minute++) {
    await page.waitForTimeout(60_000);
    const times = await page.evaluate(() => (window as unknown as PlayedWindow).frameTimes.splice(0));
    const sorted = times.toSorted((a, b) => a - b);
    const at = (share: number) => sorted[Math.floor(share * (sorted.length - 1))].toFixed(0);
    frames.push(`${times.length} frames: median ${at(0.5)}, 99 of 100 ${at(0.99)}, longest ${at(1)} ms`);
    heaps.push(await heapMb());
  }
  const words = heaps.map((mb, i) => `minute ${i + 1}: ${mb.toFixed(1)} MB, ${frames[i]}`);
  test.info().annotations.push({ type: 'played', description: words.join('\n') });
  child.kill();
  await new Promise((done) => child.on('exit', done));
  rmSync(folder, { recursive: true, force: true });
  expect(heaps.at(-1)! - heaps[0], words.join('; ')).toBeLessThan(WANDERS_MB);
});
