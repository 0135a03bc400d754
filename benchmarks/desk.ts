/** The desk at work: a light dragged in the Orchid House, and fifteen hundred channels scrolled, beside a page at rest. */
import type { Browser, Page } from '@playwright/test';
import { newScene } from '../src/core/scene/new-scene';
import { newLight } from '../src/core/scene/records/light';
import { tasksWhile } from './large';

const STEPS = 40;
const CHANNELS = 1500;

/** The time from frame to frame at rest and at work, ms, and their ratio. */
async function besideRest(page: Page, work: () => Promise<void>) {
  const rest = await tasksWhile(page, () => page.waitForTimeout(3000));
  const atWork = await tasksWhile(page, work);
  return {
    restMs: rest.frameMs,
    workMs: atWork.frameMs,
    ratio: Number((atWork.frameMs / rest.frameMs).toFixed(2)),
  };
}

export async function measureDesk(browser: Browser, address: string) {
  const page = await browser.newPage({ baseURL: address, viewport: { width: 1280, height: 800 } });
  const orchidHouse = await dragInOrchidHouse(page);
  const channels = await scrollChannels(page);
  await page.close();
  return { orchidHouse, channels };
}

async function dragInOrchidHouse(page: Page) {
  await page.goto('/');
  await page.getByRole('link', { name: 'Open Night round' }).click();
  await page.waitForURL(/scenes\//);
  await page.goto(`${new URL(page.url()).pathname}?bench=stage&hour=22.50&at=6.00`);
  await page.getByText('Saved').waitFor();
  await page.waitForTimeout(4000);
  const box = (await page.getByRole('application', { name: 'Stage' }).boundingBox())!;
  // The first lamp over the path: the gate is fitted at twice its size.
  const [x, y] = [box.x + box.width / 2 + (96 - 240) * 2, box.y + box.height / 2 + (88 - 135) * 2];
  return besideRest(page, async () => {
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (let i = 1; i <= STEPS; i++) await page.mouse.move(x + 2 * i, y + i);
    await page.mouse.up();
  });
}

async function scrollChannels(page: Page) {
  const scene = newScene({ ambientLevel: 1 });
  for (let i = 0; i < CHANNELS; i++)
    scene.lights[`l${i}`] = newLight({
      ...{ name: `Lamp ${i}`, planeId: 'plane-near', order: `a${String(i).padStart(5, '0')}` },
      ...{ x: (i * 37) % 480, y: (i * 53) % 270, reachPx: 20, shadows: false },
    });
  const id = await page.evaluate(async (document) => {
    const post = async (path: string, body: object) =>
      (await (
        await fetch(path, {
          ...{ method: 'POST', headers: { 'content-type': 'application/json' } },
          body: JSON.stringify(body),
        })
      ).json()) as { id: string };
    const project = await post('/api/projects', { name: 'Channels' });
    return (await post(`/api/projects/${project.id}/scenes`, { name: 'Channels', document })).id;
  }, scene);
  await page.goto(`/scenes/${id}?bench=stage&at=0`);
  await page.getByRole('slider', { name: 'Level of Lamp 0', exact: true }).waitFor();
  await page.waitForTimeout(2000);
  const box = (await page.getByRole('group', { name: 'Channels' }).boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  return besideRest(page, async () => {
    for (let i = 0; i < STEPS; i++) {
      await page.mouse.wheel(600, 0);
      await page.waitForTimeout(30);
    }
  });
}
