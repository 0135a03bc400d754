#!/usr/bin/env node
// npm run screenshots: takes the pictures of docs/screenshots anew, from the demo.
import { CHROMIUM_LAUNCH } from './lib/chromium.mjs';
import { startOwnServer } from './lib/own-server.mjs';
import { buildApplication, ensureForBrowser, TEST_BUILD } from './lib/prepare.mjs';

const FOLDER = 'docs/screenshots';

ensureForBrowser();
buildApplication(TEST_BUILD);
const { chromium } = await import('@playwright/test');
const server = await startOwnServer(TEST_BUILD);
const browser = await chromium.launch(CHROMIUM_LAUNCH);
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  /** Waits until nothing changes any more; the stream of changes never ends, so that the network is never idle. */
  const shoot = async (name) => {
    const path = `${FOLDER}/${name}.png`;
    for (let before = null, now = null; !before?.equals(now);) {
      await page.waitForTimeout(800);
      [before, now] = [now, await page.screenshot({ path })];
    }
  };
  /** The day on one sheet: the gate at eight hours, the picture alone, without handles and words. */
  const daySheet = async (name, openAt) => {
    const hours = [];
    const alone = '[role=application][aria-label=Stage], p { visibility: hidden !important; }';
    for (const hour of [1, 6.1, 7.5, 10, 13, 16.5, 18.4, 20.5]) {
      await openAt(`bench=stage&hour=${hour}&at=21.00`);
      await page.evaluate((rule) => {
        const sheet = new CSSStyleSheet();
        sheet.replaceSync(rule);
        document.adoptedStyleSheets.push(sheet);
      }, alone);
      const gate = { x: 212, y: 40, width: 960, height: 512 };
      for (let before = null, now = null; !before?.equals(now);) {
        await page.waitForTimeout(800);
        [before, now] = [now, await page.screenshot({ clip: gate })];
        if (before?.equals(now)) hours.push([hour, now.toString('base64')]);
      }
    }
    const sheet = await browser.newPage({ viewport: { width: 1280, height: 1440 } });
    const clock = (hour) =>
      `${String(Math.floor(hour)).padStart(2, '0')}:${String(Math.round((hour % 1) * 60)).padStart(2, '0')}`;
    await sheet.setContent(
      `<body style="margin:0;background:#161617;color:#a3a7aa;font:14px monospace;display:grid;grid-template-columns:1fr 1fr;gap:6px">${hours
        .map(
          ([hour, png]) =>
            `<figure style="margin:0"><img width="637" src="data:image/png;base64,${png}"><figcaption>${clock(hour)}</figcaption></figure>`,
        )
        .join('')}</body>`,
    );
    await sheet.screenshot({ path: `${FOLDER}/${name}.png`, fullPage: true });
    await sheet.close();
  };
  await page.goto(server.address);
  await page.getByRole('link', { name: 'Open Evening train' }).waitFor();
  await shoot('front');
  await page.getByRole('link', { name: 'Open Evening train' }).click();
  await page.waitForURL(/scenes\//);
  const scene = new URL(page.url()).pathname;
  const open = async (query) => {
    await page.goto(`${server.address}${scene}?${query}`);
    await page.getByText('Saved').waitFor();
  };
  await open('bench=stage&hour=19.2&at=2.00&pick=lights:light-platform');
  await shoot('stage');
  await page.keyboard.press('Escape');
  await page.getByLabel('Wipe').selectOption('unlit');
  await shoot('wipe');
  await open('bench=stage&hour=19.2&at=2.00');
  await page.keyboard.press('Alt+w');
  await shoot('wiring');
  await open('bench=stage&hour=21.0&at=2.00&pick=lamps:lamplighter-lantern');
  await page.getByRole('button', { name: 'Open the shelf' }).click();
  await page.getByRole('button', { name: 'Luminaires' }).click();
  await shoot('lamps');
  await open('bench=stage&hour=21.0&at=2.00');
  await page.getByRole('button', { name: /^Meter/ }).click();
  for (const [x, y] of [
    [560, 370],
    [930, 375],
  ])
    await page.mouse.click(x, y);
  await page.mouse.move(800, 440);
  await page.getByText('Its finish is being worked out.').first().waitFor({ state: 'hidden' });
  await shoot('meter');
  await open('bench=time&part=day&hour=8.50&at=2.00&pick=cues:cue-morning');
  await shoot('time');
  await open('bench=time&part=sky&hour=16.50&at=2.00');
  await shoot('time-sky');
  await open('bench=time&part=wicks&hour=21.00&at=2.00');
  await shoot('time-wicks');
  await open('bench=time&part=checks&hour=20.50&at=2.00&pick=sprites:lamplighter');
  await page.getByRole('button', { name: /^Look at “/ }).click();
  await page.getByRole('list', { name: 'Worst moments' }).waitFor({ timeout: 120_000 });
  await shoot('time-checks');
  await open('bench=finish&hour=20.00&at=2.00');
  await page.getByRole('button', { name: 'Looks', exact: true }).click();
  await page.getByRole('img', { name: 'Tungsten light' }).waitFor({ timeout: 60_000 });
  await shoot('finish');
  await daySheet('day', open);
  await page.goto(server.address);
  await page.getByRole('link', { name: 'Open Night round' }).click();
  await page.waitForURL(/scenes\//);
  const orchid = new URL(page.url()).pathname;
  const openOrchid = async (query) => {
    await page.goto(`${server.address}${orchid}?${query}`);
    await page.getByText('Saved').waitFor();
  };
  await openOrchid('bench=stage&hour=22.5&at=30.00&pick=sprites:gardener');
  await shoot('orchid');
  await daySheet('orchid-day', openOrchid);
  await open('bench=art');
  await page.getByRole('button', { name: /^Stove smoke:/ }).click();
  await page.getByRole('button', { name: /^Frame 3/ }).click();
  await page.mouse.move(700, 480);
  await shoot('art');
  await open('bench=relief');
  await page.getByRole('button', { name: /^Goods wagon:/ }).click();
  await page.mouse.move(800, 200);
  await shoot('relief');
  await page.getByRole('tab', { name: 'Maps' }).click();
  await page.getByLabel('Wipe').selectOption('height/now');
  await shoot('relief-maps');
  await page.getByLabel('Wipe').selectOption('');
  await open('bench=handoff');
  await shoot('hand-off');
  // Last, for a page with something unsaved is not left without a question.
  await open('bench=relief');
  await page.getByRole('button', { name: /^Milk churn:/ }).click();
  await page.keyboard.press('c');
  const churn = await page.getByRole('application').boundingBox();
  await page.mouse.move(churn.x + churn.width / 2, churn.y + churn.height * 0.35);
  await page.mouse.down();
  await page.mouse.move(churn.x + churn.width / 2 + 30, churn.y + churn.height * 0.6, { steps: 12 });
  await page.mouse.up();
  await shoot('relief-strokes');
} finally {
  await browser.close();
  await server.stop();
}
