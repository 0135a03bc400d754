import { describe, expect, it } from 'vitest';
import { gateView, momentAt } from '../moment/moment-at';
import type { MomentSprite, PicturePixels } from '../moment/moment';
import { NOTHING_PASSING } from '../moment/passing';
import { newScene } from '../scene/new-scene';
import { newArtwork } from '../scene/records/artwork';
import { newRelief } from '../scene/records/relief';
import type { SceneSettings } from '../scene/records/settings';
import { newSprite, type Sprite } from '../scene/records/sprite';
import { recipeWith } from '../relief/recipe';
import { srgbEncode } from '../raster/colour';
import { halved, halvingsOf, levelRect, Levels } from './levels';
import { renderReference } from './reference';

/** A picture of single texels, [r, g, b, alpha] each. */
function picture(width: number, texels: readonly (readonly number[])[], normals?: readonly number[][]) {
  return {
    width,
    height: texels.length / width,
    rgba: Uint8Array.from(texels.flat()),
    normal: normals ? Uint8Array.from(normals.flat()) : null,
    glow: null,
    rim: null,
  } satisfies PicturePixels;
}

const BLACK = [0, 0, 0, 255];
const WHITE = [255, 255, 255, 255];
const RED = [200, 0, 0, 255];
const CLEAR = [9, 90, 9, 0];
const frames = (...all: number[][]) => Uint16Array.from(all.flat());

describe('a halved picture', () => {
  it('is the mean of each block, of decoded values in linear scenes and of encoded ones in others', () => {
    const checker = picture(2, [BLACK, WHITE, WHITE, BLACK]);
    const half = Math.floor(srgbEncode(0.5) * 255 + 0.5);
    expect([...halved(checker, frames([0, 0, 2, 2]), 1, 'linear').pixels.rgba]).toEqual([
      half,
      half,
      half,
      255,
    ]);
    expect([...halved(checker, frames([0, 0, 2, 2]), 1, 'display').pixels.rgba]).toEqual([
      128, 128, 128, 255,
    ]);
  });

  it('takes no colour from what is clear, and is as clear as its block', () => {
    const edge = picture(2, [RED, CLEAR, CLEAR, CLEAR]);
    expect([...halved(edge, frames([0, 0, 2, 2]), 1, 'linear').pixels.rgba]).toEqual([200, 0, 0, 64]);
    const clear = picture(2, [CLEAR, CLEAR, CLEAR, CLEAR]);
    expect([...halved(clear, frames([0, 0, 2, 2]), 1, 'linear').pixels.rgba]).toEqual([0, 0, 0, 0]);
  });

  it('keeps frames apart, and of odd ones the last texel stands for what there is', () => {
    const sheet = picture(6, [RED, RED, RED, WHITE, WHITE, WHITE]);
    const level = halved(sheet, frames([0, 0, 3, 1], [3, 0, 3, 1]), 1, 'display');
    expect(level.scale).toBe(0.5);
    const texel = (index: number, x: number) => {
      const { left, top } = levelRect({ ...level, name: '' }, index);
      const at = 4 * (top * level.pixels.width + left + x);
      return [...level.pixels.rgba.subarray(at, at + 4)];
    };
    expect(levelRect({ ...level, name: '' }, 1)).toMatchObject({ right: 4, bottom: 1 });
    for (const x of [0, 1]) {
      expect(texel(0, x)).toEqual(RED);
      expect(texel(1, x)).toEqual(WHITE);
    }
  });

  it('adds up facings to a unit vector, by how much of each is there', () => {
    const left = [1, 128, 128, 255];
    const up = [128, 128, 255, 255];
    const level = halved(picture(2, [RED, RED], [left, up]), frames([0, 0, 2, 1]), 1, 'linear');
    // (-1, 0, 0) and (0, 0, 1) have their middle at 45 degrees.
    const side = Math.floor((1 - Math.SQRT1_2) * 127.5 + 0.5);
    expect(level.pixels.normal![0]).toBeCloseTo(side, -0.5);
    expect(level.pixels.normal![2]).toBeCloseTo(255 - side, -0.5);
    const lone = halved(picture(2, [RED, CLEAR], [up, left]), frames([0, 0, 2, 1]), 1, 'linear');
    expect([...lone.pixels.normal!.subarray(0, 3)]).toEqual([128, 128, 255]);
  });

  it('is made once for each level, space and set of frames', () => {
    const art = picture(2, [RED, RED, RED, RED]);
    const frame = { left: 0, top: 0, right: 2, bottom: 2 };
    const sprite = { frame, grid: null } as unknown as MomentSprite;
    const levels = new Levels();
    const once = levels.of(sprite, art, 1, 'linear');
    expect(levels.of({ ...sprite }, art, 1, 'linear')).toBe(once);
    expect(levels.of(sprite, art, 1, 'display')).not.toBe(once);
    expect(levels.of(sprite, { ...art }, 1, 'linear')).not.toBe(once);
  });
});

