/** A relief at a fraction of its size, for the first picture while a slider moves. */
import { emptyImage, type Image } from '../raster/image';
import type { Recipe } from './recipe';
import type { ReliefSource } from './source';

/** Pictures up to this many pixels are made at full size at once. */
export const QUICK_PIXELS = 256 * 256;

/** By how much a picture is made smaller for a first result: the least power of two that brings it below. */
export function reductionFor(width: number, height: number): number {
  let factor = 1;
  while ((width * height) / (factor * factor) > QUICK_PIXELS) factor *= 2;
  return factor;
}

/** Means of factor x factor blocks, colours weighted by their alpha. */
export function reducedImage(image: Image, factor: number): Image {
  const out = emptyImage(
    Math.max(1, Math.floor(image.width / factor)),
    Math.max(1, Math.floor(image.height / factor)),
  );
  for (let y = 0; y < out.height; y++) {
    for (let x = 0; x < out.width; x++) {
      const sums = [0, 0, 0, 0];
      for (let k = 0; k < factor * factor; k++) {
        const fx = Math.min(image.width - 1, x * factor + (k % factor));
        const fy = Math.min(image.height - 1, y * factor + Math.floor(k / factor));
        const p = 4 * (fy * image.width + fx);
        const alpha = image.data[p + 3];
        for (let c = 0; c < 3; c++) sums[c] += image.data[p + c] * alpha;
        sums[3] += alpha;
      }
      const q = 4 * (y * out.width + x);
      for (let c = 0; c < 3; c++) out.data[q + c] = sums[3] === 0 ? 0 : Math.round(sums[c] / sums[3]);
      out.data[q + 3] = Math.round(sums[3] / (factor * factor));
    }
  }
  return out;
}

/**
 * A source at a fraction of its size, for a first result; the same where it cannot be made smaller, as a sheet whose
 * cells would not come out even.
 */
export function reducedSource(source: ReliefSource, factor: number): ReliefSource {
  const { image, cells, normals, heights } = source;
  const grid = cells ?? source.recipe.cells;
  if (factor === 1 || grid.columns * grid.rows > 1 || grid.marginPx > 0 || heights) return source;
  return {
    ...source,
    image: reducedImage(image, factor),
    artPx: source.artPx * factor,
    recipe: reducedRecipe(source.recipe, factor),
    borrowed: source.borrowed && reducedSource(source.borrowed, factor),
    normals: normals && { ...normals, image: reducedImage(normals.image, factor) },
    rim: null,
    occlusion: null,
    glow: null,
  };
}

/** The recipe that gives the smaller picture the same slopes. Octaves finer than its pixels fall away. */
export function reducedRecipe(recipe: Recipe, factor: number): Recipe {
  const { body, grain, rim, swatches } = recipe;
  const octavesLost = 31 - Math.clz32(factor);
  return {
    ...recipe,
    body: { ...body, widthPx: body.widthPx / factor, heightPx: body.heightPx / factor },
    grain: {
      ...grain,
      heightPx: grain.heightPx / factor,
      octaves: grain.octaves.map((_, i) => grain.octaves[i + octavesLost] ?? 0),
      smoothPx: grain.smoothPx / factor,
    },
    swatches: swatches.map((swatch) => ({ ...swatch, heightPx: swatch.heightPx / factor })),
    sandingPx: recipe.sandingPx / factor,
    rim: { ...rim, widthPx: rim.widthPx / factor },
  };
}
