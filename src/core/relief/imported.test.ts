import { describe, expect, it } from 'vitest';
import { HEIGHT_ZERO, heightSteps } from '../raster/height-picture';
import { emptyImage, type Image } from '../raster/image';
import { judgeOrientation } from './orientation';
import { recipeWith } from './recipe';
import { pictureRelief, reliefMaps, reliefOf, type ReliefResult } from './relief-of';
import { areAlike, litByReading } from './readings';
import { remarksOn } from './remarks';
import { changedFacings, changedHeights } from './returned';
import { silhouetteOf } from './silhouette';
import { plainSource, type ReliefSource } from './source';
import { broughtName } from './suffixes';
import { shapeImage } from './testing/shapes';
import { strokeWith } from './testing/strokes';

const SIDE = 48;
const dome = shapeImage(SIDE, SIDE, (x, y) => (x - 24) ** 2 + (y - 24) ** 2 < 400);
const bumpy = recipeWith({ body: { kind: 'inflate' }, grain: { heightPx: 0 }, pixelArt: 'no' });

function mapOf({ normals, width, height }: ReliefResult, yUp: boolean): Image {
  const data = normals.slice();
  if (!yUp) for (let p = 1; p < data.length; p += 4) data[p] = 255 - data[p];
  return { width, height, data };
}

const imported = (
  image: Image,
  fields: Partial<NonNullable<ReliefSource['normals']>> = {},
): ReliefSource => ({
  ...plainSource(dome, recipeWith({ body: { kind: 'none' }, grain: { heightPx: 0 }, pixelArt: 'no' })),
  normals: { image, yUp: true, orientationChosen: false, use: 'facings', share: 1, ...fields },
});
const { inside } = silhouetteOf(dome);

describe('an imported normal map', () => {
  const made = pictureRelief(dome, bumpy);

  it('is accepted as it is, in either orientation', () => {
    for (const yUp of [true, false]) {
      const { normals } = reliefOf(imported(mapOf(made, yUp), { yUp }));
      for (let i = 0; i < inside.length; i++)
        if (inside[i])
          expect([...normals.subarray(4 * i, 4 * i + 3)]).toEqual([
            ...made.normals.subarray(4 * i, 4 * i + 3),
          ]);
    }
  });

  it('is accepted where the art is half clear and where it is not at all', () => {
    const map = mapOf(made, true);
    // Two pixels beyond the silhouette of the dome, one of them faintly covered.
    for (const i of [0, 5 * SIDE + 5]) map.data.set([200, 90, 190, 255], 4 * i);
    const art = { ...dome, data: dome.data.slice() };
    art.data[4 * (5 * SIDE + 5) + 3] = 60;
    const source = { ...imported(map), image: art };
    const { normals } = reliefOf(source);
    const deep = reliefMaps(source, { depth: 16 }).normals16!;
    for (const i of [0, 5 * SIDE + 5]) {
      expect([...normals.subarray(4 * i, 4 * i + 3)]).toEqual([200, 90, 190]);
      expect([...deep.subarray(4 * i, 4 * i + 3)]).toEqual([200, 90, 190].map((v) => 257 * v));
    }
  });

  it('is integrated to the height that it came from', () => {
    const { heights } = reliefOf(imported(mapOf(made, true)));
    const at = (h: Float32Array, x: number, y: number) => h[y * SIDE + x];
    const [rise, truth] = [heights, made.heights].map((h) => at(h, 24, 24) - at(h, 34, 24));
    expect(Math.abs(rise - truth)).toBeLessThan(0.05 * Math.abs(truth) + 0.1);
    expect(at(heights, 24, 24)).toBeGreaterThan(12);
  });

  it('as a height gives nearly its own normals back, and a share of it less', () => {
    const whole = reliefOf(imported(mapOf(made, true), { use: 'height' }));
    const half = reliefOf(imported(mapOf(made, true), { use: 'height', share: 0.5 }));
    let off = 0;
    for (let y = 12; y < 36; y++)
      for (let x = 12; x < 36; x++)
        off = Math.max(off, Math.abs(whole.normals[4 * (y * SIDE + x)] - made.normals[4 * (y * SIDE + x)]));
    expect(off).toBeLessThan(8);
    expect(half.heights[24 * SIDE + 24]).toBeCloseTo(whole.heights[24 * SIDE + 24] / 2, 2);
  });

  it('takes strokes on top', () => {
    const source = imported(mapOf(made, true));
    const raised = reliefOf({
      ...source,
      layers: [
        [
          {
            stroke: strokeWith({ points: [24, 24, 1], sizePx: 10, hardness: 0, heightPx: 4 }),
            pasted: null,
          },
        ],
      ],
    });
    const plain = reliefOf(source);
    expect(raised.normals[4 * (24 * SIDE + 27)]).toBeGreaterThan(plain.normals[4 * (24 * SIDE + 27)] + 20);
    expect(raised.normals[4 * (24 * SIDE + 40)]).toBe(plain.normals[4 * (24 * SIDE + 40)]);
  });

  it('of another size is refused with both sizes', () => {
    expect(() => reliefOf(imported(emptyImage(20, 10)))).toThrow(/20 x 10 .* 48 x 48/);
  });
});

