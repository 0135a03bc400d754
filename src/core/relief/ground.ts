/** What recipe and imports give, before any stroke: the ground that strokes are laid on. */
import type { Rect } from '../raster/rect';
import type { Image } from '../raster/image';
import type { Palette } from '../raster/palette';
import type { Wrap } from '../raster/wrap';
import type { Recipe } from './recipe';
import type { Silhouette } from './silhouette';
import type { PaintGround, Planes } from './strokes/painted';

/** Its px are `times` px of the art each: pixel art that was drawn enlarged is handled at its true size. */
export interface ReliefGround {
  image: Image;
  silhouette: Silhouette;
  recipe: Recipe;
  pixelArt: boolean;
  times: number;
  frames: Rect[];
  wrap: Wrap;
  planes: Planes;
  /** Facings that were brought along, RGBA bytes, Y up, and the heights that they stand for. */
  given: { normals: Uint8Array; heights: Float32Array } | null;
  parts(): Uint16Array;
  palette(): Palette;
}

export function paintGroundOf(ground: ReliefGround): PaintGround {
  const { image, silhouette, frames, wrap, pixelArt, parts, palette } = ground;
  return {
    width: image.width,
    height: image.height,
    inside: silhouette.inside,
    frames,
    wrap,
    pixelArt,
    parts,
    colours: () => palette().indices,
  };
}
