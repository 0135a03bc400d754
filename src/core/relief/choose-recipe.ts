/** Looks at a picture and chooses a recipe to begin with, and says in words what it saw. */
import { blurred } from '../raster/blur';
import { lightnessOf } from '../raster/colour';
import { looksLikePixelArt, type Image } from '../raster/image';
import { ALL_CLOSED, distanceInside } from '../raster/distance';
import { recipeWith, type Recipe } from './recipe';
import { reducedImage, reductionFor } from './reduced';
import { silhouetteOf } from './silhouette';

export interface ChosenRecipe {
  recipe: Recipe;
  /** What was seen, such as "pixel art with a silhouette, busy surface". */
  seen: string;
}

/** With less than this share of clear pixels a picture is a full tile. */
const TILE_SHARE = 0.02;
/** Mean absolute lightness difference between neighbours, above which a surface is busy. */
const BUSY = 0.045;
/** Above this share of the picture's colours being dithered or noisy the finest octave is left out. */
const BUSY_OCTAVES = [0.25, 0.5, 0.6, 0.4, 0.15];
const CALM_OCTAVES = [1, 0.8, 0.5, 0.3, 0.1];

export function chooseRecipe(whole: Image): ChosenRecipe {
  const pixelArt = looksLikePixelArt(whole);
  // Of a large picture a smaller one tells enough.
  const factor = pixelArt ? 1 : reductionFor(whole.width, whole.height);
  const image = factor === 1 ? whole : reducedImage(whole, factor);
  const { inside, width, height } = silhouetteOf(image);
  const count = inside.reduce((sum, flag) => sum + flag, 0);
  const art = pixelArt ? 'pixel art' : 'painted art';
  if (count === 0)
    return { recipe: recipeWith({ body: { kind: 'none' } }), seen: 'nothing but clear pixels' };
  const isTile = count > (1 - TILE_SHARE) * inside.length;
  const isBusy = unrest(image, inside) > BUSY;
  const octaves = isBusy ? BUSY_OCTAVES : CALM_OCTAVES;
  const surface = isBusy ? 'busy surface' : 'calm surface';
  if (isTile) {
    return {
      recipe: recipeWith({ body: { kind: 'none' }, grain: { heightPx: 3, octaves } }),
      seen: `${art}, full to its border, ${surface}`,
    };
  }
  const deepest = distanceInside(inside, width, height, ALL_CLOSED).reduce((a, b) => Math.max(a, b), 0);
  const widthPx = Math.max(1, Math.round(Math.min(24, deepest * 0.5) * 2) / 2);
  const recipe = recipeWith({
    body: pixelArt
      ? { kind: 'bevel', widthPx, heightPx: Math.round(widthPx * 0.6 * 10) / 10 }
      : { kind: 'inflate', fullness: 0.5 },
    grain: { heightPx: pixelArt ? 2 : 3, octaves },
  });
  return { recipe, seen: `${art} with a silhouette, ${surface}` };
}

/** Mean distance of lightness from its own smoothing by a pixel. */
function unrest(image: Image, inside: Uint8Array): number {
  const lightness = lightnessOf(image.data, new Float32Array(inside.length));
  const smooth = blurred(lightness, inside, image.width, image.height, 0.7);
  let sum = 0;
  let count = 0;
  for (let i = 0; i < inside.length; i++) {
    if (!inside[i]) continue;
    sum += Math.abs(lightness[i] - smooth[i]);
    count++;
  }
  return sum / count;
}
