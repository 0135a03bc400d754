/**
 * A plane split by wavelength: smoothings of 1, 2, 4, 8 and 16 px, each at the size that it needs, and the sum of
 * their differences with a weight each.
 */
import { doubled, halved, tapped, type Level } from '../raster/pyramid';
import { OCTAVES_PX } from './recipe';

/** Standard deviation of a smoothing as a share of its wavelength. */
const SIGMA_PER_WAVELENGTH = 0.7;
const VARIANCE = SIGMA_PER_WAVELENGTH * SIGMA_PER_WAVELENGTH;
/** Taps w, 1 - 2w, w have the variance 2w; the first smoothing is made of two. */
const FIRST_TAP = VARIANCE / 2;
/** Halving by pairs brings a variance of 0.25 px; what is left to a smoothing of the same share of the doubled px. */
const NEXT_TAP = (VARIANCE - (VARIANCE + 0.25) / 4) / 2;

/**
 * @param levels smoothings of the plane, as many as the weights ask for
 * @param inside flags of the values that count; null for all
 * @param weights one for each octave, finest first
 * @returns the weighted sum of the octaves, 0 outside
 */
export function weightedOctaves(
  plane: Float32Array,
  levels: readonly Level[],
  inside: Uint8Array | null,
  weights: readonly number[],
): Float32Array {
  const deepest = levels.length - 1;
  // A smoothing ends one octave and begins the next: it counts by the difference of their weights.
  const share = (k: number) => (weights[k + 1] ?? 0) - weights[k];
  let sum = normalised(levels[deepest], share(deepest));
  for (let k = deepest - 1; k >= 0; k--) {
    const level = levels[k];
    sum = doubled(sum, level.width, level.height);
    divideAndAdd(sum, level, share(k));
  }
  const out = new Float32Array(plane.length);
  const first = weights[0];
  const { sums } = sum;
  for (let i = 0; i < out.length; i++) if (!inside || inside[i]) out[i] = first * plane[i] + sums[i];
  return out;
}

/** How many octaves have a weight, or lie below one that has. */
export function octavesUsed(weights: readonly number[]): number {
  return weights.reduce((last, weight, i) => (weight !== 0 ? i + 1 : last), 0);
}

/**
 * The smoothings of the first `count` wavelengths, from 1 on.
 * @param plane width * height values
 */
export function smoothings(
  plane: Float32Array,
  inside: Uint8Array | null,
  width: number,
  height: number,
  count: number,
): Level[] {
  const sums = plane.slice();
  if (inside) for (let i = 0; i < sums.length; i++) if (!inside[i]) sums[i] = 0;
  const shares = inside && new Float32Array(inside);
  const levels = [tapped({ width, height, sums, shares }, FIRST_TAP)];
  for (let k = 1; k < count && k < OCTAVES_PX.length; k++)
    levels.push(tapped(halved(levels[k - 1]), NEXT_TAP));
  return levels;
}

/** Means times a weight; shares become flags of where there is one, so that doubling mixes only what is there. */
function normalised({ width, height, sums, shares }: Level, weight: number): Level {
  const out = new Float32Array(sums.length);
  if (!shares) {
    for (let i = 0; i < out.length; i++) out[i] = weight * sums[i];
    return { width, height, sums: out, shares: null };
  }
  const flags = new Float32Array(sums.length);
  for (let i = 0; i < out.length; i++) {
    if (shares[i] <= 0) continue;
    out[i] = (weight * sums[i]) / shares[i];
    flags[i] = 1;
  }
  return { width, height, sums: out, shares: flags };
}

/** Makes means of a doubled level, and adds those of the level of its size times a weight. */
function divideAndAdd(sum: Level, level: Level, weight: number): void {
  const { sums, shares } = sum;
  if (!shares || !level.shares) {
    for (let i = 0; i < sums.length; i++) sums[i] += weight * level.sums[i];
    return;
  }
  for (let i = 0; i < sums.length; i++) {
    if (level.shares[i] <= 0) {
      sums[i] = 0;
      shares[i] = 0;
      continue;
    }
    sums[i] = sums[i] / shares[i] + (weight * level.sums[i]) / level.shares[i];
    shares[i] = 1;
  }
}
