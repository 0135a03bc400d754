import { describe, expect, it } from 'vitest';
import { lightnessOf } from '../raster/colour';
import { angleError, type Facing } from './angle-error';
import { recipeWith, type RecipeFields } from './recipe';
import { pictureRelief } from './relief-of';
import { shapeImage, toneImage } from './testing/shapes';

/** Facings are judged this far inside the silhouette. */
const BAND = 2;
/** Mean error that a known surface may show. */
const MOST_DEG = 2;

const bodyOnly = (body: RecipeFields['body']) => recipeWith({ body, grain: { heightPx: 0 }, pixelArt: 'no' });

const dist = (x: number, y: number) => Math.sqrt(x * x + y * y);

describe('inflate', () => {
  it.each([
    [10, 'soft'],
    [16, 'soft'],
    [40, 'soft'],
    [40, 'hard'],
    [90, 'soft'],
  ] as const)('turns a disc of radius %i with a %s edge into a hemisphere', (radius, edge) => {
    const c = radius + 3.3;
    const size = Math.ceil(2 * c);
    const disc = shapeImage(size, size, (x, y) => dist(x - c, y - c) <= radius, edge);
    const { normals } = pictureRelief(disc, bodyOnly({ kind: 'inflate' }));
    const error = angleError(normals, size, size, (x, y) => {
      const [dx, dy] = [x - c, y - c];
      if (dist(dx, dy) > radius - BAND) return null;
      return [dx / radius, dy / radius, Math.sqrt(radius * radius - dx * dx - dy * dy) / radius];
    });
    expect(error.meanDeg).toBeLessThan(MOST_DEG);
  });

  it('turns a capsule into half a cylinder with ball ends', () => {
    const [w, h, half, from, to] = [200, 60, 18, 30, 170];
    const axis = (x: number) => Math.min(to, Math.max(from, x));
    const limb = shapeImage(w, h, (x, y) => dist(x - axis(x), y - 30) <= half);
    const relief = pictureRelief(limb, bodyOnly({ kind: 'inflate' }));
    const middle = angleError(relief.normals, w, h, (x, y) => {
      const dy = y - 30;
      if (x < from + half || x > to - half || Math.abs(dy) > half - BAND) return null;
      return [0, dy / half, Math.sqrt(half * half - dy * dy) / half];
    });
    expect(middle.count).toBeGreaterThan(1000);
    expect(middle.meanDeg).toBeLessThan(MOST_DEG);
    expect(relief.heights[30 * w + 100]).toBeGreaterThan(half * 0.96);
    expect(relief.heights[30 * w + 100]).toBeLessThan(half * 1.04);
    const ends = angleError(relief.normals, w, h, (x, y) => {
      const [dx, dy] = [x - axis(x), y - 30];
      const r = dist(dx, dy);
      // Toward the tip the surface is a ball's; where the limb begins it is neither one nor the other.
      if (Math.abs(dx) < half / 2 || r > half - BAND) return null;
      return [dx / half, dy / half, Math.sqrt(half * half - r * r) / half];
    });
    expect(ends.count).toBeGreaterThan(200);
    expect(ends.meanDeg).toBeLessThan(6);
  });

  it('turns a narrow ring into a torus', () => {
    const [size, big, small] = [180, 70, 14];
    const c = size / 2;
    const ring = shapeImage(size, size, (x, y) => Math.abs(dist(x - c, y - c) - big) <= small);
    const { normals } = pictureRelief(ring, bodyOnly({ kind: 'inflate' }));
    const error = angleError(normals, size, size, (x, y) => {
      const [dx, dy] = [x - c, y - c];
      const r = dist(dx, dy);
      const off = r - big;
      if (Math.abs(off) > small - BAND) return null;
      return [
        (off * dx) / (r * small),
        (off * dy) / (r * small),
        Math.sqrt(small * small - off * off) / small,
      ];
    });
    expect(error.count).toBeGreaterThan(5000);
    expect(error.meanDeg).toBeLessThan(MOST_DEG);
  });
});

