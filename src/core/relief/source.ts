/** Everything that a relief is made of. */
import type { HeightPicture } from '../raster/height-picture';
import type { Image } from '../raster/image';
import type { Rect } from '../raster/rect';
import type { PartStroke } from './parts';
import type { Cells, Recipe } from './recipe';
import type { Pasted, Stroke } from './strokes/stroke';

/** How a normal map that was brought along is used: as the facings themselves, or as a height beside the rest. */
export const IMPORTED_USES = ['facings', 'height'] as const;
export type ImportedUse = (typeof IMPORTED_USES)[number];

export interface ImportedNormals {
  /** The file's pixels, of the art's size. */
  image: Image;
  /** Whether its green points up. */
  yUp: boolean;
  /** Whether a person said so. */
  orientationChosen: boolean;
  use: ImportedUse;
  /** How much of its height is added, where it is used as one. */
  share: number;
}

export interface ImportedHeights {
  picture: HeightPicture;
  /** Heights of black and of white. */
  lowPx: number;
  highPx: number;
}

export interface SourceStroke {
  stroke: Stroke;
  pasted: Pasted | null;
}

export interface ReliefSource {
  image: Image;
  /** How many px of the art one px of the image is: more than 1 for a first, reduced result. */
  artPx: number;
  recipe: Recipe;
  /** The artwork's own cells; null takes those of the recipe. */
  cells: Cells | null;
  /** The parts of the picture that are made each by itself; none leaves it to the cells. */
  frames: readonly Rect[];
  /** The visible layers of strokes, lowest first. */
  layers: readonly (readonly SourceStroke[])[];
  partStrokes: readonly PartStroke[];
  /** Another artwork's relief, taken in the place of an own one. */
  borrowed: ReliefSource | null;
  normals: ImportedNormals | null;
  heights: ImportedHeights | null;
  /** Masks that were brought along, one byte a pixel. */
  rim: Uint8Array | null;
  occlusion: Uint8Array | null;
  glow: Uint8Array | null;
}

/** The source of a picture with nothing but a recipe. */
export function plainSource(image: Image, recipe: Recipe): ReliefSource {
  return {
    image,
    artPx: 1,
    recipe,
    cells: null,
    frames: [],
    layers: [],
    partStrokes: [],
    borrowed: null,
    normals: null,
    heights: null,
    rim: null,
    occlusion: null,
    glow: null,
  };
}
