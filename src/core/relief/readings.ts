/** A normal map tried on its art both ways, so that the eye can tell which way its green points. */
import { NORMAL_BYTE_TO_VALUE, facing } from '../light/terms/facing';
import { emptyImage, type Image } from '../raster/image';
import { checkSameSize } from './imported';

/** The way to the light, a unit vector in scene axes (y down): from the upper left, in front of the picture. */
const TO_LIGHT = [-0.48, -0.64, 0.6] as const;
/** Full light is brighter than the art, so that lit flanks stand out. */
const LIGHT = 1.25;
const AMBIENT = 0.15;
/** Of art that is longer than this, times its other side, only the middle is shown: the whole of it would be too small. */
const LONGEST = 1.6;

/**
 * The art under a light from the upper left, by one reading of a normal map of its size.
 * Of very long art it is the middle.
 * @param mostPx the longer side of the result; larger art is sampled down, smaller stays
 * @throws InputFault where the sizes differ
 */
export function litByReading(art: Image, map: Image, yUp: boolean, mostPx: number): Image {
  checkSameSize('The normal map', map, art);
  const width = Math.min(art.width, Math.ceil(LONGEST * art.height));
  const height = Math.min(art.height, Math.ceil(LONGEST * art.width));
  const [left, top] = [(art.width - width) >> 1, (art.height - height) >> 1];
  const step = Math.max(1, Math.max(width, height) / mostPx);
  const out = emptyImage(Math.max(1, Math.floor(width / step)), Math.max(1, Math.floor(height / step)));
  for (let y = 0, to = 0; y < out.height; y++) {
    for (let x = 0; x < out.width; x++, to += 4) {
      const from = 4 * ((top + Math.floor(y * step)) * art.width + left + Math.floor(x * step));
      const [nx, green, nz] = [0, 1, 2].map((c) => NORMAL_BYTE_TO_VALUE[map.data[from + c]]);
      const ny = yUp ? -green : green;
      const dot = nx * TO_LIGHT[0] + ny * TO_LIGHT[1] + nz * TO_LIGHT[2];
      const light = AMBIENT + LIGHT * facing(dot, 0, 1);
      for (let c = 0; c < 3; c++) out.data[to + c] = Math.min(255, Math.round(art.data[from + c] * light));
      out.data[to + 3] = art.data[from + 3];
    }
  }
  return out;
}

/** What the eye cannot tell apart, in steps of a channel. */
const ALIKE_STEPS = 2;

/** Whether two pictures of one size look the same. */
export function areAlike(a: Image, b: Image): boolean {
  return a.data.every((value, i) => Math.abs(value - b.data[i]) <= ALIKE_STEPS);
}
