/** Whether two lights shine in the same shape: all is equal but how bright and of what colour they are. */
import type { Moment, MomentLight } from '../moment/moment';

/** Fields that say nothing of the shape: the brightness, and what is compared by what it stands for. */
const APART: ReadonlySet<string> = new Set<keyof MomentLight>(['rgb', 'occluders', 'casts']);

/**
 * @param a,b each from the Moment beside it
 * @returns whether what one gives to a surface is what the other gives, but for the colours `rgb`
 */
export function hasSameShape(a: MomentLight, ofA: Moment, b: MomentLight, ofB: Moment): boolean {
  if (a !== b)
    for (const key of Object.keys(a) as (keyof MomentLight)[])
      if (!APART.has(key) && !isEqual(a[key], b[key])) return false;
  return (
    isSameList(a.occluders, ofA.occluders, b.occluders, ofB.occluders) &&
    isSameList(a.casts, ofA.casts, b.casts, ofB.casts)
  );
}

/** Whether indices into two lists name the very same things. */
function isSameList<T>(
  a: readonly number[],
  ofA: readonly T[],
  b: readonly number[],
  ofB: readonly T[],
): boolean {
  return a.length === b.length && a.every((index, i) => ofA[index] === ofB[b[i]]);
}

/** Equal numbers, texts, lists and records, all the way down; endless and undefined numbers are equal to themselves. */
function isEqual(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (ArrayBuffer.isView(a) && ArrayBuffer.isView(b)) {
    const [one, other] = [a as Float64Array, b as Float64Array];
    return one.length === other.length && one.every((value, i) => value === other[i]);
  }
  const keys = Object.keys(a);
  return (
    keys.length === Object.keys(b).length &&
    keys.every((key) => isEqual((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key]))
  );
}
