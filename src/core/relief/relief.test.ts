import { describe, expect, it } from 'vitest';
import { emptyImage } from '../raster/image';
import { chooseRecipe } from './choose-recipe';
import { readRecipe, recipeWith } from './recipe';
import { pictureRelief } from './relief-of';
import { shapeImage } from './testing/shapes';

const shape = (w: number, h: number, covers: (x: number, y: number) => boolean, hard = false) =>
  shapeImage(w, h, covers, hard ? 'hard' : 'soft');

describe('inflate', () => {
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
});

describe('any recipe', () => {
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
    expect(chosen.chosen).toMatch(/^bevel of \d+ px, each outlined part by itself and grain of \d/);
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
    expect(chooseRecipe(emptyImage(8, 8))).toMatchObject({
      seen: expect.stringContaining('clear') as string,
      chosen: 'flat',
    });
  });
});