describe('bevel', () => {
  const cone = (edge: 'soft' | 'hard', cx: number, cy: number) => {
    const [radius, size] = [56, 121];
    const disc = shapeImage(size, size, (x, y) => dist(x - cx, y - cy) <= radius, edge);
    const recipe = bodyOnly({ kind: 'bevel', profile: 'chamfer', widthPx: radius, heightPx: 42 });
    return angleError(pictureRelief(disc, recipe).normals, size, size, (x, y) => {
      const [dx, dy] = [x - cx, y - cy];
      const r = dist(dx, dy);
      // The tip has no facing.
      if (r < 4 || r > radius - BAND) return null;
      return [(0.6 * dx) / r, (0.6 * dy) / r, 0.8];
    });
  };

  it.each([
    [60.5, 60.5],
    [60, 60],
    [60.3, 59.8],
  ])('makes a cone of an anti-aliased disc about (%f, %f), to half a degree', (cx, cy) => {
    const { meanDeg, count } = cone('soft', cx, cy);
    expect(count).toBeGreaterThan(8000);
    expect(meanDeg).toBeLessThan(0.5);
  });

  it('makes a cone of a binary disc too, to three degrees', () => {
    expect(cone('hard', 60, 60).meanDeg).toBeLessThan(3);
  });

  it('makes a pyramid of an anti-aliased square that stands on its corner', () => {
    const [size, half] = [120, 50];
    const c = 60;
    const square = shapeImage(size, size, (x, y) => Math.abs(x - c) + Math.abs(y - c) <= half);
    const recipe = bodyOnly({ kind: 'bevel', profile: 'chamfer', widthPx: 30, heightPx: 30 });
    const { normals } = pictureRelief(square, recipe);
    const s = Math.SQRT1_2;
    const error = angleError(normals, size, size, (x, y) => {
      const [dx, dy] = [x - c, y - c];
      const inset = (half - Math.abs(dx) - Math.abs(dy)) * s;
      if (inset < BAND || inset > 28 || Math.abs(dx) < 3 || Math.abs(dy) < 3) return null;
      return [Math.sign(dx) * s * s, Math.sign(dy) * s * s, s];
    });
    expect(error.count).toBeGreaterThan(2000);
    expect(error.meanDeg).toBeLessThan(0.5);
  });

  it('makes a wall of even slope around a ring, to half a degree', () => {
    const [size, inner, outer] = [160, 30, 70];
    const c = 80;
    const ring = shapeImage(size, size, (x, y) => {
      const r = dist(x - c, y - c);
      return r >= inner && r <= outer;
    });
    const recipe = bodyOnly({ kind: 'bevel', profile: 'chamfer', widthPx: 15, heightPx: 15 });
    const { normals } = pictureRelief(ring, recipe);
    const s = Math.SQRT1_2;
    const error = angleError(normals, size, size, (x, y) => {
      const [dx, dy] = [x - c, y - c];
      const r = dist(dx, dy);
      const depth = Math.min(r - inner, outer - r);
      if (depth < BAND || (depth > 13 && depth < 17)) return null;
      const way = depth > 17 ? 0 : r - inner < outer - r ? -1 : 1;
      return way === 0 ? [0, 0, 1] : [(way * s * dx) / r, (way * s * dy) / r, s];
    });
    expect(error.count).toBeGreaterThan(8000);
    expect(error.meanDeg).toBeLessThan(0.5);
  });
});

