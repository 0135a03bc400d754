/** Parts of pictures and planes. */
import { emptyImage, type Image } from './image';
import type { Rect } from './rect';

export type Plane = Float32Array | Uint8Array | Uint16Array;

export function cropped(image: Image, rect: Rect): Image {
  const width = rect.right - rect.left;
  const height = rect.bottom - rect.top;
  if (width === image.width && height === image.height) return image;
  const out = emptyImage(width, height);
  out.data.set(croppedPlane(image.data, image.width, rect, 4));
  return out;
}

/** @param width of the whole plane, px */
export function croppedPlane<T extends Plane>(
  plane: T,
  width: number,
  { left, top, right, bottom }: Rect,
  channels = 1,
): T {
  const w = (right - left) * channels;
  const out = new (plane.constructor as new (n: number) => T)(w * (bottom - top));
  for (let y = top; y < bottom; y++) {
    const from = (y * width + left) * channels;
    out.set(plane.subarray(from, from + w) as never, (y - top) * w);
  }
  return out;
}

/** Writes a part back where it was cut. */
export function putPlane<T extends Plane>(
  plane: T,
  width: number,
  { left, top, right }: Rect,
  part: T,
): void {
  const w = right - left;
  for (let y = 0; y * w < part.length; y++)
    plane.set(part.subarray(y * w, (y + 1) * w) as never, (top + y) * width + left);
}
