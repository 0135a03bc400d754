import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { SceneDocument } from '../scene/document';
import { newScene } from '../scene/new-scene';
import { newArtwork } from '../scene/records/artwork';
import { newLight } from '../scene/records/light';
import { newOccluder } from '../scene/records/occluder';
import { newRelief } from '../scene/records/relief';
import { newSprite } from '../scene/records/sprite';
import { newWick } from '../scene/records/wick';
import { framesFrom } from '../art/cut';
import { linearLuminance } from '../raster/colour';
import { gateView, momentAt } from './moment-at';
import { momentDigest, momentJson } from './moment-json';
import { spriteAffine } from './standing';
import { NOTHING_PASSING } from './passing';

function halt(): SceneDocument {
  const scene = newScene({ gateX: 40, gateY: 10, gateWidthPx: 100, gateHeightPx: 50 });
  scene.planes['plane-far'] = { ...scene.planes['plane-far'], parallax: 0.25 };
  scene.artworks.art = newArtwork({
    name: '',
    imageSha: 'a'.repeat(64),
    widthPx: 10,
    heightPx: 20,
    pixelArt: true,
    pivotX: 0,
    pivotY: 0,
  });
  scene.sprites.far = newSprite({ name: '', planeId: 'plane-far', order: 'a', artworkId: 'art', x: 5, y: 5 });
  scene.sprites.one = newSprite({
    name: '',
    planeId: 'plane-near',
    order: 'a1',
    artworkId: 'art',
    x: 0,
    y: 0,
  });
  scene.sprites.two = newSprite({
    name: '',
    planeId: 'plane-near',
    order: 'a2',
    artworkId: 'art',
    x: 0,
    y: 0,
    takesShadows: false,
  });
  scene.sprites.three = newSprite({
    name: '',
    planeId: 'plane-near',
    order: 'a3',
    artworkId: 'art',
    x: 0,
    y: 0,
    takesShadows: false,
    answer: 'self-lit',
  });
  scene.lights.b = newLight({
    name: '',
    planeId: 'plane-near',
    order: 'a',
    x: 1,
    y: 1,
    spanFarId: 'plane-middle',
  });
  scene.lights.a = newLight({
    name: '',
    planeId: 'plane-far',
    order: 'b',
    x: 1,
    y: 1,
    wickId: 'wick',
    reachPx: 50,
  });
  scene.wicks.wick = newWick({ name: '', seed: 3, levelLow: 0.5, levelHigh: 0.5, reachLow: 2, reachHigh: 2 });
  scene.occluders.o = newOccluder({
    name: '',
    planeId: 'plane-far',
    kind: 'closed',
    outlines: [[0, 0, 4, 0, 4, 4]],
  });
  scene.occluders.p = newOccluder({
    name: '',
    planeId: 'plane-near',
    kind: 'line',
    outlines: [[0, 0, 4, 0]],
  });
  return scene;
}

const moment = (scene: SceneDocument, passing = {}) =>
  momentAt(scene, 12, 3, { ...NOTHING_PASSING, ...passing }, gateView(scene));

