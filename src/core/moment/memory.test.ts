/** Moments remember what did not change: that must change nothing but the time they take. */
import { isDeepStrictEqual } from 'node:util';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { SceneDocument } from '../scene/document';
import { newCue } from '../scene/records/cue';
import { newLook } from '../scene/records/look';
import { newLight } from '../scene/records/light';
import { newPath, NEW_TURNING } from '../scene/records/motion';
import { newWash, newWashPoint } from '../scene/records/wash';
import { fullScene } from '../scene/testing';
import type { Moment } from './moment';
import { gateView, momentAt } from './moment-at';
import { MomentMaker } from './moment-maker';
import { NOTHING_PASSING } from './passing';
import type { Walk } from './walk';
import { newGobo } from '../scene/records/light-look';

type Step = (scene: SceneDocument, v: number) => SceneDocument;

/** Changes one record of a collection, the `v`th one by id. */
function changing<C extends 'sprites' | 'lights' | 'lamps' | 'occluders' | 'planes' | 'artworks'>(
  collection: C,
  fields: (record: SceneDocument[C][string], v: number) => Partial<SceneDocument[C][string]>,
): Step {
  return (scene, v) => {
    const ids = Object.keys(scene[collection]).sort();
    if (ids.length === 0) return scene;
    const id = ids[v % ids.length];
    const record = scene[collection][id] as SceneDocument[C][string];
    return { ...scene, [collection]: { ...scene[collection], [id]: { ...record, ...fields(record, v) } } };
  };
}

const withSettings =
  (fields: (v: number) => object): Step =>
  (scene, v) => ({ ...scene, settings: { scene: { ...scene.settings.scene, ...fields(v) } } });

const walkOf = (v: number): Walk => ({
  ...{ spriteId: 'man', x: v, y: 40, flipX: v % 16 === 0 },
  ...{ aim: v % 24 === 0 ? [5, 5] : null, gate: null },
});

const pathOf = (v: number) =>
  v % 3
    ? newPath({
        ...{ points: [0, 0, 10, 0, 10, v], speedPx: 20, pauseSeconds: 1 },
        ends: v % 2 ? 'appear' : 'back',
      })
    : null;

const steps: Step[] = [
  changing('lights', (_, v) => ({
    path: pathOf(v),
  })),
  changing('lights', (_, v) => ({
    turning: v % 2 ? { ...NEW_TURNING, degreesPerSecond: v } : null,
    follows: (['nothing', 'sun', 'moon'] as const)[v % 3],
  })),
  changing('sprites', (_, v) => ({
    path: pathOf(v),
    glowsWithId: v % 5 === 0 ? 'l' : null,
  })),
  changing('planes', (_, v) => ({ takesDrift: v % 2 === 0, ground: v % 3 === 0 })),
  withSettings((v) => ({ cloudStrength: (v % 4) / 4, mistStrength: (v % 3) / 4, cloudSeed: v % 5 })),
  withSettings((v) => ({ washId: v % 2 ? 'dusk' : null, washBy: v % 4 ? 'cues' : 'seed', figureId: 'man' })),
  withSettings((v) => ({ bloomLevel: v % 3, tone: v % 2 ? 'film' : 'clip', lookId: v % 4 ? 'dawn' : null })),
  withSettings((v) => ({ focusPlaneId: v % 2 ? 'plane-far' : null, blurPx: v % 5 })),
  (scene, v) => ({
    ...scene,
    looks: { ...scene.looks, dawn: newLook({ name: 'Dawn', order: 'a', saturation: (v % 8) / 4 }) },
  }),
  (scene, v) => {
    const dusk = newWash({
      ...{ name: '', order: 'a', opacity: 0.5, onEntering: v % 3 === 0, widthPx: 10 * v + 1 },
      points: [newWashPoint({ x: v, y: v })],
    });
    return { ...scene, washes: { ...scene.washes, dusk } };
  },
  (scene, v) => ({
    ...scene,
    cues: {
      ...scene.cues,
      [`c${v % 4}`]: newCue({
        ...{ clockHours: v % 24, ambientLevel: v / 40, mistStrength: v % 2 ? 0.4 : null },
        ...{
          circuitLevels: Object.keys(scene.circuits).map((id) => ({
            circuitId: id,
            level: v / 40,
            held: v % 2 === 0,
          })),
        },
      }),
    },
  }),
  (scene, v) => ({
    ...scene,
    circuits: Object.fromEntries(
      Object.entries(scene.circuits).map(([id, circuit]) => [
        id,
        { ...circuit, switching: v % 2 ? ('hours' as const) : ('always' as const), spreadMinutes: v },
      ]),
    ),
  }),
  changing('sprites', (_, v) => ({ x: v })),
  changing('sprites', (_, v) => ({ hidden: v % 2 === 0 })),
  changing('sprites', (_, v) => ({ order: `a${v}` })),
  changing('sprites', (_, v) => ({
    answer: v % 3 === 0 ? ('seen-when-lit' as const) : null,
    castsShape: v % 2 === 0,
  })),
  changing('lights', (_, v) => ({ x: v, sizePx: v % 3 })),
  changing('lights', (_, v) => ({ kind: (['point', 'spot', 'sun', 'ambient'] as const)[v % 4] })),
  changing('lights', (_, v) => ({ stoppedBy: v % 2 ? { planeIds: ['plane-near'], setIds: [] } : null })),
  changing('lamps', (_, v) => ({ level: v / 10, turnDeg: v })),
  changing('occluders', ({ outlines }, v) => ({
    outlines: outlines.map((points) => points.map((p) => p + (v % 5) - 2)),
    ownShade: v % 2 ? ('dark' as const) : ('lit' as const),
    soakPx: v % 3,
  })),
  changing('occluders', ({ outlines }, v) => ({ smooth: outlines.map(() => (v % 2 ? [0, 1] : [])) })),
  changing('occluders', (_, v) => ({ kind: v % 2 ? ('line' as const) : ('closed' as const) })),
  // The outlines stay the same objects; how they are read changes.
  changing('artworks', ({ occluders }, v) => ({
    occluders: occluders.map((one) => ({
      ...one,
      kind: v % 2 ? ('line' as const) : ('closed' as const),
      smooth: v % 3 ? one.outlines.map(() => [0, 2]) : [],
    })),
  })),
  changing('lights', (_, v) => ({
    gobo: newGobo({ artworkId: 'sheet', widthPx: 20, heightPx: 20, playing: v % 2 === 0 }),
  })),
  changing('lights', (_, v) => ({
    kind: 'area' as const,
    outlines: [[0, 0, 9, 0, 9, 9, v % 5, 9]],
    smooth: v % 2 ? [[1]] : [],
  })),
  changing('lights', (_, v) => ({ stops: [{ at: 1, colour: v % 2 ? '#ff0000' : '#00ff00' }], level: v / 9 })),
  changing('planes', (_, v) => ({ overlay: v % 3 === 0 })),
  (scene, v) => ({
    ...scene,
    settings: {
      scene: {
        ...scene.settings.scene,
        pixelArt: v % 2 === 0,
        lightSpace: v % 3 ? ('linear' as const) : ('display' as const),
      },
    },
  }),
  changing('planes', (_, v) => ({ parallax: (v % 5) / 4, hidden: v % 7 === 0 })),
  changing('artworks', (_, v) => ({ pivotX: v })),
  (scene, v) => ({
    ...scene,
    settings: { scene: { ...scene.settings.scene, gateX: v, viewTiltDeg: v % 90 } },
  }),
  (scene, v) => {
    const light = newLight({ name: '', planeId: 'plane-near', order: 'z', x: v, y: v });
    return { ...scene, lights: { ...scene.lights, [`new-${v % 4}`]: light } };
  },
  (scene, v) => {
    const ids = Object.keys(scene.lights).sort();
    return {
      ...scene,
      lights: Object.fromEntries(ids.filter((_, i) => i !== v % 5).map((id) => [id, scene.lights[id]])),
    };
  },
];

