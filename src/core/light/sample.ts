/**
 * Reading art: the nearest texel for pixel art, four weighted ones for painted art, each decoded into light space
 * and premultiplied before weighting, never beyond the frame.
 */
import { SRGB_BYTE_TO_LINEAR, type LightSpace, type Rgb } from '../raster/colour';
import type { PicturePixels } from '../moment/moment';
import type { Rect } from '../raster/rect';
import { NORMAL_BYTE_TO_VALUE, SHORTEST_NORMAL } from './terms/facing';

/** Where each value of a sample stands. Colours premultiplied, the normal a unit vector in art axes, y down. */
export const SAMPLE = { r: 0, g: 1, b: 2, alpha: 3, nx: 4, ny: 5, nz: 6, glow: 7, rim: 8 } as const;
export const SAMPLE_SIZE = 9;

const DISPLAY_VALUES = Float64Array.from({ length: 256 }, (_, i) => i / 255);

/** The value of each byte of art in a light space. */
export function artValues(space: LightSpace): Float64Array {
  return space === 'linear' ? SRGB_BYTE_TO_LINEAR : DISPLAY_VALUES;
}

/**
 * @param frame the part of the picture that is read
 * @param u,v place in px of the frame; the caller has seen that it lies within
 * @param out SAMPLE_SIZE values
 */
export function samplePicture(
  pixels: PicturePixels,
  frame: Rect,
  u: number,
  v: number,
  nearest: boolean,
  space: LightSpace,
  out: Float64Array,
): void {
  for (let i = 0; i < SAMPLE_SIZE; i++) out[i] = 0;
  const values = artValues(space);
  if (nearest) {
    addTexel(pixels, frame, Math.floor(u), Math.floor(v), 1, values, out);
  } else {
    const x = u - 0.5;
    const y = v - 0.5;
    const x0 = Math.floor(x);
    const y0 = Math.floor(y);
    const fx = x - x0;
    const fy = y - y0;
    addTexel(pixels, frame, x0, y0, (1 - fx) * (1 - fy), values, out);
    addTexel(pixels, frame, x0 + 1, y0, fx * (1 - fy), values, out);
    addTexel(pixels, frame, x0, y0 + 1, (1 - fx) * fy, values, out);
    addTexel(pixels, frame, x0 + 1, y0 + 1, fx * fy, values, out);
  }
  finishSample(out);
}

/** The sample of a sprite without art: one colour, opaque, flat. @param colour in light space */
export function samplePlain(colour: Rgb, out: Float64Array): void {
  for (let i = 0; i < SAMPLE_SIZE; i++) out[i] = 0;
  out[SAMPLE.r] = colour[0];
  out[SAMPLE.g] = colour[1];
  out[SAMPLE.b] = colour[2];
  out[SAMPLE.alpha] = 1;
  out[SAMPLE.nz] = 1;
}

function addTexel(
  { width, rgba, normal, glow, rim }: PicturePixels,
  { left, top, right, bottom }: Rect,
  x: number,
  y: number,
  weight: number,
  values: Float64Array,
  out: Float64Array,
): void {
  const cx = Math.min(right - 1, Math.max(left, left + x));
  const cy = Math.min(bottom - 1, Math.max(top, top + y));
  const i = cy * width + cx;
  const share = (weight * rgba[4 * i + 3]) / 255;
  out[SAMPLE.r] += share * values[rgba[4 * i]];
  out[SAMPLE.g] += share * values[rgba[4 * i + 1]];
  out[SAMPLE.b] += share * values[rgba[4 * i + 2]];
  out[SAMPLE.alpha] += share;
  if (normal) {
    out[SAMPLE.nx] += share * NORMAL_BYTE_TO_VALUE[normal[4 * i]];
    // The file's green points up, the scene's y down.
    out[SAMPLE.ny] -= share * NORMAL_BYTE_TO_VALUE[normal[4 * i + 1]];
    out[SAMPLE.nz] += share * NORMAL_BYTE_TO_VALUE[normal[4 * i + 2]];
  }
  if (glow) out[SAMPLE.glow] += (share * glow[i]) / 255;
  if (rim) out[SAMPLE.rim] += (share * rim[i]) / 255;
}

/** The normal to unit length (flat where it says nothing), glow and rim to shares of the alpha. */
function finishSample(out: Float64Array): void {
  const alpha = out[SAMPLE.alpha];
  const { nx, ny, nz } = SAMPLE;
  const length = Math.sqrt(out[nx] * out[nx] + out[ny] * out[ny] + out[nz] * out[nz]);
  if (alpha === 0 || length < SHORTEST_NORMAL * alpha) {
    out[nx] = 0;
    out[ny] = 0;
    out[nz] = 1;
  } else {
    out[nx] /= length;
    out[ny] /= length;
    out[nz] /= length;
  }
  if (alpha > 0) {
    out[SAMPLE.glow] /= alpha;
    out[SAMPLE.rim] /= alpha;
  }
}
