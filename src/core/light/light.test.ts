import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { srgbEncode } from '../raster/colour';
import { momentAt } from '../moment/moment-at';
import { NOTHING_PASSING, type Passing } from '../moment/passing';
import { CURVE_EASED, CURVE_EVEN, CURVE_NATURAL, CURVE_STRAIGHT, type PicturePixels } from '../moment/moment';
import type { SceneDocument } from '../scene/document';
import { newScene } from '../scene/new-scene';
import { newArtwork } from '../scene/records/artwork';
import { type Light, newLight } from '../scene/records/light';
import { newOccluder, type Occluder } from '../scene/records/occluder';
import { newRelief } from '../scene/records/relief';
import type { SceneSettings } from '../scene/records/settings';
import { newSprite, type Sprite } from '../scene/records/sprite';
import { recipeWith } from '../relief/recipe';
import { NORMAL_BYTE_TO_VALUE, normalByte } from './terms/facing';
import { distanceAtShare, fallAt } from './terms/fall';
import { renderReference } from './reference';
import { stopsRay } from './terms/shadow-edge';

const SHA = 'a'.repeat(64);

/** A scene of one white 40 x 40 wall, with what a test adds. */
function wall(
  settings: Partial<SceneSettings>,
  lights: Partial<Light>[] = [],
  occluders: Partial<Occluder>[] = [],
  sprite: Partial<Sprite> = {},
): SceneDocument {
  const scene = newScene({
    gateWidthPx: 40,
    gateHeightPx: 40,
    ambientLevel: 0,
    ambientColour: '#ffffff',
    backdropColour: '#000000',
    ...settings,
  });
  scene.artworks.wall = newArtwork({
    name: 'Wall',
    imageSha: SHA,
    widthPx: 40,
    heightPx: 40,
    pixelArt: true,
    pivotX: 0,
    pivotY: 0,
  });
  scene.reliefs.wall = newRelief({ recipe: recipeWith({}) });
  scene.sprites.wall = newSprite({
    name: '',
    planeId: 'plane-middle',
    order: 'a',
    artworkId: 'wall',
    x: 0,
    y: 0,
    ...sprite,
  });
  lights.forEach((light, i) => {
    scene.lights[`light-${i}`] = newLight({
      name: '',
      planeId: 'plane-middle',
      order: `a${i}`,
      x: 20,
      y: 20,
      colour: '#ffffff',
      level: 0.5,
      reachPx: 30,
      corePx: 5,
      curve: 'even',
      relief: 0,
      ...light,
    });
  });
  occluders.forEach((occluder, i) => {
    scene.occluders[`occluder-${i}`] = newOccluder({
      name: '',
      planeId: 'plane-middle',
      kind: 'closed',
      outlines: [],
      ...occluder,
    });
  });
  return scene;
}

const white: PicturePixels = {
  width: 40,
  height: 40,
  rgba: new Uint8Array(6400).fill(255),
  normal: null,
  glow: null,
  rim: null,
};

function shade(scene: SceneDocument, passing: Partial<Passing> = {}, pixels = white) {
  const view = { x: 0, y: 0, widthPx: 40, heightPx: 40, outputPerScenePx: 1 };
  const moment = momentAt(scene, 12, 0, { ...NOTHING_PASSING, ...passing }, view);
  const image = renderReference(moment, () => pixels);
  return (x: number, y: number) => [...image.data.subarray(4 * (y * 40 + x), 4 * (y * 40 + x) + 3)];
}

const linearByte = (v: number) => Math.floor(Math.min(1, srgbEncode(v)) * 255 + 0.5);

describe('falloff', () => {
  it('is 1 to the core and 0 from the reach on, for every curve', () => {
    for (const curve of [CURVE_STRAIGHT, CURVE_EASED, CURVE_NATURAL, CURVE_EVEN]) {
      expect(fallAt(10, 10, 50, curve, 2)).toBe(1);
      expect(fallAt(50, 10, 50, curve, 2)).toBe(0);
      expect(fallAt(3, 0, 50, curve, 1)).toBeGreaterThan(0);
    }
  });

  it('has the values of its formulas half way', () => {
    expect(fallAt(30, 10, 50, CURVE_STRAIGHT, 1)).toBe(0.5);
    expect(fallAt(30, 10, 50, CURVE_STRAIGHT, 2)).toBe(0.25);
    expect(fallAt(30, 10, 50, CURVE_EASED, 1)).toBe(0.5);
    expect(fallAt(30, 10, 50, CURVE_NATURAL, 1)).toBeCloseTo((0.9375 ** 2 * 200) / 1000, 12);
    expect(fallAt(49.9, 10, 50, CURVE_EVEN, 3)).toBe(1);
  });

  it('never rises with distance, and its isolux radius is where it says', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(CURVE_STRAIGHT, CURVE_EASED, CURVE_NATURAL),
        fc.integer({ min: 0, max: 40 }),
        fc.integer({ min: 41, max: 300 }),
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        (curve, core, reach, steepness) => {
          let last = 1;
          for (let d = 0; d <= reach; d += reach / 37) {
            const fall = fallAt(d, core, reach, curve, steepness);
            expect(fall).toBeLessThanOrEqual(last);
            last = fall;
          }
          const radius = distanceAtShare(0.5, core, reach, curve, steepness);
          expect(fallAt(radius, core, reach, curve, steepness)).toBeGreaterThanOrEqual(0.5);
          expect(fallAt(radius + 0.01, core, reach, curve, steepness)).toBeLessThanOrEqual(0.5);
        },
      ),
    );
  });

  it('with core and reach equal is a hard disc', () => {
    expect(fallAt(9.99, 10, 10, CURVE_EASED, 1)).toBe(1);
    expect(fallAt(10, 10, 10, CURVE_EASED, 1)).toBe(0);
  });
});