describe('orientation', () => {
  const rough = pictureRelief(
    shapeImage(SIDE, SIDE, (x, y) => (x - 24) ** 2 + (y - 24) ** 2 < 400),
    recipeWith({ body: { kind: 'inflate', fullness: 0.6 }, grain: { heightPx: 0 }, pixelArt: 'no' }),
  );

  it('is judged by curl and border alike', () => {
    const up = judgeOrientation(mapOf(rough, true), inside);
    expect(up).toMatchObject({ orientation: 'up', wrongLengths: 0 });
    expect(up.curlRatio!).toBeGreaterThan(4);
    expect(up.outwardMean!).toBeGreaterThan(0.1);
    const down = judgeOrientation(mapOf(rough, false), inside);
    expect(down.orientation).toBe('down');
    expect(down.curlRatio!).toBeLessThan(0.25);
  });

  it('of a full tile is judged by curl alone', () => {
    const tile = emptyImage(SIDE, SIDE);
    for (let y = 0; y < SIDE; y++) {
      for (let x = 0; x < SIDE; x++) {
        // h = 2 sin(x / 4) sin(y / 4)
        const sx = 0.5 * Math.cos(x / 4) * Math.sin(y / 4);
        const sy = 0.5 * Math.sin(x / 4) * Math.cos(y / 4);
        const length = Math.hypot(sx, sy, 1);
        const byte = (v: number) => Math.floor((v + 1) * 127.5 + 0.5);
        tile.data.set([byte(-sx / length), byte(sy / length), byte(1 / length), 255], 4 * (y * SIDE + x));
      }
    }
    const evidence = judgeOrientation(tile, new Uint8Array(SIDE * SIDE).fill(1));
    expect(evidence).toMatchObject({ orientation: 'up', outwardMean: null });
  });

  it('of a flat map is doubtful, and wrong lengths are counted', () => {
    const flat = emptyImage(SIDE, SIDE);
    for (let i = 0; i < SIDE * SIDE; i++) flat.data.set([128, 128, i % 2 ? 255 : 160, 255], 4 * i);
    const evidence = judgeOrientation(flat, inside);
    expect(evidence.orientation).toBe('doubtful');
    expect(evidence.wrongLengths / evidence.pixels).toBeCloseTo(0.5, 1);
  });
});

