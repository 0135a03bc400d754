/** How the sums of a layer become its light, a channel at a time; none of them has an order. */
import type { MomentBlend } from '../../moment/moment';
import { LUMINANCE } from '../../raster/colour';

/**
 * The ambient light.
 * @param scene the scene's own
 * @param instead the sum of what stands in its place, and `weight` the sum of how much it does
 * @param added what is added to it
 */
export function ambientOf(scene: number, instead: number, weight: number, added: number): number {
  return (scene * Math.max(0, 1 - weight) + instead) / Math.max(1, weight) + added;
}

/**
 * What albedo is multiplied by.
 * @param sum the ambient light and the lights that add up
 * @param lighten the largest of those of which the brighter wins
 * @param covered the product of what those that uncover leave covered; 1 where there is none
 * @param taken the sum of those that take away
 */
export function lightOf(sum: number, lighten: number, covered: number, taken: number): number {
  return Math.max(0, Math.max(sum, lighten, 1 - covered) - taken);
}

/** What the lights on a surface come to before they are joined, a value for each channel of each surface. */
export interface LightSums {
  /** The ambient light, and the lights that add up. */
  light: Float64Array;
  /** The largest of those of which the brighter wins. */
  lighten: Float64Array;
  /** What those that uncover leave covered, as a product. */
  covered: Float64Array;
  /** What those that take away take. */
  taken: Float64Array;
  /** What rims are multiplied by. */
  rim: Float64Array;
}

/** @param size three for each surface */
export function newSums(size: number): LightSums {
  const values = () => new Float64Array(size);
  return { light: values(), lighten: values(), covered: values(), taken: values(), rim: values() };
}

/** Makes sums ready for the first light; the ambient light is for the caller to set. */
export function clearSums({ lighten, covered, taken, rim }: LightSums, size: number): void {
  lighten.fill(0, 0, size);
  covered.fill(1, 0, size);
  taken.fill(0, 0, size);
  rim.fill(0, 0, size);
}

/** Adds what one light gives to a channel of a surface. */
export function sumUp(
  { light, lighten, covered, taken, rim }: LightSums,
  at: number,
  { blend, rim: isRim }: { blend: MomentBlend; rim: boolean },
  given: number,
): void {
  if (isRim) rim[at] += given;
  else if (blend === 'add') light[at] += given;
  else if (blend === 'lighten') lighten[at] = Math.max(lighten[at], given);
  else if (blend === 'uncover') covered[at] *= 1 - Math.min(given, 1);
  else taken[at] += given;
}

/**
 * Adds what one light gives to surfaces.
 * @param gives not 0 where it gives anything
 * @param given three values a surface
 */
export function sumUpAll(
  sums: LightSums,
  light: { blend: MomentBlend; rim: boolean },
  gives: Float64Array,
  given: Float64Array,
  count: number,
): void {
  const { blend, rim } = light;
  const isSum = rim || blend === 'add' || blend === 'subtract';
  const sum = rim ? sums.rim : blend === 'add' ? sums.light : sums.taken;
  for (let i = 0, at = 0; i < count; i++, at += 3) {
    if (gives[i] === 0) continue;
    if (isSum) {
      sum[at] += given[at];
      sum[at + 1] += given[at + 1];
      sum[at + 2] += given[at + 2];
    } else for (let c = at; c < at + 3; c++) sumUp(sums, c, light, given[c]);
  }
}

/**
 * How much shows of what is seen when lit: by the luminance of what it gets beyond the ambient light.
 * @param at the first of its three values in both
 */
export function shownShareAt(
  gain: number,
  light: ArrayLike<number>,
  ambient: ArrayLike<number>,
  at: number,
): number {
  let luminance = 0;
  for (let c = 0; c < 3; c++) luminance += LUMINANCE[c] * Math.max(0, light[at + c] - ambient[at + c]);
  return Math.min(1, gain * luminance);
}

/**
 * What a light gives in its shadow.
 * @param through the share that nothing stops
 * @param lets what is left of the rest, by the colour and the depth of the light's shadows
 */
export function pastShadow(through: number, lets: number): number {
  return through + (1 - through) * lets;
}
