/** Writers and listeners at several server processes, and the proof that all that was answered is there and was heard. */
import { expect } from '@playwright/test';
import { Hearing } from '../src/server/testing/hearing';
import type { ServerProcess } from '../src/server/testing/server-process';
import { pause, Writers, type SharedWork } from '../src/server/testing/writers';

/** Between two kills, answers. */
export const ANSWERS = 30;
/** What one hears at another process comes within this, ms; beside other tests it may take longer. */
const HEARD_MS = process.env.OILWICK_ORDEAL ? 1000 : 5000;

/** Two processes, three writers at each, and one who listens to each scene at each. */
export async function atWork(servers: readonly ServerProcess[], work: SharedWork) {
  const hearings = servers.flatMap((server, i) =>
    work.scenes.map((sceneId) => new Hearing(server, sceneId, `listener-${i}`)),
  );
  const writers = new Writers(
    work,
    [0, 1, 2].flatMap(() => servers.map(({ send }) => send)),
  );
  await writers.answers(ANSWERS);
  return { hearings, writers };
}

/** Every answered patch was heard by everybody who listens to its scene. */
export async function proveAllHeard(work: SharedWork, writers: Writers, hearings: readonly Hearing[]) {
  for (const sceneId of work.scenes) {
    const ids = [...writers.answered].filter(([, one]) => one.sceneId === sceneId).map(([id]) => id);
    for (const { heard } of hearings.filter((one) => one.sceneId === sceneId))
      await expect.poll(() => ids.filter((id) => !heard.has(id)).length, { timeout: 10_000 }).toBe(0);
  }
}

/** While nothing is killed all is heard everywhere at once. */
export async function proveHeardSoon(writers: Writers, hearings: readonly Hearing[]) {
  const before = new Set(writers.answered.keys());
  await writers.answers(ANSWERS);
  const late = [...writers.answered].filter(([id]) => !before.has(id));
  await pause(HEARD_MS);
  for (const [id, { sceneId, at }] of late)
    for (const { heard } of hearings.filter((one) => one.sceneId === sceneId))
      expect((heard.get(id) ?? Infinity) - at).toBeLessThan(HEARD_MS);
}
