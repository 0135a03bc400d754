/** What a recipe makes of one frame: its parts, body, grain and swatches, before any stroke. */
import { blurred } from '../raster/blur';
import type { Beyond } from '../raster/distance';
import { emptyImage, type Image } from '../raster/image';
import type { Palette } from '../raster/palette';
import type { Wrap } from '../raster/wrap';
import { bodyHeight } from './body';
import { grainHeight } from './grain';
import { partsOf, type PartStroke } from './parts';
import type { Recipe, Swatch } from './recipe';
import { silhouetteOf, type Silhouette } from './silhouette';
import { byColour } from './swatches';
import { toneOf, type Tone } from './tone';
import type { Remember } from './workings';

/** Called after each part of the work; throws to stop it. */
export type PartDone = (
  part: 'silhouette' | 'parts' | 'body' | 'grain' | 'sanding' | 'strokes' | 'normals',
) => void;

export interface FrameInput {
  image: Image;
  recipe: Recipe;
  pixelArt: boolean;
  wrap: Wrap;
  /** Colours of this frame's pixels, and what the recipe says of each; null where it says nothing. */
  palette: Palette | null;
  swatches: readonly (Swatch | null)[];
  partStrokes: readonly PartStroke[];
  /** Whether the body is made here, or taken from elsewhere and only grain is wanted. */
  hasBody: boolean;
  remember: Remember;
}

/** A seamless tile is made with so much of itself around it, or with as much as its bevel is wide. */
const AROUND_PX = 64;
const WIDEST_AROUND_PX = 512;

/** @returns heights in px of the frame, 0 outside the silhouette */
export function frameHeights(input: FrameInput, partDone: PartDone): Float32Array {
  const { wrap, image } = input;
  if (!wrap.x && !wrap.y) return openHeights(input, partDone);
  const around = Math.min(WIDEST_AROUND_PX, Math.max(AROUND_PX, Math.ceil(input.recipe.body.widthPx) + 2));
  const padX = wrap.x ? around : 0;
  const padY = wrap.y ? around : 0;
  const wide = repeated(input, padX, padY);
  const heights = openHeights(wide, partDone);
  const out = new Float32Array(image.width * image.height);
  for (let y = 0; y < image.height; y++) {
    const from = (y + padY) * wide.image.width + padX;
    out.set(heights.subarray(from, from + image.width), y * image.width);
  }
  return out;
}

/** The tile with itself around it. */
function repeated(input: FrameInput, padX: number, padY: number): FrameInput {
  const { image, palette, remember } = input;
  const indices = palette?.indices ?? null;
  const wide = remember('repeated', [image.data, indices, padX, padY], () =>
    repeatedPixels(image, indices, padX, padY),
  );
  const partStrokes = input.partStrokes.map(({ kind, points }) => ({
    kind,
    points: points.map((v, k) => v + (k % 2 === 0 ? padX : padY)),
  }));
  return {
    ...input,
    image: wide.image,
    palette: palette && { ...palette, indices: wide.indices! },
    partStrokes,
  };
}

function repeatedPixels(
  image: Image,
  indices: Uint8Array | null,
  padX: number,
  padY: number,
): { image: Image; indices: Uint8Array | null } {
  const { width, height } = image;
  const out = emptyImage(width + 2 * padX, height + 2 * padY);
  const wideIndices = indices && new Uint8Array(out.width * out.height);
  const from = new Uint32Array(image.data.slice().buffer);
  const to = new Uint32Array(out.data.buffer);
  for (let y = 0, i = 0; y < out.height; y++) {
    const row = ((((y - padY) % height) + height) % height) * width;
    for (let x = 0; x < out.width; x++, i++) {
      const j = row + ((((x - padX) % width) + width) % width);
      to[i] = from[j];
      if (indices) wideIndices![i] = indices[j];
    }
  }
  return { image: out, indices: wideIndices };
}

function openHeights(input: FrameInput, partDone: PartDone): Float32Array {
  const { image, recipe, pixelArt, wrap, palette, swatches, remember } = input;
  const { width, height } = image;
  const silhouette = remember('silhouette', [image.data], () => silhouetteOf(image));
  const { inside } = silhouette;
  const flags = inside.includes(0) ? inside : null;
  partDone('silhouette');
  const beyond: Beyond = { openX: wrap.x, openY: wrap.y };
  const tone = remember('tone', [image.data, pixelArt], () => toneOf(image, flags, pixelArt));
  const parts = input.hasBody ? frameParts(input, silhouette, tone) : null;
  partDone('parts');
  const ground = { silhouette, parts, beyond, pixelArt, remember };
  const body = input.hasBody ? bodyHeight(ground, recipe.body) : null;
  const heights = body ?? new Float32Array(width * height);
  partDone('body');
  const counts = tonedPixels(input, inside) ?? flags;
  const grain = grainHeight(tone, counts, width, height, recipe.grain, remember);
  if (grain) for (let i = 0; i < heights.length; i++) heights[i] += grain[i];
  const raised = input.hasBody && palette && byColour(palette, swatches, ({ heightPx }) => heightPx, 0);
  if (raised) {
    // Painted art has no hard borders between its colours.
    const soft = pixelArt ? raised : blurred(raised, inside, width, height, 1);
    for (let i = 0; i < heights.length; i++) if (inside[i]) heights[i] += soft[i];
  }
  partDone('grain');
  if (recipe.sandingPx === 0) return heights;
  const sanded = blurred(heights, flags, width, height, recipe.sandingPx);
  partDone('sanding');
  return sanded;
}

/** Flags of the pixels whose tone counts; null where no colour is muted. */
function tonedPixels({ palette, swatches, remember }: FrameInput, inside: Uint8Array): Uint8Array | null {
  if (!palette) return null;
  const mutes = swatches.map((swatch) => Number(swatch?.mute ?? false)).join('');
  return remember('toned', [inside, palette.indices, mutes], () => {
    const muted = byColour(palette, swatches, (swatch) => (swatch.mute ? 1 : 0), 0);
    return muted && inside.map((flag, i) => (muted[i] > 0 ? 0 : flag));
  });
}

/** The labels by which the body is parted, or null where only the whole counts. */
function frameParts(
  { image, recipe, partStrokes, remember }: FrameInput,
  silhouette: Silhouette,
  tone: Tone,
): Uint16Array | null {
  const { kind, regions, partShare } = recipe.body;
  const isParted = regions !== 'silhouette' || partStrokes.length > 0;
  if (kind === 'none' || partShare === 0 || !isParted) return null;
  return remember('parts', [silhouette, tone, regions, JSON.stringify(partStrokes)], () =>
    partsOf(image, silhouette, tone, regions, partStrokes),
  );
}