describe('frames and answers of sprites', () => {
  function flags(): SceneDocument {
    const scene = halt();
    const rects = [0, 1, 2].map((i) => ({ left: 4 * i, top: 0, right: 4 * i + 4 - (i & 1), bottom: 6 + i }));
    scene.artworks.art = {
      ...scene.artworks.art,
      widthPx: 12,
      frames: framesFrom(rects, 'Flag'),
      rateHz: 2,
    };
    return scene;
  }
  const near = (scene: SceneDocument, seconds: number) =>
    momentAt(scene, 12, seconds, NOTHING_PASSING, gateView(scene)).planes[2].layers.flatMap((l) => l.sprites);

  it('show the frame of the second, where it stands in the figure', () => {
    const scene = flags();
    expect([0.1, 0.6, 1.1, 1.6].map((s) => near(scene, s)[0].frame.left)).toEqual([0, 4, 8, 0]);
    const [first, second, third] = [0.1, 0.6, 1.1].map((s) => near(scene, s)[0]);
    // Frames of other heights stand on one line.
    expect([first, second, third].map(({ box }) => box.bottom)).toEqual([8, 8, 8]);
    expect([first, second, third].map(({ box }) => box.top)).toEqual([2, 1, 0]);
    expect([second.box.left, second.box.right]).toEqual([0, 3]);
  });

  it('begin where the sprite says, or stand there', () => {
    const scene = flags();
    scene.sprites.one = { ...scene.sprites.one, frame: 1 };
    scene.sprites.two = { ...scene.sprites.two, frame: 2, playing: false };
    expect([0.1, 0.6].map((s) => near(scene, s)[0].frame.left)).toEqual([4, 8]);
    expect([0.1, 0.6].map((s) => near(scene, s)[1].frame.left)).toEqual([8, 8]);
  });

  it('take the answer of their plane unless they have their own, and are gone where they are clear', () => {
    const scene = flags();
    scene.planes['plane-near'] = { ...scene.planes['plane-near'], answer: 'self-lit' };
    scene.sprites.two = { ...scene.sprites.two, answer: 'shaded' };
    expect(near(scene, 0).map(({ selfLit }) => selfLit)).toEqual([true, false, true]);
    const faded = {
      ...scene,
      sprites: {
        ...scene.sprites,
        one: { ...scene.sprites.one, opacity: 0 },
        two: { ...scene.sprites.two, opacity: 0.25 },
      },
    };
    expect(near(faded, 0).map(({ opacity }) => opacity)).toEqual([0.25, 1]);
  });
});

describe('a Moment', () => {
  it('puts planes where the gate and their parallax say', () => {
    const scene = halt();
    expect(spriteAffine(scene, scene.sprites.far, 0)).toMatchObject({ e: 5 + 40 * 0.75, f: 5 + 10 * 0.75 });
    expect(spriteAffine(scene, scene.sprites.one, 0)).toMatchObject({ e: 0, f: 0 });
    expect(moment(scene).lights[0]).toMatchObject({ x: 31, y: 8.5 });
  });

  it('gathers neighbours of equal shadow-taking into one layer', () => {
    const [far, middle, near] = moment(halt()).planes;
    expect([far.layers.length, middle.layers.length]).toEqual([1, 0]);
    expect(near.layers.map((layer) => [layer.takesShadows, layer.sprites.length])).toEqual([
      [true, 1],
      [false, 2],
    ]);
  });

  it('lists lights by id, each with the planes that it reaches and the occluders there', () => {
    const { lights } = moment(halt());
    expect(lights.map((l) => [l.spanFar, l.spanNear, l.occluders])).toEqual([
      [0, 2, [0, 1]],
      [1, 2, [1]],
    ]);
    expect(lights[0].reachPx).toBe(100);
  });

  it('is the same whatever the order of records in the document', () => {
    const scene = halt();
    const turned = Object.fromEntries(
      Object.entries(scene).map(([key, value]) => [
        key,
        typeof value === 'object' ? Object.fromEntries(Object.entries(value as object).reverse()) : value,
      ]),
    ) as unknown as SceneDocument;
    expect(moment(turned)).toEqual(moment(scene));
  });

  it('leaves out what is hidden: it neither shows, nor blocks, nor lights', () => {
    const scene = halt();
    scene.planes['plane-near'] = { ...scene.planes['plane-near'], hidden: true };
    const { planes, lights, occluders } = moment(scene);
    expect(planes[2].layers).toEqual([]);
    expect(lights.length).toBe(1);
    expect(occluders.length).toBe(1);
  });

  it('is the art alone when unlit, without relief or without shadows when a wipe leaves them out', () => {
    expect(moment(halt(), { unlit: true })).toMatchObject({ unlit: true, lights: [], occluders: [] });
    expect(moment(halt(), { shadows: false }).lights.every((l) => l.occluders.length === 0)).toBe(true);
    const scene = halt();
    scene.reliefs.art = newRelief({ recipe: {} as never });
    expect(moment(scene).planes[0].layers[0].sprites[0].normal).not.toBeNull();
    expect(moment(scene, { relief: false }).planes[0].layers[0].sprites[0].normal).toBeNull();
  });

  it('survives references to what is gone', () => {
    const scene = halt();
    scene.sprites.one = { ...scene.sprites.one, artworkId: 'gone' };
    scene.lights.b = { ...scene.lights.b, spanFarId: 'gone', wickId: 'gone' };
    scene.occluders.p = { ...scene.occluders.p, spriteId: 'gone' };
    const { planes, lights, occluders } = moment(scene);
    expect(planes[2].layers.length).toBe(1);
    expect(lights[1]).toMatchObject({ spanFar: 0, spanNear: 2 });
    expect(occluders.length).toBe(1);
  });

  it('is a function of scene, hour and second alone', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 24, noNaN: true }),
        fc.double({ min: 0, max: 99, noNaN: true }),
        (hour, second) => {
          const scene = halt();
          const once = () => momentAt(scene, hour, second, NOTHING_PASSING, gateView(scene));
          expect(once()).toEqual(once());
        },
      ),
      { numRuns: 20 },
    );
  });
});

