/** Several writers on several scenes of one project, while the database is killed now and then. */
import { describe, expect, it } from 'vitest';
import { hash2 } from '@/core/time/noise';
import { GET } from '@/app/api/health/route';
import { healthPool } from './database/pool';
import { patchScene } from './queries/patches';
import { holdUp, killAndReopen, testDatabase } from './testing/database';
import { at } from './testing/samples';
import { pause, proveAllThere, sharedWork, Writers, type Send } from './testing/writers';

const KILLS = Number(process.env.OILWICK_KILLS ?? 2);
const WRITERS = 4;
const TIMEOUT_MS = 60_000 + 10_000 * KILLS;

const database = testDatabase();

describe('a database that is stopped', () => {
  it('is said within seconds, and goes on', async () => {
    const ask = async () => (await GET(new Request('http://127.0.0.1/api/health'), {})).status;
    expect(await ask()).toBe(200);
    const { pid } = database.mariadb;
    await holdUp(database);
    try {
      expect([await ask(), await ask()]).toEqual([503, 503]);
    } finally {
      process.kill(pid, 'SIGCONT');
    }
    expect(await ask()).toBe(200);
    await healthPool().end();
  });
});

describe('the work of many', () => {
  it(
    'is all there after kills of the database: each patch that was answered once, and in one order',
    async () => {
      const work = await sharedWork();
      const send: Send = async (sceneId, patch) => (await patchScene(sceneId, at(1), patch)).revision;
      const writers = new Writers(work, Array<Send>(WRITERS).fill(send));
      for (let kill = 0; kill < KILLS; kill++) {
        await writers.answers(30);
        await pause(hash2(7, kill) % 300);
        await killAndReopen(database);
      }
      await writers.answers(30);
      await writers.stop();
      await proveAllThere(work, writers.answered);
      expect(writers.answered.size).toBeGreaterThan(30 * KILLS);
    },
    TIMEOUT_MS,
  );
});
