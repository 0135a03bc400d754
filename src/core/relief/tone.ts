/**
 * The tone that grain is made of: perceptual lightness without dark outlines, and without what is dithering or noise.
 * Smoothing keeps edges: what counts is how much of the contrast about a pixel survives a small blur. A dither or
 * noise loses nearly all of it, an edge hardly any.
 */
import { smoothstep01 } from '../geometry/exact';
import { lightnessOf } from '../raster/colour';
import { closed } from '../raster/extremes';
import type { Image } from '../raster/image';
import { doubled, halfSide, halved, tapped, type Level } from '../raster/pyramid';
import type { Recipe } from './recipe';

/** Lines up to twice this thick count as outlines: of pixel art, and of painted art by its size. */
const PIXEL_OUTLINE_PX = 2;
const PAINTED_OUTLINE_SHARE = 1 / 170;
const THICKEST_OUTLINE_PX = 6;
/** Thicker ones are looked for at half the size. */
const FINE_OUTLINE_PX = 3;
/** An outline is darker than both sides by this much lightness, in full from the second on. */
const OUTLINE_STEP = [0.05, 0.12] as const;
/** Lightness from which a line is no outline, and below which it is one in full. */
const OUTLINE_DARK = [0.46, 0.26] as const;
/** How much unrest an edge outweighs; see `edgeShare`. */
const UNREST_WEIGHT = 1.5;
/** Contrast below a fifth of an 8-bit step is none. */
const NO_CONTRAST = 1e-6;

/** Lightness of a picture and the outlines in it; parts and grain both ask for them. */
export interface Tone {
  lightness: Float32Array;
  outlines(): Outlines;
}

export function toneOf(image: Image, inside: Uint8Array | null, pixelArt: boolean): Tone {
  const { width, height } = image;
  const lightness = lightnessOf(image.data, new Float32Array(width * height));
  let outlines: Outlines | null = null;
  return {
    lightness,
    outlines: () => (outlines ??= outlinesOf(lightness, inside, width, height, pixelArt)),
  };
}

/**
 * @param inside flags of the pixels that count; null for all
 * @returns lightness 0..1 of each pixel, cleaned where `inside`
 */
export function cleanTone(
  tone: Tone,
  inside: Uint8Array | null,
  width: number,
  height: number,
  { smoothPx, outlineGuard }: Pick<Recipe['grain'], 'smoothPx' | 'outlineGuard'>,
): Float32Array {
  let clean = tone.lightness;
  if (outlineGuard > 0) {
    const { share, lift } = tone.outlines();
    clean = clean.slice();
    for (let i = 0; i < clean.length; i++) if (share[i] > 0) clean[i] += outlineGuard * share[i] * lift[i];
  }
  return smoothPx > 0 ? calmed(clean, inside, width, height, smoothPx) : clean;
}

export interface Outlines {
  /** How much a pixel is part of an outline, 0 to 1. */
  share: Float32Array;
  /** By how much it is darker than what lies on both sides. */
  lift: Float32Array;
}

/** Dark lines: thin, and darker than both sides. */
function outlinesOf(
  tone: Float32Array,
  inside: Uint8Array | null,
  width: number,
  height: number,
  pixelArt: boolean,
): Outlines {
  const radius = outlineRadius(width, height, pixelArt);
  const lift =
    radius > FINE_OUTLINE_PX
      ? coarselyClosed(tone, inside, width, height, radius)
      : closed(tone, inside, width, height, radius);
  const share = new Float32Array(tone.length);
  const [step, fullStep] = OUTLINE_STEP;
  const [light, dark] = OUTLINE_DARK;
  for (let i = 0; i < tone.length; i++) {
    lift[i] -= tone[i];
    if (lift[i] <= step || (inside && !inside[i])) continue;
    const byStep = smoothstep01((lift[i] - step) / (fullStep - step));
    share[i] = byStep * smoothstep01((light - tone[i]) / (light - dark));
  }
  return { share, lift };
}

