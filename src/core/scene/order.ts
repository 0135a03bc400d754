/**
 * Fractional order keys: strings that sort by code unit, between any two of which another one fits. A key is read
 * as the digits of a fraction in base 62, without a trailing zero.
 */
import { inOrder } from './document';

const DIGITS = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz';

/**
 * A key after `low` and before `high`; null is an open end.
 * @throws RangeError where low is not before high
 */
export function orderBetween(low: string | null, high: string | null): string {
  if (low !== null && high !== null && low >= high)
    throw new RangeError(`no key fits between "${low}" and "${high}"`);
  let key = '';
  let bounded = high !== null;
  for (let i = 0; ; i++) {
    const from = low !== null && i < low.length ? DIGITS.indexOf(low[i]) : 0;
    const to = bounded && i < high!.length ? DIGITS.indexOf(high![i]) : DIGITS.length;
    if (to - from > 1) {
      // At an open end one step is taken and not half the way, so that keys of long lists stay short.
      const step = bounded ? Math.floor((from + to) / 2) : from + 1;
      return key + DIGITS[step];
    }
    key += DIGITS[from];
    if (to > from) bounded = false;
  }
}

/** The key after the last of those given. */
export function orderAfter(orders: readonly string[]): string {
  const last = orders.reduce<string | null>(
    (max, order) => (max === null || order > max ? order : max),
    null,
  );
  return orderBetween(last, null);
}

/**
 * The key that puts one of some records at a place among them.
 * @param place from 0; beyond the ends it is the end
 * @returns null where it stands there already
 */
export function orderAt(
  records: Readonly<Record<string, { order: string }>>,
  id: string,
  place: number,
): string | null {
  const row = inOrder(records);
  const others = row.filter(([other]) => other !== id);
  const at = Math.min(others.length, Math.max(0, place));
  if (row[at]?.[0] === id) return null;
  const low = others[at - 1]?.[1].order ?? null;
  // Records that came from two people may share a key: then it stands after all of those.
  const high = others.slice(at).find(([, { order }]) => low === null || order > low)?.[1].order ?? null;
  return orderBetween(low, high);
}
