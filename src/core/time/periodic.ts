/** Values over the hours of the day, closed over 24 hours: between two of them never beyond either. */
import { monotoneAt, monotoneCubic } from '../geometry/monotone';

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
  return monotoneAt(monotoneCubic(hours, values, DAY_HOURS), wrapHours(at));
}
