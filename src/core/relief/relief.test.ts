import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { emptyImage, type Image } from '../raster/image';
import { angleError } from './angle-error';
import { chooseRecipe } from './choose-recipe';
import { readRecipe, recipeWith } from './recipe';
import { pictureRelief } from './relief-of';

const SUPER = 8;

/** A picture whose alpha is the exact share of each pixel that a shape covers. */
function shape(
  width: number,
  height: number,
  covers: (x: number, y: number) => boolean,
  hard = false,
): Image {
  const image = emptyImage(width, height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      let hits = 0;
      for (let k = 0; k < SUPER * SUPER; k++) {
        if (covers(x + ((k % SUPER) + 0.5) / SUPER, y + (Math.floor(k / SUPER) + 0.5) / SUPER)) hits++;
      }
      const alpha = hits / (SUPER * SUPER);
      image.data.set(
        [128, 128, 128, hard ? (alpha >= 0.5 ? 255 : 0) : Math.round(alpha * 255)],
        4 * (y * width + x),
      );
    }
  }
  return image;
}

/** Facings are judged this far inside the silhouette. */
const BAND = 2;

function hemisphereError(radius: number, hard: boolean): number {
  const c = radius + 3.3;
  const size = Math.ceil(2 * c);
  const disc = shape(size, size, (x, y) => (x - c) ** 2 + (y - c) ** 2 <= radius * radius, hard);
  const { normals } = pictureRelief(
    disc,
    recipeWith({ body: { kind: 'inflate' }, grain: { heightPx: 0 }, pixelArt: 'no' }),
  );
  return angleError(normals, size, size, (x, y) => {
    const [dx, dy] = [x - c, y - c];
    const r2 = dx * dx + dy * dy;
    if (r2 > (radius - BAND) ** 2) return null;
    return [dx / radius, dy / radius, Math.sqrt(radius * radius - r2) / radius];
  }).meanDeg;
}

describe('inflate', () => {
  it.each([10, 16, 40, 90])('turns a disc of radius %i into a hemisphere, within 2 degrees', (radius) => {
    expect(hemisphereError(radius, false)).toBeLessThan(2);
  });

  it('turns a limb into half a cylinder', () => {
    const [w, h, half] = [200, 60, 18];
    const limb = shape(w, h, (x, y) => {
      const cx = Math.min(170, Math.max(30, x));
      return (x - cx) ** 2 + (y - 30) ** 2 <= half * half;
    });
    const relief = pictureRelief(
      limb,
      recipeWith({ body: { kind: 'inflate' }, grain: { heightPx: 0 }, pixelArt: 'no' }),
    );
    const error = angleError(relief.normals, w, h, (x, y) => {
      const dy = y - 30;
      if (x < 70 || x > 130 || Math.abs(dy) > half - BAND) return null;
      return [0, dy / half, Math.sqrt(half * half - dy * dy) / half];
    });
    expect(error.count).toBeGreaterThan(1000);
    expect(error.meanDeg).toBeLessThan(2);
    expect(relief.heights[30 * w + 100]).toBeGreaterThan(half * 0.95);
    expect(relief.heights[30 * w + 100]).toBeLessThan(half * 1.05);
  });

  it('stays finite on empty, single-pixel and one-pixel-wide art', () => {
    for (const image of [
      emptyImage(5, 4),
      shape(1, 1, () => true),
      shape(9, 3, (_, y) => y >= 1 && y < 2),
      shape(1, 40, () => true),
    ]) {
      const { heights } = pictureRelief(image, recipeWith({ body: { kind: 'inflate' } }));
      expect(heights.every(Number.isFinite)).toBe(true);
    }
  });
});

