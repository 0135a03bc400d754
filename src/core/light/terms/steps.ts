/** Light in steps: bands of brightness, the dither between them, and blocks of one place. */
import { BAYER8 } from '../../raster/bayer';

/** Steps of brightness. @param threshold 0.5, or the dither's, above 0 and below 1 */
export function banded(share: number, bands: number, threshold: number): number {
  return bands === 0 ? share : Math.min(bands, Math.floor(share * bands + threshold)) / bands;
}

/** The dither's threshold at a cell of the plane. */
export function ditherAt(column: number, row: number): number {
  return (BAYER8[(row & 7) * 8 + (column & 7)] + 0.5) / 64;
}

/** The place that stands for a point: the middle of its block, counted in the plane's own cells. */
export function blockPlace(v: number, origin: number, blockPx: number): number {
  return blockPx === 0 ? v : origin + (Math.floor((v - origin) / blockPx) + 0.5) * blockPx;
}
