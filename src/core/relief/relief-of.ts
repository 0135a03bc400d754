/** A relief: height and normals of a picture by a recipe. Pure; the same bits on every machine. */
import { blurred, NO_WRAP, type Wrap } from '../raster/blur';
import { alphaOf, checkImage, looksLikePixelArt, type Image } from '../raster/image';
import { bevelHeight, inflateHeight, type Silhouette } from './body';
import { grainHeight } from './grain';
import { normalsOf } from './normals';
import type { Recipe } from './recipe';

/** Written into every map: raised whenever the same recipe would give other pixels. */
export const RELIEF_VERSION = 1;

/** From this coverage on a pixel belongs to the silhouette. */
export const INSIDE_ALPHA = 128;

export interface ReliefResult {
  width: number;
  height: number;
  /** Heights in px of the art, 0 outside the silhouette. */
  heights: Float32Array;
  /** RGBA bytes in tangent space, Y up. */
  normals: Uint8Array;
}

/** Called between the parts with the name of the one that was finished; throws to stop the work. */
export type PartDone = (part: 'silhouette' | 'body' | 'grain' | 'sanding' | 'normals') => void;

export function reliefOf(image: Image, recipe: Recipe, partDone: PartDone = () => {}): ReliefResult {
  checkImage(image);
  const { width, height } = image;
  const pixelArt = recipe.pixelArt === 'auto' ? looksLikePixelArt(image) : recipe.pixelArt === 'yes';
  const wrap = wrapOf(recipe);
  const silhouette = silhouetteOf(image);
  partDone('silhouette');
  let heights = bodyHeight(silhouette, recipe, pixelArt);
  partDone('body');
  const grain = grainHeight(image, silhouette.inside, recipe.grain, wrap);
  for (let i = 0; i < heights.length; i++) heights[i] += grain[i];
  partDone('grain');
  if (recipe.sandingPx > 0)
    heights = blurred(heights, silhouette.inside, width, height, recipe.sandingPx, wrap);
  partDone('sanding');
  const normals = normalsOf(heights, silhouette.inside, width, height, recipe.strength, wrap, pixelArt);
  partDone('normals');
  return { width, height, heights, normals };
}

export function wrapOf({ seamless }: Recipe): Wrap {
  if (seamless === 'none') return NO_WRAP;
  return { x: seamless !== 'y', y: seamless !== 'x' };
}

export function silhouetteOf(image: Image): Silhouette {
  const alpha = alphaOf(image);
  const inside = new Uint8Array(alpha.length);
  for (let i = 0; i < inside.length; i++) inside[i] = alpha[i] >= INSIDE_ALPHA ? 1 : 0;
  return { width: image.width, height: image.height, alpha, inside };
}

function bodyHeight(silhouette: Silhouette, { body, seamless }: Recipe, pixelArt: boolean): Float32Array {
  switch (body.kind) {
    case 'none':
      return new Float32Array(silhouette.inside.length);
    case 'bevel':
      return bevelHeight(silhouette, body, seamless !== 'none', !pixelArt);
    case 'inflate':
      return inflateHeight(silhouette, body.fullness);
  }
}
