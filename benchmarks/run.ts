/** Measures, prints a table, and writes it as JSON. Every figure is a ratio to a limit of the same run, where there is one. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { loadavg } from 'node:os';
import { chromium } from '@playwright/test';
import { CHROMIUM_LAUNCH } from '../bin/lib/chromium.mjs';
import { pageBundle } from '../e2e/page-bundle';

const ROUNDS = 21;
/** Ratio of sums and median of ratios may differ by this much before a run is marked as unsteady. */
const UNSTEADY = 0.15;

interface Measured {
  name: string;
  ms: number;
  limitMs: number;
  megapixels: number;
}

const median = (values: number[]) => values.toSorted((a, b) => a - b)[values.length >> 1];

async function main(): Promise<void> {
  const browser = await chromium.launch(CHROMIUM_LAUNCH);
  const page = await browser.newPage();
  await page.addScriptTag({ content: await pageBundle('benchmarks/stage-page.ts') });
  const rounds: Measured[][] = [];
  for (let i = 0; i < ROUNDS; i++) {
    rounds.push(
      await page.evaluate(() =>
        (window as unknown as { stageBenchmark: { round(): Measured[] } }).stageBenchmark.round(),
      ),
    );
  }
  const about = await page.evaluate(() =>
    (window as unknown as { stageBenchmark: { about(): object } }).stageBenchmark.about(),
  );
  const cases = rounds[0].map(({ name }, k) => {
    const all = rounds.map((round) => round[k]);
    const ratio = all.reduce((sum, m) => sum + m.ms, 0) / all.reduce((sum, m) => sum + m.limitMs, 0);
    const medianRatio = median(all.map((m) => m.ms / m.limitMs));
    return {
      case: name,
      ratio: Number(ratio.toFixed(2)),
      medianRatio: Number(medianRatio.toFixed(2)),
      medianMs: Number(median(all.map((m) => m.ms)).toFixed(1)),
      leastMs: Number(Math.min(...all.map((m) => m.ms)).toFixed(1)),
      megapixels: Number(all[0].megapixels.toFixed(2)),
      unsteady: Math.abs(ratio / medianRatio - 1) > UNSTEADY,
    };
  });
  const worker = await pageBundle('benchmarks/relief-worker.ts');
  const relief = await page.evaluate(
    async ({ source, rounds: count }) => {
      const thread = new Worker(URL.createObjectURL(new Blob([source], { type: 'text/javascript' })));
      const once = (kind: string) =>
        new Promise<{ parts: Record<string, number>; whole: number }>((resolve) => {
          thread.onmessage = ({ data }) => resolve(data as { parts: Record<string, number>; whole: number });
          thread.postMessage(kind);
        });
      const out: Record<string, { parts: Record<string, number>; whole: number }[]> = {
        bevel: [],
        inflate: [],
      };
      for (const kind of Object.keys(out)) await once(kind);
      for (let i = 0; i < count; i++) for (const kind of Object.keys(out)) out[kind].push(await once(kind));
      return out;
    },
    { source: worker, rounds: 7 },
  );
  await browser.close();
  const reliefs = Object.entries(relief).map(([kind, runs]) => ({
    relief: `1024 x 1024, ${kind}`,
    ...Object.fromEntries(
      Object.keys(runs[0].parts).map((part) => [part, Math.round(median(runs.map((r) => r.parts[part])))]),
    ),
    whole: Math.round(median(runs.map((r) => r.whole))),
  }));
  console.table(cases);
  console.table(reliefs);
  mkdirSync('.oilwick', { recursive: true });
  writeFileSync(
    '.oilwick/benchmark.json',
    JSON.stringify({ about, load: loadavg(), cases, reliefs }, null, 2),
  );
  console.log(about, 'load', loadavg()[0].toFixed(2));
}

await main();