describe('what a wick moves', () => {
  const lit = (fields: Partial<Parameters<typeof newWick>[0]>) => {
    const scene = halt();
    const still = { levelLow: 1, levelHigh: 1, reachLow: 1, reachHigh: 1 };
    scene.wicks.w = newWick({ name: '', seed: 3, ...still, ...fields });
    scene.lights = { b: { ...scene.lights.b, x: 50, y: 30, wickId: 'w', colour: '#808080' } };
    return (seconds: number) => momentAt(scene, 12, seconds, NOTHING_PASSING, gateView(scene)).lights[0];
  };

  it('is the place of a light, in px of what carries it', () => {
    const at = lit({ swayXLowPx: 4, swayXHighPx: 4, swayYLowPx: -2, swayYHighPx: -2 });
    expect(at(1)).toMatchObject({ x: 54, y: 28 });
    const moving = lit({ swayXLowPx: -5, swayXHighPx: 5 });
    const places = Array.from({ length: 40 }, (_, i) => moving(i / 4).x);
    expect(Math.min(...places)).toBeGreaterThanOrEqual(45);
    expect(Math.max(...places)).toBeLessThanOrEqual(55);
    expect(new Set(places).size).toBeGreaterThan(30);
  });

  it('is its colour at the same luminance, its ramp too', () => {
    const plain = lit({})(0);
    const warm = lit({ warmthLow: 1, warmthHigh: 1 })(0);
    expect(warm.rgb[0] / warm.rgb[2]).toBeCloseTo(2, 9);
    expect(linearLuminance(warm.rgb)).toBeCloseTo(linearLuminance(plain.rgb), 9);
    expect(plain.rgb[0]).toBe(plain.rgb[2]);
  });

  it('keeps an occluder that only the swaying light comes near to', () => {
    const scene = halt();
    scene.wicks.w = newWick({ name: '', seed: 3, swayXLowPx: -40, swayXHighPx: 40 });
    scene.lights = { b: { ...scene.lights.b, x: 50, y: 30, reachPx: 20, wickId: 'w' } };
    scene.occluders = {};
    scene.occluders.o = newOccluder({
      ...{ name: '', planeId: 'plane-near', kind: 'closed' as const },
      outlines: [[95, 20, 100, 20, 100, 40, 95, 40]],
    });
    for (let second = 0; second < 10; second++)
      expect(momentAt(scene, 12, second, NOTHING_PASSING, gateView(scene)).lights[0].occluders).toEqual([0]);
  });
});

describe('the digest of a Moment', () => {
  it('is the same for the same, and another for another second; what is endless has a word', () => {
    const scene = halt();
    scene.lights.sun = newLight({ ...scene.lights.b, name: 'Sun', kind: 'sun' });
    const moment = (seconds: number) => momentAt(scene, 12, seconds, NOTHING_PASSING, gateView(scene));
    expect(momentDigest(moment(2))).toBe(momentDigest(moment(2)));
    expect(momentDigest(moment(2))).not.toBe(momentDigest(moment(3)));
    expect(momentDigest(moment(2))).toMatch(/^[0-9a-f]{16}$/);
    const json = JSON.parse(momentJson(moment(2))) as { lights: { box: { left: unknown } }[] };
    expect(json.lights.some(({ box }) => box.left === '-Infinity')).toBe(true);
  });
});
