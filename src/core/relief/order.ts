/**
 * An order for a relief: plain data that names its pictures by their hashes. It goes to workers, and stands for the
 * result in a cache.
 */
import { InputFault } from '../faults';
import type { HeightPicture } from '../raster/height-picture';
import type { Image } from '../raster/image';
import type { Rect } from '../raster/rect';
import { checkSameSize } from './imported';
import type { PartStroke } from './parts';
import { readRecipe, type Cells, type Recipe } from './recipe';
import { RELIEF_VERSION } from './relief-of';
import type { ImportedUse, ReliefSource, SourceStroke } from './source';
import type { Stroke } from './strokes/stroke';

export interface ReliefOrder {
  imageSha: string;
  recipe: Recipe;
  cells: Cells | null;
  /** The parts of the picture that are made each by itself; none leaves it to the cells. */
  frames: Rect[];
  layers: Stroke[][];
  partStrokes: PartStroke[];
  borrowed: ReliefOrder | null;
  normals: { sha: string; yUp: boolean; use: ImportedUse; share: number } | null;
  heights: { sha: string; lowPx: number; highPx: number } | null;
  rimSha: string | null;
  occlusionSha: string | null;
  glowSha: string | null;
}

/** Decoded pictures by the hash of their files. */
export interface OrderPictures {
  image(sha256: string): Image;
  heights(sha256: string): HeightPicture;
}

/** The order of a picture with nothing but a recipe. */
export function plainOrder(imageSha: string, recipe: Recipe): ReliefOrder {
  return {
    imageSha,
    recipe,
    cells: null,
    frames: [],
    layers: [],
    partStrokes: [],
    borrowed: null,
    normals: null,
    heights: null,
    rimSha: null,
    occlusionSha: null,
    glowSha: null,
  };
}

/** The pictures that an order needs: those read as colours, and those read as heights. */
export function picturesOf(order: ReliefOrder): { images: string[]; heights: string[] } {
  const images = new Set<string>([order.imageSha]);
  const heights = new Set<string>();
  for (const sha of [order.normals?.sha, order.rimSha, order.occlusionSha, order.glowSha])
    if (sha) images.add(sha);
  if (order.heights) heights.add(order.heights.sha);
  for (const { kind, pictureSha } of order.layers.flat()) {
    if (pictureSha === null) continue;
    (kind === 'paste-height' ? heights : images).add(pictureSha);
  }
  if (order.borrowed) {
    const lent = picturesOf(order.borrowed);
    for (const sha of lent.images) images.add(sha);
    for (const sha of lent.heights) heights.add(sha);
  }
  return { images: [...images], heights: [...heights] };
}

/** The same text for the same relief; a new version of the algorithm gives another. */
export function orderText(order: ReliefOrder): string {
  return `${RELIEF_VERSION} ${JSON.stringify(order)}`;
}

/** The part of an order that strokes are laid on: orders that share it differ in their strokes alone. */
export function groundText({
  layers: _layers,
  rimSha: _rim,
  occlusionSha: _occlusion,
  glowSha: _glow,
  ...rest
}: ReliefOrder): string {
  return `${RELIEF_VERSION} ${JSON.stringify(rest)}`;
}

/** Whether anything of the artwork is self-lit: by a mask, a swatch or a stroke. */
export function glowsOf(order: ReliefOrder): boolean {
  const isPainted = (layers: ReliefOrder['layers']) =>
    layers.some((layer) => layer.some(({ kind }) => kind === 'glow'));
  const lent = order.borrowed !== null && isPainted(order.borrowed.layers);
  return (
    order.glowSha !== null ||
    isPainted(order.layers) ||
    lent ||
    order.recipe.swatches.some(({ glow }) => glow > 0)
  );
}

/** @throws InputFault where a picture's size does not fit the art */
export function sourceOf(order: ReliefOrder, pictures: OrderPictures): ReliefSource {
  const image = pictures.image(order.imageSha);
  const mask = (sha: string | null, what: string) => {
    if (sha === null) return null;
    const picture = pictures.image(sha);
    checkSameSize(what, picture, image);
    return greyOf(picture);
  };
  return {
    image,
    artPx: 1,
    recipe: readRecipe(order.recipe),
    cells: order.cells,
    frames: order.frames,
    layers: order.layers.map((layer) => layer.map((stroke) => sourceStroke(stroke, pictures))),
    partStrokes: order.partStrokes,
    borrowed: order.borrowed && sourceOf(order.borrowed, pictures),
    normals: order.normals && { ...order.normals, image: pictures.image(order.normals.sha) },
    heights: order.heights && { ...order.heights, picture: pictures.heights(order.heights.sha) },
    rim: mask(order.rimSha, 'The rim mask'),
    occlusion: mask(order.occlusionSha, 'The occlusion map'),
    glow: mask(order.glowSha, 'The glow mask'),
  };
}

function sourceStroke(stroke: Stroke, pictures: OrderPictures): SourceStroke {
  if (stroke.kind === 'paste-face' || stroke.kind === 'paste-height') {
    const sha = stroke.pictureSha;
    if (sha === null) throw new InputFault('A pasted stroke has no picture.', 'pictureSha');
    const pasted =
      stroke.kind === 'paste-face' ? { facings: pictures.image(sha) } : { heights: pictures.heights(sha) };
    return { stroke, pasted };
  }
  return { stroke, pasted: null };
}

/** The self-lit share of each pixel of an artwork. @throws InputFault where the mask's size does not fit the art */
export function glowShares(mask: Image, art: Pick<Image, 'width' | 'height'>): Uint8Array {
  checkSameSize('The glow mask', mask, art);
  return greyOf(mask);
}

/** A mask's value of each pixel: its first channel, as far as it is covered. */
export function greyOf({ data }: Image): Uint8Array {
  const out = new Uint8Array(data.length / 4);
  for (let i = 0; i < out.length; i++) out[i] = Math.floor((data[4 * i] * data[4 * i + 3]) / 255 + 0.5);
  return out;
}