describe('grain', () => {
  const plain = (heightPx: number, octaves: number[]): RecipeFields => ({
    body: { kind: 'none' },
    grain: { heightPx, octaves, smoothPx: 0, outlineGuard: 0 },
    pixelArt: 'no',
  });
  /** The grey whose perceptual lightness is this. */
  const greys = (() => {
    const lightness = [...Array(256).keys()].map(
      (v) => lightnessOf(Uint8Array.of(v, v, v, 255), new Float32Array(1))[0],
    );
    return (l: number) => {
      let v = 0;
      while (v < 255 && lightness[v + 1] <= l) v++;
      const next = Math.min(255, v + 1);
      return v + (next === v ? 0 : (l - lightness[v]) / (lightness[next] - lightness[v]));
    };
  })();

  it('makes waves of waves in tone', () => {
    const [size, period, amplitude] = [256, 16, 0.25];
    const wave = (t: number) => Math.sin((2 * Math.PI * t) / period);
    const image = toneImage(size, 32, (x) => greys(0.6 + amplitude * wave(x)));
    // All octaves alike leave a wave nearly as it is; what the coarsest smoothing keeps of it is taken off here.
    const heightPx = 8;
    const { normals, heights } = pictureRelief(
      image,
      recipeWith({ ...plain(heightPx, [1, 1, 1, 1, 1]), seamless: 'both' }),
    );
    const error = angleError(normals, size, 32, (x) => {
      const slope = heightPx * amplitude * ((2 * Math.PI) / period) * Math.cos((2 * Math.PI * x) / period);
      const length = Math.sqrt(1 + slope * slope);
      return [-slope / length, 0, 1 / length];
    });
    expect(error.meanDeg).toBeLessThan(MOST_DEG);
    expect(Math.max(...heights) - Math.min(...heights)).toBeGreaterThan(2 * heightPx * amplitude * 0.95);
  });

  it('makes a slope of a ramp in tone, less what its coarsest smoothing keeps of it', () => {
    const [size, long, heightPx] = [256, 24, 20];
    const ramp = (x: number) => 0.3 + 0.5 * Math.min(1, Math.max(0, (x - 128 + long / 2) / long));
    const image = toneImage(size, 16, (x) => greys(ramp(x)));
    const { normals } = pictureRelief(image, recipeWith(plain(heightPx, [1, 1, 1, 1, 1])));
    // The Gaussian of 16 px wavelength by brute force.
    const sigma = 0.7 * 16;
    const smooth = (x: number) => {
      let sum = 0;
      let weight = 0;
      for (let t = -60; t <= 60; t += 0.25) {
        const w = Math.exp((-t * t) / (2 * sigma * sigma));
        sum += w * ramp(x + t);
        weight += w;
      }
      return sum / weight;
    };
    const error = angleError(normals, size, 16, (x) => {
      if (Math.abs(x - 128) > long / 2 - BAND) return null;
      const slope = heightPx * (0.5 / long - (smooth(x + 0.5) - smooth(x - 0.5)));
      const length = Math.sqrt(1 + slope * slope);
      return [-slope / length, 0, 1 / length];
    });
    expect(error.count).toBeGreaterThan(200);
    expect(error.meanDeg).toBeLessThan(MOST_DEG);
  });

  it('goes on over the seam of a tile as within it', () => {
    const [size, period] = [64, 32];
    const wave = (x: number, y: number) =>
      greys(0.55 + 0.2 * Math.sin((2 * Math.PI * x) / period) * Math.cos((2 * Math.PI * y) / period));
    const recipe = recipeWith({ ...plain(6, [1, 1, 1, 1, 1]), seamless: 'both' });
    const tile = pictureRelief(toneImage(size, size, wave), recipe).normals;
    const shifted = pictureRelief(
      toneImage(size, size, (x, y) => wave(x + 16, y + 16)),
      recipe,
    ).normals;
    for (let y = 0; y < size; y++) {
      for (let x = 0; x < size; x++) {
        const a = 4 * (y * size + x);
        const b = 4 * (((y + 48) % size) * size + ((x + 48) % size));
        for (let c = 0; c < 3; c++) expect(Math.abs(tile[a + c] - shifted[b + c])).toBeLessThanOrEqual(1);
      }
    }
  });
});

describe('a seamless tile with a silhouette', () => {
  it('inflates a rail that runs through it as one rail', () => {
    const [w, h, half] = [48, 40, 12];
    const rail = shapeImage(w, h, (_, y) => Math.abs(y - 20) <= half);
    const recipe = recipeWith({
      body: { kind: 'inflate' },
      grain: { heightPx: 0 },
      pixelArt: 'no',
      seamless: 'x',
    });
    const { normals } = pictureRelief(rail, recipe);
    const error = angleError(normals, w, h, (_, y): Facing | null => {
      const dy = y - 20;
      if (Math.abs(dy) > half - BAND) return null;
      return [0, dy / half, Math.sqrt(half * half - dy * dy) / half];
    });
    expect(error.count).toBe(w * 20);
    expect(error.meanDeg).toBeLessThan(MOST_DEG);
  });

  it('bevels it without an edge at the seam', () => {
    const rail = shapeImage(32, 40, (_, y) => Math.abs(y - 20) <= 12, 'hard');
    const recipe = recipeWith({ body: { kind: 'bevel', widthPx: 8 }, grain: { heightPx: 0 }, seamless: 'x' });
    const { heights } = pictureRelief(rail, recipe);
    for (let y = 0; y < 40; y++)
      for (let x = 1; x < 32; x++) expect(heights[y * 32 + x]).toBeCloseTo(heights[y * 32], 5);
  });
});
