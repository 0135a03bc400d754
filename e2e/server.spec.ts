/** The server from outside: who may ask, what is refused. */
import { execFile } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { request as httpRequest } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { expect, test } from '@playwright/test';
import { drag, openNewScene, png, saved, stage, whiteWall } from './helpers';
import { startOwn } from './start-own';

/** A plain request with any headers, which no browser would send. */
function ask(
  base: string,
  path: string,
  method: string,
  headers: Record<string, string>,
): Promise<{ status: number; body: string; headers: Record<string, unknown> }> {
  const { hostname, port } = new URL(base);
  return new Promise((resolve, reject) => {
    const sent = httpRequest({ hostname, port, path, method, headers }, (answer) => {
      let body = '';
      answer.on('data', (chunk) => (body += String(chunk)));
      answer.on('end', () => resolve({ status: answer.statusCode ?? 0, body, headers: answer.headers }));
    });
    sent.on('error', reject);
    sent.end();
  });
}

test('asks are refused for a wrong host, a foreign origin, a foreign page, a wrong method and type', async ({
  baseURL,
}) => {
  const host = new URL(baseURL!).host;
  const origin = `http://${host}`;
  expect((await ask(baseURL!, '/api/health', 'GET', { host })).status).toBe(200);
  expect((await ask(baseURL!, '/api/health', 'GET', { host: 'evil.example' })).status).toBe(403);
  expect(
    (await ask(baseURL!, '/', 'GET', { host: 'evil.example', 'sec-fetch-mode': 'navigate' })).status,
  ).toBe(403);
  expect((await ask(baseURL!, '/api/projects', 'POST', { host, origin: 'http://evil.example' })).status).toBe(
    403,
  );
  expect((await ask(baseURL!, '/api/projects', 'GET', { host, 'sec-fetch-site': 'cross-site' })).status).toBe(
    403,
  );
  expect((await ask(baseURL!, '/api/health', 'PUT', { host, origin })).status).toBe(405);
  const wrongType = await ask(baseURL!, '/api/projects', 'POST', {
    host,
    origin,
    'content-type': 'text/plain',
  });
  expect(wrongType.status).toBe(415);
  expect(wrongType.headers['content-type']).toContain('problem+json');
  expect((await ask(baseURL!, '/api/scenes/none', 'GET', { host })).status).toBe(404);
  const traced = await ask(baseURL!, '/api/health', 'TRACE', { host });
  expect([traced.status, traced.headers['content-type']]).toEqual([405, 'application/problem+json']);
  expect((await ask(baseURL!, '/api/blobs/%E0%A4%A', 'GET', { host })).status).toBe(400);
  expect((await ask(baseURL!, '/api/blobs/%00', 'GET', { host })).status).toBe(404);
  const missing = await ask(baseURL!, '/api/scenes/none/patches', 'POST', {
    host,
    origin,
    'content-type': 'application/json',
  });
  expect(missing.status).toBe(428);
});

test('pages carry a policy with a nonce of their own, are isolated, and break none of it', async ({
  page,
  baseURL,
}) => {
  const faults: string[] = [];
  page.on('console', (message) => message.type() === 'error' && faults.push(message.text()));
  page.on('pageerror', (fault) => faults.push(fault.message));
  const first = await page.goto('/');
  const nonce = (line: string | undefined) => /'nonce-([^']+)'/.exec(line ?? '')?.[1];
  const one = nonce(first!.headers()['content-security-policy']);
  expect(one).toBeTruthy();
  expect(nonce((await page.goto('/'))!.headers()['content-security-policy'])).not.toBe(one);
  expect(faults).toEqual([]);
  await openNewScene(page);
  // What the helper asks for on its way is none of the scene's own.
  faults.length = 0;
  await page.reload();
  await expect(stage(page)).toBeVisible();
  expect(await page.evaluate(() => window.crossOriginIsolated)).toBe(true);
  const foreign = await page.evaluate(() =>
    performance
      .getEntriesByType('resource')
      .map((entry) => entry.name)
      .filter((name) => !name.startsWith(location.origin) && !name.startsWith('blob:')),
  );
  expect(foreign).toEqual([]);
  expect(faults).toEqual([]);
  expect(baseURL).toContain('127.0.0.1');
});

