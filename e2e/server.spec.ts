/** The server from outside: who may ask, what is refused, what a kill leaves; and the command line. */
import { deflateSync } from 'node:zlib';
import { execFile, spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { request as httpRequest } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { expect, test } from '@playwright/test';
import { writeBundle } from '../src/core/handoff/bundle';
import { decodePng, inspectPng } from '../src/core/raster/png';
import { withHeaderSize } from '../src/core/raster/testing/hand-made-png';
import { fennelHalt } from '../src/demo/fennel-halt';
import { sha256Of } from '../src/server/queries/blobs';
import { drag, openNewScene, png, saved, stage, whiteWall } from './helpers';

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

/** An application of its own, that can be killed. */
async function startOwn(
  folder: string,
  more: Record<string, string> = {},
): Promise<{ address: string; child: ChildProcess }> {
  const child = spawn(process.execPath, ['.oilwick/build/start.mjs', '--port', '0'], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, OILWICK_DATA_DIR: folder, ...more },
  });
  const address = await new Promise<string>((resolve, reject) => {
    child.stdout!.on('data', (chunk) => {
      const match = /(?:ready|already): (http\S+)/.exec(String(chunk));
      if (match) resolve(match[1]);
    });
    child.on('exit', () => reject(new Error('it did not start')));
  });
  return { address, child };
}

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

test('two starts at once are one; where an access key is set, it is entered once, and without it nothing is answered', async ({
  page,
}) => {
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
});

const oilwick = (...args: string[]) => promisify(execFile)(process.execPath, ['bin/oilwick.mjs', ...args]);

test('the command line makes reliefs; a broken file is named and does not stop the others', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'oilwick-cli-'));
  try {
    const file = (name: string, bytes: Buffer | string) => {
      writeFileSync(join(folder, name), bytes);
      return join(folder, name);
    };
    const dome = file(
      'dome.png',
      png(40, 40, (x, y) => [150, 140, 130, (x - 19.5) ** 2 + (y - 19.5) ** 2 < 300 ? 255 : 0]),
    );
    const recipe = file('r.json', JSON.stringify({ body: { kind: 'inflate' }, grain: { heightPx: 0 } }));
    const out = join(folder, 'out');
    await oilwick('relief', dome, '--out', out, '--recipe', recipe, '--suffix', '_up');
    await oilwick('relief', dome, '--out', out, '--recipe', recipe, '--suffix', '_down', '--y-down');
    const green = (name: string) =>
      decodePng(readFileSync(join(out, name))).image.data[4 * (6 * 40 + 20) + 1];
    expect(green('dome_up.png')).toBeGreaterThan(170);
    expect(green('dome_down.png')).toBe(255 - green('dome_up.png'));

    const bad = file('notes.png', 'hello');
    const mixed = await oilwick('relief', bad, dome, '--out', out, '--json').catch(
      (fault: { code: number; stdout: string; stderr: string }) => fault,
    );
    expect(mixed).toMatchObject({ code: 1 });
    expect(mixed.stderr).toContain('notes.png: This is not a PNG file.');
    // On threads each is told as it is done.
    const told = mixed.stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { art: string });
    expect(told.sort((a, b) => a.art.localeCompare(b.art))).toMatchObject([
      { art: dome, maps: [join(out, 'dome_n.png')] },
      { art: bad, fault: 'This is not a PNG file.' },
    ]);
    const more = ['--also', 'height,rim,occlusion,glow', '--depth', '16', '--no-alpha', '--flat-padding'];
    await oilwick('relief', dome, '--out', join(out, 'more'), '--recipe', recipe, ...more);
    const header = (name: string) => inspectPng(readFileSync(join(out, 'more', name)));
    expect(header('dome_n.png')).toMatchObject({ depth: 16, colourType: 2 });
    expect(header('dome_h.png')).toMatchObject({ depth: 16, colourType: 0 });
    for (const kind of ['rim', 'occlusion', 'glow'])
      expect(header(`dome_${kind}.png`)).toMatchObject({ width: 40, depth: 8, colourType: 0 });
    expect(readFileSync(join(out, 'more', 'dome_n.png')).toString('latin1')).toMatch(/Orientation\0Y up/);

    const wrong = await oilwick('relief', dome).catch((fault: { code: number; stderr: string }) => fault);
    expect(wrong).toMatchObject({ code: 2 });
    const unknown = file('u.json', '{"colour":1}');
    await expect(oilwick('relief', dome, '--out', out, '--recipe', unknown)).rejects.toMatchObject({
      code: 1,
      stderr: expect.stringContaining('colour') as unknown as string,
    });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

