/**
 * A relief to be made, as plain data that names its pictures by their hashes. It goes to workers, and stands for the
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
import type { ImportedNormals, ReliefSource, SourceStroke } from './source';
import type { Stroke } from './strokes/stroke';

export interface ReliefJob {
  imageSha: string;
  recipe: Recipe;
  cells: Cells | null;
  /** The parts of the picture that are made each by itself; none leaves it to the cells. */
  frames: Rect[];
  layers: Stroke[][];
  partStrokes: PartStroke[];
  borrowed: ReliefJob | null;
  normals: (Omit<ImportedNormals, 'image'> & { sha: string }) | null;
  heights: { sha: string; lowPx: number; highPx: number } | null;
  rimSha: string | null;
  occlusionSha: string | null;
  glowSha: string | null;
}

/** Decoded pictures by the hash of their files. */
export interface JobPictures {
  image(sha256: string): Image;
  heights(sha256: string): HeightPicture;
}

/** The job of a picture with nothing but a recipe. */
export function plainJob(imageSha: string, recipe: Recipe): ReliefJob {
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

/** The pictures that a job needs: those read as colours, and those read as heights. */
export function picturesOf(job: ReliefJob): { images: string[]; heights: string[] } {
  const images = new Set<string>([job.imageSha]);
  const heights = new Set<string>();
  for (const sha of [job.normals?.sha, job.rimSha, job.occlusionSha, job.glowSha]) if (sha) images.add(sha);
  if (job.heights) heights.add(job.heights.sha);
  for (const { kind, pictureSha } of job.layers.flat()) {
    if (pictureSha === null) continue;
    (kind === 'paste-height' ? heights : images).add(pictureSha);
  }
  if (job.borrowed) {
    const lent = picturesOf(job.borrowed);
    for (const sha of lent.images) images.add(sha);
    for (const sha of lent.heights) heights.add(sha);
  }
  return { images: [...images], heights: [...heights] };
}

/** The same text for the same relief; a new version of the algorithm gives another. */
export function jobText(job: ReliefJob): string {
  return `${RELIEF_VERSION} ${JSON.stringify(job)}`;
}

/** The part of a job that strokes are laid on: jobs that have it in common differ in their strokes alone. */
export function groundText({
  layers: _layers,
  rimSha: _rim,
  occlusionSha: _occlusion,
  glowSha: _glow,
  ...rest
}: ReliefJob): string {
  return `${RELIEF_VERSION} ${JSON.stringify(rest)}`;
}

/** Whether anything of the artwork is self-lit: by a mask, a swatch or a stroke. */
export function glowsOf(job: ReliefJob): boolean {
  const isPainted = (layers: ReliefJob['layers']) =>
    layers.some((layer) => layer.some(({ kind }) => kind === 'glow'));
  const lent = job.borrowed !== null && isPainted(job.borrowed.layers);
  return (
    job.glowSha !== null || isPainted(job.layers) || lent || job.recipe.swatches.some(({ glow }) => glow > 0)
  );
}

/** @throws InputFault where a picture's size does not fit the art */
export function sourceOf(job: ReliefJob, pictures: JobPictures): ReliefSource {
  const image = pictures.image(job.imageSha);
  const mask = (sha: string | null, what: string) => {
    if (sha === null) return null;
    const picture = pictures.image(sha);
    checkSameSize(what, picture, image);
    return greyOf(picture);
  };
  return {
    image,
    artPx: 1,
    recipe: readRecipe(job.recipe),
    cells: job.cells,
    frames: job.frames,
    layers: job.layers.map((layer) => layer.map((stroke) => sourceStroke(stroke, pictures))),
    partStrokes: job.partStrokes,
    borrowed: job.borrowed && sourceOf(job.borrowed, pictures),
    normals: job.normals && { ...job.normals, image: pictures.image(job.normals.sha) },
    heights: job.heights && { ...job.heights, picture: pictures.heights(job.heights.sha) },
    rim: mask(job.rimSha, 'The rim mask'),
    occlusion: mask(job.occlusionSha, 'The occlusion map'),
    glow: mask(job.glowSha, 'The glow mask'),
  };
}

function sourceStroke(stroke: Stroke, pictures: JobPictures): SourceStroke {
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
