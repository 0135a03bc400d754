/** What runs from a light's core to its reach as tables that both renderers read: the drawn curve, and colour stops. */
import {
  hexToLinear,
  linearToOklab,
  oklabToLinear,
  srgbEncode,
  type LightSpace,
  type Rgb,
} from '../raster/colour';
import type { ColourStop } from '../scene/document';
import { TABLE_SIZE } from './moment';

const curves = new WeakMap<readonly number[], Float32Array>();

/**
 * A curve through points as a table, never beyond two neighbours between them (Fritsch and Carlson 1980).
 * @param points shares 0..1, rising, and values in turn
 * @returns TABLE_SIZE values; the first is 1 and the last 0, whatever the points say
 */
export function curveTable(points: readonly number[]): Float32Array {
  const known = curves.get(points);
  if (known) return known;
  const table = Float32Array.from({ length: TABLE_SIZE }, (_, i) => curveValue(points, i / (TABLE_SIZE - 1)));
  table[0] = 1;
  table[TABLE_SIZE - 1] = 0;
  curves.set(points, table);
  return table;
}

/** The curve through points at a share; level before the first and after the last. */
export function curveValue(points: readonly number[], at: number): number {
  const n = points.length / 2;
  if (at <= points[0]) return points[1];
  if (at >= points[2 * n - 2]) return points[2 * n - 1];
  let i = 0;
  while (at >= points[2 * i + 2]) i++;
  const slope = (k: number) =>
    k < 0 || k > n - 2 ? 0 : (points[2 * k + 3] - points[2 * k + 1]) / (points[2 * k + 2] - points[2 * k]);
  const here = slope(i);
  const h = points[2 * i + 2] - points[2 * i];
  const tangent = (left: number, right: number, isEnd: boolean) =>
    isEnd ? here : left * right <= 0 ? 0 : (left + right) / 2;
  let m0 = tangent(slope(i - 1), here, i === 0);
  let m1 = tangent(here, slope(i + 1), i === n - 2);
  if (here === 0) m0 = m1 = 0;
  else {
    const [a, b] = [m0 / here, m1 / here];
    const length2 = a * a + b * b;
    if (length2 > 9) {
      m0 *= 3 / Math.sqrt(length2);
      m1 *= 3 / Math.sqrt(length2);
    }
  }
  const t = (at - points[2 * i]) / h;
  const [t2, t3] = [t * t, t * t * t];
  return (
    (2 * t3 - 3 * t2 + 1) * points[2 * i + 1] +
    (t3 - 2 * t2 + t) * h * m0 +
    (3 * t2 - 2 * t3) * points[2 * i + 3] +
    (t3 - t2) * h * m1
  );
}

const stopTables = new WeakMap<readonly ColourStop[], { key: string; table: Float32Array }>();

/**
 * Colours from core to reach, mixed in OKLab, in a light space.
 * @param colour the one at 0
 * @returns TABLE_SIZE colours of three values, to be multiplied by the level
 */
export function stopsTable(colour: string, stops: readonly ColourStop[], space: LightSpace): Float32Array {
  const key = `${colour} ${space}`;
  const known = stopTables.get(stops);
  if (known?.key === key) return known.table;
  const all = [{ at: 0, colour }, ...stops.toSorted((a, b) => a.at - b.at)].map((stop) => ({
    at: stop.at,
    lab: linearToOklab(hexToLinear(stop.colour)),
  }));
  const table = new Float32Array(3 * TABLE_SIZE);
  for (let i = 0; i < TABLE_SIZE; i++) {
    const u = i / (TABLE_SIZE - 1);
    let k = 0;
    while (k < all.length - 1 && all[k + 1].at <= u) k++;
    const [from, to] = [all[k], all[Math.min(k + 1, all.length - 1)]];
    const share = to.at > from.at ? (u - from.at) / (to.at - from.at) : 0;
    const lab = from.lab.map((v, c) => v + (to.lab[c] - v) * share) as Rgb;
    const linear = oklabToLinear(lab);
    for (let c = 0; c < 3; c++) table[3 * i + c] = space === 'linear' ? linear[c] : srgbEncode(linear[c]);
  }
  stopTables.set(stops, { key, table });
  return table;
}
