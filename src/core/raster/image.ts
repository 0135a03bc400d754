/** A picture of 8-bit straight-alpha RGBA, row by row from the top. */
export interface Image {
  width: number;
  height: number;
  data: Uint8Array;
}

export function emptyImage(width: number, height: number): Image {
  return { width, height, data: new Uint8Array(width * height * 4) };
}

/** @throws RangeError where the data does not fit the sides */
export function checkImage({ width, height, data }: Image): void {
  if (data.length !== width * height * 4) {
    throw new RangeError(
      `expected ${width * height * 4} values for ${width}x${height} RGBA, got ${data.length}`,
    );
  }
}

/** The alpha of each pixel. */
export function alphaOf(image: Image): Uint8Array {
  const alpha = new Uint8Array(image.width * image.height);
  for (let i = 0; i < alpha.length; i++) alpha[i] = image.data[4 * i + 3];
  return alpha;
}

/** At most this share of pixels is partly see-through in pixel art. */
const SOFT_SHARE = 0.01;
/** Pixel art has at most this many colours, whatever its size. */
const PIXEL_ART_COLOURS = 256;
/** Above this many pixels along its longer side a picture counts as painted. */
const PIXEL_ART_SIDE = 1024;

/** A guess whether a picture is pixel art: few colours, hard alpha, not large. */
export function looksLikePixelArt(image: Image): boolean {
  if (Math.max(image.width, image.height) > PIXEL_ART_SIDE) return false;
  const colours = new Set<number>();
  let seen = 0;
  let soft = 0;
  for (let p = 0; p < image.data.length; p += 4) {
    const alpha = image.data[p + 3];
    if (alpha === 0) continue;
    seen++;
    if (alpha < 255) soft++;
    if (colours.size <= PIXEL_ART_COLOURS) {
      colours.add((image.data[p] << 16) | (image.data[p + 1] << 8) | image.data[p + 2]);
    }
  }
  return colours.size <= PIXEL_ART_COLOURS && soft <= seen * SOFT_SHARE;
}

/** Each pixel as a square of the same. @param times whole */
export function enlarged(image: Image, times: number): Image {
  if (times === 1) return image;
  const out = emptyImage(image.width * times, image.height * times);
  for (let y = 0; y < out.height; y++) {
    for (let x = 0; x < out.width; x++) {
      const from = 4 * (Math.floor(y / times) * image.width + Math.floor(x / times));
      out.data.set(image.data.subarray(from, from + 4), 4 * (y * out.width + x));
    }
  }
  return out;
}
