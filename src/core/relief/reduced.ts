/** A relief at a fraction of its size, for the first picture while a slider moves. */
import { emptyImage, type Image } from '../raster/image';
import type { Recipe } from './recipe';
import type { ReliefSource } from './source';
import { rememberNothing, apart, type Remember } from './workings';

/** Pictures up to this many pixels are made at full size at once. */
export const QUICK_PIXELS = 160 * 160;

/** By how much a picture is made smaller for a first result: the least power of two that brings it below. */
export function reductionFor(width: number, height: number): number {
  let factor = 1;
  while ((width * height) / (factor * factor) > QUICK_PIXELS) factor *= 2;
  return factor;
}

/** Means of factor x factor blocks, colours weighted by their alpha; what is left over at the ends is held. */
export function reducedImage(image: Image, factor: number): Image {
  const { width, height, data } = image;
  const out = emptyImage(Math.max(1, Math.floor(width / factor)), Math.max(1, Math.floor(height / factor)));
  const cells = factor * factor;
  for (let y = 0, q = 0; y < out.height; y++) {
    for (let x = 0; x < out.width; x++, q += 4) {
      let r = 0;
      let g = 0;
      let b = 0;
      let sum = 0;
      for (let dy = 0; dy < factor; dy++) {
        const row = Math.min(height - 1, y * factor + dy) * width;
        for (let dx = 0; dx < factor; dx++) {
          const p = 4 * (row + Math.min(width - 1, x * factor + dx));
          const alpha = data[p + 3];
          r += data[p] * alpha;
          g += data[p + 1] * alpha;
          b += data[p + 2] * alpha;
          sum += alpha;
        }
      }
      if (sum > 0) {
        out.data[q] = Math.round(r / sum);
        out.data[q + 1] = Math.round(g / sum);
        out.data[q + 2] = Math.round(b / sum);
      }
      out.data[q + 3] = Math.round(sum / cells);
    }
  }
  return out;
}

/**
 * A source at a fraction of its size, for a first result; the same where it cannot be made smaller, as a sheet whose
 * cells would not come out even.
 * @param remember while a control moves the same picture is made smaller again and again
 */
export function reducedSource(
  source: ReliefSource,
  factor: number,
  remember: Remember = rememberNothing,
): ReliefSource {
  const { image, cells, frames, normals, heights } = source;
  const grid = cells ?? source.recipe.cells;
  const isSheet = frames.length > 0 || grid.columns * grid.rows > 1 || grid.marginPx > 0;
  if (factor === 1 || isSheet || heights) return source;
  const smaller = (which: string, whole: Image) =>
    remember(`reduced ${which}`, [whole.data, factor], () => reducedImage(whole, factor));
  return {
    ...source,
    image: smaller('picture', image),
    artPx: source.artPx * factor,
    recipe: reducedRecipe(source.recipe, factor),
    borrowed: source.borrowed && reducedSource(source.borrowed, factor, apart(remember, 'lender')),
    normals: normals && { ...normals, image: smaller('normals', normals.image) },
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
