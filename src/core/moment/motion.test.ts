/** Things that move by themselves: where they stand at a second, what goes along with them, and how much of them is there. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { SceneDocument } from '../scene/document';
import { newScene } from '../scene/new-scene';
import { newArtwork } from '../scene/records/artwork';
import { newLight, type Light } from '../scene/records/light';
import { NEW_TURNING, newPath, type MotionPath, type Turning } from '../scene/records/motion';
import { newSprite, type Sprite } from '../scene/records/sprite';
import { PathRuler } from '../time/path-run';
import { gateView, momentAt } from './moment-at';
import { MomentMaker } from './moment-maker';
import { NOTHING_PASSING } from './passing';
import { Standing } from './standing';

const turning = (fields: Partial<Turning>): Turning => ({ ...NEW_TURNING, ...fields });
const path = (fields: Partial<MotionPath>): MotionPath =>
  newPath({ points: [0, 0, 100, 0], speedPx: 50, ...fields });

const at = (of: MotionPath, seconds: number) => {
  const { x, y, presence } = new PathRuler().place(of, seconds);
  return [x, y, presence];
};

describe('a path', () => {
  it('is gone along evenly, there and back', () => {
    const line = path({});
    expect([0, 1, 2, 3, 4, 5].map((t) => at(line, t)[0])).toEqual([0, 50, 100, 50, 0, 50]);
  });

  it('rests at its ends', () => {
    const line = path({ pauseSeconds: 1 });
    expect([0, 2, 2.5, 3, 4, 5, 5.9, 6.5].map((t) => at(line, t)[0])).toEqual([
      0, 100, 100, 100, 50, 0, 0, 25,
    ]);
  });

  it('rests at its points, there and back, where it goes evenly', () => {
    const corner = path({ points: [0, 0, 100, 0, 100, 50], restSeconds: [0.5, 1] });
    const places = (of: MotionPath, seconds: number[]) => seconds.map((t) => at(of, t).slice(0, 2));
    expect(places(corner, [0, 0.4, 1.5, 2.5, 3, 3.4, 4])).toEqual([
      [0, 0],
      [0, 0],
      [50, 0],
      [100, 0],
      [100, 0],
      [100, 0],
      [100, 25],
    ]);
    // 4.5 seconds there, and as long back: the same places in the time turned round.
    for (const t of [0.2, 0.7, 1.3, 2.2, 4])
      expect(places(corner, [9 - t])[0]).toEqual(
        places(corner, [t])[0].map((v) => expect.closeTo(v, 9) as number),
      );
    const eased: Partial<MotionPath> = { easing: 'eased', points: [0, 0, 100, 0, 100, 50] };
    for (const t of [0.3, 1.1, 2.6])
      expect(at(path({ ...eased, restSeconds: [0.5, 1] }), t)).toEqual(at(path(eased), t));
  });

  it('faces as it did before while it goes up or down, or rests', () => {
    const way = path({ points: [0, 0, -50, 0, -50, 50, 0, 50], restSeconds: [0, 1, 0, 1], pauseSeconds: 1 });
    const facing = (t: number) => new PathRuler().place(way, t).goesLeft;
    // Left, a rest, down, right, a rest and a pause; then back: left, up, a rest, right.
    expect([0.5, 1.5, 2.5, 3.5, 4.5].map(facing)).toEqual([true, true, true, false, false]);
    expect([7.5, 8.5, 9.5, 10.5].map(facing)).toEqual([true, true, true, false]);
  });

  it('leads on to its beginning where it is closed', () => {
    const square = path({ points: [0, 0, 100, 0, 100, 100, 0, 100], ends: 'closed', speedPx: 100 });
    expect([0, 0.5, 1.5, 2.5, 3.5, 4].map((t) => at(square, t).slice(0, 2))).toEqual([
      [0, 0],
      [50, 0],
      [100, 50],
      [50, 100],
      [0, 50],
      [0, 0],
    ]);
  });

  it('is set off on slowly where it is eased, and takes as long', () => {
    const eased = path({ easing: 'eased' });
    expect(at(eased, 1)[0]).toBeCloseTo(50, 9);
    expect(at(eased, 0.5)[0]).toBeCloseTo(100 * 0.15625, 9);
    expect(at(eased, 2)[0]).toBeCloseTo(100, 9);
  });

  it('appears, travels and vanishes, and is away for a while', () => {
    const train = path({ ends: 'appear', fadeSeconds: 0.5, pauseSeconds: 1 });
    expect([0, 0.25, 1, 1.75, 2, 2.9].map((t) => at(train, t)[2])).toEqual([0, 0.5, 1, 0.5, 0, 0]);
    expect(at(train, 3.5)[0]).toBeCloseTo(25, 9);
    const sudden = path({ ends: 'appear' });
    expect([0, 1.99, 2].map((t) => at(sudden, t)[2])).toEqual([1, 1, 1]);
  });

  it('through smooth points has the same speed everywhere, and is continuous', () => {
    const points = fc.array(fc.integer({ min: -60, max: 60 }), { minLength: 6, maxLength: 12 });
    fc.assert(
      fc.property(
        points,
        fc.constantFrom('closed' as const, 'back' as const),
        fc.nat(400),
        (raw, ends, tick) => {
          const flat = raw.slice(0, raw.length - (raw.length % 2));
          const smooth = Array.from({ length: flat.length / 2 }, (_, i) => i);
          const way = path({ points: flat, smooth, ends, speedPx: 20 });
          const [ax, ay] = at(way, tick / 10);
          const [bx, by] = at(way, tick / 10 + 0.05);
          // A chord is never longer than the way along the path.
          expect(Math.hypot(bx - ax, by - ay)).toBeLessThanOrEqual(1 + 1e-6);
        },
      ),
    );
  });

  it('of no length stands still', () => {
    expect(at(path({ points: [3, 4, 3, 4] }), 7)).toEqual([3, 4, 1]);
  });
});

function yard(sprite: Partial<Sprite> = {}, light: Partial<Light> = {}): SceneDocument {
  const scene = newScene({ gateWidthPx: 200, gateHeightPx: 100 });
  scene.artworks.cart = newArtwork({
    ...{
      name: 'Cart',
      imageSha: 'a'.repeat(64),
      widthPx: 20,
      heightPx: 10,
      pixelArt: true,
      pivotX: 10,
      pivotY: 10,
    },
    brackets: [{ id: 'front', name: 'front', x: 18, y: 2, turnDeg: 0, places: [] }],
  });
  scene.sprites.cart = newSprite({
    ...{ name: 'Cart', planeId: 'plane-middle', order: 'a', artworkId: 'cart', x: 50, y: 60 },
    ...sprite,
  });
  scene.lights.lamp = newLight({
    ...{ name: 'Lamp', planeId: 'plane-middle', order: 'a', x: 0, y: 0, kind: 'spot', bearingDeg: 0 },
    ...light,
  });
  return scene;
}
const onCart = { hangsOn: { spriteId: 'cart', bracketId: 'front' } };
const lampAt = (scene: SceneDocument, seconds: number) =>
  momentAt(scene, 12, seconds, NOTHING_PASSING, gateView(scene)).lights[0];

describe('what moves', () => {
  it('takes along what hangs on its brackets, mirrored while it goes to the left', () => {
    const scene = yard({ path: path({ flips: true }) }, onCart);
    const there = lampAt(scene, 1);
    expect([there.x, there.y]).toEqual([50 + 50 + 8, 60 - 8]);
    expect(there.cone!.x).toBeCloseTo(1, 12);
    const back = lampAt(scene, 3);
    expect([back.x, back.y]).toEqual([50 + 50 - 8, 60 - 8]);
    expect(back.cone!.x).toBeCloseTo(-1, 12);
  });

  it('turns about its own place, with what hangs on it', () => {
    const scene = yard({ turning: turning({ degreesPerSecond: 90 }) }, onCart);
    // The bracket is 8 right of the pivot and 8 above it.
    const turned = lampAt(scene, 1);
    expect(turned.x).toBeCloseTo(50 + 8, 9);
    expect(turned.y).toBeCloseTo(60 + 8, 9);
    expect(turned.cone!.y).toBeCloseTo(1, 9);
  });

  it('swings between two angles', () => {
    const scene = yard(
      {},
      { x: 30, y: 30, turning: turning({ kind: 'swing', fromDeg: -30, toDeg: 60, periodSeconds: 2 }) },
    );
    const bearing = (seconds: number) => {
      const { x, y } = lampAt(scene, seconds).cone!;
      return (Math.atan2(y, x) * 180) / Math.PI;
    };
    expect(bearing(0)).toBeCloseTo(-30, 6);
    expect(bearing(0.5)).toBeCloseTo(15, 6);
    expect(bearing(1)).toBeCloseTo(60, 6);
    expect(bearing(2)).toBeCloseTo(-30, 6);
    const { x, y } = lampAt(scene, 1);
    expect([x, y]).toEqual([30, 30]);
  });

  it('looks at a bracket of a sprite, after its lag', () => {
    const looks = (lagSeconds: number) =>
      yard(
        { path: path({ points: [0, 0, 100, 0] }) },
        {
          ...{ x: 100, y: 20, bearingDeg: 90 },
          turning: turning({ kind: 'look', atSpriteId: 'cart', atBracketId: 'front', lagSeconds }),
        },
      );
    // At second 1 the bracket is at (108, 52).
    const { x, y } = lampAt(looks(0), 1).cone!;
    expect(y / x).toBeCloseTo(32 / 8, 6);
    // Its mean place over the last second: half of the way of 50 px before.
    const late = lampAt(looks(1), 1).cone!;
    expect(late.y / late.x).toBeCloseTo(32 / (8 - 25), 6);
    const gone = looks(0);
    delete gone.sprites.cart;
    gone.lights.lamp.turning = turning({ kind: 'look' });
    expect(lampAt(gone, 1).cone!.y).toBeCloseTo(1, 9);
  });

  it('ends where two things look at each other', () => {
    const scene = yard({ turning: turning({ kind: 'look', atSpriteId: 'other' }) });
    scene.sprites.other = newSprite({
      ...{ name: 'Other', planeId: 'plane-middle', order: 'b', artworkId: 'cart', x: 150, y: 60 },
      turning: turning({ kind: 'look', atSpriteId: 'cart' }),
    });
    const standing = new Standing(scene, 0);
    expect(standing.sprite(scene.sprites.cart)!.figure.a).toBeCloseTo(1, 9);
    expect(standing.sprite(scene.sprites.other)!.figure.a).toBeCloseTo(-1, 9);
  });

  it('appears and vanishes with its lights', () => {
    const scene = yard(
      { path: path({ ends: 'appear', fadeSeconds: 1, pauseSeconds: 1 }) },
      { ...onCart, level: 2 },
    );
    const moment = (seconds: number) => momentAt(scene, 12, seconds, NOTHING_PASSING, gateView(scene));
    const cart = (seconds: number) => moment(seconds).planes[1].layers[0]?.sprites[0] ?? null;
    expect(cart(0.5)!.opacity).toBeCloseTo(0.5, 12);
    expect(moment(0.5).lights[0].rgb[0]).toBeCloseTo(1, 5);
    expect(cart(2.5)).toBeNull();
    expect(moment(2.5).lights).toEqual([]);
  });

  it('is the same from a maker that has seen other seconds', () => {
    const scene = yard(
      { path: path({ smooth: [1], points: [0, 0, 40, 20, 90, -10] }), turning: turning({}) },
      onCart,
    );
    const maker = new MomentMaker();
    for (const seconds of [0, 0.4, 3.7, 1.2, 0.4])
      expect(maker.at(scene, 12, seconds, NOTHING_PASSING, gateView(scene))).toEqual(
        momentAt(structuredClone(scene), 12, seconds, NOTHING_PASSING, gateView(scene)),
      );
  });
});
