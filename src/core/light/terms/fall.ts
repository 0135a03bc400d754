/** How a light falls off between its core and its reach. */
import { pow, smoothstep01 } from '../../geometry/exact';
import {
  CURVE_DRAWN,
  CURVE_EASED,
  CURVE_EVEN,
  CURVE_NATURAL,
  CURVE_STRAIGHT,
  TABLE_SIZE,
} from '../../moment/moment';

/** The natural curve's knee is never closer to the light than this share of its reach, or it would be a needle. */
export const NATURAL_KNEE = 1 / 12;

/**
 * @param distance planar distance from the light, px
 * @param drawn the table of a drawn curve
 * @returns 1 within the core, 0 at the reach and beyond
 */
export function fallAt(
  distance: number,
  corePx: number,
  reachPx: number,
  curve: number,
  steepness: number,
  drawn: Float32Array | null = null,
): number {
  if (distance >= reachPx) return 0;
  if (distance <= corePx) return 1;
  const u = (distance - corePx) / (reachPx - corePx);
  const base = curve === CURVE_DRAWN ? tableAt(drawn!, u) : curveAt(u, distance, corePx, reachPx, curve);
  return steepness === 1 ? base : pow(base, steepness);
}

function tableAt(table: Float32Array, u: number): number {
  const at = u * (TABLE_SIZE - 1);
  const i = Math.min(TABLE_SIZE - 2, Math.floor(at));
  return table[i] + (table[i + 1] - table[i]) * (at - i);
}

function curveAt(u: number, distance: number, corePx: number, reachPx: number, curve: number): number {
  switch (curve) {
    case CURVE_STRAIGHT:
      return 1 - u;
    case CURVE_EASED:
      return 1 - smoothstep01(u);
    case CURVE_NATURAL: {
      const k = Math.max(corePx, reachPx * NATURAL_KNEE);
      const window = 1 - u * u * u * u;
      const d = Math.max(distance, corePx);
      return (window * window * (k * k + corePx * corePx)) / (k * k + d * d);
    }
    case CURVE_EVEN:
      return 1;
    default:
      throw new RangeError(`unknown curve ${curve}`);
  }
}

/**
 * The distance at which a light has fallen to a share of its full strength: the radius of an isolux line. Found by
 * halving, to a thousandth of a px; of a drawn curve that rises again one of the places where it has that share.
 */
export function distanceAtShare(
  share: number,
  corePx: number,
  reachPx: number,
  curve: number,
  steepness: number,
  drawn: Float32Array | null = null,
): number {
  let low = corePx;
  let high = reachPx;
  while (high - low > 0.001) {
    const middle = (low + high) / 2;
    if (fallAt(middle, corePx, reachPx, curve, steepness, drawn) >= share) low = middle;
    else high = middle;
  }
  return low;
}
