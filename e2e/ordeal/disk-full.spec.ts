/** A disk that another program fills to the last byte: it is said, work goes on in the browser, and is saved when there is room. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { saved, stage } from '../helpers';
import { startOwn } from '../start-own';

const DISK_MB = 440;

/** Runs a program of the system with the rights that it takes to mount something. */
function asRoot(program: string, ...args: string[]): void {
  if (process.getuid?.() === 0) execFileSync(program, args);
  else execFileSync('sudo', ['-n', program, ...args]);
}

test('a full disk is said and lived through: nothing is lost, and saving goes on by itself', async ({
  page,
}) => {
  test.setTimeout(180_000);
  const folder = mkdtempSync(join(tmpdir(), 'oilwick-full-'));
  asRoot('mount', '-t', 'tmpfs', '-o', `size=${DISK_MB}M,mode=777`, 'tmpfs', folder);
  const filler = join(folder, 'somebody-elses');
  const fillUp = (left: number) => {
    const { bavail, bsize } = statfsSync(folder);
    writeFileSync(filler, Buffer.alloc(Math.max(0, bavail * bsize - left)), { flag: 'a' });
  };
  const { address, child } = await startOwn(folder);
  try {
    await page.goto(`${address}/`);
    await page.getByRole('link', { name: 'Open Evening train' }).click();
    await expect(stage(page)).toBeVisible();
    await page.getByRole('button', { name: 'Pick Platform lamp' }).click();
    const level = page.getByLabel('Level, number');
    const set = async (value: string) => {
      await level.fill(value);
      await level.press('Enter');
    };
    const status = page.getByRole('status').filter({ hasText: 'Not saved' });
    await set('5');
    await saved(page);
    // Little room: nothing more is written, and why is said.
    fillUp(40 * 1024 * 1024);
    await set('6');
    await expect(status).toHaveAttribute('title', /The disk is nearly full: \d+ MB are free/);
    // No room at all, and a database that cannot even start again.
    fillUp(0);
    const { pid } = JSON.parse(readFileSync(join(folder, 'run', 'mariadb.json'), 'utf8')) as { pid: number };
    process.kill(pid, 'SIGKILL');
    await set('7');
    await expect(status).toHaveAttribute('title', /nearly full/);
    rmSync(filler);
    await saved(page);
    await page.reload();
    await page.getByRole('button', { name: 'Pick Platform lamp' }).click();
    await expect(level).toHaveValue('7');
  } finally {
    const ended = new Promise((resolve) => child.on('exit', resolve));
    child.kill('SIGTERM');
    await ended;
    asRoot('umount', '-l', folder);
    rmSync(folder, { recursive: true, force: true });
  }
});
