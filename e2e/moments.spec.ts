/** The same scene, hour and second give the same Moment in Node, in a page, in a worker and on the command line. */
import { deflateSync } from 'node:zlib';
import { execFile } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { expect, test } from '@playwright/test';
import { writeBundle } from '../src/core/handoff/bundle';
import { newWick } from '../src/core/scene/records/wick';
import { READY_WICKS } from '../src/core/time/ready-wicks';
import { fennelHalt } from '../src/demo/fennel-halt';
import { DIGEST_TIMES, digestsOf } from '../src/demo/testing/digests';
import type { DigestPage } from '../src/demo/testing/digests-page';
import { sha256Of } from '../src/server/queries/blobs';
import { pageBundle } from './page-bundle';

/** The demo with a light on each of the wicks that come along. */
function livelyHalt() {
  const { sceneName, document, pictures } = fennelHalt(sha256Of);
  const [light] = Object.values(document.lights);
  READY_WICKS.forEach((ready, i) => {
    document.wicks[`ready-${i}`] = newWick({ ...ready, seed: i });
    document.lights[`on-${i}`] = { ...light, x: light.x + 20 * i, hangsOn: null, wickId: `ready-${i}` };
  });
  return { sceneName, document, pictures };
}

test('a hundred Moments have the same digests in Node, in a page and in a worker, and at the command line', async ({
  page,
}) => {
  const { sceneName, document, pictures } = livelyHalt();
  const here = digestsOf(document);
  expect(new Set(here).size).toBe(DIGEST_TIMES.length);
  const script = await pageBundle('src/demo/testing/digests-page.ts');
  await page.addScriptTag({ content: script });
  const inPage = await page.evaluate((scene) => (window as unknown as DigestPage).digestsOf(scene), document);
  expect(inPage).toEqual(here);
  const inWorker = await page.evaluate(
    ([code, scene]) =>
      new Promise<string[]>((resolve, reject) => {
        const answer = 'onmessage = ({ data }) => postMessage(digestsOf(data));';
        const worker = new Worker(URL.createObjectURL(new Blob([code, answer])));
        worker.onmessage = ({ data }) => resolve(data as string[]);
        worker.onerror = ({ message }) => reject(new Error(message));
        worker.postMessage(scene);
      }),
    [script, document] as const,
  );
  expect(inWorker).toEqual(here);

  const folder = mkdtempSync(join(tmpdir(), 'oilwick-moment-'));
  try {
    const bundle = join(folder, 'scene.zip');
    writeFileSync(bundle, await writeBundle(sceneName, document, pictures, deflateSync));
    const moment = async (...args: string[]) =>
      (await promisify(execFile)(process.execPath, ['bin/oilwick.mjs', 'moment', bundle, ...args])).stdout;
    for (const i of [0, 41, 99]) {
      const [hour, second] = DIGEST_TIMES[i].map(String);
      expect((await moment('--hour', hour, '--at', second)).trim()).toBe(here[i]);
    }
    const whole = JSON.parse(await moment('--hour', '12', '--at', '3', '--json')) as { seconds: number };
    expect(whole.seconds).toBe(3);
    await expect(moment('--hour', '25')).rejects.toMatchObject({ code: 1 });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});
