/** Shapes whose surfaces are known exactly, for tests and benchmarks. */
import { emptyImage, type Image } from '../../raster/image';

/** Places in a pixel, along each side, at which a shape is asked whether it covers them. */
const PLACES = 8;

/** A grey picture whose alpha is the share of each pixel that a shape covers. */
export function shapeImage(
  width: number,
  height: number,
  covers: (x: number, y: number) => boolean,
  edge: 'soft' | 'hard' = 'soft',
): Image {
  const image = emptyImage(width, height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      let hits = 0;
      for (let k = 0; k < PLACES * PLACES; k++) {
        if (covers(x + ((k % PLACES) + 0.5) / PLACES, y + (Math.floor(k / PLACES) + 0.5) / PLACES)) hits++;
      }
      const share = hits / (PLACES * PLACES);
      const alpha = edge === 'hard' ? (share >= 0.5 ? 255 : 0) : Math.round(share * 255);
      image.data.set([128, 128, 128, alpha], 4 * (y * width + x));
    }
  }
  return image;
}

/** An opaque picture of a grey by place. */
export function toneImage(width: number, height: number, toneAt: (x: number, y: number) => number): Image {
  const image = emptyImage(width, height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const v = Math.round(toneAt(x + 0.5, y + 0.5));
      image.data.set([v, v, v, 255], 4 * (y * width + x));
    }
  }
  return image;
}

/** A picture turned by a quarter, clockwise as seen. */
export function quarterTurned({ width, height, data }: Image): Image {
  const out = emptyImage(height, width);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const to = 4 * (x * height + (height - 1 - y));
      out.data.set(data.subarray(4 * (y * width + x), 4 * (y * width + x) + 4), to);
    }
  }
  return out;
}

/** A picture with left and right exchanged. */
export function mirrored({ width, height, data }: Image): Image {
  const out = emptyImage(width, height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const to = 4 * (y * width + width - 1 - x);
      out.data.set(data.subarray(4 * (y * width + x), 4 * (y * width + x) + 4), to);
    }
  }
  return out;
}
