/** A silhouette: its coverage, and which pixels count as inside. */
import { alphaOf, type Image } from '../raster/image';

export interface Silhouette {
  width: number;
  height: number;
  alpha: Uint8Array;
  /** 1 inside, 0 outside. */
  inside: Uint8Array;
}

/** From this coverage on a pixel belongs to the silhouette. */
export const INSIDE_ALPHA = 128;

export function silhouetteOf(image: Image): Silhouette {
  const alpha = alphaOf(image);
  const inside = new Uint8Array(alpha.length);
  for (let i = 0; i < inside.length; i++) inside[i] = alpha[i] >= INSIDE_ALPHA ? 1 : 0;
  return { width: image.width, height: image.height, alpha, inside };
}