describe('bevel', () => {
  it('makes a cone of a disc by a chamfer as wide as its radius', () => {
    const [radius, c, size] = [56, 60, 120];
    const disc = shape(size, size, (x, y) => (x - c) ** 2 + (y - c) ** 2 <= radius * radius, true);
    const recipe = recipeWith({
      body: { kind: 'bevel', profile: 'chamfer', widthPx: radius, heightPx: 42 },
      grain: { heightPx: 0 },
      pixelArt: 'no',
    });
    const { normals } = pictureRelief(disc, recipe);
    const error = angleError(normals, size, size, (x, y) => {
      const [dx, dy] = [x - c, y - c];
      const r = Math.sqrt(dx * dx + dy * dy);
      // The tip has no facing, the border band is one-sided.
      if (r < 4 || r > radius - BAND) return null;
      return [(0.6 * dx) / r, (0.6 * dy) / r, 0.8];
    });
    expect(error.meanDeg).toBeLessThan(3);
  });

  it('faces up on the upper flank: green above 128 in a Y-up file', () => {
    const block = shape(20, 20, (x, y) => x > 2 && x < 18 && y > 2 && y < 18, true);
    const { normals } = pictureRelief(
      block,
      recipeWith({ body: { kind: 'bevel', widthPx: 4 }, grain: { heightPx: 0 } }),
    );
    const at = (x: number, y: number) => [...normals.subarray(4 * (y * 20 + x), 4 * (y * 20 + x) + 3)];
    expect(at(10, 4)[1]).toBeGreaterThan(140);
    expect(at(10, 15)[1]).toBeLessThan(115);
    expect(at(4, 10)[0]).toBeLessThan(115);
    expect(at(10, 10)).toEqual([128, 128, 255]);
  });
});

describe('grain', () => {
  const waves = (w: number, h: number, period: number) => {
    const image = emptyImage(w, h);
    for (let y = 0; y < h; y++) {
      for (let x = 0; x < w; x++) {
        const v = Math.round(128 + 60 * Math.sin((2 * Math.PI * x) / period));
        image.data.set([v, v, v, 255], 4 * (y * w + x));
      }
    }
    return image;
  };

  it('raises what is light, and lowers it where a fader is below zero', () => {
    const image = waves(64, 8, 16);
    const high = pictureRelief(
      image,
      recipeWith({ body: { kind: 'none' }, grain: { heightPx: 4, octaves: [1, 1, 1, 1, 1] } }),
    );
    const low = pictureRelief(
      image,
      recipeWith({ body: { kind: 'none' }, grain: { heightPx: 4, octaves: [-1, -1, -1, -1, -1] } }),
    );
    expect(high.heights[4 * 64 + 20]).toBeGreaterThan(high.heights[4 * 64 + 28] + 0.5);
    expect(low.heights[4 * 64 + 20]).toBeLessThan(low.heights[4 * 64 + 28] - 0.5);
  });

  it('is the same on a seamless tile wherever the tile is cut', () => {
    const recipe = recipeWith({ body: { kind: 'none' }, grain: { heightPx: 4 }, seamless: 'x' });
    const image = waves(64, 4, 32);
    const turned = emptyImage(64, 4);
    for (let y = 0; y < 4; y++) {
      for (let x = 0; x < 64; x++) {
        const from = 4 * (y * 64 + ((x + 20) % 64));
        turned.data.set(image.data.subarray(from, from + 4), 4 * (y * 64 + x));
      }
    }
    const [a, b] = [pictureRelief(image, recipe).normals, pictureRelief(turned, recipe).normals];
    for (let x = 0; x < 64; x++) expect(Math.abs(b[4 * x] - a[4 * ((x + 20) % 64)])).toBeLessThanOrEqual(1);
  });
});