test('a picture that is no picture is refused by the server too', async ({ page }) => {
  await page.goto('/');
  const sent = (body: number[]) =>
    page.evaluate(async (list) => {
      const response = await fetch('/api/blobs', {
        method: 'POST',
        headers: { 'content-type': 'image/png' },
        body: Uint8Array.from(list),
      });
      return { status: response.status, ...((await response.json()) as { detail?: string }) };
    }, body);
  expect(await sent([1, 2, 3])).toMatchObject({ status: 422, detail: 'This is not a PNG file.' });
  expect((await sent([...whiteWall()])).status).toBe(201);
});

test('a picture of more than ten megabytes is taken whole, and one of more than a hundred refused', async ({
  page,
}) => {
  await page.goto('/');
  // Noise does not shrink: some 13 MB.
  let seed = 1;
  const noise = () => (seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0) >>> 24;
  const large = png(2200, 2200, () => [noise(), noise(), noise(), 255]);
  expect(large.length).toBeGreaterThan(11 * 1024 * 1024);
  const send = (data: Buffer) =>
    page.request.post('/api/blobs', {
      data,
      headers: { 'content-type': 'image/png', origin: new URL(process.env.OILWICK_TEST_URL!).origin },
    });
  const answer = await send(large);
  expect(answer.status()).toBe(201);
  const { sha256 } = (await answer.json()) as { sha256: string };
  const back = await page.request.get(`/api/blobs/${sha256}`);
  expect(Buffer.compare(await back.body(), large)).toBe(0);
  const refused = await send(Buffer.alloc(100 * 1024 * 1024));
  expect(refused.status()).toBe(413);
  expect(await refused.text()).toContain('at most 96 MB');
});

test('a port that is none, or is taken, is said before anything is started', async ({ baseURL }) => {
  const folder = mkdtempSync(join(tmpdir(), 'oilwick-port-'));
  const start = (port: string) =>
    promisify(execFile)(process.execPath, ['.oilwick/build/start.mjs', '--port', port], {
      env: { ...process.env, OILWICK_DATA_DIR: folder },
    }).catch((thrown: { stderr: string }) => thrown.stderr);
  try {
    expect(await start('abc')).toContain('--port wants a number from 0 to 65535; got abc.');
    expect(await start(new URL(baseURL!).port)).toContain('is taken by another program');
    expect(existsSync(join(folder, 'mariadb'))).toBe(false);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

test(
  'two starts at once are one; where an access key is set, it is entered once, and without it nothing is answered',
  { tag: '@slow' },
  async ({ page }) => {
    const folder = mkdtempSync(join(tmpdir(), 'oilwick-two-'));
    const key = 'a-key-of-some-length';
    const both = await Promise.all([0, 1].map(() => startOwn(folder, { OILWICK_ACCESS_KEY: key })));
    const ended = both.map(({ child }) =>
      child.exitCode === null ? new Promise((resolve) => child.on('exit', resolve)) : null,
    );
    try {
      const [{ address }, other] = both;
      expect(other.address).toBe(address);
      // The one that found the other running is gone by itself.
      await Promise.race(ended);

      await page.goto(`${address}/`);
      await page.getByLabel('Access key').fill('not-the-right-key');
      await page.getByRole('button', { name: 'Enter' }).click();
      await expect(page.getByRole('alert').filter({ hasText: 'not the access key' })).toBeVisible();
      const from = { host: new URL(address).host };
      expect((await ask(address, '/api/projects', 'GET', from)).status).toBe(401);
      const bearer = { ...from, authorization: `Bearer ${key}` };
      expect((await ask(address, '/api/projects', 'GET', bearer)).status).toBe(200);
      await page.getByLabel('Access key').fill(key);
      await page.keyboard.press('Enter');
      await page.getByRole('link', { name: 'Open Evening train' }).click();
      await expect(stage(page)).toBeVisible();
    } finally {
      for (const { child } of both) child.kill('SIGTERM');
      await Promise.all(ended);
      rmSync(folder, { recursive: true, force: true });
    }
  },
);

test('dragging and typing at once are both kept', async ({ page }) => {
  await openNewScene(page);
  await page.keyboard.press('p');
  await drag(page, [200, 100], [300, 100]);
  await page.getByLabel('Name of the light').fill('Beacon');
  await page.getByLabel('Name of the light').press('Enter');
  await saved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Pick Beacon' })).toBeVisible();
});