describe('normals as bytes', () => {
  it('read both middle bytes as flat, and write what they read', () => {
    expect([127, 128].map((c) => NORMAL_BYTE_TO_VALUE[c])).toEqual([0, 0]);
    expect([normalByte(-1), normalByte(0), normalByte(1)]).toEqual([0, 128, 255]);
    for (let c = 0; c < 256; c++) if (c !== 127) expect(normalByte(NORMAL_BYTE_TO_VALUE[c])).toBe(c);
  });
});

describe('the reference renderer', () => {
  it('is black without light, and lit by the ambient alone to its level, in both light spaces', () => {
    expect(shade(wall({}))(5, 5)).toEqual([0, 0, 0]);
    expect(shade(wall({ ambientLevel: 0.25 }))(5, 5)).toEqual(Array(3).fill(linearByte(0.25)));
    expect(shade(wall({ ambientLevel: 0.25, lightSpace: 'display' }))(5, 5)).toEqual([64, 64, 64]);
  });

  it('adds lights, whatever their order in the document', () => {
    const lights = [
      { level: 0.2, colour: '#ff0000' },
      { level: 0.3, x: 22 },
      { level: 0.1, y: 10 },
    ];
    const scene = wall({ lightSpace: 'display' }, lights);
    const at = shade(scene);
    expect(at(20, 15)).toEqual([Math.round(0.6 * 255), Math.round(0.4 * 255), Math.round(0.4 * 255)]);
    const turned = { ...scene, lights: Object.fromEntries(Object.entries(scene.lights).reverse()) };
    for (const [x, y] of [
      [3, 4],
      [20, 20],
      [31, 8],
    ])
      expect(shade(turned)(x, y)).toEqual(at(x, y));
  });

  it('shows the art as it is when unlit, and self-lit art in the dark', () => {
    expect(shade(wall({}), { unlit: true })(5, 5)).toEqual([255, 255, 255]);
    expect(shade(wall({}, [], [], { answer: 'self-lit', glowLevel: 0.5 }))(5, 5)).toEqual(
      Array(3).fill(linearByte(0.5)),
    );
  });

  it('lets a glow mask shine and the rest stay dark', () => {
    const glow = new Uint8Array(1600);
    glow[5 * 40 + 5] = 255;
    const at = shade(wall({}), {}, { ...white, glow });
    expect(at(5, 5)).toEqual([255, 255, 255]);
    expect(at(6, 5)).toEqual([0, 0, 0]);
  });

  it('lights a surface from the side that it faces, and a flipped sprite from the other', () => {
    const normal = new Uint8Array(6400);
    for (let i = 0; i < 1600; i++) normal.set([normalByte(0.8), 128, normalByte(0.6), 255], 4 * i);
    const light = { relief: 1, heightPx: 1, level: 1, reachPx: 60 };
    const right = shade(wall({}, [{ ...light, x: 39 }]), {}, { ...white, normal });
    const left = shade(wall({}, [{ ...light, x: 1 }]), {}, { ...white, normal });
    expect(right(20, 20)[0]).toBeGreaterThan(200);
    expect(left(20, 20)[0]).toBeLessThan(60);
    const flipped = shade(
      wall({}, [{ ...light, x: 1 }], [], { flipX: true, x: 40 }),
      {},
      { ...white, normal },
    );
    expect(flipped(20, 20)[0]).toBeGreaterThan(200);
    const flat = shade(wall({}, [{ ...light, x: 1 }]), { relief: false }, { ...white, normal });
    expect(flat(20, 20)).toEqual(flat(2, 38).map((_, i) => flat(20, 20)[i]));
  });

  it('reaches only the planes of its span', () => {
    const here = shade(wall({}, [{ spanFarId: 'plane-middle', spanNearId: 'plane-middle' }]));
    const elsewhere = shade(wall({}, [{ spanFarId: 'plane-near', spanNearId: 'plane-near' }]));
    expect(here(20, 20)[0]).toBeGreaterThan(0);
    expect(elsewhere(20, 20)).toEqual([0, 0, 0]);
  });

  it('hangs light in the air over the picture, nothing of it on the art', () => {
    const scene = wall({ lightSpace: 'display' }, [{ level: 0.4, air: 0.5 }]);
    scene.sprites = {};
    expect(shade(scene)(20, 20)).toEqual([51, 51, 51]);
  });

  it('leaves out what is hidden, muted, or not the one that is soloed', () => {
    const lights = [{}, { level: 0.25, x: 21 }];
    expect(shade(wall({}, lights), { muted: new Set(['light-0', 'light-1']) })(20, 20)).toEqual([0, 0, 0]);
    const solo = shade(wall({ lightSpace: 'display' }, lights), { solo: new Set(['light-1']) });
    expect(solo(20, 20)).toEqual([64, 64, 64]);
    expect(shade(wall({}, [{ hidden: true }]))(20, 20)).toEqual([0, 0, 0]);
  });
});

