/** The large scene: its edits by themselves in a page, and opened, panned, dragged and laid in the application. */
import type { Browser, Page } from '@playwright/test';
import { encodePng } from '../src/core/raster/png';
import { pageBundle } from '../e2e/page-bundle';
import { largeScene } from './large-scene';

const ROUNDS = 15;
const OPENED = 3;
const STEPS = 24;

const median = (values: number[]) => values.toSorted((a, b) => a - b)[values.length >> 1];
const tidy = (value: number) => Number(value.toFixed(1));

interface Round {
  name: string;
  ownMs: number;
  wholeMs: number;
}
interface LargePage {
  largeBenchmark: { facts(): Record<string, number>; round(i: number): Round[] };
}

/** What edits cost by themselves, and with the drawing of a frame. */
export async function measureEdits(browser: Browser) {
  const page = await browser.newPage();
  await page.addScriptTag({ content: await pageBundle('benchmarks/large-page.ts') });
  const rounds: Round[][] = [];
  for (let i = 0; i < ROUNDS; i++)
    rounds.push(await page.evaluate((k) => (window as unknown as LargePage).largeBenchmark.round(k), i));
  const facts = await page.evaluate(() => (window as unknown as LargePage).largeBenchmark.facts());
  await page.close();
  const cases = rounds[0].map(({ name }, k) => ({
    case: name,
    ownMs: tidy(median(rounds.map((round) => round[k].ownMs))),
    wholeMs: tidy(median(rounds.map((round) => round[k].wholeMs))),
  }));
  return { cases, facts };
}

async function upload(page: Page): Promise<string> {
  const { document, images } = largeScene();
  const files = Object.entries(images).map(
    ([id, image]) => [id, Buffer.from(encodePng(image)).toString('base64')] as const,
  );
  return page.evaluate(
    async ([scene, list]) => {
      const send = async (path: string, type: string, body: BodyInit) =>
        (await (await fetch(path, { method: 'POST', headers: { 'content-type': type }, body })).json()) as {
          id: string;
          sha256: string;
        };
      for (const [id, text] of list) {
        const bytes = Uint8Array.from(atob(text), (c) => c.charCodeAt(0));
        scene.artworks[id].imageSha = (await send('/api/blobs', 'image/png', bytes)).sha256;
      }
      const json = (path: string, body: object) => send(path, 'application/json', JSON.stringify(body));
      const project = await json('/api/projects', { name: 'Large' });
      return (await json(`/api/projects/${project.id}/scenes`, { name: 'Large', document: scene })).id;
    },
    [document, files] as const,
  );
}

/** Longest and middle stretch of the page's own work in a hand's movement, by the browser's tasks, ms. */
export async function tasksWhile(page: Page, work: () => Promise<void>) {
  await page.evaluate(() => {
    const list: number[] = [];
    Object.assign(window, { frames: list, framesStop: false });
    let last = performance.now();
    const tick = (now: number) => {
      list.push(now - last);
      last = now;
      if (!(window as unknown as { framesStop: boolean }).framesStop) requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
  });
  await work();
  const frames = await page.evaluate(() => {
    Object.assign(window, { framesStop: true });
    return (window as unknown as { frames: number[] }).frames.slice(2);
  });
  return { frameMs: tidy(median(frames)), frames: frames.length };
}

/** In the application: the time to open, memory, and the time from frame to frame while a hand works. */
export async function measureLarge(browser: Browser, address: string) {
  const page = await browser.newPage({ baseURL: address, viewport: { width: 1280, height: 800 } });
  await page.goto('/');
  const id = await upload(page);
  const opened: number[] = [];
  for (let i = 0; i < OPENED; i++) {
    const start = performance.now();
    await page.goto(`/scenes/${id}?bench=stage&at=0`);
    await page.getByRole('application', { name: 'Stage' }).waitFor();
    await page.waitForFunction(() =>
      /\d ms/.test(document.querySelector('p.figure.pointer-events-none')?.textContent ?? ''),
    );
    opened.push(performance.now() - start);
  }
  const session = await page.context().newCDPSession(page);
  await session.send('Performance.enable');
  await page.waitForTimeout(3000);
  const { metrics } = (await session.send('Performance.getMetrics')) as {
    metrics: { name: string; value: number }[];
  };
  const heapMb = Math.round(metrics.find(({ name }) => name === 'JSHeapUsedSize')!.value / 1024 / 1024);
  const stage = page.getByRole('application', { name: 'Stage' });
  const box = (await stage.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const stroke = async (button: 'left' | 'middle') => {
    await page.mouse.move(x, y);
    await page.mouse.down({ button });
    for (let i = 1; i <= STEPS; i++) await page.mouse.move(x + 4 * i, y + i);
    await page.mouse.up({ button });
  };
  const panning = await tasksWhile(page, () => stroke('middle'));
  const dragging = await tasksWhile(page, () => stroke('left'));
  await page.getByLabel('Plane that new things are put on').selectOption({ label: 'Plane 0' });
  await stage.focus();
  await page.keyboard.press('y');
  const laying = await tasksWhile(page, () => stroke('left'));
  await page.close();
  return { openMs: Math.round(median(opened)), heapMb, panning, dragging, laying };
}
