/** Largest and smallest values in square windows, and the closing made of them, by passes at growing offsets. */

/** Offsets whose passes, each the best of three, widen a window from 1 to 2 r + 1. */
function offsetsFor(radius: number): number[] {
  const offsets: number[] = [];
  for (let reach = 0; reach < radius;) {
    const offset = Math.min(2 * reach + 1, radius - reach);
    offsets.push(offset);
    reach += offset;
  }
  return offsets;
}

/** Steps of a whole 1; the extremes are found on integers, whose largest needs no branch. */
const STEPS = 8192;
const LOWEST = -32768;

/** The larger of two integers whose difference fits 32 bits. */
function larger(a: number, b: number): number {
  const d = (a - b) | 0;
  return a - (d & (d >> 31));
}

/** The largest of three values, `offset` apart, along rows and then along columns. */
function widened(plane: Int16Array, width: number, height: number, offset: number): Int16Array {
  // At the ends the nearest value stands in: its window lies within the one that is wanted.
  const rows = new Int16Array(plane.length);
  for (let y = 0; y < height; y++) {
    const row = y * width;
    const end = row + width;
    const start = Math.min(end, row + offset);
    const stop = Math.max(start, end - offset);
    for (let i = row; i < start; i++)
      rows[i] = larger(larger(plane[row], plane[i]), plane[Math.min(end - 1, i + offset)]);
    for (let i = start; i < stop; i++)
      rows[i] = larger(larger(plane[i - offset], plane[i]), plane[i + offset]);
    for (let i = stop; i < end; i++) rows[i] = larger(larger(plane[i - offset], plane[i]), plane[end - 1]);
  }
  const out = new Int16Array(plane.length);
  for (let y = 0; y < height; y++) {
    const row = y * width;
    const above = Math.max(0, y - offset) * width;
    const below = Math.min(height - 1, y + offset) * width;
    for (let x = 0; x < width; x++)
      out[row + x] = larger(larger(rows[row + x], rows[above + x]), rows[below + x]);
  }
  return out;
}

/**
 * The grey closing of a plane by a square of 2 r + 1: what is dark and thinner than that is filled from its sides.
 * @param plane values of 0 to 1, taken in steps of 1/8192
 * @param inside flags of the values that count; null for all
 */
export function closed(
  plane: Float32Array,
  inside: Uint8Array | null,
  width: number,
  height: number,
  radius: number,
): Float32Array {
  let out = new Int16Array(plane.length);
  for (let i = 0; i < out.length; i++) out[i] = inside && !inside[i] ? LOWEST : plane[i] * STEPS + 0.5;
  for (const offset of offsetsFor(radius)) out = widened(out, width, height, offset) as typeof out;
  // The smallest of values is minus the largest of their opposites; nothing is below the lowest.
  for (let i = 0; i < out.length; i++) out[i] = inside && !inside[i] ? LOWEST : -out[i];
  for (const offset of offsetsFor(radius)) out = widened(out, width, height, offset) as typeof out;
  const result = new Float32Array(plane.length);
  for (let i = 0; i < out.length; i++) result[i] = inside && !inside[i] ? 0 : -out[i] / STEPS;
  return result;
}
