/** Maps as files, and masks from them. */
import { InputFault } from '../faults';
import { alphaOf, type Image } from '../raster/image';
import { encodeGrey16, encodePng } from '../raster/png';
import { RELIEF_VERSION, type ReliefResult } from '../relief/relief-of';

/** Heights in the files: grey 32768 is 0, one px of the art is this many steps. */
export const HEIGHT_STEPS_PER_PX = 256;
const HEIGHT_ZERO = 32768;

/** A normal map with the art's alpha, without colour management; says its orientation in a text chunk. */
export function normalFile(image: Image, relief: ReliefResult, yUp: boolean): Uint8Array {
  const data = relief.normals.slice();
  const alpha = alphaOf(image);
  for (let i = 0; i < alpha.length; i++) {
    data[4 * i + 3] = alpha[i];
    if (!yUp) data[4 * i + 1] = 255 - data[4 * i + 1];
  }
  return encodePng(
    { width: image.width, height: image.height, data },
    { Orientation: yUp ? 'Y up' : 'Y down', Relief: `Oilwick relief, algorithm ${RELIEF_VERSION}` },
  );
}

/** Heights as 16-bit grey; what lies beyond its range is held at the ends. */
export function heightFile({ width, height, heights }: ReliefResult): Uint8Array {
  const data = new Uint16Array(heights.length);
  for (let i = 0; i < data.length; i++) {
    data[i] = Math.min(65535, Math.max(0, Math.floor(heights[i] * HEIGHT_STEPS_PER_PX + HEIGHT_ZERO + 0.5)));
  }
  return encodeGrey16(width, height, data, {
    Height: `${HEIGHT_ZERO} is 0, ${HEIGHT_STEPS_PER_PX} steps are 1 px`,
  });
}

/** A glow mask's share of each pixel: its brightness. A mask of another size than the art is refused. */
export function glowOf(mask: Image, art: Image): Uint8Array {
  if (mask.width !== art.width || mask.height !== art.height) {
    throw new InputFault(
      `The glow mask has ${mask.width} x ${mask.height} px, the art ${art.width} x ${art.height}.`,
    );
  }
  return Uint8Array.from({ length: mask.width * mask.height }, (_, i) => mask.data[4 * i]);
}
