/**
 * A relief that went out to a paint program and came back: what changed becomes a picture to be pasted as a stroke,
 * over whatever the recipe gives then.
 */
import { InputFault } from '../faults';
import { HEIGHT_ZERO, heightSteps, type HeightPicture } from '../raster/height-picture';
import { emptyImage, type Image } from '../raster/image';
import { checkSameSize } from './imported';
import type { ReliefResult } from './relief-of';

/** Paint programs round; a change is more than this. */
const NORMAL_STEPS = 2;
/** A file of 8 bit has steps of 257. */
const HEIGHT_STEPS_8 = 257;
const HEIGHT_STEPS_16 = 1;

/**
 * @param returned the normal map as it came back
 * @param yUp whether it went out with green pointing up
 * @returns the changed facings, Y up, clear where nothing changed
 * @throws InputFault where the size differs, or nothing changed
 */
export function changedFacings(returned: Image, relief: ReliefResult, yUp: boolean): Image {
  checkSameSize('The returned normal map', returned, relief);
  const out = emptyImage(returned.width, returned.height);
  let changed = 0;
  for (let p = 0; p < out.data.length; p += 4) {
    if (returned.data[p + 3] === 0) continue;
    const green = yUp ? returned.data[p + 1] : 255 - returned.data[p + 1];
    const isSame =
      Math.abs(returned.data[p] - relief.normals[p]) <= NORMAL_STEPS &&
      Math.abs(green - relief.normals[p + 1]) <= NORMAL_STEPS &&
      Math.abs(returned.data[p + 2] - relief.normals[p + 2]) <= NORMAL_STEPS;
    if (isSame) continue;
    out.data.set([returned.data[p], green, returned.data[p + 2], 255], p);
    changed++;
  }
  if (changed === 0) throw new InputFault('Nothing in the returned normal map differs from the relief.');
  return out;
}

/**
 * @param depth bits of the returned file
 * @returns by how much the heights changed, as a picture of differences
 * @throws InputFault where the size differs, or nothing changed
 */
export function changedHeights(returned: HeightPicture, relief: ReliefResult, depth: number): HeightPicture {
  checkSameSize('The returned height map', returned, relief);
  const sent = heightSteps(relief.heights);
  const tolerance = depth === 16 ? HEIGHT_STEPS_16 : HEIGHT_STEPS_8;
  const values = new Uint16Array(sent.length).fill(HEIGHT_ZERO);
  let changed = 0;
  for (let i = 0; i < values.length; i++) {
    const by = returned.values[i] - sent[i];
    if (Math.abs(by) <= tolerance) continue;
    values[i] = Math.min(65535, Math.max(0, HEIGHT_ZERO + by));
    changed++;
  }
  if (changed === 0) throw new InputFault('Nothing in the returned height map differs from the relief.');
  return { width: returned.width, height: returned.height, values };
}
