/**
 * Three people in browsers of their own do by chance what people do, while connections are cut and servers killed. In the end all
 * see the same, and every patch that was acknowledged is there once.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test, type Browser, type Page } from '@playwright/test';
import { create } from '../../src/core/scene/edits';
import { hash2 } from '../../src/core/time/noise';
import { migrate } from '../../src/server/database/migrate';
import { withConnection } from '../../src/server/database/pool';
import { rowsOf, sql } from '../../src/server/database/sql';
import { startOwnMariadb } from '../../src/server/mariadb/own-mariadb';
import { patchScene } from '../../src/server/queries/patches';
import { recordsAt } from '../../src/server/queries/revisions';
import { openScene } from '../../src/server/queries/scenes';
import { askDatabase } from '../../src/server/testing/connections';
import { at, freshScene, testLamp, transactionId } from '../../src/server/testing/samples';
import { ServerProcess } from '../../src/server/testing/server-process';
import { saved, stage } from '../helpers';

const STEPS = Number(process.env.OILWICK_TOGETHER_STEPS ?? 24);
/** Every so many steps something breaks. */
const BREAK_EVERY = 8;
const NAMES = ['Ann', 'Ben', 'Cleo'];
const LAMPS = ['North', 'East', 'South', 'West'];
/** What somebody does must not wait for what another one has deleted meanwhile, ms. */
const SOON = { timeout: 2000 };

interface Somebody {
  page: Page;
  isCut: boolean;
  /** Transactions that the server acknowledged to this page. */
  acknowledged: Set<string>;
}

async function somebody(browser: Browser, address: string, sceneId: string, name: string): Promise<Somebody> {
  const context = await browser.newContext();
  await context.addInitScript(
    (text) => localStorage.setItem('oilwick-person', text),
    JSON.stringify({ id: `person-${name.toLowerCase()}`, name }),
  );
  const page = await context.newPage();
  const acknowledged = new Set<string>();
  page.on('response', (response) => {
    const request = response.request();
    if (!request.url().endsWith('/patches') || response.status() !== 200) return;
    acknowledged.add((JSON.parse(request.postData()!) as { transactionId: string }).transactionId);
  });
  await page.goto(`${address}/scenes/${sceneId}`);
  await expect(stage(page)).toBeVisible();
  return { page, isCut: false, acknowledged };
}

/** One thing that a person does, by chance; what is not there any more is left. */
async function act(page: Page, dice: (sides: number) => number): Promise<void> {
  const row = page.getByRole('button', { name: `Pick ${LAMPS[dice(LAMPS.length)]}`, exact: true });
  const set = async (label: string, value: number) => {
    const field = page.getByLabel(`${label}, number`, { exact: true });
    await field.fill(String(value), SOON);
    await field.press('Enter', SOON);
  };
  try {
    // What was deleted is missed, and brought back by whoever deleted it.
    if (!(await row.isVisible()) || dice(9) === 0) {
      await page.keyboard.press('Control+z');
      return;
    }
    if (dice(12) === 0) {
      await row.click(SOON);
      await page.keyboard.press('Delete');
      return;
    }
    switch (dice(6)) {
      case 0: {
        await row.click(SOON);
        const box = (await stage(page).boundingBox())!;
        const [x, y] = [box.x + 200 + dice(300), box.y + 150 + dice(200)];
        await page.keyboard.press('v');
        await page.mouse.move(x, y);
        await page.mouse.down();
        await page.mouse.move(x + dice(60), y + dice(60), { steps: 3 });
        await page.mouse.up();
        return;
      }
      case 1:
        await row.click(SOON);
        await page.keyboard.press('ArrowRight');
        await page.keyboard.press('ArrowDown');
        return;
      case 2:
        await row.click(SOON);
        await set('Core', 1 + dice(40));
        return;
      default:
        await row.click(SOON);
        await set('Level', (1 + dice(90)) / 10);
    }
  } catch (thrown) {
    if (!String(thrown).includes('Timeout')) throw thrown;
  }
}