describe('how often a sprite is halved', () => {
  const of = (scale: number, outputPerScenePx = 1) =>
    halvingsOf({ inverse: { a: 1 / scale, b: 0, c: 0, d: 1 / scale, e: 0, f: 0 } } as MomentSprite, {
      ...{ x: 0, y: 0, widthPx: 1, heightPx: 1 },
      outputPerScenePx,
    });

  it('is never at half size and above, once below, and once more with each half', () => {
    expect([2, 1, 0.5, 0.49, 0.25, 0.24, 0.1].map((scale) => of(scale))).toEqual([0, 0, 0, 1, 1, 2, 3]);
    expect(of(1, 0.4)).toBe(1);
    expect(of(0.25, 2)).toBe(0);
    expect(of(1e-9)).toBeLessThan(20);
  });
});

describe('painted art below half size', () => {
  /** A checker of single texels, lit by the ambient alone. */
  function lines(settings: Partial<SceneSettings>, sprite: Partial<Sprite>) {
    const side = 64;
    const rgba = new Uint8Array(4 * side * side).fill(255);
    for (let i = 0; i < side * side; i++)
      if ((i + Math.floor(i / side)) % 2 === 0) rgba.fill(0, 4 * i, 4 * i + 3);
    const scene = newScene({
      ...{ pixelArt: false, gateWidthPx: 16, gateHeightPx: 16, ambientLevel: 1, ambientColour: '#ffffff' },
      ...settings,
    });
    scene.artworks.art = newArtwork({
      ...{ name: 'Checker', imageSha: 'a'.repeat(64), widthPx: side, heightPx: side, pixelArt: false },
      ...{ pivotX: 32, pivotY: 32 },
    });
    scene.reliefs.art = newRelief({ recipe: recipeWith({}) });
    scene.sprites.one = newSprite({
      ...{ name: '', planeId: 'plane-middle', order: 'a', artworkId: 'art', x: 8, y: 8 },
      ...sprite,
    });
    const pixels = { width: side, height: side, rgba, normal: null, glow: null, rim: null };
    const { data } = renderReference(momentAt(scene, 12, 0, NOTHING_PASSING, gateView(scene)), () => pixels);
    return Array.from({ length: 16 * 16 }, (_, i) => data[4 * i]);
  }

  it('is even where its texels are too fine to be seen, and stays so as it turns and moves', () => {
    const grey = Math.floor(srgbEncode(0.5) * 255 + 0.5);
    for (const sprite of [{}, { x: 8.3, y: 7.9 }, { turnDeg: 21 }]) {
      const shown = lines({}, { scaleX: 0.37, scaleY: 0.37, ...sprite });
      for (const value of shown) expect(Math.abs(value - grey)).toBeLessThanOrEqual(2);
    }
  });

  it('of pixel art is still read texel by texel', () => {
    const shown = lines({ pixelArt: true }, { scaleX: 0.25, scaleY: 0.25 });
    for (const value of shown) expect([0, 255]).toContain(value);
  });
});
