/** How often each value of a finished picture occurs. */
import { LUMINANCE } from '../raster/colour';
import type { Image } from '../raster/image';

export const BINS = 64;
const PER_BIN = 256 / BINS;

export interface Histogram {
  /** Pixels by their value, darkest first. */
  luminance: Uint32Array;
  red: Uint32Array;
  green: Uint32Array;
  blue: Uint32Array;
  pixels: number;
  /** Shares of the picture in which a channel is at its top, and in which all are at 0. */
  burntShare: number;
  blackShare: number;
}

/** Luma is of the values as they are shown. Cost: one pass. */
export function histogramOf({ width, height, data }: Image): Histogram {
  const [luminance, red, green, blue] = Array.from({ length: 4 }, () => new Uint32Array(BINS));
  let [burnt, black] = [0, 0];
  for (let i = 0; i < data.length; i += 4) {
    const [r, g, b] = [data[i], data[i + 1], data[i + 2]];
    red[(r / PER_BIN) | 0]++;
    green[(g / PER_BIN) | 0]++;
    blue[(b / PER_BIN) | 0]++;
    luminance[((LUMINANCE[0] * r + LUMINANCE[1] * g + LUMINANCE[2] * b) / PER_BIN) | 0]++;
    if (r === 255 || g === 255 || b === 255) burnt++;
    if (r === 0 && g === 0 && b === 0) black++;
  }
  const pixels = width * height;
  return { luminance, red, green, blue, pixels, burntShare: burnt / pixels, blackShare: black / pixels };
}
