import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BAYER8 } from '../raster/bayer';
import { cropped } from '../raster/crop';
import { emptyImage, type Image } from '../raster/image';
import { hash01 } from '../time/noise';
import { chooseRecipe } from './choose-recipe';
import { framesOf, trueTimes } from './frames';
import { recipeWith, type RecipeFields } from './recipe';
import { pictureRelief, reliefMaps, reliefOf } from './relief-of';
import { plainSource } from './source';
import { mirrored, quarterTurned, shapeImage, toneImage } from './testing/shapes';

/** How far heights stray, away from the border of the picture, px. */
function unrest(image: Image, recipe: RecipeFields): number {
  const { heights, width, height } = pictureRelief(image, recipeWith(recipe));
  let sum = 0;
  let count = 0;
  for (let y = 4; y < height - 4; y++) {
    for (let x = 4; x < width - 4; x++, count++) sum += heights[y * width + x] ** 2;
  }
  return Math.sqrt(sum / count);
}

const tone: RecipeFields = { body: { kind: 'none' }, grain: { heightPx: 3 }, pixelArt: 'yes' };
const rough: RecipeFields = { ...tone, grain: { heightPx: 3, smoothPx: 0 } };

describe('grain', () => {
  it.each([
    ['a checkerboard', (x: number, y: number) => ((x + y) & 1 ? 150 : 110)],
    ['a quarter dither', (x: number, y: number) => (x & 1 && y & 1 ? 150 : 110)],
    ['an ordered dither', (x: number, y: number) => (BAYER8[(y & 7) * 8 + (x & 7)] < 24 ? 150 : 110)],
    ['noise', (x: number, y: number) => 100 + 50 * hash01(3, (y | 0) * 64 + (x | 0))],
  ])('stays calm on %s at the default, and not without smoothing', (_, toneAt) => {
    const image = toneImage(64, 64, (x, y) => toneAt(x | 0, y | 0));
    const calm = unrest(image, tone);
    expect(calm).toBeLessThan(unrest(image, rough) / 3);
    expect(calm).toBeLessThan(0.12);
  });

  it('keeps an edge as steep as it was where it calms', () => {
    const image = toneImage(64, 16, (x) => (x < 32 ? 90 : 170));
    const height = (recipe: RecipeFields) => {
      const { heights } = pictureRelief(image, recipeWith(recipe));
      return heights[8 * 64 + 32] - heights[8 * 64 + 31];
    };
    expect(height(tone)).toBeGreaterThan(0.85 * height(rough));
  });

  it('makes no trench of a black outline under the guard, and one without it', () => {
    const image = toneImage(48, 32, (x) => (Math.abs(x - 24) < 1 ? 16 : 170));
    const depth = (outlineGuard: number) => {
      const { heights } = pictureRelief(
        image,
        recipeWith({ ...tone, grain: { heightPx: 3, outlineGuard, smoothPx: 0 } }),
      );
      return heights[16 * 48 + 14] - heights[16 * 48 + 24];
    };
    expect(depth(0)).toBeGreaterThan(1);
    expect(depth(1)).toBeLessThan(0.15);
  });

  it('of a wide dark area is not guarded away', () => {
    const image = toneImage(48, 32, (x) => (Math.abs(x - 24) < 8 ? 16 : 170));
    const { heights } = pictureRelief(
      image,
      recipeWith({ ...tone, grain: { heightPx: 3, outlineGuard: 1 } }),
    );
    expect(heights[16 * 48 + 20]).toBeLessThan(heights[16 * 48 + 10] - 0.3);
  });
});

