/**
 * A relief: height, normals and masks of a picture by its recipe, strokes and what was brought along. Pure; the same
 * bits on every machine. The work goes in two steps, so that painting need not make anew what lies below it: the
 * ground that recipe and imports give, and what strokes make of it.
 */
import { croppedPlane, putPlane } from '../raster/crop';
import type { Rect } from '../raster/rect';
import type { Image } from '../raster/image';
import { enlargedPlane } from './frames';
import type { PartDone } from './frame-heights';
import type { ReliefGround } from './ground';
import { groundOf, paintedPlanes } from './make-ground';
import { occlusionMask, rimMask, withPaint } from './masks';
import { normalsOf, type NormalMap, type Surface } from './normals';
import type { Recipe } from './recipe';
import type { Silhouette } from './silhouette';
import { plainSource, type ReliefSource } from './source';
import type { Planes } from './strokes/painted';
import { byColour, swatchesOf } from './swatches';
import { rememberNothing, type Remember } from './workings';

/** Written into every map: raised whenever the same source would give other pixels. */
export const RELIEF_VERSION = 4;

export interface ReliefResult {
  width: number;
  height: number;
  /** Heights in px of the art, 0 outside the silhouette. */
  heights: Float32Array;
  /** RGBA bytes in tangent space, Y up. */
  normals: Uint8Array;
}

/** @throws InputFault naming what does not fit the art */
export function reliefOf(
  source: ReliefSource,
  partDone: PartDone = () => {},
  remember: Remember = rememberNothing,
): ReliefResult {
  const ground = groundOf(source, partDone, remember);
  const planes = paintedPlanes(source, ground);
  partDone('strokes');
  const result = resultOf(ground, planes);
  partDone('normals');
  return result;
}

/** What slopes are taken from: the heights, or what was added to those that given facings stand for. */
export function surfaceOf(ground: ReliefGround, planes: Planes): Surface {
  const { image, silhouette, wrap, pixelArt, recipe, frames, given } = ground;
  return {
    width: image.width,
    height: image.height,
    heights: given ? planes.heights.map((h, i) => h - given.heights[i]) : planes.heights,
    inside: silhouette.inside,
    frames,
    wrap,
    pixelArt,
    strength: recipe.strength,
    facings: recipe.facings,
    paint: planes.facing,
    given: given?.normals ?? null,
  };
}

/** Brings a surface up to date with planes that changed within a part. */
export function refreshSurface(
  surface: Surface,
  { given, image }: ReliefGround,
  planes: Planes,
  rect: Rect,
): void {
  surface.paint = planes.facing;
  if (!given) {
    surface.heights = planes.heights;
    return;
  }
  for (let y = rect.top; y < rect.bottom; y++) {
    for (let i = y * image.width + rect.left, end = y * image.width + rect.right; i < end; i++)
      surface.heights[i] = planes.heights[i] - given.heights[i];
  }
}

/** The relief of a picture with nothing but a recipe. */
export function pictureRelief(image: Image, recipe: Recipe, partDone?: PartDone): ReliefResult {
  return reliefOf(plainSource(image, recipe), partDone);
}

/** @param normals at the ground's size, where they were made already */
export function resultOf(
  ground: ReliefGround,
  planes: Planes,
  normals = normalsOf(surfaceOf(ground, planes)),
): ReliefResult {
  const { image, times } = ground;
  if (times === 1) return { width: image.width, height: image.height, heights: planes.heights, normals };
  return {
    width: image.width * times,
    height: image.height * times,
    heights: enlargedHeights(planes.heights, ground),
    normals: enlargedPlane(normals, image.width, image.height, times, 4),
  };
}

function enlargedHeights(heights: Float32Array, { image, times }: ReliefGround): Float32Array {
  return enlargedPlane(
    heights.map((h) => h * times),
    image.width,
    image.height,
    times,
  );
}

/** Maps beside the normals, one byte a pixel of the art, and normals of 16 bit. */
export interface ReliefMaps extends ReliefResult {
  normals16: Uint16Array | null;
  rim: Uint8Array | null;
  occlusion: Uint8Array | null;
  glow: Uint8Array | null;
}