test('the command line makes many reliefs on threads, to the same pixels, and no bad one stops the others', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'oilwick-many-'));
  try {
    const arts = Array.from({ length: 6 }, (_, i) => {
      const path = join(folder, `art${i}.png`);
      writeFileSync(
        path,
        png(48 + i, 40, (x, y) => [(x * 9) & 255, (y * 11) & 255, 90, x > i && y > 2 ? 255 : 0]),
      );
      return path;
    });
    const good = readFileSync(arts[0]);
    const bad: [string, Uint8Array, RegExp][] = [
      ['cut.png', good.subarray(0, good.length >> 1), /cut off/],
      ['crc.png', Buffer.from(good.map((v, i) => (i === good.length - 20 ? v ^ 1 : v))), /checksum/],
      ['large.png', withHeaderSize(good, 8192, 8192), /8192 x 8192 px; at most 4096 x 4096/],
      ['empty.png', withHeaderSize(good, 0, 0), /empty/],
    ];
    for (const [name, bytes] of bad) writeFileSync(join(folder, name), bytes);
    const run = async (jobs: string, out: string) =>
      oilwick(
        'relief',
        ...arts,
        ...bad.map(([name]) => join(folder, name)),
        '--out',
        join(folder, out),
        '--jobs',
        jobs,
        '--json',
      ).catch((fault: { code: number; stdout: string; stderr: string }) => fault);
    const [one, four] = [await run('1', 'one'), await run('4', 'four')];
    for (const result of [one, four]) {
      expect(result).toMatchObject({ code: 1 });
      for (const [name, , words] of bad) {
        const line = result.stderr.split('\n').find((text) => text.includes(name));
        expect(line).toMatch(words);
      }
      // In the order in which they were named, whichever was made first.
      const lines = result.stdout.trim().split('\n');
      expect(lines.map((line) => (JSON.parse(line) as { art: string }).art)).toEqual([
        ...arts,
        ...bad.map(([name]) => join(folder, name)),
      ]);
    }
    for (let i = 0; i < arts.length; i++) {
      const [a, b] = ['one', 'four'].map(
        (out) => decodePng(readFileSync(join(folder, out, `art${i}_n.png`))).image,
      );
      expect(Buffer.compare(Buffer.from(a.data), Buffer.from(b.data))).toBe(0);
    }
    for (const wrong of [
      ['--jobs', '0'],
      ['--depth', '12'],
      ['--also', 'colour'],
    ]) {
      await expect(oilwick('relief', arts[0], '--out', folder, ...wrong)).rejects.toMatchObject({ code: 2 });
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

test('the command line shades a bundle at an hour and a second', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'oilwick-cli-'));
  try {
    const { sceneName, document, pictures } = fennelHalt(sha256Of);
    const bundle = join(folder, 'scene.zip');
    writeFileSync(bundle, await writeBundle(sceneName, document, pictures, deflateSync));
    const shade = async (hour: string, at: string) => {
      const out = join(folder, `${hour}-${at}.png`);
      await oilwick('shade', bundle, '--hour', hour, '--at', at, '--out', out);
      return decodePng(readFileSync(out)).image;
    };
    const dusk = await shade('19.5', '2.0');
    expect([dusk.width, dusk.height]).toEqual([480, 270]);
    const mean = (data: Uint8Array) => data.reduce((sum, v) => sum + v, 0) / data.length;
    expect(mean((await shade('13', '2.0')).data)).toBeGreaterThan(mean(dusk.data) + 20);
    expect(Buffer.compare(Buffer.from((await shade('19.5', '2.7')).data), Buffer.from(dusk.data))).not.toBe(
      0,
    );
    await expect(
      oilwick('shade', join(folder, 'none.zip'), '--out', join(folder, 'x.png')),
    ).rejects.toMatchObject({ code: 1 });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

test('the command line exports a bundle and checks it', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'oilwick-cli-'));
  try {
    const { sceneName, document, pictures } = fennelHalt(sha256Of);
    const bundle = join(folder, 'halt.zip');
    const bytes = await writeBundle(sceneName, document, pictures, deflateSync);
    writeFileSync(bundle, bytes);
    expect((await oilwick('export', '--list')).stdout).toMatch(/^bundle\n[^]*^maps\n[^]*--depth/m);
    const out = join(folder, 'out');
    const rows = await oilwick('export', bundle, '--as', 'maps', '--out', out, '--json', '--maps', 'rim');
    const files = rows.stdout
      .trim()
      .split('\n')
      .map((row) => (JSON.parse(row) as { file: string }).file);
    expect(files).toContain(join(out, 'goods-wagon_rim.png'));
    for (const file of files) expect(inspectPng(readFileSync(file)).width).toBeGreaterThan(0);
    await expect(
      oilwick('export', bundle, '--as', 'maps', '--out', out, '--shine', '1'),
    ).rejects.toMatchObject({
      code: 1,
      stderr: expect.stringContaining('has no option "shine"'),
    });
    await expect(oilwick('export', bundle, '--as', 'paper')).rejects.toMatchObject({
      stderr: expect.stringContaining('There is no export "paper"; there are bundle, maps.'),
    });

    expect((await oilwick('check', bundle)).stdout).toBe('');
    const [id] = Object.keys(document.lights);
    document.lights[id] = { ...document.lights[id], name: 'Beacon', circuitIds: ['cellar'] };
    writeFileSync(bundle, await writeBundle(sceneName, document, pictures, deflateSync));
    const found = JSON.parse((await oilwick('check', bundle, '--json')).stdout) as object[];
    expect(found).toMatchObject([{ snag: 'lost-name', records: [`lights/${id}`] }]);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

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