describe('both readings of a normal map', () => {
  const made = pictureRelief(dome, bumpy);
  const levelAt = ({ data, width }: Image, x: number, y: number) => data[4 * (y * width + x)];

  it('show the art bright towards the light by the right one, and dark there by the other', () => {
    for (const yUp of [true, false]) {
      const right = litByReading(dome, mapOf(made, yUp), yUp, 512);
      const wrong = litByReading(dome, mapOf(made, yUp), !yUp, 512);
      expect([right.width, right.height]).toEqual([SIDE, SIDE]);
      // Above the middle, and the same below it.
      expect(levelAt(right, 24, 10)).toBeGreaterThan(levelAt(right, 24, 38) + 60);
      expect(levelAt(wrong, 24, 38)).toBeGreaterThan(levelAt(wrong, 24, 10) + 60);
      expect(right.data[3]).toBe(dome.data[3]);
      expect(areAlike(right, wrong)).toBe(false);
    }
  });

  it('look alike where nothing leans up or down', () => {
    const flat = emptyImage(SIDE, SIDE);
    for (let i = 0; i < SIDE * SIDE; i++) flat.data.set([128, 128, 255, 255], 4 * i);
    expect(areAlike(litByReading(dome, flat, true, 512), litByReading(dome, flat, false, 512))).toBe(true);
  });

  it('of large art are sampled down, and a map of another size is refused with both', () => {
    const small = litByReading(dome, mapOf(made, true), true, 20);
    expect([small.width, small.height]).toEqual([20, 20]);
    expect(levelAt(small, 10, 4)).toBeGreaterThan(levelAt(small, 10, 16) + 60);
    // Of a long strip the middle is shown, where it is grey.
    const strip = shapeImage(100, 10, (x) => x > 40 && x < 60);
    const level = emptyImage(100, 10);
    for (let i = 0; i < 1000; i++) level.data.set([128, 128, 255, 255], 4 * i);
    const middle = litByReading(strip, level, true, 512);
    expect([middle.width, middle.height]).toEqual([16, 10]);
    expect(middle.data[3]).toBe(255);
    expect(() => litByReading(dome, emptyImage(20, 10), true, 512)).toThrow(/20 x 10 .* 48 x 48/);
  });
});

describe('an imported height map and masks', () => {
  it('stand for the body, between the heights of black and white', () => {
    const values = new Uint16Array(SIDE * SIDE).fill(65535);
    const source: ReliefSource = {
      ...plainSource(dome, bumpy),
      heights: { picture: { width: SIDE, height: SIDE, values }, lowPx: 0, highPx: 10 },
    };
    const { heights } = reliefOf(source);
    expect([heights[24 * SIDE + 24], heights[0]]).toEqual([10, 0]);
  });

  it('are taken as they are, in the place of generated ones', () => {
    const rim = new Uint8Array(SIDE * SIDE).fill(77);
    expect(reliefMaps({ ...plainSource(dome, bumpy), rim }, { rim: true }).rim).toEqual(rim);
  });
});

describe('what came back', () => {
  const relief = pictureRelief(dome, bumpy);

  it('is what changed and nothing else', () => {
    const map = mapOf(relief, true);
    map.data.set([200, 200, 200], 4 * (24 * SIDE + 24));
    map.data[4 * (20 * SIDE + 20)] += 2;
    const changed = changedFacings(map, relief, true);
    expect([...changed.data.subarray(4 * (24 * SIDE + 24), 4 * (24 * SIDE + 25))]).toEqual([
      200, 200, 200, 255,
    ]);
    expect(changed.data.reduce((sum, v, i) => sum + (i % 4 === 3 && v > 0 ? 1 : 0), 0)).toBe(1);
    const down = mapOf(relief, false);
    down.data.set([200, 55, 200], 4 * (24 * SIDE + 24));
    expect(changedFacings(down, relief, false).data[4 * (24 * SIDE + 24) + 1]).toBe(200);
  });

  it('is a difference of heights, and 8-bit files are not taken for changed where they only round', () => {
    const sent = heightSteps(relief.heights);
    const values = sent.slice();
    values[24 * SIDE + 24] += 512;
    const changed = changedHeights({ width: SIDE, height: SIDE, values }, relief, 16);
    expect(changed.values[24 * SIDE + 24]).toBe(HEIGHT_ZERO + 512);
    expect(changed.values.filter((v) => v !== HEIGHT_ZERO).length).toBe(1);
    const rounded = Uint16Array.from(sent, (v) => Math.round(v / 257) * 257);
    expect(() => changedHeights({ width: SIDE, height: SIDE, values: rounded }, relief, 8)).toThrow(
      /Nothing/,
    );
  });

  it('of another size, or unchanged, is refused', () => {
    expect(() => changedFacings(emptyImage(4, 4), relief, true)).toThrow(/4 x 4 .* 48 x 48/);
    expect(() => changedFacings(mapOf(relief, true), relief, true)).toThrow(/Nothing/);
  });
});

