/** Shapes of standing sprites on the ground, as the reference renderer draws them. */
import { describe, expect, it } from 'vitest';
import { RADIANS_PER_DEGREE, tan } from '../geometry/exact';
import { gateView, momentAt } from '../moment/moment-at';
import type { PicturePixels } from '../moment/moment';
import { NOTHING_PASSING } from '../moment/passing';
import type { SceneDocument } from '../scene/document';
import { newScene } from '../scene/new-scene';
import { type Artwork, newArtwork } from '../scene/records/artwork';
import { type Light, newLight } from '../scene/records/light';
import { newOccluder } from '../scene/records/occluder';
import { newSprite, type Sprite } from '../scene/records/sprite';
import { PointRenderer } from './point-renderer';

const post: PicturePixels = {
  width: 4,
  height: 20,
  rgba: new Uint8Array(4 * 4 * 20).fill(255),
  normal: null,
  glow: null,
  rim: null,
};

/** White ground seen from above, a post of 4 x 20 that stands with its foot at (50, 60), and a sun of 45 degrees from the left. */
function yard(
  sun: Partial<Light> = {},
  sprite: Partial<Sprite> = {},
  art: Partial<Artwork> = {},
): SceneDocument {
  const scene = newScene({
    lightSpace: 'display',
    ambientLevel: 0,
    gateWidthPx: 120,
    gateHeightPx: 120,
    viewTiltDeg: 90,
  });
  const plain = { colour: '#ffffff', widthPx: 120, heightPx: 120 };
  const base = { name: '', planeId: 'plane-middle', order: 'a' };
  scene.sprites.ground = newSprite({ ...base, artworkId: null, plain, x: 60, y: 60 });
  scene.artworks.post = newArtwork({
    ...{ name: 'Post', imageSha: 'a'.repeat(64), widthPx: 4, heightPx: 20, pixelArt: true },
    ...{ pivotX: 2, pivotY: 20, ...art },
  });
  scene.sprites.post = newSprite({
    ...{ ...base, order: 'b', artworkId: 'post', x: 50, y: 60, castsShape: true, answer: 'shaded' },
    ...sprite,
  });
  scene.lights.sun = newLight({
    ...{ ...base, x: 0, y: 0, kind: 'sun', bearingDeg: 180, altitudeDeg: 45, colour: '#ffffff', level: 1 },
    ...{ relief: 0, sizeDeg: 0, ...sun },
  });
  return scene;
}

function lightAt(scene: SceneDocument, x: number, y: number): number {
  const moment = momentAt(scene, 12, 0, NOTHING_PASSING, gateView(scene));
  return new PointRenderer(moment, () => post).at(x, y)[0];
}

describe('a shape on the ground', () => {
  // A px at height t falls t to the right and, held apart from the line of the foot, 0.15 t down.
  const shadowOf = (t: number): [number, number] => [50 + t, 60 + 0.15 * t];

  it('is dark where it falls, and the ground is lit beside it', () => {
    expect(lightAt(yard(), ...shadowOf(10))).toBe(0);
    expect(lightAt(yard(), 65, 70)).toBe(1);
  });

  it('falls on the plane of what throws it and on those behind, not on what stands before it', () => {
    const scene = yard();
    const plain = { colour: '#ffffff', widthPx: 120, heightPx: 120 };
    const over = newSprite({
      name: '',
      planeId: 'plane-near',
      order: 'a',
      artworkId: null,
      plain,
      x: 60,
      y: 60,
    });
    expect(lightAt({ ...scene, sprites: { ...scene.sprites, over } }, ...shadowOf(10))).toBe(1);
    const ground = { ...scene.sprites.ground, planeId: 'plane-far' };
    expect(lightAt({ ...scene, sprites: { ...scene.sprites, ground } }, ...shadowOf(10))).toBe(0);
  });

  it('under an outline of the same depth is as dark as either, not darker', () => {
    const scene = yard({ shadowOpacity: 0.6 });
    const [x, y] = shadowOf(10);
    expect(lightAt(scene, x, y)).toBeCloseTo(0.4, 9);
    const wall = [[20, 40, 25, 40, 25, 90, 20, 90]];
    scene.occluders.wall = newOccluder({
      ...{ name: '', planeId: 'plane-middle', kind: 'closed', outlines: wall },
    });
    expect(lightAt(scene, 65, 80)).toBeCloseTo(0.4, 9);
    expect(lightAt(scene, x, y)).toBeCloseTo(0.4, 9);
  });

  it('that is soft fades on both sides of where a hard one ends', () => {
    const scene = yard({ sizeDeg: 5 });
    const t = 18;
    const wide = t * tan(5 * RADIANS_PER_DEGREE);
    const [x, y] = shadowOf(t);
    expect(lightAt(scene, x + 2 + 0.5 * wide, y)).toBeCloseTo(0.75, 9);
    expect(lightAt(scene, x + 2 - 0.5 * wide, y)).toBeCloseTo(0.25, 9);
    expect(lightAt(scene, x + 2 + 1.2 * wide, y)).toBe(1);
  });

  it('begins along the line of its foot, also where that line slants', () => {
    // From the lower left of the figure to 8 px above its lower right.
    const scene = yard({ bearingDeg: 225, altitudeDeg: 30 }, {}, { foot: [0, 20, 4, 12] });
    const moment = momentAt(scene, 12, 0, NOTHING_PASSING, gateView(scene));
    const [cast] = moment.casts;
    const above = (x: number, y: number) => cast.above[0] * x + cast.above[1] * y + cast.above[2];
    expect(above(48, 60)).toBeCloseTo(0, 9);
    expect(above(52, 52)).toBeCloseTo(0, 9);
    // A place of the figure 5 px over its foot: where it falls it stands for a height of 5.
    const cot = 1 / tan(30 * RADIANS_PER_DEGREE);
    const [dx, dy] = [5 * cot * Math.SQRT1_2, 5 * cot * Math.SQRT1_2];
    expect(above(50 + dx, 56 + dy)).toBeCloseTo(5, 6);
    expect(lightAt(scene, 50 + dx, 56 + dy)).toBe(0);
    // Under the right end nothing is above the ground any more.
    expect(lightAt(scene, 51.5, 59)).toBe(1);
  });
});
