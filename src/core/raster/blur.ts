/**
 * Smoothing of float planes: passes of three taps where it is narrow, else three box passes in each direction, close to a
 * Gaussian (Kovesi 2010), with running sums, so that the cost does not grow with the width. Values outside a mask take no part: the plane times the mask
 * and the mask itself are smoothed alike, and the one divided by the other.
 */

import { threeTaps } from './pyramid';

/** Up to here passes of three taps are nearer to a Gaussian than boxes of whole px, and quicker. */
const MOST_TAPPED_SIGMA = 1.5;
/** Taps of a quarter at most have no overshoot, and a variance of one half. */
const MOST_TAP = 0.25;

/**
 * @param plane width * height floats, left as they are
 * @param inside flags of the values that count; null for all
 * @param sigmaPx standard deviation; 0 copies
 * @returns a new plane, 0 outside the mask
 */
export function blurred(
  plane: Float32Array,
  inside: Uint8Array | null,
  width: number,
  height: number,
  sigmaPx: number,
): Float32Array {
  const out = masked(plane, inside);
  if (sigmaPx <= 0) return out;
  smooth(out, width, height, sigmaPx);
  if (!inside) return out;
  const share = new Float32Array(inside);
  smooth(share, width, height, sigmaPx);
  for (let i = 0; i < out.length; i++) out[i] = inside[i] ? out[i] / share[i] : 0;
  return out;
}

function masked(plane: Float32Array, inside: Uint8Array | null): Float32Array {
  const out = plane.slice();
  if (inside) for (let i = 0; i < out.length; i++) if (!inside[i]) out[i] = 0;
  return out;
}

/** Half widths of three boxes whose joint variance is nearest to sigma squared. */
function boxRadii(sigma: number): number[] {
  const ideal = Math.sqrt((12 * sigma * sigma) / 3 + 1);
  let low = Math.floor(ideal);
  if (low % 2 === 0) low--;
  const m = Math.round((12 * sigma * sigma - 3 * low * low - 12 * low - 9) / (-4 * low - 4));
  return [0, 1, 2].map((i) => ((i < m ? low : low + 2) - 1) / 2);
}

function smooth(plane: Float32Array, width: number, height: number, sigma: number): void {
  if (sigma <= MOST_TAPPED_SIGMA) {
    const passes = Math.ceil(sigma * sigma * 2);
    for (let k = 0; k < passes; k++)
      threeTaps(plane, width, height, Math.min(MOST_TAP, (sigma * sigma) / (2 * passes)));
    return;
  }
  const spare = new Float32Array(plane.length);
  for (const radius of boxRadii(sigma)) {
    if (radius < 1) continue;
    boxRows(plane, spare, width, height, radius);
    boxColumns(spare, plane, width, height, radius);
  }
}

/** The index along a line of n that stands for i: held at the ends. */
function held(i: number, n: number): number {
  return i < 0 ? 0 : i >= n ? n - 1 : i;
}

/** One box along each row. */
function boxRows(from: Float32Array, to: Float32Array, width: number, height: number, radius: number): void {
  const padded = new Float64Array(width + 2 * radius + 1);
  const share = 1 / (2 * radius + 1);
  for (let y = 0; y < height; y++) {
    const row = y * width;
    for (let x = 0; x < width; x++) padded[x + radius] = from[row + x];
    for (let k = 0; k < radius; k++) {
      padded[k] = from[row + held(k - radius, width)];
      padded[width + radius + k] = from[row + held(width + k, width)];
    }
    let sum = 0;
    for (let k = 0; k < 2 * radius; k++) sum += padded[k];
    for (let x = 0; x < width; x++) {
      sum += padded[x + 2 * radius];
      to[row + x] = sum * share;
      sum -= padded[x];
    }
  }
}

/** One box along each column, all columns a row at a time, so that memory is read in its order. */
function boxColumns(
  from: Float32Array,
  to: Float32Array,
  width: number,
  height: number,
  radius: number,
): void {
  const sums = new Float64Array(width);
  const share = 1 / (2 * radius + 1);
  for (let k = -radius; k < radius; k++) {
    const row = held(k, height) * width;
    for (let x = 0; x < width; x++) sums[x] += from[row + x];
  }
  for (let y = 0; y < height; y++) {
    const enters = held(y + radius, height) * width;
    const leaves = held(y - radius, height) * width;
    const row = y * width;
    for (let x = 0; x < width; x++) {
      const sum = sums[x] + from[enters + x];
      to[row + x] = sum * share;
      sums[x] = sum - from[leaves + x];
    }
  }
}