describe('remarks', () => {
  const about = (
    recipe: Parameters<typeof recipeWith>[0],
    change: (normals: Uint8Array) => void = () => {},
  ) => {
    const source = plainSource(dome, recipeWith({ pixelArt: 'no', ...recipe }));
    const { normals } = reliefOf(source);
    change(normals);
    return remarksOn(source, normals, inside, SIDE, SIDE);
  };

  it('are none on a good dome', () => {
    expect(about({ body: { kind: 'inflate', fullness: 0.6 }, grain: { heightPx: 0 } })).toEqual([]);
  });

  it('tell flat, wild, tone-led and torn reliefs', () => {
    expect(about({ body: { kind: 'none' }, grain: { heightPx: 0 } })).toEqual(['flat']);
    expect(about({ body: { kind: 'inflate' }, strength: 6, grain: { heightPx: 0 } })).toContain('wild');
    expect(about({ body: { kind: 'none' }, grain: { heightPx: 2 } })).toContain('tone-led');
    const torn = about({ body: { kind: 'inflate', fullness: 0.4 }, grain: { heightPx: 0 } }, (normals) => {
      for (let y = 10; y < 38; y++) normals.set([230, 128, 200], 4 * (y * SIDE + 24 + (y % 3)));
    });
    expect(torn).toContain('torn');
  });
});

describe('remarks on what was brought along', () => {
  it('tell a doubtful orientation, and cells that leave something over', () => {
    const flat = emptyImage(SIDE, SIDE);
    for (let i = 0; i < SIDE * SIDE; i++) flat.data.set([128, 128, 255, 255], 4 * i);
    const about = (source: ReliefSource) => remarksOn(source, reliefOf(source).normals, inside, SIDE, SIDE);
    expect(about(imported(flat))).toContain('orientation-doubtful');
    expect(about(imported(mapOf(pictureRelief(dome, bumpy), true)))).not.toContain('orientation-doubtful');
    const cells = { columns: 5, rows: 1, marginPx: 0, gapPx: 0 };
    expect(about({ ...plainSource(dome, bumpy), cells })).toContain('odd-size');
    expect(about({ ...plainSource(dome, bumpy), cells: { ...cells, columns: 4 } })).not.toContain('odd-size');
  });
});

describe('names of maps', () => {
  const isArt = (art: string) => art === 'wagon' || art === 'old_n';
  it.each([
    ['wagon_n', 'normals'],
    ['wagon-normal', 'normals'],
    ['wagon_NORMALS', 'normals'],
    ['wagon_h', 'height'],
    ['wagon rim', 'rim'],
    ['wagon_occlusion', 'occlusion'],
    ['wagon_glow', 'glow'],
  ])('%s belongs to wagon as %s', (name, kind) => {
    expect(broughtName(name, isArt)).toEqual({ art: 'wagon', kind });
  });

  it("knows a person's own suffixes beside the usual ones", () => {
    const own = { normals: '_nrm2', height: 'depth map', rim: '' };
    expect(broughtName('wagon_nrm2', isArt, own)).toEqual({ art: 'wagon', kind: 'normals' });
    expect(broughtName('Wagon-Depth Map'.replace('Wagon', 'wagon'), isArt, own)).toEqual({
      art: 'wagon',
      kind: 'height',
    });
    expect(broughtName('wagon_n', isArt, own)).toEqual({ art: 'wagon', kind: 'normals' });
    for (const name of ['wagonnrm2', 'hut_nrm2', 'nrm2', '_nrm2'])
      expect(broughtName(name, isArt, own)).toBeNull();
    expect(broughtName('wagon_nrm2', isArt)).toBeNull();
  });

  it.each(['wagon', 'hut_n', 'wagon_red', 'n', '_n'])('%s is art of its own', (name) => {
    expect(broughtName(name, isArt)).toBeNull();
  });
});