describe('turned and mirrored art', () => {
  const blob = (seed: number, side: number): Image => {
    const c = side / 2;
    const image = shapeImage(
      side,
      side,
      (x, y) =>
        (x - c) ** 2 + (y - c) ** 2 <
        (side * side) / 7 + side * Math.sin(seed + Math.atan2(y - c, x - c) * 3),
      seed % 2 === 0 ? 'hard' : 'soft',
    );
    for (let i = 0; i < side * side; i++) {
      const v = 60 + Math.floor(150 * hash01(seed, i >> 2));
      image.data.set([v, v >> 1, 255 - v], 4 * i);
    }
    return image;
  };
  const recipes = fc.constantFrom<RecipeFields>(
    { body: { kind: 'bevel', widthPx: 5 } },
    { body: { kind: 'inflate' } },
    { body: { kind: 'bevel', regions: 'outlines', partShare: 0.6 } },
    { body: { kind: 'none' }, grain: { heightPx: 3 } },
  );
  const sides = fc.constantFrom(20, 23, 31, 32);
  /** Rounding to bytes, and what a solver that has converged leaves. */
  const STEPS = 3;
  /** At a crease two sides may be as near, and either is right. */
  const SHARE = 0.015;

  const compare = (
    image: Image,
    turned: Image,
    recipe: RecipeFields,
    pixelArt: 'yes' | 'no',
    place: (x: number, y: number) => number[],
    turn: (r: number, g: number) => readonly number[],
  ) => {
    const whole = recipeWith({ ...recipe, pixelArt });
    const [a, b] = [pictureRelief(image, whole), pictureRelief(turned, whole)];
    let off = 0;
    for (let y = 0; y < image.height; y++) {
      for (let x = 0; x < image.width; x++) {
        const [tx, ty] = place(x, y);
        const p = 4 * (y * image.width + x);
        if (image.data[p + 3] < 128) continue;
        const q = 4 * (ty * turned.width + tx);
        const [r, g] = turn(a.normals[p], a.normals[p + 1]);
        if (Math.abs(b.normals[q] - r) > STEPS || Math.abs(b.normals[q + 1] - g) > STEPS) off++;
      }
    }
    expect(off).toBeLessThanOrEqual(SHARE * image.width * image.height);
  };

  it.each([
    // A quarter clockwise: what faced right faces down, what faced up faces right.
    [
      'turned',
      quarterTurned,
      (side: number, x: number, y: number) => [side - 1 - y, x],
      (r: number, g: number) => [g, 255 - r],
    ],
    [
      'mirrored',
      mirrored,
      (side: number, x: number, y: number) => [side - 1 - x, y],
      (r: number, g: number) => [255 - r, g],
    ],
  ] as const)('has %s normals', (_, change, place, turn) => {
    fc.assert(
      fc.property(
        fc.nat(50),
        sides,
        recipes,
        fc.constantFrom('yes' as const, 'no' as const),
        (seed, side, recipe, pixelArt) => {
          const image = blob(seed, side);
          compare(image, change(image), recipe, pixelArt, (x, y) => place(side, x, y), turn);
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('sheets', () => {
  const disc = shapeImage(16, 16, (x, y) => (x - 8) ** 2 + (y - 8) ** 2 < 49, 'hard');
  const full = shapeImage(16, 16, () => true, 'hard');
  /** Two cells side by side with a gap. */
  function sheet(left: Image, right: Image, gap: number): Image {
    const image = emptyImage(32 + gap, 16);
    for (let y = 0; y < 16; y++) {
      image.data.set(left.data.subarray(64 * y, 64 * (y + 1)), 4 * y * image.width);
      image.data.set(right.data.subarray(64 * y, 64 * (y + 1)), 4 * (y * image.width + 16 + gap));
    }
    return image;
  }
  const recipe = (gapPx: number) =>
    recipeWith({
      body: { kind: 'bevel', widthPx: 4, heightPx: 3 },
      grain: { heightPx: 2 },
      sandingPx: 1,
      pixelArt: 'no',
      cells: { columns: 2, rows: 1, marginPx: 0, gapPx },
    });

  it.each([0, 3])(
    'are made cell by cell, as if each were a picture of its own, with a gap of %i px',
    (gap) => {
      const both = pictureRelief(sheet(disc, full, gap), recipe(gap));
      const alone = [disc, full].map((image) =>
        pictureRelief(image, { ...recipe(gap), cells: { columns: 1, rows: 1, marginPx: 0, gapPx: 0 } }),
      );
      alone.forEach((own, k) => {
        for (let y = 0; y < 16; y++) {
          for (let x = 0; x < 16; x++) {
            if (own.heights[y * 16 + x] === 0) continue;
            const at = y * both.width + k * (16 + gap) + x;
            expect(both.heights[at]).toBe(own.heights[y * 16 + x]);
            expect([...both.normals.subarray(4 * at, 4 * at + 3)]).toEqual([
              ...own.normals.subarray(4 * (y * 16 + x), 4 * (y * 16 + x) + 3),
            ]);
          }
        }
      });
    },
  );

  it('of frames of any size are made frame by frame; what lies between them has no height', () => {
    const image = sheet(disc, full, 4);
    const plain = recipeWith({ ...recipe(0), cells: { columns: 1, rows: 1, marginPx: 0, gapPx: 0 } });
    const frames = [
      { left: 0, top: 0, right: 16, bottom: 16 },
      { left: 22, top: 3, right: 33, bottom: 9 },
    ];
    const both = reliefOf({ ...plainSource(image, plain), frames });
    for (const { left, top, right, bottom } of frames) {
      const w = right - left;
      const own = pictureRelief(cropped(image, { left, top, right, bottom }), plain);
      for (let y = top; y < bottom; y++)
        for (let x = left; x < right; x++)
          expect(both.heights[y * both.width + x]).toBe(own.heights[(y - top) * w + x - left]);
    }
    expect(both.heights[12 * both.width + 30]).toBe(0);
    const beyond = { left: 30, top: 0, right: 40, bottom: 16 };
    expect(() => reliefOf({ ...plainSource(image, plain), frames: [beyond] })).toThrow(
      /30, 0 to 40, 16.*36 x 16/,
    );
  });

  it('that do not fit are refused with their size', () => {
    expect(() => framesOf(20, 10, { columns: 30, rows: 1, marginPx: 0, gapPx: 0 })).toThrow(
      /30 x 1 .* 20 x 10/,
    );
    expect(framesOf(20, 10, { columns: 2, rows: 1, marginPx: 1, gapPx: 2 })).toEqual([
      { left: 1, top: 1, right: 9, bottom: 9 },
      { left: 11, top: 1, right: 19, bottom: 9 },
    ]);
  });
});

describe('pixel art that was drawn enlarged', () => {
  const small = emptyImage(18, 14);
  for (let i = 0; i < 18 * 14; i++) {
    const v = 40 + Math.floor(6 * hash01(9, i)) * 30;
    small.data.set([v, v, 90, hash01(4, i >> 3) < 0.2 ? 0 : 255], 4 * i);
  }
  const enlarged = (times: number): Image => {
    const out = emptyImage(18 * times, 14 * times);
    for (let y = 0; y < out.height; y++)
      for (let x = 0; x < out.width; x++) {
        const from = 4 * (Math.floor(y / times) * 18 + Math.floor(x / times));
        out.data.set(small.data.subarray(from, from + 4), 4 * (y * out.width + x));
      }
    return out;
  };

  it.each([2, 3, 5])('at %i times is recognised, and gets the relief of its true size', (times) => {
    expect(trueTimes(enlarged(times))).toBe(times);
    const recipe = recipeWith({ body: { kind: 'bevel', widthPx: 3, heightPx: 2 }, pixelArt: 'yes' });
    const [one, many] = [pictureRelief(small, recipe), pictureRelief(enlarged(times), recipe)];
    for (let y = 0; y < many.height; y++) {
      for (let x = 0; x < many.width; x++) {
        const from = Math.floor(y / times) * 18 + Math.floor(x / times);
        expect(many.normals[4 * (y * many.width + x)]).toBe(one.normals[4 * from]);
        expect(many.heights[y * many.width + x]).toBeCloseTo(one.heights[from] * times, 4);
      }
    }
  });

  it('is told from art at its own size, and from what is too plain to tell', () => {
    expect(trueTimes(small)).toBe(1);
    expect(trueTimes(shapeImage(32, 32, (x, y) => x > 8 && x < 24 && y > 8 && y < 24, 'hard'))).toBe(1);
    expect(trueTimes(emptyImage(16, 16))).toBe(1);
  });
});

describe('snapped facings', () => {
  const dome = shapeImage(40, 40, (x, y) => (x - 20) ** 2 + (y - 20) ** 2 < 340, 'hard');
  const facings = (fields: Partial<{ directions: number; tilts: number; dither: boolean }>) => {
    const { normals } = pictureRelief(
      dome,
      recipeWith({ body: { kind: 'inflate' }, grain: { heightPx: 0 }, pixelArt: 'yes', facings: fields }),
    );
    const seen = new Set<string>();
    for (let i = 0; i < 1600; i++)
      if (dome.data[4 * i + 3] > 0) seen.add([...normals.subarray(4 * i, 4 * i + 3)].join());
    return seen;
  };

  it('point into as many directions and tilts as are asked for', () => {
    expect(facings({}).size).toBeGreaterThan(100);
    expect(facings({ directions: 8, tilts: 3 }).size).toBeLessThanOrEqual(1 + 8 * 2);
    expect(facings({ directions: 4, tilts: 2 }).size).toBeLessThanOrEqual(1 + 4);
    expect(facings({ directions: 8, tilts: 3, dither: true }).size).toBeLessThanOrEqual(1 + 8 * 2);
  });
});

describe('masks', () => {
  const disc = shapeImage(40, 40, (x, y) => (x - 20) ** 2 + (y - 20) ** 2 < 256);
  const maps = (fields: RecipeFields) =>
    reliefMaps(
      plainSource(disc, recipeWith({ body: { kind: 'inflate' }, grain: { heightPx: 0 }, ...fields })),
      { rim: true, occlusion: true, glow: true, depth: 16 },
    );

  it('of the rim lie along the silhouette, and on one side where that is asked for', () => {
    const all = maps({ rim: { widthPx: 4 } }).rim!;
    expect(all[20 * 40 + 5]).toBeGreaterThan(200);
    expect(all[20 * 40 + 20]).toBe(0);
    expect(all[0]).toBe(0);
    const right = maps({ rim: { widthPx: 4, sideDeg: 0 } }).rim!;
    expect(right[20 * 40 + 34]).toBeGreaterThan(200);
    expect(right[20 * 40 + 5]).toBe(0);
  });

  it('of occlusion are open on a dome and shut in a trench', () => {
    expect(maps({}).occlusion![20 * 40 + 20]).toBe(255);
    const trench = toneImage(48, 48, (x) => (Math.abs(x - 24) < 3 ? 60 : 190));
    const { occlusion } = reliefMaps(
      plainSource(
        trench,
        recipeWith({ body: { kind: 'none' }, grain: { heightPx: 8, smoothPx: 0, outlineGuard: 0 } }),
      ),
      { occlusion: true },
    );
    expect(occlusion![24 * 48 + 24]).toBeLessThan(180);
    expect(occlusion![24 * 48 + 4]).toBeGreaterThan(235);
  });

  it('of the glow come from swatches', () => {
    const { glow } = maps({ swatches: [{ colour: '#808080', heightPx: 0, mute: false, glow: 0.5 }] });
    expect([glow![20 * 40 + 20], glow![0]]).toEqual([128, 0]);
  });

  it('and normals of 16 bit say the same as those of 8', () => {
    const { normals, normals16 } = maps({});
    for (let i = 0; i < normals.length; i++)
      expect(Math.abs(normals16![i] / 257 - normals[i])).toBeLessThanOrEqual(0.51);
  });
});

describe('a borrowed relief', () => {
  const art = (shade: number) => {
    const image = shapeImage(24, 24, (x, y) => (x - 12) ** 2 + (y - 12) ** 2 < 100, 'hard');
    for (let i = 0; i < 576; i++) image.data.fill(i % 3 ? shade : shade + 60, 4 * i, 4 * i + 3);
    return image;
  };
  const lender = plainSource(
    art(60),
    recipeWith({ body: { kind: 'bevel' }, grain: { heightPx: 2 }, pixelArt: 'yes' }),
  );
  const borrower = (share: number) => ({
    ...plainSource(
      art(120),
      recipeWith({ body: { kind: 'inflate' }, grain: { heightPx: 2, share }, pixelArt: 'yes' }),
    ),
    borrowed: lender,
  });

  it("is the lender's, pixel for pixel, and takes its own grain by a share", () => {
    const own = reliefOf(lender);
    expect(reliefOf(borrower(0))).toEqual(own);
    const half = reliefOf(borrower(0.5)).heights;
    const all = reliefOf(borrower(1)).heights;
    for (let i = 0; i < half.length; i++)
      expect(half[i] - own.heights[i]).toBeCloseTo((all[i] - own.heights[i]) / 2, 4);
  });

  it('of another size is refused with both', () => {
    const other = plainSource(
      shapeImage(20, 24, () => true),
      recipeWith({}),
    );
    expect(() => reliefOf({ ...borrower(0), borrowed: other })).toThrow(/20 x 24 .* 24 x 24/);
  });
});

describe('odd pictures', () => {
  const hard = (w: number, h: number, covers: (x: number, y: number) => boolean) =>
    shapeImage(w, h, covers, 'hard');
  const everything: RecipeFields[] = (['bevel', 'inflate', 'none'] as const).flatMap((kind) =>
    (['silhouette', 'outlines', 'colours'] as const).flatMap((regions) =>
      (['none', 'both'] as const).map((seamless): RecipeFields => ({
        body: { kind, regions },
        seamless,
        sandingPx: 1,
      })),
    ),
  );

  it.each([
    ['fully transparent', emptyImage(9, 7)],
    ['one pixel', hard(1, 1, () => true)],
    ['one pixel wide', hard(1, 30, () => true)],
    ['one pixel high, with holes', hard(30, 1, (x) => x % 4 > 1)],
    ['of one colour', hard(16, 16, () => true)],
    ['a single pixel in the middle', hard(9, 9, (x, y) => x > 4 && x < 5 && y > 4 && y < 5)],
  ])('give finite heights and unit normals: %s', (_, image) => {
    for (const recipe of everything) {
      const maps = reliefMaps(plainSource(image, recipeWith(recipe)), {
        rim: true,
        occlusion: true,
        glow: true,
      });
      expect(maps.heights.every(Number.isFinite)).toBe(true);
      for (let p = 0; p < maps.normals.length; p += 4) {
        const n = [0, 1, 2].map((c) => maps.normals[p + c] / 127.5 - 1);
        expect(Math.hypot(...n)).toBeGreaterThan(0.98);
      }
    }
    expect(chooseRecipe(image).seen.length).toBeGreaterThan(3);
  });
});
