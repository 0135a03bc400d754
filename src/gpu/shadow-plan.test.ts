/** The key of a shadow mask names everything that the mask is drawn from, and nothing that it is not. */
import { describe, expect, it } from 'vitest';
import { gateView, momentAt } from '@/core/moment/moment-at';
import type { Moment, MomentLight } from '@/core/moment/moment';
import { NOTHING_PASSING } from '@/core/moment/passing';
import { newScene } from '@/core/scene/new-scene';
import { type Light, newLight } from '@/core/scene/records/light';
import { newOccluder, type Occluder } from '@/core/scene/records/occluder';
import { litArea, ShadowPlanner } from './shadow-plan';

const WALL = [45, 20, 55, 20, 55, 40, 45, 40];
const FAR = [90, 0, 99, 0, 99, 9];

function momentOf(lights: Partial<Light>[], occluders: Partial<Occluder>[] = [{ outlines: [WALL] }]): Moment {
  const scene = newScene({ gateWidthPx: 100, gateHeightPx: 100 });
  const base = { name: '', planeId: 'plane-middle', order: 'a' };
  lights.forEach((light, i) => {
    scene.lights[`l${i}`] = newLight({ ...base, x: 50, y: 60, reachPx: 40, ...light });
  });
  occluders.forEach((occluder, i) => {
    scene.occluders[`o${i}`] = newOccluder({ ...base, kind: 'closed', outlines: [], ...occluder });
  });
  return momentAt(scene, 12, 0, NOTHING_PASSING, gateView(scene));
}

/** The keys of a moment's lights, on its middle plane; null has no shadow. */
function keysIn(planner: ShadowPlanner, moment: Moment): (string | null)[] {
  planner.begin(moment);
  return moment.lights.map((light) => planner.planFor(light, moment.planes[1])?.key ?? null);
}

const keys = (...lights: Partial<Light>[]) => keysIn(new ShadowPlanner(), momentOf(lights));

describe('the key of a shadow mask', () => {
  it('is one for lights that differ in what a shadow does not ask for', () => {
    const [a, b] = keys({}, { colour: '#ff0000', level: 3, shadowOpacity: 0.4, curve: 'even' });
    expect(a).not.toBeNull();
    expect(a).toBe(b);
  });

  it.each<[string, Partial<Light>]>([
    ['reach', { reachPx: 70 }],
    ['size', { sizePx: 3 }],
    ['height', { heightPx: 9 }],
    ['blocks', { blockPx: 4 }],
    ['squash', { squash: 0.5 }],
    ['kind', { kind: 'area', outlines: [WALL.map((v) => v - 30)] }],
    ['what stops it', { stoppedBy: { planeIds: ['plane-middle'], setIds: [] }, planeId: 'plane-near' }],
  ])('is another one where lights on one place differ in their %s', (_, other) => {
    const [a, b] = keys({}, other);
    if (_ === 'what stops it') expect(a).toBe(b);
    else expect(a).not.toBe(b);
  });

  it('is another one where only one of two lights is stopped by what is near', () => {
    const moment = momentOf(
      [{ stoppedBy: { planeIds: ['plane-far'], setIds: [] } }, {}],
      [{ outlines: [WALL] }, { outlines: [WALL.map((v) => v + 2)], planeId: 'plane-far' }],
    );
    const [a, b] = keysIn(new ShadowPlanner(), moment);
    expect(a).not.toBe(b);
    expect([a, b]).not.toContain(null);
  });

  it('stays while a reach trembles between two steps, and covers what is lit', () => {
    const reaches = [38, 38.5, 39, 39.4, 40].map((reachPx) => ({ reachPx }));
    expect(new Set(keys(...reaches)).size).toBe(1);
    for (const light of momentOf([{ reachPx: 33.1 }, { reachPx: 33.1, squash: 0.4 }]).lights) {
      const { box, reachPx } = litArea(light);
      expect(reachPx!).toBeGreaterThanOrEqual(light.reachPx);
      expect(box.left).toBeLessThanOrEqual(light.box.left);
      expect(box.bottom).toBeGreaterThanOrEqual(light.box.bottom);
    }
  });

  it('is another one when something near changes, and not for what is far', () => {
    const planner = new ShadowPlanner();
    const moment = momentOf([{ reachPx: 30 }], [{ outlines: [WALL] }, { outlines: [FAR] }]);
    const [key] = keysIn(planner, moment);
    const changed = (index: number, change: object): Moment => ({
      ...moment,
      occluders: moment.occluders.map((one, i) => (i === index ? { ...one, ...change } : one)),
    });
    const fresh = (index: number) => ({
      pieces: moment.occluders[index].pieces.map((piece) => ({ ...piece })),
    });
    expect(keysIn(planner, moment)[0]).toBe(key);
    expect(keysIn(planner, changed(0, fresh(0)))[0]).not.toBe(key);
    expect(keysIn(planner, changed(1, fresh(1)))[0]).toBe(key);
    for (const change of [{ staturePx: 5 }, { transmits: [0.5, 0.5, 0.5] }, { closed: false }])
      expect(keysIn(planner, changed(0, change))[0]).not.toBe(key);
    const view = { ...moment.view, x: 1 };
    expect(keysIn(planner, { ...moment, view })[0]).not.toBe(key);
    expect(keysIn(planner, { ...moment, pixelArt: false })[0]).not.toBe(key);
  });

  it('names the whole outline where places are asked whether they lie within it', () => {
    const planner = new ShadowPlanner();
    const moment = momentOf([{ reachPx: 15, y: 45 }], [{ outlines: [WALL], ownShade: 'dark' }]);
    const far = { edges: Float64Array.of(0, 0, 1, 0), box: { left: 0, top: 0, right: 1, bottom: 1 } };
    const key = (more: object[]) => {
      const [occluder] = moment.occluders;
      const pieces = [...occluder.pieces, ...more] as MomentLightPieces;
      return keysIn(planner, { ...moment, occluders: [{ ...occluder, pieces }] })[0];
    };
    expect(key([far])).not.toBe(key([]));
  });

  it('is none where nothing that is lit is in view', () => {
    const moment = momentOf(
      [{ x: 500, y: 500 } as Partial<Light>],
      [{ outlines: [WALL.map((v) => v + 450)] }],
    );
    expect(keysIn(new ShadowPlanner(), moment)).toEqual([null]);
    const lights: MomentLight[] = momentOf([{}], []).lights;
    expect(lights[0].occluders).toEqual([]);
  });
});

type MomentLightPieces = Moment['occluders'][number]['pieces'];
