/** Measures, prints a table, and writes it as JSON. Every figure is a ratio to a limit of the same run, where there is one. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { loadavg } from 'node:os';
import { chromium } from '@playwright/test';
import { CHROMIUM_LAUNCH } from '../bin/lib/chromium.mjs';
import { pageBundle } from '../e2e/page-bundle';
import { measureDesk } from './desk';
import { measureEdits, measureLarge } from './large';
import type { ReliefTask } from './relief-worker';

const ROUNDS = 21;
const HEAVY_ROUNDS = 5;
/** Ratio of sums and median of ratios may differ by this much before a run is marked as unsteady. */
const UNSTEADY = 0.15;

interface Measured {
  name: string;
  ms: number;
  limitMs: number;
  megapixels: number;
}

type ReliefRun = { parts: Record<string, number>; whole: number };

/** Large pictures take seconds: fewer rounds must do. */
const RELIEF_TASKS: (ReliefTask & { rounds: number })[] = [
  { kind: 'bevel', side: 1024, rounds: 15 },
  { kind: 'inflate', side: 1024, rounds: 15 },
  { kind: 'full', side: 1024, rounds: 15 },
  { kind: 'full of a moving control', side: 1024, rounds: 15 },
  { kind: 'first picture', side: 1024, rounds: 15 },
  { kind: 'first picture of a moving control', side: 1024, rounds: 15 },
  { kind: 'png', side: 1024, rounds: 15 },
  { kind: 'batch of 100, 128 x 128', side: 1024, rounds: 3 },
  { kind: 'full', side: 4096, rounds: 3 },
];

const median = (values: number[]) => values.toSorted((a, b) => a - b)[values.length >> 1];

interface StagePage {
  stageBenchmark: {
    round(): Measured[];
    heavy(): Measured[];
    about(): object;
    core(): Record<string, number>;
  };
}

/** Of each case the ratio of sums to its limit, and the median of ratios: where both differ the run was unsteady. */
function summary(rounds: readonly Measured[][]) {
  return rounds[0].map(({ name }, k) => {
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
}

async function main(): Promise<void> {
  const browser = await chromium.launch(CHROMIUM_LAUNCH);
  const page = await browser.newPage();
  await page.addScriptTag({ content: await pageBundle('benchmarks/stage-page.ts') });
  const measured = async (method: 'round' | 'heavy', count: number) => {
    const rounds: Measured[][] = [];
    for (let i = 0; i < count; i++)
      rounds.push(
        await page.evaluate((name) => (window as unknown as StagePage).stageBenchmark[name](), method),
      );
    return summary(rounds);
  };
  const cases = [...(await measured('round', ROUNDS)), ...(await measured('heavy', HEAVY_ROUNDS))];
  const about = await page.evaluate(() => (window as unknown as StagePage).stageBenchmark.about());
  const core = await page.evaluate(() => (window as unknown as StagePage).stageBenchmark.core());
  const worker = await pageBundle('benchmarks/relief-worker.ts');
  const relief = await page.evaluate(
    async ({ source, tasks }) => {
      const thread = new Worker(URL.createObjectURL(new Blob([source], { type: 'text/javascript' })));
      const once = (task: object) =>
        new Promise<ReliefRun>((resolve) => {
          thread.onmessage = ({ data }) => resolve(data as ReliefRun);
          thread.postMessage(task);
        });
      const out: { task: ReliefTask; runs: ReliefRun[]; limits: number[] }[] = [];
      for (const { rounds, ...task } of tasks) {
        const entry = { task, runs: [] as ReliefRun[], limits: [] as number[] };
        out.push(entry);
        await once(task);
        for (let i = 0; i < rounds; i++) {
          entry.limits.push((await once({ kind: 'plain', side: task.side })).whole);
          entry.runs.push(await once(task));
        }
      }
      return out;
    },
    { source: worker, tasks: RELIEF_TASKS },
  );
  const edits = await measureEdits(browser);
  const address = process.env.OILWICK_TEST_URL;
  const large = address ? await measureLarge(browser, address) : null;
  const desk = address ? await measureDesk(browser, address) : null;
  await browser.close();
  const reliefs = relief.map(({ task, runs, limits }) => ({
    relief: `${task.kind}, ${task.side} x ${task.side}`,
    ratio: Number((runs.reduce((sum, r) => sum + r.whole, 0) / limits.reduce((a, b) => a + b, 0)).toFixed(1)),
    medianMs: Math.round(median(runs.map((r) => r.whole))),
    limitMs: Math.round(median(limits)),
    ...Object.fromEntries(
      Object.keys(runs[0].parts).map((part) => [part, Math.round(median(runs.map((r) => r.parts[part])))]),
    ),
  }));
  console.table(cases);
  console.table(core);
  console.table(reliefs);
  console.table(edits.cases);
  console.log(edits.facts, large);
  console.log(desk);
  mkdirSync('.oilwick', { recursive: true });
  writeFileSync(
    '.oilwick/benchmark.json',
    JSON.stringify({ about, load: loadavg(), cases, core, reliefs, edits, large, desk }, null, 2),
  );
  console.log(about, 'load', loadavg()[0].toFixed(2));
}

await main();
