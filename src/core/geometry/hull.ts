/** Convex hulls, and whether a segment meets one (by separating axes). */
import { polygonHull } from 'd3-polygon';
import type { Box } from './affine';

/** A convex polygon. */
export interface Hull {
  /** x, y of its corners, clockwise as seen with y down. */
  corners: Float64Array;
  box: Box;
}

/**
 * @param points x, y in turn
 * @throws RangeError where they span no area
 */
export function hullOf(points: readonly number[]): Hull {
  const pairs = Array.from({ length: points.length / 2 }, (_, i): [number, number] => [
    points[2 * i],
    points[2 * i + 1],
  ]);
  const found = pairs.length < 3 ? null : polygonHull(pairs);
  if (!found || found.length < 3) throw new RangeError(`${pairs.length} points span no area`);
  const xs = found.map(([x]) => x);
  const ys = found.map(([, y]) => y);
  return {
    corners: Float64Array.from(found.toReversed().flat()),
    box: { left: Math.min(...xs), top: Math.min(...ys), right: Math.max(...xs), bottom: Math.max(...ys) },
  };
}

/** Whether a segment has a point in common with a hull, touching counts. */
export function meetsHull({ corners, box }: Hull, ax: number, ay: number, bx: number, by: number): boolean {
  if (Math.max(ax, bx) < box.left || Math.min(ax, bx) > box.right) return false;
  if (Math.max(ay, by) < box.top || Math.min(ay, by) > box.bottom) return false;
  const count = corners.length;
  // The sides: both ends beyond one of them.
  for (let i = 0; i < count; i += 2) {
    const j = i + 2 === count ? 0 : i + 2;
    const [x, y] = [corners[i], corners[i + 1]];
    const [sx, sy] = [corners[j] - x, corners[j + 1] - y];
    if (sx * (ay - y) - sy * (ax - x) < 0 && sx * (by - y) - sy * (bx - x) < 0) return false;
  }
  // The segment's own line: all corners on one side of it.
  let [isLeft, isRight] = [false, false];
  for (let i = 0; i < count; i += 2) {
    const side = (bx - ax) * (corners[i + 1] - ay) - (by - ay) * (corners[i] - ax);
    if (side >= 0) isLeft = true;
    if (side <= 0) isRight = true;
  }
  return isLeft && isRight;
}
