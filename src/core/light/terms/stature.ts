/** Where shadows of occluders end that do not stand to the sky: each is held against the heights that the light fills. */
import type { MomentSource } from '../../moment/moment';

/** As wide a span as leaves nothing of a share of it. */
const ENDLESS_SPAN = 1e30;

/**
 * The lowest part of a source, and how far it is from there to its highest: heights in px, of parallel light slopes.
 * @param size half of what shines: px, of parallel light the tangent of an angle
 */
export function heightsOf(source: MomentSource, size: number): [low: number, span: number] {
  if (!source.parallel) return [source.heightPx - size, 2 * size];
  const slope = source.z / Math.sqrt(source.x * source.x + source.y * source.y);
  if (size === 0) return [slope, 0];
  const low = (slope - size) / (1 + slope * size);
  // A sun that reaches past the zenith has no highest slope: the weight has gone to nothing by then.
  const high = slope * size < 1 ? (slope + size) / (1 - slope * size) : Infinity;
  return [low, high === Infinity ? ENDLESS_SPAN : high - low];
}

/**
 * Beyond this an occluder is too low to stop the light, whatever part of the light is asked.
 * @param distance to the light, px
 * @param low of its heights
 */
export function farthestStop(staturePx: number, distance: number, low: number, isParallel: boolean): number {
  if (isParallel) return low > 0 ? Math.min(distance, staturePx / low) : distance;
  return low > staturePx ? (distance * staturePx) / low : distance;
}

/**
 * How much of a soft light an occluder stops at a depth: less toward the end of its shadow.
 * @param far the way to the light, px; 1 of parallel light
 */
export function weightAt(
  staturePx: number,
  far: number,
  depth: number,
  [low, span]: readonly [number, number],
): number {
  return Math.min(1, Math.max(0, ((staturePx * far) / depth - low) / span));
}
