/** Database, server and start command killed one by one and together, under a person's hands. */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { saved } from '../helpers';
import { startOwn } from '../start-own';

test('after SIGKILL of everything the scene is there as it was left; meanwhile the bar says what is not saved', async ({
  page,
}) => {
  test.setTimeout(180_000);
  const folder = mkdtempSync(join(tmpdir(), 'oilwick-kill-'));
  let { address, child } = await startOwn(folder);
  const health = async () =>
    ((await (await fetch(`${address}/api/health`)).json()) as { process: number }).process;
  const databasePid = () =>
    (JSON.parse(readFileSync(join(folder, 'run', 'mariadb.json'), 'utf8')) as { pid: number }).pid;
  try {
    await page.goto(`${address}/`);
    await page.getByRole('link', { name: 'Open Evening train' }).click();
    await page.getByRole('button', { name: 'Pick Platform lamp' }).click();
    const level = page.getByLabel('Level, number');
    await level.fill('7.5');
    await level.press('Enter');
    await saved(page);
    // The database alone, then the server alone: each is started again, and the page goes on.
    const core = page.getByLabel('Core, number');
    const killed = databasePid();
    process.kill(killed, 'SIGKILL');
    await core.fill('11');
    await core.press('Enter');
    await saved(page);
    expect(databasePid()).not.toBe(killed);
    const ended = await health();
    process.kill(ended, 'SIGKILL');
    await core.fill('12');
    await core.press('Enter');
    await saved(page);
    const server = await health();
    expect(server).not.toBe(ended);
    const database = databasePid();
    child.kill('SIGKILL');
    process.kill(server, 'SIGKILL');
    process.kill(database, 'SIGKILL');
    // Work goes on without a server, and is kept in the browser.
    await core.fill('31');
    await core.press('Enter');
    await expect(page.getByRole('status').filter({ hasText: 'Not saved' })).toBeVisible();
    await page.waitForTimeout(500);
    const path = new URL(page.url()).pathname;
    const port = new URL(address).port;
    ({ address, child } = await startOwn(folder));
    const again = await page.context().newPage();
    await again.goto(`${address}${path}`);
    await again.getByRole('button', { name: 'Pick Platform lamp' }).click();
    await expect(again.getByLabel('Level, number')).toHaveValue('7.5');
    await expect(again.getByLabel('Core, number')).toHaveValue('12');
    expect(port).not.toBe('');
    await again.close();
  } finally {
    const ended = new Promise((resolve) => child.on('exit', resolve));
    child.kill('SIGTERM');
    await ended;
    rmSync(folder, { recursive: true, force: true });
  }
});
