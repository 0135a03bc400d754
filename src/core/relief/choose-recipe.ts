/** Looks at a picture and chooses a recipe to begin with, and says in words what it saw. */
import { blurred } from '../raster/blur';
import { looksLikePixelArt, type Image } from '../raster/image';
import { ALL_CLOSED, distanceInside } from '../raster/distance';
import { atTrueSize, trueTimes } from './frames';
import { recipeWith, type Recipe } from './recipe';
import { reducedImage, reductionFor } from './reduced';
import { silhouetteOf } from './silhouette';
import { toneOf } from './tone';

export interface ChosenRecipe {
  recipe: Recipe;
  /** What the recipe makes, such as "bevel of 6 px and grain of 2 px". */
  chosen: string;
  /** What was seen, such as "pixel art with a silhouette, busy surface". */
  seen: string;
}

/** With less than this share of clear pixels a picture is a full tile. */
const TILE_SHARE = 0.02;
/** With more than this share of its pixels in outlines a picture is outlined. */
const OUTLINED_SHARE = 0.05;
/** Mean absolute lightness difference between neighbours, above which a surface is busy. */
const BUSY = 0.045;
/** Above this share of the picture's colours being dithered or noisy the finest octave is left out. */
const BUSY_OCTAVES = [0.25, 0.5, 0.6, 0.4, 0.15];
const CALM_OCTAVES = [1, 0.8, 0.5, 0.3, 0.1];

export function chooseRecipe(whole: Image): ChosenRecipe {
  const { recipe, seen } = looked(whole);
  return { recipe, seen, chosen: recipeWords(recipe) };
}

/** What a recipe makes, in a few words. */
function recipeWords({ body, grain }: Recipe): string {
  const parts: string[] = [];
  if (body.kind !== 'none') {
    const shape = body.kind === 'bevel' ? `bevel of ${body.widthPx} px` : 'inflated body';
    parts.push(body.regions === 'outlines' ? `${shape}, each outlined part by itself` : shape);
  }
  if (grain.heightPx !== 0) parts.push(`grain of ${grain.heightPx} px`);
  return parts.length === 0 ? 'flat' : parts.join(' and ');
}

function looked(whole: Image): Pick<ChosenRecipe, 'recipe' | 'seen'> {
  const pixelArt = looksLikePixelArt(whole);
  const times = pixelArt ? trueTimes(whole) : 1;
  // Of a large picture a smaller one tells enough.
  const image = pixelArt
    ? times === 1
      ? whole
      : atTrueSize(whole, times)
    : reducedImage(whole, reductionFor(whole.width, whole.height));
  const { inside, width, height } = silhouetteOf(image);
  const count = inside.reduce((sum, flag) => sum + flag, 0);
  if (count === 0)
    return {
      recipe: recipeWith({ body: { kind: 'none' }, grain: { heightPx: 0 } }),
      seen: 'nothing but clear pixels',
    };
  const isTile = count > (1 - TILE_SHARE) * inside.length;
  const tone = toneOf(image, inside, pixelArt);
  const isBusy = unrest(tone.lightness, inside, width, height) > BUSY;
  const octaves = isBusy ? BUSY_OCTAVES : CALM_OCTAVES;
  const drawn = times > 1 ? `pixel art at ${times} times its size` : pixelArt ? 'pixel art' : 'painted art';
  const surface = isBusy ? 'busy surface' : 'calm surface';
  if (isTile) {
    return {
      recipe: recipeWith({ body: { kind: 'none' }, grain: { heightPx: 3, octaves } }),
      seen: `${drawn}, full to its border, ${surface}`,
    };
  }
  const ink = tone.outlines().share.reduce((sum, share) => sum + (share > 0.5 ? 1 : 0), 0);
  const isOutlined = ink > OUTLINED_SHARE * count;
  const deepest = distanceInside(inside, width, height, ALL_CLOSED).reduce((a, b) => Math.max(a, b), 0);
  const widthPx = Math.max(1, Math.round(Math.min(24, deepest * 0.5) * 2) / 2);
  const recipe = recipeWith({
    body: {
      ...(pixelArt
        ? { kind: 'bevel', widthPx, heightPx: Math.round(widthPx * 0.6 * 10) / 10 }
        : { kind: 'inflate', fullness: 0.5 }),
      regions: isOutlined ? 'outlines' : 'silhouette',
    },
    grain: { heightPx: pixelArt ? 2 : 3, octaves },
  });
  return { recipe, seen: `${drawn} with a silhouette, ${isOutlined ? 'outlined, ' : ''}${surface}` };
}

/** Mean distance of lightness from its own smoothing by a pixel. */
function unrest(lightness: Float32Array, inside: Uint8Array, width: number, height: number): number {
  const smooth = blurred(lightness, inside, width, height, 0.7);
  let sum = 0;
  let count = 0;
  for (let i = 0; i < inside.length; i++) {
    if (!inside[i]) continue;
    sum += Math.abs(lightness[i] - smooth[i]);
    count++;
  }
  return sum / count;
}
