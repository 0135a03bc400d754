/**
 * A periodic monotone cubic (Fritsch and Carlson 1980): through values at hours of the day, never beyond two
 * neighbours between them, and closed over 24 hours. O(n) a value.
 */
export const DAY_HOURS = 24;

/** An hour brought into 0 up to, but not including, 24. */
export function wrapHours(hours: number): number {
  const wrapped = hours % DAY_HOURS;
  return wrapped < 0 ? wrapped + DAY_HOURS : wrapped;
}

/**
 * @param hours ascending, each in 0..24, no two equal, at least one
 * @param values one an hour
 */
export function periodicMonotone(hours: readonly number[], values: readonly number[], at: number): number {
  const n = hours.length;
  if (n === 1) return values[0];
  const x = wrapHours(at);
  let i = n - 1;
  for (let k = 0; k < n; k++) if (hours[k] <= x) i = k;
  if (x < hours[0]) i = n - 1;
  const gap = (k: number) => {
    const to = hours[(k + 1) % n] - hours[k];
    return to > 0 ? to : to + DAY_HOURS;
  };
  const slope = (k: number) => (values[(k + 1) % n] - values[k]) / gap(k);
  const j = (i + 1) % n;
  const here = slope(i);
  const h = gap(i);
  const before = x - hours[i];
  const t = (before < 0 ? before + DAY_HOURS : before) / h;
  let [m0, m1] = [tangent(slope((i + n - 1) % n), here), tangent(here, slope(j))];
  if (here === 0) m0 = m1 = 0;
  else {
    const [a, b] = [m0 / here, m1 / here];
    const length2 = a * a + b * b;
    // Inside the circle of radius 3 the cubic is monotone.
    if (length2 > 9) {
      const shrink = 3 / Math.sqrt(length2);
      m0 = shrink * a * here;
      m1 = shrink * b * here;
    }
  }
  const t2 = t * t;
  const t3 = t2 * t;
  return (
    (2 * t3 - 3 * t2 + 1) * values[i] +
    (t3 - 2 * t2 + t) * h * m0 +
    (3 * t2 - 2 * t3) * values[j] +
    (t3 - t2) * h * m1
  );
}

function tangent(left: number, right: number): number {
  return left * right <= 0 ? 0 : (left + right) / 2;
}
