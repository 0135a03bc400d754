/**
 * A cubic through values that never goes beyond two neighbours between them, and whose slope is the same on both sides
 * of each point (Fritsch and Carlson 1980). Where an interval would overshoot, both its tangents are shortened, and its
 * neighbours run on with the shortened ones. O(n).
 */

/** Within a circle of this radius of tangents, as multiples of the interval's slope, the cubic is monotone. */
const RADIUS = 3;

/** A cubic of one or more intervals. */
export interface MonotoneCubic {
  /** Where each interval begins, ascending; an open cubic has its end as the last one. */
  at: ArrayLike<number>;
  values: ArrayLike<number>;
  /** The slope at each point. */
  tangents: Float64Array;
  /** After how much it begins again; null is an open cubic, level before its first and after its last point. */
  period: number | null;
}

/**
 * @param at ascending, no two equal, at least one
 * @param values one for each
 * @param period of a closed one: longer than from the first place to the last
 */
export function monotoneCubic(
  at: ArrayLike<number>,
  values: ArrayLike<number>,
  period: number | null = null,
): MonotoneCubic {
  const n = at.length;
  if (values.length !== n || n === 0)
    throw new RangeError(`expected a value for each of ${n} places, got ${values.length}`);
  const intervals = period === null ? n - 1 : n;
  const slopes = Float64Array.from({ length: intervals }, (_, i) => {
    const j = (i + 1) % n;
    return (values[j] - values[i]) / widthOf(at, i, period);
  });
  const tangents = new Float64Array(n);
  for (let i = 0; i < n && intervals > 0; i++) {
    const isEnd = period === null && (i === 0 || i === n - 1);
    const left = slopes[(i + intervals - 1) % intervals];
    const right = slopes[i % intervals];
    if (isEnd) tangents[i] = i === 0 ? right : left;
    else tangents[i] = left * right <= 0 ? 0 : (left + right) / 2;
  }
  for (let i = 0; i < intervals; i++) shorten(tangents, i, (i + 1) % n, slopes[i]);
  return { at, values, tangents, period };
}

function widthOf(at: ArrayLike<number>, i: number, period: number | null): number {
  const n = at.length;
  return i < n - 1 ? at[i + 1] - at[i] : at[0] + period! - at[i];
}

/** Shortens the tangents of an interval that would overshoot; a later interval can only shorten them further. */
function shorten(tangents: Float64Array, i: number, j: number, slope: number): void {
  if (slope === 0) {
    tangents[i] = 0;
    tangents[j] = 0;
    return;
  }
  const [a, b] = [tangents[i] / slope, tangents[j] / slope];
  const length2 = a * a + b * b;
  if (length2 <= RADIUS * RADIUS) return;
  const share = RADIUS / Math.sqrt(length2);
  tangents[i] *= share;
  if (j !== i) tangents[j] *= share;
}

/** The value of a cubic at a place; of a closed one anywhere within a period of its first point. */
export function monotoneAt({ at, values, tangents, period }: MonotoneCubic, x: number): number {
  const n = at.length;
  if (n === 1) return values[0];
  if (period === null) {
    if (x <= at[0]) return values[0];
    if (x >= at[n - 1]) return values[n - 1];
  }
  // The last place at or before x; before the first one the last interval of a closed cubic has not ended yet.
  let i = n - 1;
  while (i >= 0 && at[i] > x) i--;
  const before = i < 0;
  if (before) i = n - 1;
  const j = (i + 1) % n;
  const width = widthOf(at, i, period);
  const t = (x - at[i] + (before ? period! : 0)) / width;
  const t2 = t * t;
  const t3 = t2 * t;
  return (
    (2 * t3 - 3 * t2 + 1) * values[i] +
    (t3 - 2 * t2 + t) * width * tangents[i] +
    (3 * t2 - 2 * t3) * values[j] +
    (t3 - t2) * width * tangents[j]
  );
}
