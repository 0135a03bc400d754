/** The measure of a relief: how far its facings are from those of a known surface. Used by tests and benchmarks. */
import { NORMAL_BYTE_TO_VALUE } from '../light/terms/facing';

/** A unit normal in scene axes: x right, y down, z to the viewer. */
export type Facing = readonly [number, number, number];

export interface AngleError {
  meanDeg: number;
  worstDeg: number;
  count: number;
}

/**
 * @param normals RGBA bytes, tangent space, Y up
 * @param truth unit normal at a pixel's centre in scene axes (y down), or null where it is not asked
 */
export function angleError(
  normals: Uint8Array,
  width: number,
  height: number,
  truth: (x: number, y: number) => Facing | null,
): AngleError {
  let sum = 0;
  let worstDeg = 0;
  let count = 0;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const expected = truth(x + 0.5, y + 0.5);
      if (!expected) continue;
      const p = 4 * (y * width + x);
      const got = [
        NORMAL_BYTE_TO_VALUE[normals[p]],
        -NORMAL_BYTE_TO_VALUE[normals[p + 1]],
        NORMAL_BYTE_TO_VALUE[normals[p + 2]],
      ];
      const angle = angleBetweenDeg(got, expected);
      sum += angle;
      worstDeg = Math.max(worstDeg, angle);
      count++;
    }
  }
  return { meanDeg: count === 0 ? 0 : sum / count, worstDeg, count };
}

/** The angle of two vectors by the length of their chord, which stays exact for small angles. */
function angleBetweenDeg(a: readonly number[], b: readonly number[]): number {
  const la = Math.sqrt(a[0] * a[0] + a[1] * a[1] + a[2] * a[2]);
  const lb = Math.sqrt(b[0] * b[0] + b[1] * b[1] + b[2] * b[2]);
  const d = [0, 1, 2].map((c) => a[c] / la - b[c] / lb);
  const chord = Math.sqrt(d[0] * d[0] + d[1] * d[1] + d[2] * d[2]);
  // arcsine by its series is enough for a measure: 2 asin(c / 2).
  const s = Math.min(1, chord / 2);
  return 2 * arcsine(s) * (180 / Math.PI);
}

function arcsine(s: number): number {
  let term = s;
  let sum = s;
  for (let n = 1; n < 60; n++) {
    term *= (s * s * (2 * n - 1) * (2 * n - 1)) / (2 * n * (2 * n + 1));
    sum += term;
  }
  return sum;
}