/** An hour of the day, made from a number: most edits stay at noon. */
const hourOf = (v: number) => (v % 3 === 0 ? (v * 7) % 24 : 12);

describe('a Moment', () => {
  it('is after any run of edits what it is of a fresh copy of the scene', () => {
    const run = fc.array(fc.tuple(fc.nat(steps.length - 1), fc.nat(40), fc.nat(30)), { maxLength: 12 });
    fc.assert(
      fc.property(run, (edits) => {
        const maker = new MomentMaker();
        let scene = fullScene();
        let last: { moment: Moment; copy: Moment } | null = null;
        for (const [step, v, tenths] of edits) {
          scene = steps[step](scene, v);
          const now = tenths / 10;
          const hour = hourOf(v);
          const passing = { ...NOTHING_PASSING, walk: v % 8 === 0 ? walkOf(v) : null };
          // The copy shares no object with anything that was seen before, and its maker has seen nothing.
          const fresh = momentAt(structuredClone(scene), hour, now, passing, gateView(scene));
          const kept = maker.at(scene, hour, now, passing, gateView(scene));
          expect(kept).toEqual(fresh);
          // What was handed out before is as it was.
          expect(last === null || isDeepStrictEqual(last.moment, last.copy)).toBe(true);
          last = { moment: kept, copy: structuredClone(kept) };
        }
      }),
      { numRuns: 60 },
    );
  });

  it('gives the same objects for lights that stand still, which renderers keep their sums by', () => {
    const scene = fullScene();
    scene.lights.still = newLight({ name: '', planeId: 'plane-near', order: 'a', x: 3, y: 4 });
    const maker = new MomentMaker();
    const at = (one: SceneDocument, seconds: number) => {
      const { lights, lightIds } = maker.at(one, 12, seconds, NOTHING_PASSING, gateView(one));
      return lights[lightIds.indexOf('still')];
    };
    const first = at(scene, 0);
    expect(at(scene, 5)).toBe(first);
    expect(at({ ...scene, sprites: {} }, 5).x).toBe(first.x);
    const moved = { ...scene, lights: { ...scene.lights, still: { ...scene.lights.still, x: 9 } } };
    expect(at(moved, 5)).not.toBe(first);
    expect(first.x).toBe(3);
  });
});