/** The closing at half the size, of the darkest of each four pixels, so that thin lines are not lost. */
function coarselyClosed(
  tone: Float32Array,
  inside: Uint8Array | null,
  width: number,
  height: number,
  radius: number,
): Float32Array {
  const w = halfSide(width);
  const h = halfSide(height);
  const darkest = new Float32Array(w * h).fill(2);
  const some = inside && new Uint8Array(w * h);
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      if (inside && !inside[i]) continue;
      const j = (y >> 1) * w + (x >> 1);
      if (tone[i] < darkest[j]) darkest[j] = tone[i];
      if (some) some[j] = 1;
    }
  }
  const small = closed(darkest, some, w, h, Math.ceil(radius / 2));
  const out = new Float32Array(tone.length);
  for (let y = 0, i = 0; y < height; y++) {
    const row = (y >> 1) * w;
    for (let x = 0; x < width; x++, i++) out[i] = small[row + (x >> 1)];
  }
  return out;
}

function outlineRadius(width: number, height: number, pixelArt: boolean): number {
  if (pixelArt) return PIXEL_OUTLINE_PX;
  const bySize = Math.round(Math.min(width, height) * PAINTED_OUTLINE_SHARE);
  return Math.min(THICKEST_OUTLINE_PX, Math.max(PIXEL_OUTLINE_PX, bySize));
}

/** Smooths by a Gaussian of smoothPx where there is no edge. */
function calmed(
  tone: Float32Array,
  inside: Uint8Array | null,
  width: number,
  height: number,
  smoothPx: number,
): Float32Array {
  const shares = inside && new Float32Array(inside);
  const sums = tone.slice();
  if (inside) for (let i = 0; i < sums.length; i++) if (!inside[i]) sums[i] = 0;
  const blur = tapped({ width, height, sums, shares }, 0.25);
  const blurred = means(blur);
  const unrest = new Float32Array(tone.length);
  for (let i = 0; i < unrest.length; i++) {
    const d = tone[i] - blurred[i];
    unrest[i] = !inside || inside[i] ? d * d : 0;
  }
  const about = means(regional({ width, height, sums: unrest, shares }));
  const mean = means(furtherBlurred(blur, smoothPx));
  const out = tone.slice();
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      if (inside && !inside[i]) continue;
      const gx = differenceAlong(blurred, inside, i, x > 0 ? 1 : 0, x < width - 1 ? 1 : 0);
      const gy = differenceAlong(blurred, inside, i, y > 0 ? width : 0, y < height - 1 ? width : 0);
      out[i] = mean[i] + edgeShare(gx * gx + gy * gy, about[i]) * (tone[i] - mean[i]);
    }
  }
  return out;
}

/** 1 where the contrast that survived a blur outweighs the unrest that did not. */
function edgeShare(contrast: number, unrest: number): number {
  if (contrast < NO_CONTRAST) return 0;
  const u = UNREST_WEIGHT * unrest;
  return (contrast * contrast) / (contrast * contrast + u * u);
}

function differenceAlong(
  plane: Float32Array,
  inside: Uint8Array | null,
  i: number,
  before: number,
  after: number,
): number {
  const b = !inside || inside[i - before] ? plane[i - before] : plane[i];
  const a = !inside || inside[i + after] ? plane[i + after] : plane[i];
  return (a - b) / 2;
}

/** Means over some four px about each. */
function regional(level: Level): Level {
  return doubled(tapped(tapped(halved(level), 0.25), 0.25), level.width, level.height);
}

/** Taps of a quarter have the variance one half; the first was made already. */
function furtherBlurred(first: Level, sigmaPx: number): Level {
  let level = first;
  let left = sigmaPx * sigmaPx - 0.5;
  while (left > 1e-6 && left <= 4) {
    level = tapped(level, Math.min(0.25, left / 2));
    left -= 0.5;
  }
  if (left <= 4) return level;
  // A wide smoothing is made at half the size, where it is a quarter of the variance.
  const small = furtherBlurred(tapped(halved(level), 0.25), Math.sqrt(left / 4 + 0.25));
  return doubled(small, level.width, level.height);
}

function means({ sums, shares }: Level): Float32Array {
  if (!shares) return sums;
  const out = new Float32Array(sums.length);
  for (let i = 0; i < out.length; i++) if (shares[i] > 0) out[i] = sums[i] / shares[i];
  return out;
}