export interface WantedMaps {
  depth?: 8 | 16;
  rim?: boolean;
  occlusion?: boolean;
  glow?: boolean;
}

/** A relief with the maps that are asked for. Imported masks are taken as they are, with what was painted over them. */
export function reliefMaps(
  source: ReliefSource,
  wanted: WantedMaps,
  partDone: PartDone = () => {},
): ReliefMaps {
  const ground = groundOf(source, partDone);
  const planes = paintedPlanes(source, ground);
  partDone('strokes');
  const maps = mapsOf(source, ground, planes, wanted);
  partDone('normals');
  return maps;
}

export function mapsOf(
  source: ReliefSource,
  ground: ReliefGround,
  planes: Planes,
  { depth = 8, rim = false, occlusion = false, glow = false }: WantedMaps,
): ReliefMaps {
  const { image, times, recipe } = ground;
  const { width, height } = image;
  const surface = surfaceOf(ground, planes);
  const normals = normalsOf(surface);
  const large = <T extends Uint8Array | Uint16Array>(plane: T, channels = 1): T =>
    times === 1 ? plane : enlargedPlane(plane, width, height, times, channels);
  const mask = (imported: Uint8Array | null, made: () => Uint8Array, paint: Planes['rim']) => {
    if (!imported) return large(withPaint(made(), paint));
    const share = paint && { value: largeFloat(paint.value), share: largeFloat(paint.share) };
    return withPaint(imported, share);
  };
  const largeFloat = (plane: Float32Array) =>
    times === 1 ? plane : enlargedPlane(plane, width, height, times);
  return {
    width: width * times,
    height: height * times,
    heights: times === 1 ? planes.heights : enlargedHeights(planes.heights, ground),
    normals: large(normals, 4),
    normals16: depth === 16 ? large<NormalMap<16>>(normalsOf(surface, 16), 4) : null,
    rim: rim
      ? mask(
          source.rim,
          () => overFramesMask(ground, normals, (s, n) => rimMask(s, n, recipe.rim)),
          planes.rim,
        )
      : null,
    occlusion: occlusion ? mask(source.occlusion, () => frameOcclusion(ground, planes.heights), null) : null,
    glow: glow ? mask(source.glow, () => swatchGlow(ground), planes.glow) : null,
  };
}

function overFramesMask(
  { silhouette, frames }: ReliefGround,
  normals: Uint8Array,
  make: (silhouette: Silhouette, normals: Uint8Array) => Uint8Array,
): Uint8Array {
  const { width, height, alpha, inside } = silhouette;
  const out = new Uint8Array(width * height);
  for (const frame of frames) {
    const part: Silhouette = {
      width: frame.right - frame.left,
      height: frame.bottom - frame.top,
      alpha: croppedPlane(alpha, width, frame),
      inside: croppedPlane(inside, width, frame),
    };
    putPlane(out, width, frame, make(part, croppedPlane(normals, width, frame, 4)));
  }
  return out;
}

function frameOcclusion({ silhouette, frames, recipe }: ReliefGround, heights: Float32Array): Uint8Array {
  const { width, height, inside } = silhouette;
  const out = new Uint8Array(width * height).fill(255);
  for (const frame of frames) {
    const [w, h] = [frame.right - frame.left, frame.bottom - frame.top];
    const own = new Float32Array(w * h);
    for (let y = 0; y < h; y++) {
      const from = (frame.top + y) * width + frame.left;
      own.set(heights.subarray(from, from + w), y * w);
    }
    putPlane(
      out,
      width,
      frame,
      occlusionMask(own, croppedPlane(inside, width, frame), w, h, recipe.strength),
    );
  }
  return out;
}

function swatchGlow(ground: ReliefGround): Uint8Array {
  const { recipe, image } = ground;
  const glowing = recipe.swatches.some(({ glow }) => glow > 0);
  const none = new Uint8Array(image.width * image.height);
  if (!glowing) return none;
  const palette = ground.palette();
  const shares = byColour(palette, swatchesOf(palette, recipe.swatches), ({ glow }) => glow, 0);
  return shares ? Uint8Array.from(shares, (s) => Math.floor(255 * s + 0.5)) : none;
}