/** What a page shows of the lamps: which there are, with their level and core. */
async function shown(page: Page): Promise<Record<string, [string, string]>> {
  const all: Record<string, [string, string]> = {};
  for (const name of LAMPS) {
    const row = page.getByRole('button', { name: `Pick ${name}`, exact: true });
    if (!(await row.isVisible())) continue;
    await row.click();
    all[name] = [
      await page.getByLabel('Level, number', { exact: true }).inputValue(),
      await page.getByLabel('Core, number', { exact: true }).inputValue(),
    ];
  }
  return all;
}

test('three people with cut connections and killed servers end with the same scene, and all that was acknowledged is in it', async ({
  browser,
}) => {
  test.setTimeout(180_000 + 5000 * STEPS);
  const folder = mkdtempSync(join(tmpdir(), 'oilwick-together-'));
  let mariadb = await startOwnMariadb(folder);
  let connections = askDatabase(mariadb.url);
  const servers: ServerProcess[] = [];
  const people: Somebody[] = [];
  try {
    await migrate(connections.pool, 'src/server/database/migrations');
    const { id } = await freshScene();
    const lamps = LAMPS.map((name, i) => create('lights', `l${i}`, { ...testLamp(40 * i), name }));
    await patchScene(id, at(1), { transactionId: transactionId(), edits: lamps });
    for (let i = 0; i < 2; i++) servers.push(await ServerProcess.start(mariadb.url));
    for (const [i, name] of NAMES.entries())
      people.push(await somebody(browser, servers[i % servers.length].address, id, name));

    let cell = 0;
    const dice = (sides: number) => hash2(29, cell++) % sides;
    for (let step = 0; step < STEPS; step++) {
      const who = people[dice(people.length)];
      await act(who.page, dice);
      if (step % BREAK_EVERY !== BREAK_EVERY - 1) continue;
      const what = (step / BREAK_EVERY) | 0;
      if (what % 3 === 0) {
        who.isCut = !who.isCut;
        await who.page.context().setOffline(who.isCut);
      } else if (what % 3 === 1) await servers[dice(servers.length)].killAndRun();
      else {
        process.kill(mariadb.pid, 'SIGKILL');
        mariadb = await startOwnMariadb(folder);
      }
    }
    for (const { page } of people) await page.context().setOffline(false);
    for (const { page } of people) await saved(page);
    await connections.close();
    connections = askDatabase(mariadb.url);
    const { revision, document } = await openScene(id);
    const wanted = Object.fromEntries(
      Object.values(document.lights).map(({ name, level, corePx }) => [
        name,
        [String(level), String(corePx)],
      ]),
    );
    for (const { page } of people) await expect.poll(() => shown(page), { timeout: 20_000 }).toEqual(wanted);

    const rows = await withConnection((connection) =>
      rowsOf<{ transaction_id: string }>(
        connection,
        sql`SELECT transaction_id FROM scene_revision WHERE scene_id = ${id}`,
      ),
    );
    const there = rows.map((row) => row.transaction_id);
    expect(new Set(there).size).toBe(there.length);
    for (const { acknowledged } of people)
      expect([...acknowledged].filter((one) => !there.includes(one))).toEqual([]);
    // Everybody got through; how often hangs on how many acts met what others had deleted, and on what was cut.
    for (const { acknowledged } of people) expect(acknowledged.size).toBeGreaterThan(0);
    expect(there.length).toBeGreaterThan(STEPS / 10);
    expect((await recordsAt(id, revision)).lights ?? {}).toEqual(document.lights);
  } finally {
    for (const { page } of people) await page.context().close();
    await Promise.all(servers.map((server) => server.end()));
    await connections.close();
    await mariadb.stop();
    rmSync(folder, { recursive: true, force: true });
  }
});
