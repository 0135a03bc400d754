import { describe, expect, it } from 'vitest';
import { hash01 } from '../time/noise';
import { emptyImage, type Image } from '../raster/image';
import { EXACT_COLOURS, MOST_CLUSTERS, NO_COLOUR, paletteOf } from '../raster/palette';
import { recipeWith, type RecipeFields } from './recipe';
import { pictureRelief } from './relief-of';
import { silhouetteOf } from './silhouette';
import { swatchesOf } from './swatches';

const [W, H] = [40, 24];
const PLANKS = [
  [150, 60, 40],
  [130, 50, 34],
  [110, 42, 30],
] as const;

/** A wagon of planks; liveries differ in the colours of a stripe and of letters on it. */
function wagon(stripe: readonly number[], letters: readonly number[]): Image {
  const image = emptyImage(W, H);
  for (let y = 2; y < H - 2; y++) {
    for (let x = 2; x < W - 2; x++) {
      const plank = PLANKS[(x >> 2) % 3];
      const isStripe = y >= 9 && y < 14;
      const isLetter = isStripe && y > 9 && y < 13 && x % 5 < 2 && x > 8 && x < 30;
      image.data.set([...(isLetter ? letters : isStripe ? stripe : plank), 255], 4 * (y * W + x));
    }
  }
  return image;
}

const hex = (rgb: readonly number[]) => `#${rgb.map((v) => v.toString(16).padStart(2, '0')).join('')}`;
const LIVERIES = [
  [
    [240, 236, 220],
    [20, 20, 24],
  ],
  [
    [30, 60, 110],
    [250, 210, 60],
  ],
  [
    [90, 120, 70],
    [230, 230, 240],
  ],
] as const;

const base: RecipeFields = { body: { kind: 'bevel', widthPx: 3, heightPx: 2 }, pixelArt: 'yes' };

describe('a palette', () => {
  it('is exact up to its limit, lightest last, and counts', () => {
    const image = wagon(...LIVERIES[0]);
    const palette = paletteOf(image, silhouetteOf(image).inside);
    expect(palette.isExact).toBe(true);
    expect(palette.colours.map((c) => c.hex).sort()).toEqual([...PLANKS, ...LIVERIES[0]].map(hex).sort());
    expect(palette.colours.at(-1)!.hex).toBe(hex(LIVERIES[0][0]));
    expect(palette.indices[0]).toBe(NO_COLOUR);
    expect(palette.colours.reduce((sum, c) => sum + c.count, 0)).toBe((W - 4) * (H - 4));
  });

  it('is clustered beyond it, into few colours that are near every pixel', () => {
    const image = emptyImage(64, 64);
    const bases = [
      [200, 40, 30],
      [40, 160, 60],
      [30, 50, 180],
    ];
    for (let i = 0; i < 64 * 64; i++) {
      const own = bases[i % 3].map((v) => v + Math.round(24 * (hash01(1, i) - 0.5)));
      image.data.set([...own, 255], 4 * i);
    }
    const palette = paletteOf(image, silhouetteOf(image).inside);
    expect(new Set(image.data).size).toBeGreaterThan(EXACT_COLOURS);
    expect(palette.isExact).toBe(false);
    expect(palette.colours.length).toBeLessThanOrEqual(MOST_CLUSTERS);
    for (let i = 0; i < 64 * 64; i += 7) {
      const own = palette.colours[palette.indices[i]].hex;
      const far = [1, 3, 5].map((k, c) =>
        Math.abs(Number.parseInt(own.slice(k, k + 2), 16) - image.data[4 * i + c]),
      );
      expect(Math.max(...far)).toBeLessThan(24);
    }
  });

  it('of one colour, and of nothing, is as small as that', () => {
    expect(paletteOf(emptyImage(4, 4), new Uint8Array(16)).colours).toEqual([]);
    expect(paletteOf(emptyImage(4, 4), new Uint8Array(16).fill(1)).colours.length).toBe(1);
  });
});

describe('swatches', () => {
  it('raise what has their colour', () => {
    const image = wagon(...LIVERIES[0]);
    const plain = pictureRelief(image, recipeWith({ ...base, grain: { heightPx: 0 } })).heights;
    const raised = pictureRelief(
      image,
      recipeWith({
        ...base,
        grain: { heightPx: 0 },
        swatches: [{ colour: hex(LIVERIES[0][1]), heightPx: 1.5, mute: false, glow: 0 }],
      }),
    ).heights;
    const isLetter = (i: number) => image.data[4 * i] === LIVERIES[0][1][0] && image.data[4 * i + 3] > 0;
    for (let i = 0; i < W * H; i++) expect(raised[i] - plain[i]).toBeCloseTo(isLetter(i) ? 1.5 : 0, 5);
  });

  it('make one surface of three liveries of one shape', () => {
    const reliefs = LIVERIES.map(([stripe, letters]) =>
      pictureRelief(
        wagon(stripe, letters),
        recipeWith({
          ...base,
          grain: { heightPx: 3 },
          swatches: [stripe, letters].map((rgb) => ({ colour: hex(rgb), heightPx: 0, mute: true, glow: 0 })),
        }),
      ),
    );
    expect(reliefs[1].heights).toEqual(reliefs[0].heights);
    expect(reliefs[2].normals).toEqual(reliefs[0].normals);
    const unmuted = LIVERIES.map((livery) =>
      pictureRelief(wagon(livery[0], livery[1]), recipeWith({ ...base, grain: { heightPx: 3 } })),
    );
    expect(unmuted[1].normals).not.toEqual(unmuted[0].normals);
  });

  it('find their colour in a picture whose palette is a little off', () => {
    const image = wagon(...LIVERIES[0]);
    const palette = paletteOf(image, silhouetteOf(image).inside);
    const near = { colour: '#f1edde', heightPx: 1, mute: false, glow: 0 };
    const found = swatchesOf(palette, [near]);
    expect(found.at(-1)).toBe(near);
    expect(found.filter((swatch) => swatch !== null).length).toBe(1);
    expect(swatchesOf(palette, [{ ...near, colour: '#00ff00' }]).every((swatch) => swatch === null)).toBe(
      true,
    );
  });
});