describe('any recipe', () => {
  const blob = (seed: number) =>
    shape(
      23,
      23,
      (x, y) => (x - 11) ** 2 + (y - 12) ** 2 < 60 + 30 * Math.sin(seed + Math.atan2(y - 12, x - 11) * 3),
      true,
    );

  it('mirrors its facings when the art is mirrored', () => {
    fc.assert(
      fc.property(fc.nat(100), fc.constantFrom('bevel' as const, 'inflate' as const), (seed, kind) => {
        const image = blob(seed);
        const mirrored = emptyImage(23, 23);
        for (let i = 0; i < 23 * 23; i++) {
          const from = 4 * (i - (i % 23) + 22 - (i % 23));
          mirrored.data.set(image.data.subarray(from, from + 4), 4 * i);
        }
        const recipe = recipeWith({ body: { kind }, pixelArt: 'yes' });
        const [a, b] = [pictureRelief(image, recipe), pictureRelief(mirrored, recipe)];
        for (let y = 0; y < 23; y++) {
          for (let x = 0; x < 23; x++) {
            expect(Math.abs(a.heights[y * 23 + x] - b.heights[y * 23 + 22 - x])).toBeLessThan(0.05);
          }
        }
      }),
      { numRuns: 12 },
    );
  });

  it('leaves the clear part flat beyond two pixels of padding', () => {
    const image = shape(30, 30, (x, y) => x > 10 && x < 20 && y > 10 && y < 20, true);
    const { normals } = pictureRelief(image, recipeWith({}));
    expect([...normals.subarray(4 * (15 * 30 + 5), 4 * (15 * 30 + 5) + 3)]).toEqual([128, 128, 255]);
    expect(normals[4 * (15 * 30 + 9)]).toBe(normals[4 * (15 * 30 + 10)]);
  });
});

describe('a recipe file', () => {
  it('may leave everything out', () => {
    expect(readRecipe({})).toEqual(recipeWith({}));
    expect(readRecipe({ body: { kind: 'inflate' } }).body.fullness).toBe(1);
  });

  it.each([
    [{ body: { kind: 'balloon' } }, /body.kind/],
    [{ body: { width: 3 } }, /width/],
    [{ strength: Number.NaN }, /strength/],
    [{ strength: '1' }, /strength/],
    [{ grain: { octaves: [1, 2] } }, /octaves/],
    [{ colour: 'red' }, /colour/],
    [{ format: 'another' }, /format/],
    ['bevel', /JSON object/],
  ])('is refused by field: %j', (value, words) => {
    expect(() => readRecipe(value)).toThrow(words);
  });

  it('is chosen by looking at outlines and at the true size', () => {
    const ink = shape(34, 34, (x, y) => x > 1 && x < 33 && y > 1 && y < 33, true);
    for (let i = 0; i < 34 * 34; i++) {
      const [x, y] = [i % 34, Math.floor(i / 34)];
      const isInk = x % 8 === 1 || y === 1 || y === 32;
      ink.data.set(isInk ? [16, 14, 18] : [190, 150 + (x & 7), 120], 4 * i);
    }
    const chosen = chooseRecipe(ink);
    expect(chosen.seen).toMatch(/pixel art .* outlined/);
    expect(chosen.recipe.body.regions).toBe('outlines');
    const large = emptyImage(102, 102);
    for (let i = 0; i < 102 * 102; i++) {
      const from = 4 * (Math.floor(i / 102 / 3) * 34 + Math.floor((i % 102) / 3));
      large.data.set(ink.data.subarray(from, from + 4), 4 * i);
    }
    expect(chooseRecipe(large).seen).toMatch(/at 3 times/);
    expect(chooseRecipe(large).recipe).toEqual(chosen.recipe);
  });

  it('is chosen by looking: a full tile has no body, a silhouette has one', () => {
    expect(chooseRecipe(shape(32, 32, () => true)).recipe.body.kind).toBe('none');
    expect(
      chooseRecipe(shape(32, 32, (x, y) => (x - 16) ** 2 + (y - 16) ** 2 < 100, true)).recipe.body.kind,
    ).toBe('bevel');
    expect(chooseRecipe(emptyImage(8, 8)).seen).toMatch(/clear/);
  });
});
