/** Where shapes of standing sprites fall: the formulas of the tilted view, and the Moment that holds them. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cos, RADIANS_PER_DEGREE, sin, tan } from '../geometry/exact';
import type { SceneDocument } from '../scene/document';
import { newScene } from '../scene/new-scene';
import { newArtwork } from '../scene/records/artwork';
import { type Light, newLight } from '../scene/records/light';
import { newSprite, type Sprite } from '../scene/records/sprite';
import { castWay, FLATTEST_CAST, LONGEST_CAST } from './casts';
import { gateView, momentAt } from './moment-at';
import type { MomentSource } from './moment';
import { NOTHING_PASSING } from './passing';

/** The light of a sun of altitude e at q degrees right of what the view looks along, in a view tilted by v. */
function sunlight(e: number, q: number, v: number): MomentSource {
  const [se, ce] = [sin(e * RADIANS_PER_DEGREE), cos(e * RADIANS_PER_DEGREE)];
  const [sq, cq] = [sin(q * RADIANS_PER_DEGREE), cos(q * RADIANS_PER_DEGREE)];
  const [sv, cv] = [sin(v * RADIANS_PER_DEGREE), cos(v * RADIANS_PER_DEGREE)];
  return { parallel: true, x: ce * sq, y: -(ce * cq * sv + se * cv), z: se * sv - ce * cq * cv };
}

describe('the way of a shape for each px above the foot', () => {
  it('is (-cot e sin q, cot e cos q sin v), whatever the tilt', () => {
    const degrees = (min: number, max: number) => fc.integer({ min, max });
    fc.assert(
      fc.property(degrees(8, 85), degrees(-179, 180), degrees(5, 90), (e, q, v) => {
        const way = castWay(sunlight(e, q, v), v)!;
        const cot = 1 / tan(e * RADIANS_PER_DEGREE);
        const down = cot * cos(q * RADIANS_PER_DEGREE) * sin(v * RADIANS_PER_DEGREE);
        expect(way[0]).toBeCloseTo(-cot * sin(q * RADIANS_PER_DEGREE), 6);
        if (Math.abs(down) > FLATTEST_CAST) expect(way[1]).toBeCloseTo(down, 6);
        else expect(Math.abs(way[1])).toBe(FLATTEST_CAST);
      }),
    );
  });

  it('is no longer than eight times the height, and never quite flat', () => {
    const low = castWay(sunlight(1, 90, 45), 45)!;
    expect(low[0]).toBeCloseTo(-LONGEST_CAST, 6);
    expect(low[1]).toBe(FLATTEST_CAST);
    const behind = castWay(sunlight(40, 180, 45), 45)!;
    expect(behind[1]).toBeLessThan(0);
  });

  it('leads down where the sun stands straight above, or to the side', () => {
    expect(castWay({ parallel: true, x: 0, y: 0, z: 1 }, 90)).toEqual([0, FLATTEST_CAST]);
    for (const q of [-90, 90]) expect(castWay(sunlight(45, q, 90), 90)![1]).toBe(FLATTEST_CAST);
  });

  it('is none below the horizon, seen from the side, or of a lamp', () => {
    expect(castWay(sunlight(-5, 30, 45), 45)).toBeNull();
    expect(castWay(sunlight(30, 30, 45), 0)).toBeNull();
    expect(castWay({ parallel: false, x: 0, y: 0, heightPx: 9 }, 45)).toBeNull();
  });
});

/** Seen from above, a sun of 45 degrees from the left, and a post of 4 x 20 with its foot at (50, 60). */
function yard(sprite: Partial<Sprite> = {}, sun: Partial<Light> = {}): SceneDocument {
  const scene = newScene({ gateWidthPx: 100, gateHeightPx: 100, viewTiltDeg: 90 });
  scene.artworks.post = newArtwork({
    ...{ name: 'Post', imageSha: 'a'.repeat(64), widthPx: 4, heightPx: 20, pixelArt: true },
    ...{ pivotX: 2, pivotY: 20 },
  });
  scene.sprites.post = newSprite({
    ...{ name: '', planeId: 'plane-middle', order: 'a', artworkId: 'post', x: 50, y: 60, castsShape: true },
    ...sprite,
  });
  scene.lights.sun = newLight({
    ...{ name: '', planeId: 'plane-middle', order: 'a', x: 0, y: 0, kind: 'sun' },
    ...{ bearingDeg: 180, altitudeDeg: 45 },
    ...sun,
  });
  return scene;
}

const castsIn = (scene: SceneDocument) => {
  const moment = momentAt(scene, 12, 0, NOTHING_PASSING, gateView(scene));
  return { casts: moment.casts, lights: moment.lights };
};

describe('shapes of standing sprites', () => {
  it('lie on the side away from the sun, as long as what stands is high', () => {
    const { casts, lights } = castsIn(yard({}, { sizeDeg: 0 }));
    expect(lights[0].casts).toEqual([0]);
    const { left, right, bottom } = casts[0].box;
    // 20 px high under 45 degrees: the top falls 20 px to the right of the post's own place.
    expect(right).toBeCloseTo(52 + 20, 6);
    expect(left).toBeCloseTo(48, 6);
    expect(bottom).toBeCloseTo(60 + 20 * FLATTEST_CAST, 6);
    // What is not above the foot throws nothing.
    const [a, b, c] = casts[0].above;
    expect(a * 50 + b * 60 + c).toBeCloseTo(0, 9);
  });

  it('soften with the height by the size of the sun, and are as faint as the sprite', () => {
    const { casts } = castsIn(yard({ opacity: 0.5 }, { sizeDeg: 2 }));
    expect(casts[0].opacity).toBe(0.5);
    expect(casts[0].spread).toBeCloseTo(tan(2 * RADIANS_PER_DEGREE), 9);
  });

  it('are thrown by what stands, is shown, and lies in the span of a sun with shadows', () => {
    expect(castsIn(yard({ castsShape: false })).casts).toEqual([]);
    expect(castsIn(yard({ hidden: true })).casts).toEqual([]);
    expect(castsIn(yard({}, { shadows: false })).casts).toEqual([]);
    expect(castsIn(yard({}, { kind: 'point' })).casts).toEqual([]);
    expect(castsIn(yard({}, { spanFarId: 'plane-near', spanNearId: 'plane-near' })).casts).toEqual([]);
  });
});