describe('hard shadows', () => {
  const box = { outlines: [[24, 16, 28, 16, 28, 24, 24, 24]] };

  it('fall behind the occluder and leave the caster lit', () => {
    const at = shade(wall({}, [{}], [box]));
    expect(at(22, 20)[0]).toBeGreaterThan(0);
    expect(at(26, 20)[0]).toBeGreaterThan(0);
    expect(at(35, 20)).toEqual([0, 0, 0]);
    expect(at(10, 20)[0]).toBeGreaterThan(0);
  });

  it('lie on the caster too where its own shade is dark', () => {
    const at = shade(wall({}, [{}], [{ ...box, ownShade: 'dark' }]));
    expect(at(26, 20)).toEqual([0, 0, 0]);
    expect(at(23, 20)[0]).toBeGreaterThan(0);
    expect(at(35, 20)).toEqual([0, 0, 0]);
  });

  it('are thrown by a line from both sides', () => {
    const line = { kind: 'line' as const, outlines: [[26, 10, 26, 30]] };
    expect(shade(wall({}, [{}], [line]))(33, 20)).toEqual([0, 0, 0]);
    expect(shade(wall({}, [{ x: 32 }], [line]))(20, 20)).toEqual([0, 0, 0]);
  });

  it('do not fall where the light throws none, the sprite takes none, or a wipe leaves them out', () => {
    expect(shade(wall({}, [{ shadows: false }], [box]))(35, 20)[0]).toBeGreaterThan(0);
    expect(shade(wall({}, [{}], [box], { takesShadows: false }))(35, 20)[0]).toBeGreaterThan(0);
    expect(shade(wall({}, [{}], [box]), { shadows: false })(35, 20)[0]).toBeGreaterThan(0);
  });

  it('stop a lamp that stands within a closed outline, all round', () => {
    const at = shade(wall({}, [{ x: 26, y: 20 }], [box]));
    expect(at(26, 22)[0]).toBeGreaterThan(0);
    for (const [x, y] of [
      [35, 20],
      [10, 20],
      [26, 5],
      [26, 35],
    ])
      expect(at(x, y)).toEqual([0, 0, 0]);
  });

  it('let light through between two slats of one occluder', () => {
    const lattice = {
      outlines: [
        [24, 8, 28, 8, 28, 18, 24, 18],
        [24, 22, 28, 22, 28, 32, 24, 32],
      ],
    };
    const at = shade(wall({}, [{}], [lattice]));
    expect(at(35, 20)[0]).toBeGreaterThan(0);
    expect(at(35, 10)).toEqual([0, 0, 0]);
  });

  it('never leak between edges that share a corner', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9 }), fc.integer({ min: -90, max: 90 }), (corners, y) => {
        const points = Array.from({ length: corners + 2 }, (_, i) => [
          20 + ((i * 7) % 5),
          -100 + (200 * i) / (corners + 1),
        ]).flat();
        const edges = new Float64Array((points.length / 2 - 1) * 4);
        for (let i = 0; i + 3 < points.length; i += 2) edges.set(points.slice(i, i + 4), 2 * i);
        for (const target of points.filter((_, i) => i % 2 === 1).concat(y)) {
          const [dx, dy] = [-60, target - y];
          const d = Math.sqrt(dx * dx + dy * dy);
          if (Math.abs(y + (target - y) * 0.6) < 90)
            expect(stopsRay(edges, true, 50, y, dx / d, dy / d, d)).toBe(true);
        }
      }),
    );
  });

  it('move with a flipped sprite that they belong to', () => {
    const scene = wall({}, [{}], [{ outlines: [[4, 16, 8, 16, 8, 24, 4, 24]], spriteId: 'wall' }], {
      flipX: true,
      x: 40,
    });
    const at = shade(scene);
    // Flipped about x = 40 the box stands at 32 to 36.
    expect(at(38, 20)).toEqual([0, 0, 0]);
    expect(at(2, 20)[0]).toBeGreaterThan(0);
  });
});
