import { describe, expect, it } from 'vitest';
import { renderReference } from '../light/reference';
import { gateView, momentAt } from '../moment/moment-at';
import { NOTHING_PASSING } from '../moment/passing';
import type { SceneSettings } from '../scene/records/settings';
import { RenderPool, runRenderJob, type RenderThread } from './render-pool';
import { litYard } from './testing/lit-yard';

const NOTHING = () => null;

/** Threads that answer late, each later than the one before. */
function threads(count: number): RenderThread[] {
  return Array.from({ length: count }, (_, i) => ({
    run: async (job) => {
      await new Promise((resolve) => setTimeout(resolve, 3 * (count - i)));
      return runRenderJob(job, NOTHING);
    },
  }));
}

function momentOf(settings: Partial<SceneSettings>, hour = 20) {
  const scene = litYard({ gateHeightPx: 90, ...settings });
  return momentAt(scene, hour, 0.5, NOTHING_PASSING, gateView(scene));
}

describe('a picture', () => {
  it.each([
    ['plain', {}],
    ['with bloom, which looks beyond its rows', { bloomLevel: 1, bloomThreshold: 0.2 }],
    ['metered', { autoShare: 1 }],
    ['out of focus', { blurPx: 2, focusPlaneId: 'plane-near' }],
  ])('%s has the same bytes on any number of threads', async (_, settings) => {
    const moment = momentOf(settings);
    const alone = renderReference(moment, NOTHING);
    for (const count of [0, 1, 2, 3])
      expect(await new RenderPool(NOTHING, threads(count)).render(moment)).toEqual(alone);
  });
});

describe('several pictures', () => {
  it.each([0, 1, 2, 5])('come in their order from %d threads', async (count) => {
    const moments = [1, 6, 11, 16, 21].map((hour) => momentOf({}, hour));
    const pool = new RenderPool(NOTHING, threads(count));
    let n = 0;
    for await (const picture of pool.renderAll(moments))
      expect(picture).toEqual(renderReference(moments[n++], NOTHING));
    expect(n).toBe(5);
  });

  it('say what failed, and the pool draws on', async () => {
    const [thread] = threads(1);
    let calls = 0;
    const faulty: RenderThread = {
      run: (job) => (++calls === 2 ? Promise.reject(new Error('out of memory')) : thread.run(job)),
    };
    const pool = new RenderPool(NOTHING, [faulty, faulty]);
    const all = async () => {
      for await (const _ of pool.renderAll([1, 2, 3].map((hour) => momentOf({}, hour))));
    };
    await expect(all()).rejects.toThrow('out of memory');
    expect(await pool.render(momentOf({}))).toEqual(renderReference(momentOf({}), NOTHING));
  });
});
